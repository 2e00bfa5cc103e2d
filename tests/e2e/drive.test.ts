// What one press does, by touch and by keys on a phone upright, lying, and on a wide screen: a bracket set by hand, what does not fit and its way out,
// the set that the scene asks for, and all of its frames in the roll.
import type { Page } from 'puppeteer-core';
import {
  byId,
  framesPass,
  openedAt,
  openStage,
  rollBecomes,
  rollCount,
  safe,
  serious,
  SIZES,
  tap,
  tapOn,
  words,
  wordsBecome,
  type Stage,
} from './browser';

jest.setTimeout(120_000);
let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage();
});
afterAll(() => stage.close());
afterEach(() => page.close());

const key = async (id: string, name: 'Enter' | 'ArrowRight') => {
  await page.focus(byId(id));
  await page.keyboard.press(name);
};

it.each(SIZES)('$name', async (size) => {
  page = await openedAt(stage, size);
  await page.keyboard.press('x');
  await tap(page, 'more-tab-drive');
  // By touch and by keys: three frames, two thirds apart, from dark to bright.
  await tap(page, 'takes-bracket');
  await wordsBecome(page, 'bracket-frames-words', /^3$/);
  await tap(page, 'bracket-frames-more');
  await key('bracket-frames-less', 'Enter');
  await tap(page, 'bracket-step-less');
  await wordsBecome(page, 'bracket-step-words', /^⅔$/);
  await wordsBecome(page, 'bracket-frames-words', /^3$/);
  await key('bracket-order-middle', 'ArrowRight');
  await page.waitForSelector(`${byId('bracket-order-rising')}[aria-checked=true]`);
  expect((await wordsBecome(page, 'bracket-set', / · .* · /)).split(' · ')).toHaveLength(3);
  await wordsBecome(page, 'status', /3 × ⅔ EV/);
  if (size.name === 'upright') expect(await serious(page)).toEqual([]);
  // By ISO there is nothing under the base: that is said, with a way out that fits.
  await tap(page, 'bracket-by-iso');
  await wordsBecome(page, 'bracket-set', /does not fit.*darkest.*What fits/);
  await tap(page, 'bracket-other');
  await wordsBecome(page, 'bracket-set', / · .* · /);
  // What the scene asks for, taken over, is what stands.
  await wordsBecome(page, 'bracket-plan', /The scene spans .* (one frame holds it|hold it)/);
  await tap(page, 'bracket-take');
  await framesPass(page, 3);
  await page.waitForSelector(
    `${byId('bracket-take')}[aria-disabled=true], ${byId('bracket-take')}[disabled]`,
  );
  const { frames } = await rollCount(page);
  if (size.name !== 'upright') {
    // A burst, counted and held; a bracket is none then. What waits need not be read out to be counted.
    await tap(page, 'takes-burst');
    await wordsBecome(page, 'burst-words', /^10 frames in 0\.9 s/);
    await wordsBecome(page, 'status', /10 @ 10\/s/);
    expect(await words(page, 'status')).not.toMatch(/ EV/);
    if (size.name === 'lying') {
      // What it is felt by; the screen is kept awake as long as that is wanted.
      await page.evaluate(`
        window.taps = [];
        navigator.vibrate = (ms) => taps.push(ms) > 0;
        const ask = navigator.wakeLock.request.bind(navigator.wakeLock);
        window.awake = [];
        navigator.wakeLock.request = async (kind) => {
          const held = await ask(kind).catch(() => new EventTarget());
          held.release ??= async () => undefined;
          awake.push(kind);
          return held;
        };
      `);
      await tap(page, 'manners-awake');
      await page.waitForSelector(`${byId('manners-awake')}[aria-checked=false]`);
      await key('manners-awake', 'Enter');
      await page.waitForFunction('awake.length === 1');
      await safe(page, () => tap(page, 'release'));
      await page.waitForFunction('taps.length === 1');
      await tap(page, 'manners-haptics');
      await rollBecomes(page, { frames, waiting: 10 });
    } else {
      await key('burst-how-count', 'ArrowRight');
      await wordsBecome(page, 'burst-words', /Hold the release/);
      await page.keyboard.press('Escape');
      await page.evaluate(() => (document.activeElement as HTMLElement).blur());
      await page.keyboard.down('Space');
      await page.waitForFunction(
        (s: string) =>
          Number(/(\d+) waiting/.exec(document.querySelector(s)?.getAttribute('aria-label') ?? '')?.[1]) > 2,
        {},
        byId('open-sheet'),
      );
      await safe(page, () => page.keyboard.up('Space'));
      const { waiting } = await rollCount(page);
      expect(waiting).toBeLessThan(30);
      await framesPass(page, 15);
      expect((await rollCount(page)).waiting).toBeLessThanOrEqual(waiting + 1);
    }
    await tap(page, 'open-sheet');
    await tap(page, 'cancel-all');
    await tap(page, 'to-finder');
    await rollBecomes(page, { frames, waiting: 0 });
    return;
  }
  // Two frames of a press, both in the roll, each saying which it is.
  await tap(page, 'takes-one');
  await tap(page, 'takes-bracket');
  await tap(page, 'bracket-frames-less');
  await wordsBecome(page, 'bracket-frames-words', /^2$/);
  // Kept as pictures of half the size: what that costs is said before.
  await tap(page, 'files-jpeg');
  await key('files-size-1', 'ArrowRight');
  await tap(page, 'files-quality-less');
  await wordsBecome(page, 'files-words', /No raw is kept.*About \d+ kB/);
  await wordsBecome(page, 'status', /JPEG 88, half/);
  expect(await serious(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await safe(page, () => tap(page, 'release'));
  await rollBecomes(page, { frames, waiting: 2 });
  await rollBecomes(page, { frames: frames + 2, waiting: 0 });
  await tap(page, 'open-sheet');
  // They stand as one tile, which opens.
  await tap(page, 'sheet-group');
  await page.waitForSelector(`${byId('sheet-group')}[aria-expanded=true]`);
  await tapOn(page, (await page.waitForSelector('[data-index="1"]'))!);
  await wordsBecome(page, 'capture-data', /Bracket2 × .*Frame[12] of 2/);
  await page.waitForSelector(byId('picture-fit'), { timeout: 30_000 });
  expect(await words(page, 'capture-data')).toMatch(/Size1512 × 2016.*JPEG\d+ kB/);
  expect(await words(page, 'no-raw-here')).toMatch(/Only the picture was kept/);
  await wordsBecome(page, 'download', /Download JPEG/);
});
