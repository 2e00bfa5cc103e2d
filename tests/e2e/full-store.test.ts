// A store that is really full in the midst of a burst: the browser itself refuses to write, and nothing that was taken is lost.
import type { Page } from 'puppeteer-core';
import {
  byId,
  live,
  openStage,
  rollBecomes,
  rollCount,
  safe,
  take,
  tap,
  tapOn,
  words,
  wordsBecome,
  type Stage,
} from './browser';

let stage: Stage;
beforeAll(async () => {
  stage = await openStage();
});
afterAll(() => stage.close());

const BURST = 5;
/** Frames of the burst that there is room for, and a part of another. */
const ROOM = 2.5;

const used = (page: Page) => page.evaluate(async () => (await navigator.storage.estimate()).usage!);

/** What the store takes for the program as it opens, and for one frame more. */
async function sizes(): Promise<{ opened: number; frame: number }> {
  const page = await stage.phone();
  await page.goto(stage.origin);
  await live(page);
  const opened = await used(page);
  await take(page);
  const frame = (await used(page)) - opened;
  await page.close();
  return { opened, frame };
}

it('in mid-burst it keeps what fits, holds the next in hand and the others as exposures; with room all of them are saved, each once', async () => {
  const { opened, frame } = await sizes();
  expect(frame).toBeGreaterThan(100_000);
  // Before anything is written there: the browser asks for the room that is left once in half a minute only. It lasts as long as this session, and what
  // the page is told of its quota stays as it was: only writing finds out.
  const context = await stage.browser.createBrowserContext();
  const disk = await (await context.newPage()).createCDPSession();
  const quota = { origin: stage.origin, quotaSize: Math.round(opened + ROOM * frame) };
  await disk.send('Storage.overrideQuotaForOrigin', quota);
  const page = await stage.phone(context);
  await stage.begin(page);
  await page.goto(stage.origin);
  await live(page);
  await page.keyboard.press('x');
  await tap(page, 'more-tab-drive');
  await tap(page, 'takes-burst');
  while ((await words(page, 'burst-frames-words')) !== String(BURST)) await tap(page, 'burst-frames-less');
  await page.keyboard.press('Escape');
  const { frames } = await rollCount(page);

  await safe(page, () => tap(page, 'release'));
  expect(await wordsBecome(page, 'unsaved', /Taken, but not saved/)).toMatch(/the store is full/);
  const full = await rollCount(page);
  expect(full.frames).toBeGreaterThan(frames);
  expect(full.waiting).toBeGreaterThan(0);
  expect(full.frames + full.waiting).toBe(frames + BURST);
  // Now it is known: nothing more is taken that could not be kept.
  await tap(page, 'release');
  await wordsBecome(page, 'capture-failed', /store is full|there is room for/i);
  expect(await rollCount(page)).toEqual(full);

  await disk.send('Storage.overrideQuotaForOrigin', { origin: stage.origin });
  await tap(page, 'save-again');
  await rollBecomes(page, { frames: frames + BURST, waiting: 0 });
  expect(await page.$(byId('unsaved'))).toBeNull();
  await disk.detach();

  // They are there for whoever comes next, and open.
  await page.reload();
  await live(page);
  await rollBecomes(page, { frames: frames + BURST, waiting: 0 });
  await tap(page, 'open-sheet');
  await tapOn(page, (await page.waitForSelector(byId('sheet-frame')))!);
  await page.waitForSelector(byId('picture-fit'));
  await context.close();
});
