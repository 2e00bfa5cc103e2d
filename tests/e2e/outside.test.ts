// The world outside, the lenses and the focus, by touch and by keys.
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
} from './browser';

type Stage = Awaited<ReturnType<typeof openStage>>;
let stage: Stage;
let page: Page;
jest.setTimeout(120_000);
beforeAll(async () => {
  stage = await openStage();
});
afterAll(async () => stage.close());
beforeEach(async () => {
  page = await stage.phone();
  await page.goto(stage.origin);
  await live(page);
});
afterEach(async () => page.close());

const tap = (id: string) => tapIn(page, id);
/** Waits until the finder shows a scene through a lens, whole. */
const showing = (scene: string) =>
  page.waitForFunction(
    (wanted: string, chip: string) =>
      document.querySelector('canvas')?.dataset.scene === wanted &&
      !/loading/.test(document.querySelector(chip)?.textContent ?? ''),
    { timeout: 30_000 },
    scene,
    byId('outside'),
  );
const ev = async () => Number(/EV (−?[\d.]+)/.exec(await words(page, 'reading'))![1]!.replace('−', '-'));

describe('the world outside', () => {
  it('another scene is chosen in its own panel, shown with its lamps, and is there again after a reload', async () => {
    await tap('outside');
    await page.waitForSelector(byId('scene-yard-night'));
    expect(await serious(page)).toEqual([]);
    await tap('scene-tile-board');
    await showing('tile-board.wide');
    expect(await page.$(byId('lamp-cool'))).not.toBeNull();
    await page.keyboard.press('Escape');
    await wordsBecome(page, 'outside', /Tile board/);
    await tap('outside');
    await tap('support-tripod');
    await page.keyboard.press('Escape');
    await deskKeeps(page, 'tripod');
    await page.reload();
    await live(page);
    await showing('tile-board.wide');
    await wordsBecome(page, 'status', /on a tripod/);
  });

  it('a lamp put out takes its light away, a dimmer changes the reading, all by keys too', async () => {
    const before = await ev();
    await page.keyboard.press('v');
    await tap('lamp-sun');
    await framesPass(page, 3);
    await page.waitForFunction(
      (s: string) => document.querySelector(s)?.getAttribute('aria-checked') === 'false',
      {},
      byId('lamp-sun'),
    );
    expect(await ev()).toBeLessThan(before - 0.1);
    const out = await ev();
    await page.focus(byId('level-window'));
    for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowLeft');
    await page.waitForFunction(
      (s: string) => document.querySelector(s)?.getAttribute('aria-valuenow') === '50',
      {},
      byId('level-window'),
    );
    await framesPass(page, 3);
    expect(await ev()).toBeLessThan(out - 0.3);
    await page.keyboard.press('Escape');
    expect(await page.$(byId('scene-wheel-bench'))).toBeNull();
  });

  it('the one lamp of the glaze table moves from place to place', async () => {
    await tap('outside');
    await tap('scene-glaze-table');
    await showing('glaze-table.wide');
    await tap('place-right');
    await page.waitForFunction(
      (s: string) => document.querySelector(s)?.getAttribute('aria-checked') === 'true',
      {},
      byId('place-right'),
    );
    expect(await page.$eval(byId('place-left'), (e) => e.getAttribute('aria-checked'))).toBe('false');
    expect(await page.$(byId('level-right'))).not.toBeNull();
  });

  it('a scene that does not load is said, the finder stays, and another can be chosen', async () => {
    const worker = page.workers()[0];
    expect(worker).toBeDefined();
    await worker!.evaluate(() => {
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
    await showing('bisque-shelf.wide');
  });
});

describe('lenses and focus', () => {
  it('the tele shows its own field, the ultra-wide says that its focus is fixed', async () => {
    await tap('lens-tele');
    await showing('wheel-bench.tele');
    expect(await words(page, 'status')).toMatch(/77 mm f\/2\.8/);
    await page.keyboard.press('1');
    await showing('wheel-bench.ultra-wide');
    expect(await words(page, 'fixed-focus')).toMatch(/fixed.*sharp from 0\.\d+ m/);
  });

  it('focus is set by the fader, by keys and on the ladder, and goes back to automatic', async () => {
    await showing('wheel-bench.wide');
    await wordsBecome(page, 'state-focus', /^(automatic|not found)$/);
    await touchDrag(page, 'fader-focus', 0, 70);
    await wordsBecome(page, 'state-focus', /by hand/);
    const near = await wordsBecome(page, 'focus-words', /^0\.\d+ m|^1\.\d m/);
    await page.keyboard.press('r');
    await page.waitForFunction(
      (s: string, was: string) => document.querySelector(s)?.textContent !== was,
      {},
      byId('focus-words'),
      near,
    );
    await tap('value-focus');
    await tap('step-∞');
    await wordsBecome(page, 'focus-words', /∞/);
    await tap('ladder-auto');
    await page.keyboard.press('Escape');
    // Where it looks the wheel turns: what it finds there need not be what it found before.
    await wordsBecome(page, 'state-focus', /^(automatic|searching|not found)$/);
    await wordsBecome(page, 'focus-words', /^\d[.\d]* m/);
  });

  it('a frame by the tele on a tripod keeps its lens, its focus and its support', async () => {
    await tap('outside');
    await tap('support-tripod');
    await page.keyboard.press('Escape');
    await tap('lens-tele');
    await showing('wheel-bench.tele');
    await page.waitForSelector(`${byId('open-sheet')} img`);
    const before = await page.$eval(`${byId('open-sheet')} img`, (e) => (e as HTMLImageElement).src);
    await tap('release');
    await page.waitForFunction(
      (s: string, was: string) => (document.querySelector(s) as HTMLImageElement | null)?.src !== was,
      { timeout: 60_000 },
      `${byId('open-sheet')} img`,
      before,
    );
    await tap('open-sheet');
    await tap('sheet-frame');
    await page.waitForFunction(
      () =>
        /77 mm f\/2\.8/.test(document.body.textContent ?? '') &&
        /on a tripod/.test(document.body.textContent ?? ''),
      { timeout: 30_000 },
    );
  });
});
