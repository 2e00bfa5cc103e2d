// Framing by two fingers, what a frame that was cut keeps, and a lent camera's level and shape.
import type { Page } from 'puppeteer-core';
import {
  byId,
  framesPass,
  live,
  openedAt,
  openStage,
  pinch,
  serious,
  SIZES,
  take,
  tap,
  wordsBecome,
  type Stage,
} from './browser';
import { lentLive, takeLent } from './lent';

let stage: Stage;
// One page for all of them.
let page: Page;
beforeAll(async () => {
  stage = await openStage();
  page = await openedAt(stage, SIZES[0]);
});
afterAll(() => stage.close());

const gone = (id: string) => page.waitForFunction((s: string) => !document.querySelector(s), {}, byId(id));
/** The finder shows a part so many times narrower. */
const zoomed = (least: number, most: number) =>
  page.waitForFunction(
    (a: number, b: number) => {
      const times = Number(document.querySelector('canvas')?.dataset.zoom);
      return times >= a && times <= b;
    },
    {},
    least,
    most,
  );
const keys = async (id: string, key: 'ArrowRight' | 'Home', count: number) => {
  await page.focus(byId(id));
  for (let i = 0; i < count; i++) await page.keyboard.press(key);
};

it('two fingers and keys zoom; shape, level and planner stand in their panel', async () => {
  await pinch(page, 'finder', 3);
  // Until two fingers count as two they have moved a little.
  await zoomed(1.3, 3);
  await wordsBecome(page, 'cut-chip', /× cut · \d\.\d MP/);
  for (let i = 0; i < 24; i++) await page.keyboard.press('-');
  await gone('cut-chip');
  await page.keyboard.press('+');
  await zoomed(1.08, 1.1);
  await tap(page, 'frame-panel');
  await tap(page, 'aspect-16:9');
  await page.waitForSelector(byId('lines-16:9'));
  await tap(page, 'level-on');
  expect(await serious(page)).toEqual([]);
  await tap(page, 'frame-tab-depth');
  await page.waitForSelector(byId('plan-told'));
  expect(await serious(page)).toEqual([]);
  await tap(page, 'frame-tab-frame');
  await tap(page, 'level-on');
  await tap(page, 'aspect-whole');
  await page.keyboard.press('Escape');
  await page.keyboard.press('-');
  await gone('cut-chip');
});

it('a frame that is cut shows its part, tells the whole, and its raw holds it', async () => {
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
  await wordsBecome(page, 'capture-data', /2\.0× cut, 1:1.*2\.0° clockwise.*378 × 378 of 756 × 1008/);
  await wordsBecome(page, 'forecast-held', /held/);
  await page.waitForSelector(byId('picture-fit'));
  // What is seen says its size.
  await page.waitForSelector(`${byId('picture-fit')}[data-seen="378x378"]`);
  await tap(page, 'whole');
  await page.waitForSelector(`${byId('picture-fit')}[data-seen="756x1008"]`);
  await tap(page, 'to-sheet');
  await tap(page, 'to-finder');
  await live(page);
});

it('a lent camera: the device’s sensor tells the level, nothing is said of depth, a shape cuts the JPEG', async () => {
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
  await keys('cut-times', 'Home', 1);
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
