// Checking before the press, as far as it takes a picture that is really drawn, or a finger: marks, histograms, comparison, loupe, the bare
// finder, the stopline and the three themes.
import { decode } from 'fast-png';
import type { Page } from 'puppeteer-core';
import {
  byId,
  deskKeeps,
  framesPass,
  live,
  openStage,
  serious,
  tap as tapIn,
  touchDrag,
  words,
  wordsBecome,
  type Stage,
} from './browser';

let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage();
});
afterAll(async () => stage.close());

const tap = (id: string) => tapIn(page, id);
const text = (id: string) => words(page, id);
const shown = (id: string) => page.waitForSelector(byId(id));
const gone = (id: string) => page.waitForFunction((s: string) => !document.querySelector(s), {}, byId(id));
const check = async (tab: string) => {
  if (!(await page.$(byId('check-tab')))) await tap('check');
  await tap(`check-tab-${tab}`);
};
const close = async () => {
  await page.keyboard.press('Escape');
  await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
};

/** Pixels of the finder's picture that have about this colour. */
async function pixelsLike(target: Page, [r, g, b]: readonly [number, number, number]): Promise<number> {
  await framesPass(target, 6);
  const box = (await (await target.$(byId('finder')))!.boundingBox())!;
  // Above what floats at its foot, and above a panel.
  const clip = { x: box.x, y: box.y, width: box.width, height: box.height * 0.7 };
  const { data, channels } = decode(await target.screenshot({ clip }));
  let found = 0;
  for (let i = 0; i < data.length; i += channels) {
    const far = Math.abs(data[i]! - r) + Math.abs(data[i + 1]! - g) + Math.abs(data[i + 2]! - b);
    if (far < 40) found++;
  }
  return found;
}
const MAGENTA = [255, 111, 174] as const;
const CYAN = [88, 199, 232] as const;

