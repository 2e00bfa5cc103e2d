// The world outside: another scene over a reload, one that does not load, and what a frame keeps of it.
import type { Page } from 'puppeteer-core';
import {
  byId,
  deskKeeps,
  framesPass,
  live,
  openStage,
  serious,
  tap as tapIn,
  wordsBecome,
  workerOf,
  type Stage,
} from './browser';

let stage: Stage;
// One page for all of them.
let page: Page;
beforeAll(async () => {
  stage = await openStage();
  page = await stage.phone();
  await page.goto(stage.origin);
  await live(page);
});
afterAll(async () => stage.close());

const tap = (id: string) => tapIn(page, id);
/** Waits until the finder shows a scene through a lens, whole. */
const showing = (scene: string) =>
  page.waitForFunction(
    (wanted: string, chip: string) =>
      document.querySelector('canvas')?.dataset.scene === wanted &&
      !/loading/.test(document.querySelector(chip)?.textContent ?? ''),
    {},
    scene,
    byId('outside'),
  );

describe('the world outside', () => {
  it('a scene that does not load is said, the finder stays, and another can be chosen', async () => {
    const finder = await workerOf(page, 'finder');
    await finder.evaluate(() => {
      const real = self.fetch;
      self.fetch = (...args: Parameters<typeof fetch>) =>
        String(args[0]).includes('soot-wall')
          ? Promise.resolve(new Response('', { status: 503 }))
          : real(...args);
    });
    await tap('outside');
    await tap('scene-soot-wall');
    await page.waitForFunction(() => /did not load \(503\)/.test(document.body.textContent ?? ''));
    await framesPass(page, 2);
    await tap('scene-bisque-shelf');
    await showing('bisque-shelf.small-24');
    await page.keyboard.press('Escape');
  });

  it('another scene is chosen in its own panel, shown with its lamps, and is there again after a reload', async () => {
    await tap('outside');
    await page.waitForSelector(byId('scene-yard-night'));
    expect(await serious(page)).toEqual([]);
    await tap('scene-tile-board');
    await showing('tile-board.small-24');
    expect(await page.$(byId('lamp-cool'))).not.toBeNull();
    await page.keyboard.press('Escape');
    await wordsBecome(page, 'outside', /Tile board/);
    await tap('outside');
    await tap('support-tripod');
    await page.keyboard.press('Escape');
    await deskKeeps(page, 'tripod');
    await page.reload();
    await live(page);
    await showing('tile-board.small-24');
    await wordsBecome(page, 'status', /on a tripod/);
  });

  it('a frame by the tele, still on the tripod, keeps its lens, its focus and its support', async () => {
    await tap('lens-small-77');
    await showing('tile-board.small-77');
    await page.waitForSelector(`${byId('open-sheet')} img`);
    const before = await page.$eval(`${byId('open-sheet')} img`, (e) => (e as HTMLImageElement).src);
    await tap('release');
    await page.waitForFunction(
      (s: string, was: string) => (document.querySelector(s) as HTMLImageElement | null)?.src !== was,
      {},
      `${byId('open-sheet')} img`,
      before,
    );
    await tap('open-sheet');
    await tap('sheet-frame');
    await page.waitForFunction(
      () =>
        /77 mm f\/2\.8/.test(document.body.textContent ?? '') &&
        /on a tripod/.test(document.body.textContent ?? ''),
      {},
    );
  });
});
