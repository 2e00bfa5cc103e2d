// Framing by touch and by keys on a phone upright, lying, and on a wide screen: digital zoom, frame lines, grid, level, the depth planner; and
// what a frame that was cut keeps.
import type { Page } from 'puppeteer-core';
import {
  byId,
  FAKE_CAMERA,
  framesPass,
  openedAt,
  openStage,
  pinch,
  serious,
  SIZES,
  take,
  tap,
  words,
  wordsBecome,
  type Stage,
} from './browser';
import { lentLive, takeLent } from './lent';

jest.setTimeout(120_000);
let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage({}, undefined, FAKE_CAMERA);
});
afterAll(() => stage.close());
afterEach(() => page.close());

const gone = (id: string) => page.waitForFunction((s: string) => !document.querySelector(s), {}, byId(id));
/** The finder shows a part so many times narrower. */
const zoomed = (least: number, most: number) =>
  page.waitForFunction(
    (a: number, b: number) => {
      const times = Number(document.querySelector('canvas')?.dataset.zoom);
      return times >= a && times <= b;
    },
    { timeout: 20_000 },
    least,
    most,
  );
const keys = async (id: string, key: 'ArrowRight' | 'ArrowLeft', count: number) => {
  await page.focus(byId(id));
  for (let i = 0; i < count; i++) await page.keyboard.press(key);
};

it.each(SIZES)('$name', async (size) => {
  page = await openedAt(stage, size);
  // By two fingers, by keys, by the slider.
  await pinch(page, 'finder', 3);
  // Until two fingers count as two they have moved a little.
  await zoomed(1.3, 3);
  await wordsBecome(page, 'cut-chip', /× cut · \d\.\d MP/);
  for (let i = 0; i < 24; i++) await page.keyboard.press('-');
  await gone('cut-chip');
  await page.keyboard.press('+');
  await zoomed(1.08, 1.1);
  await tap(page, size.name === 'lying' ? 'cut-chip' : 'frame-panel');
  await keys('cut-times', 'ArrowRight', 15);
  await zoomed(4, 4);
  await wordsBecome(page, 'cut-words', /4\.0× cut: 0\.8 of 12 MP/);
  // Every shape and grid is drawn.
  for (const shape of ['4:3', '3:2', '1:1', '65:24', '16:9']) {
    await tap(page, `aspect-${shape}`);
    await wordsBecome(page, 'cut-words', new RegExp(shape));
  }
  await page.waitForSelector(byId('lines-16:9'));
  for (const grid of ['golden', 'cross', 'diagonals', 'thirds']) {
    await tap(page, `grid-${grid}`);
    expect((await page.$$(`${byId(`grid-${grid}`)} line`)).length).toBe(
      grid === 'golden' || grid === 'thirds' ? 4 : 2,
    );
  }
  // The level tells how the camera is held.
  await tap(page, 'level-on');
  expect(await page.$eval(byId('level'), (e) => e.getAttribute('aria-label'))).toMatch(/level$/);
  if (size.name === 'upright') expect(await serious(page)).toEqual([]);
  await page.focus(byId('cut-times'));
  await page.keyboard.press('Home');
  await zoomed(1, 1);
  // What a lens shows, in feet, with another lens from farther back.
  await tap(page, 'frame-tab-depth');
  const [near, told] = [await words(page, 'plan-focus-words'), await words(page, 'plan-told')];
  await tap(page, 'plan-lens-tele');
  await page.waitForFunction(
    (s: string, was: string) => document.querySelector(s)?.textContent !== was,
    {},
    byId('plan-told'),
    told,
  );
  expect(parseFloat(await words(page, 'plan-focus-words'))).toBeGreaterThan(2 * parseFloat(near));
  await keys('plan-background', 'ArrowRight', 3);
  await tap(page, 'lengths-ft');
  await wordsBecome(page, 'plan-told', /ft to .*blurred [\d.]+ px/);
  await wordsBecome(page, 'focus-words', /ft$/);
  await tap(page, 'lengths-m');
  if (size.name === 'upright') expect(await serious(page)).toEqual([]);
  await tap(page, 'plan-take');
  await wordsBecome(page, 'state-focus', /by hand/);
  await page.waitForFunction(() => document.querySelector('canvas')?.dataset.scene === 'wheel-bench.tele');
});

it('a frame that is cut shows its part, tells the whole, and its raw holds it', async () => {
  page = await openedAt(stage, SIZES[0]);
  await page.keyboard.press('v');
  await keys('hold-rollDeg', 'ArrowRight', 4);
  await page.keyboard.press(',');
  await wordsBecome(page, 'level-words', /2\.0° clockwise/);
  await keys('cut-times', 'ArrowRight', 8);
  await tap(page, 'aspect-1:1');
  await page.keyboard.press('Escape');
  await zoomed(2, 2);
  await page.waitForFunction(() => document.querySelector('canvas')?.dataset.focus !== 'searching');
  await framesPass(page, 3);
  await take(page);
  await tap(page, 'open-sheet');
  await tap(page, 'sheet-frame');
  await wordsBecome(page, 'capture-data', /2\.0× cut, 1:1.*2\.0° clockwise.*1512 × 1512 of 3024 × 4032/);
  await wordsBecome(page, 'forecast-held', /held/);
  await page.waitForSelector(byId('picture-fit'));
  // What is seen says its size.
  await page.waitForSelector(`${byId('picture-fit')}[data-seen="1512x1512"]`);
  await tap(page, 'whole');
  await page.waitForSelector(`${byId('picture-fit')}[data-seen="3024x4032"]`);
});

it('a lent camera: the device’s sensor tells the level, nothing is said of depth, a shape cuts the JPEG', async () => {
  page = await openedAt(stage, SIZES[0]);
  await takeLent(page);
  await lentLive(page);
  await page.keyboard.press(',');
  await wordsBecome(page, 'level-words', /Not known: this device tells no angles/);
  await tap(page, 'level-on');
  await page.evaluate(() =>
    dispatchEvent(new DeviceOrientationEvent('deviceorientation', { alpha: 0, beta: 90, gamma: 0 })),
  );
  await wordsBecome(page, 'level-words', /Held level/);
  await page.evaluate(() =>
    dispatchEvent(new DeviceOrientationEvent('deviceorientation', { alpha: 0, beta: 1, gamma: 0 })),
  );
  await wordsBecome(page, 'level-words', /1\.0° off straight down/);
  await tap(page, 'frame-tab-depth');
  await wordsBecome(page, 'depth-unknown', /not known/);
  // A digital zoom and a shape cut its picture.
  await tap(page, 'frame-tab-frame');
  await keys('cut-times', 'ArrowRight', 8);
  await zoomed(2, 2);
  await tap(page, 'aspect-1:1');
  await page.keyboard.press('Escape');
  await wordsBecome(page, 'cut-chip', /2\.0× cut, 1:1/);
  await take(page);
  await tap(page, 'open-sheet');
  await tap(page, 'sheet-frame');
  const size = /(\d+) × (\d+)/.exec(await wordsBecome(page, 'capture-data', /\d+ × \d+/))!;
  expect(size[1]).toBe(size[2]);
});
