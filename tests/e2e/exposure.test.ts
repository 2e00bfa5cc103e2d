// Metering with a finger on the picture, and what is set again after a reload. What panels and keys do is for units of the screen.
import type { Page } from 'puppeteer-core';
import {
  byId,
  deskKeeps,
  framesPass,
  live,
  openStage,
  serious,
  tap as tapIn,
  tapAt,
  touchDrag,
  words,
  wordsBecome,
  type Stage,
} from './browser';

let stage: Stage;
// One page for all of them: each leaves everything automatic.
let page: Page;
beforeAll(async () => {
  stage = await openStage();
  page = await stage.phone();
  await page.goto(stage.origin);
  await live(page);
});
afterAll(() => stage.close());

const tap = (id: string) => tapIn(page, id);
const shown = (id: string) => page.waitForSelector(byId(id));
const gone = (id: string) => page.waitForFunction((s: string) => !document.querySelector(s), {}, byId(id));
const text = (id: string) => words(page, id);
const close = async () => {
  await page.keyboard.press('Escape');
  await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
};
/** A place of the picture, in pixels of the page. */
const place = async (x: number, y: number): Promise<[number, number]> => {
  const box = (await (await shown('finder'))!.boundingBox())!;
  return [box.x + x * box.width, box.y + y * box.height];
};
const longPress = async (x: number, y: number, pin: string) => {
  const touch = await page.touchscreen.touchStart(...(await place(x, y)));
  await shown(pin);
  await touch.end();
};
const more = async (tab: string) => {
  await tap('more');
  await tap(`more-tab-${tab}`);
};
describe('by touch', () => {
  afterEach(async () => {
    if (await page.$('[role=dialog]')) await close();
    await tap('all-auto');
    if (await page.$(byId('lock-words'))) await tap('lock');
    await framesPass(page);
  });

  it('pins are held down to place, dragged, contrasted, removed', async () => {
    await longPress(0.42, 0.33, 'pin-A');
    await longPress(0.72, 0.62, 'pin-B');
    await framesPass(page);
    const before = await text('pin-B');
    await touchDrag(page, 'pin-B', -90, -60);
    await page.waitForFunction(
      (s: string, was: string) => document.querySelector(s)!.textContent !== was,
      {},
      byId('pin-B'),
      before,
    );
    await tap('pin-A');
    await wordsBecome(page, 'contrast', /A and B: \d+\.\d stops, 1 : /);
    expect(await serious(page)).toEqual([]);
    await tap('remove-B');
    await gone('pin-B');
    await tap('remove-A');
    await gone('pin-A');
  });

  it('a kind of remedy that is turned off stays off after a reload, with lock and pins', async () => {
    await wordsBecome(page, 'remedy', /Raw clips/);
    await more('remedies');
    await tap('turn-off-clipping');
    await gone('remedy-clipping');
    expect(await serious(page)).toEqual([]);
    await close();
    await longPress(0.5, 0.6, 'pin-A');
    await framesPass(page);
    await tap('lock');
    await wordsBecome(page, 'reading', /Locked/);
    const held = await text('shutter-words');
    await deskKeeps(page, 'clipping');
    await deskKeeps(page, 'whole reading');
    await page.reload();
    await live(page);
    await shown('pin-A');
    await wordsBecome(page, 'reading', /Locked/);
    expect(await text('shutter-words')).toBe(held);
    expect((await page.$(byId('remedy'))) ? await text('remedy') : '').not.toMatch(/Raw clips/);
    await more('remedies');
    await tap('turn-on-clipping');
    await wordsBecome(page, 'remedy-list', /Raw clips/);
  });
});

describe('a new user', () => {
  it('gets a first correct exposure of the spy-hole by two taps: the meter, and its highlight pattern', async () => {
    await tap('outside');
    await tap('scene-spy-hole');
    await close();
    await page.waitForFunction(
      (chip: string) =>
        document.querySelector('canvas')?.dataset.scene === 'spy-hole.small-24' &&
        !/loading/.test(document.querySelector(chip)?.textContent ?? ''),
      {},
      byId('outside'),
    );
    await framesPass(page, 8);
    expect(await text('headroom')).toMatch(/over by/);
    await tap('pattern');
    await tap('choose-pattern-highlight');
    await wordsBecome(page, 'clip-share', /^(0|< 0\.01|0\.0\d) %$/);
    expect(await text('shutter-words')).toMatch(/^1\/\d{4}$/);
    expect(await text('iso-words')).toBe('100');
    await close();
    // A spot of its own size on the hole calls for as short a time.
    await tapAt(page, ...(await place(0.515, 0.503)));
    await tap('pattern');
    await tap('spot-size-0.003');
    await wordsBecome(page, 'shutter-words', /^1\/[3-8]\d{3}$/);
    expect(await text('clip-share')).toMatch(/^(0|< 0\.01|0\.0\d) %$/);
  });
});