describe('by touch', () => {
  beforeAll(async () => {
    page = await stage.phone();
    await page.goto(stage.origin);
    await live(page);
  });
  afterAll(async () => page.close());
  afterEach(async () => {
    if (await page.$('[role=dialog]')) await close();
    await tap('all-auto');
    await framesPass(page);
  });

  it('marks come and go on the picture, with the shares and sites behind them', async () => {
    await check('marks');
    expect(await pixelsLike(page, MAGENTA)).toBeGreaterThan(50);
    await tap('mark-rawClip');
    expect(await pixelsLike(page, MAGENTA)).toBeLessThan(10);
    await tap('mark-pictureWhite');
    expect(await pixelsLike(page, MAGENTA)).toBeGreaterThan(20);
    await tap('mark-pictureWhite');
    await tap('mark-rawClip');
    const shares = await wordsBecome(page, 'shares', /Picture/);
    expect(shares).toMatch(/R\d.*%.*\d.*G\d.*%.*B\d.*%.*at 255: \d/);
    expect(await serious(page)).toEqual([]);
    // In the dark there is something below the noise to be marked.
    await close();
    for (const [fader, step] of [
      ['shutter', '1/8000'],
      ['iso', '100'],
    ]) {
      await tap(`value-${fader}`);
      await tap(`step-${step}`);
      await close();
    }
    await check('marks');
    const sky = await pixelsLike(page, CYAN);
    await tap('mark-rawFloor');
    expect(await pixelsLike(page, CYAN)).toBeGreaterThan(sky + 25);
    await tap('mark-rawFloor');
    await tap('mark-pictureBlack');
    await deskKeeps(page, '"pictureBlack":true');
    await tap('mark-pictureBlack');
  });

  it('histograms stand over the picture, named, as large and as solid as wanted', async () => {
    await check('scopes');
    await tap('histogram-both');
    expect(await text('histogram-raw-box')).toMatch(/^Raw/);
    await wordsBecome(page, 'histogram-picture-box', /^Picture.*luminance/);
    const width = async () => (await (await shown('histogram-raw-box'))!.boundingBox())!.width;
    // On the whole picture: beside a panel it is small.
    await close();
    const small = await width();
    await check('scopes');
    await tap('histogram-size-large');
    await close();
    await page.waitForFunction(
      (s: string, was: number) => document.querySelector(s)!.getBoundingClientRect().width > was * 1.5,
      {},
      byId('histogram-raw-box'),
      small,
    );
    await check('scopes');
    await tap('histogram-opacity-less');
    await page.waitForFunction(
      (s: string) => getComputedStyle(document.querySelector(s)!).opacity === '0.7',
      {},
      byId('histogram-box'),
    );
    await tap('histogram-off');
    await gone('histogram-box');
  });

  it('another exposure is held up: ISO 50 against 100 is the same raw and a picture a stop darker', async () => {
    await check('compare');
    await tap('other-present');
    for (let i = 0; i < 3; i++) await tap('other-iso-less');
    await wordsBecome(page, 'other-iso-words', /50/);
    await close();
    const box = (await (await shown('hold'))!.boundingBox())!;
    const finger = await page.touchscreen.touchStart(box.x + box.width / 2, box.y + box.height / 2);
    await wordsBecome(page, 'comparison', /Raw identical\. Picture −1\.0 EV, on average \d+ codes darker/);
    await finger.end();
    await gone('comparison');
    await check('compare');
    await tap('other-away');
    await gone('hold');
  });

  it('the loupe shows the capture one to one, is dragged, moved by keys and put away', async () => {
    await check('compare');
    await tap('loupe-switch');
    await close();
    await page.waitForFunction(() => document.querySelector('canvas[data-loupe]'));
    const at = async () => (await (await shown('loupe'))!.boundingBox())!;
    const before = await at();
    await touchDrag(page, 'loupe', -60, 90);
    const after = await at();
    expect(after.x).toBeLessThan(before.x - 40);
    expect(after.y).toBeGreaterThan(before.y + 60);
    await page.focus(byId('loupe'));
    await page.keyboard.press('ArrowRight');
    await page.waitForFunction(
      (s: string, x: number) => document.querySelector(s)!.getBoundingClientRect().x > x,
      {},
      byId('loupe'),
      after.x,
    );
    await page.keyboard.press('Delete');
    await gone('loupe');
  });

  it('a stroke down bares the finder, a stroke up brings the person’s own choice back', async () => {
    await check('scopes');
    await tap('histogram-raw');
    await close();
    await touchDrag(page, 'finder', 0, 140);
    for (const id of ['check', 'outside', 'histogram-box', 'remedy']) await gone(id);
    expect(await pixelsLike(page, MAGENTA)).toBeLessThan(10);
    await touchDrag(page, 'finder', 0, -140);
    await shown('histogram-box');
    expect(await pixelsLike(page, MAGENTA)).toBeGreaterThan(50);
    await check('view');
    await tap('clear-panel');
    await tap('show');
    await shown('check');
  });

  it('the stopline is dragged with its carrying setting shown, and zoomed by two fingers', async () => {
    const box = (await (await shown('stopline-raw'))!.boundingBox())!;
    const y = box.y + box.height / 2;
    const from = () => page.$eval(byId('stopline-raw'), (e) => Number((e as HTMLElement).dataset.fromEv));
    const one = await page.touchscreen.touchStart(box.x + 200, y);
    for (let i = 1; i <= 6; i++) await one.move(box.x + 200 - 8 * i, y);
    await wordsBecome(page, 'stopline-raw', /Compensation −/);
    await one.end();
    await framesPass(page, 5);
    const start = await from();
    const left = await page.touchscreen.touchStart(box.x + 150, y);
    const right = await page.touchscreen.touchStart(box.x + 210, y);
    for (let i = 1; i <= 5; i++) {
      await left.move(box.x + 150 - 10 * i, y);
      await right.move(box.x + 210 + 10 * i, y);
    }
    await left.end();
    await right.end();
    expect(await from()).toBeGreaterThan(start + 1);
    await framesPass(page, 5);
  });

  it('themes change every screen, are kept over a reload, and pass the same checks', async () => {
    const theme = () => page.evaluate(() => document.documentElement.dataset.theme);
    await check('view');
    await tap('theme-sun');
    await page.waitForFunction(() => document.documentElement.dataset.theme === 'sun');
    expect(await serious(page)).toEqual([]);
    await close();
    expect(await serious(page)).toEqual([]);
    await check('view');
    await tap('theme-dark');
    await page.waitForFunction(() => document.documentElement.dataset.theme === 'dark');
    expect(await serious(page)).toEqual([]);
    await deskKeeps(page, '"theme":"dark"');
    await close();
    // Nothing but red is emitted, the picture included.
    const { data, channels } = decode(await page.screenshot());
    let other = 0;
    for (let i = 0; i < data.length; i += channels) if (data[i + 1]! > 24 || data[i + 2]! > 24) other++;
    expect(other).toBe(0);
    await page.goto(`${stage.origin}/sheet`);
    await page.waitForFunction(() => document.documentElement.dataset.theme === 'dark');
    await page.goto(stage.origin);
    await live(page);
    expect(await theme()).toBe('dark');
    await check('view');
    await tap('theme-studio');
    await page.waitForFunction(() => document.documentElement.dataset.theme === 'studio');
  });

  it('the wheel zooms the stopline about the pointer', async () => {
    const ends = () =>
      page.$eval(byId('stopline-raw'), (e) => [
        Number((e as HTMLElement).dataset.fromEv),
        Number((e as HTMLElement).dataset.toEv),
      ]);
    const box = (await (await shown('stopline-raw'))!.boundingBox())!;
    await page.mouse.move(box.x + box.width * 0.9, box.y + box.height / 2);
    await page.mouse.wheel({ deltaY: -400 });
    await page.waitForFunction(
      (s: string) => Number((document.querySelector(s) as HTMLElement).dataset.fromEv) > -10,
      {},
      byId('stopline-raw'),
    );
    const [, to] = await ends();
    expect(to!).toBeGreaterThan(-1);
    await page.mouse.wheel({ deltaY: 3000 });
    await page.waitForFunction(
      (s: string) => Number((document.querySelector(s) as HTMLElement).dataset.fromEv) === -13,
      {},
      byId('stopline-raw'),
    );
  });
});
