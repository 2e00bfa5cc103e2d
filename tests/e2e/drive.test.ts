// What one press does: a bracket's frames in the roll, a burst that is felt, one that lasts as long as the release is held. How they are set is for
// units of the screen.
import type { Page } from 'puppeteer-core';
import {
  byId,
  framesPass,
  live,
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

let stage: Stage;
// One page for all of them.
let page: Page;
beforeAll(async () => {
  stage = await openStage();
  page = await openedAt(stage, SIZES[0]);
});
afterAll(() => stage.close());

/** The finder on a screen of that size, of the kind that the page has: another would open it anew. */
async function at(size: (typeof SIZES)[number]): Promise<void> {
  await page.setViewport({ ...size, isMobile: true, deviceScaleFactor: 1 });
  await framesPass(page, 3);
}

it('two frames of a bracket, both in the roll, each saying which it is; kept as pictures of half the size', async () => {
  const { frames } = await rollCount(page);
  await page.keyboard.press('x');
  await tap(page, 'more-tab-drive');
  await tap(page, 'takes-bracket');
  await tap(page, 'bracket-frames-less');
  await wordsBecome(page, 'bracket-frames-words', /^2$/);
  await tap(page, 'files-jpeg');
  await page.focus(byId('files-size-1'));
  await page.keyboard.press('ArrowRight');
  await wordsBecome(page, 'status', /2 × .*JPEG \d+, half/);
  expect(await serious(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await safe(page, () => tap(page, 'release'));
  await rollBecomes(page, { frames: frames + 2, waiting: 0 });
  await tap(page, 'open-sheet');
  // They stand as one tile, which opens.
  await tap(page, 'sheet-group');
  await page.waitForSelector(`${byId('sheet-group')}[aria-expanded=true]`);
  await tapOn(page, (await page.waitForSelector('[data-index="1"]'))!);
  await wordsBecome(page, 'capture-data', /Bracket2 × .*Frame[12] of 2/);
  await page.waitForSelector(byId('picture-fit'));
  expect(await words(page, 'capture-data')).toMatch(/Size378 × 504.*JPEG\d+ kB/);
  expect(await words(page, 'no-raw-here')).toMatch(/Only the picture was kept/);
  await wordsBecome(page, 'download', /Download JPEG/);
  await tap(page, 'to-sheet');
  await tap(page, 'to-finder');
  await live(page);
});

it('lying, a burst is counted and felt, and the screen is kept awake as long as that is wanted', async () => {
  await at(SIZES[1]);
  await page.keyboard.press('x');
  await tap(page, 'more-tab-drive');
  await tap(page, 'takes-burst');
  await wordsBecome(page, 'status', /10 @ 10\/s/);
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
  await page.focus(byId('manners-awake'));
  await page.keyboard.press('Enter');
  await page.waitForFunction('awake.length === 1');
  const { frames } = await rollCount(page);
  await safe(page, () => tap(page, 'release'));
  await page.waitForFunction('taps.length === 1');
  await rollBecomes(page, { frames: frames + 10, waiting: 0 });
  await page.keyboard.press('Escape');
});

it('on a wide screen a burst lasts as long as the space bar is held', async () => {
  await at(SIZES[2]);
  await page.keyboard.press('x');
  await tap(page, 'more-tab-drive');
  await tap(page, 'takes-burst');
  await page.focus(byId('burst-how-count'));
  await page.keyboard.press('ArrowRight');
  await wordsBecome(page, 'burst-words', /Hold the release/);
  // Slow enough that a busy machine lets go long before the longest burst ends.
  for (let perS = 10; perS > 2; perS--) await tap(page, 'burst-rate-less');
  await wordsBecome(page, 'status', /2\/s/);
  await page.keyboard.press('Escape');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  const all = async () => {
    const { frames, waiting } = await rollCount(page);
    return frames + waiting;
  };
  const before = await all();
  // What the press is safe after is counted before it: on a slow machine the burst may come to its end while it is looked at.
  await safe(page, async () => {
    await page.keyboard.down('Space');
    await page.waitForFunction(
      (s: string, least: number) => {
        const label = document.querySelector(s)?.getAttribute('aria-label') ?? '';
        const [frames, waiting] = [/(\d+) frames/, /(\d+) waiting/].map((of) =>
          Number(of.exec(label)?.[1] ?? 0),
        );
        return frames! + waiting! > least;
      },
      {},
      byId('open-sheet'),
      before + 2,
    );
    await page.keyboard.up('Space');
  });
  // Let go, it ends: whatever has not been counted yet is one at most.
  const taken = await all();
  expect(taken - before).toBeLessThan(30);
  await framesPass(page, 8);
  expect(await all()).toBeLessThanOrEqual(taken + 1);
});
