// Moments that are waited for, in the page: the first live frame, another scene, a press until its frame lies verified in the roll, a frame opened; what
// a frame costs the finder's worker; what workers keep in memory; and a finder on a slow device.
import type { Page } from 'puppeteer-core';
import { byId, framesPass, live, rollCount, safe, taken, tap, type Stage } from '../tests/e2e/browser';

export interface Moment {
  readonly name: string;
  readonly ms: number;
  readonly budgetMs: number;
}

const median = (of: readonly number[]) => [...of].sort((a, b) => a - b)[of.length >> 1]!;
const several = async (times: number, once: () => Promise<number>) => {
  const all: number[] = [];
  for (let i = 0; i < times; i++) all.push(await once());
  return median(all);
};

/** From the page's request to its first frame, its files in the browser's cache. */
function firstFrame(stage: Stage): Promise<number> {
  return several(5, async () => {
    const page = await stage.phone();
    await page.goto(stage.origin);
    await page.waitForFunction(() => performance.getEntriesByName('velmo-first-frame').length > 0);
    const ms = await page.evaluate(() => performance.getEntriesByName('velmo-first-frame')[0]!.startTime);
    await page.close();
    return ms;
  });
}

/** Both scenes have been seen: their files are in the browser's cache. */
async function sceneSwitch(page: Page): Promise<number> {
  const to = async (id: string) => {
    await tap(page, 'outside');
    await page.waitForSelector(byId(`scene-${id}`));
    await page.evaluate(() => {
      const canvas = document.querySelector('canvas')!;
      const state = globalThis as unknown as { shown?: number; up?: number };
      state.shown = undefined;
      addEventListener('pointerup', () => (state.up = performance.now()), { capture: true, once: true });
      const was = canvas.dataset.scene;
      const watch = new MutationObserver(() => {
        if (canvas.dataset.scene === was) return;
        state.shown = performance.now();
        watch.disconnect();
      });
      watch.observe(canvas, { attributes: true, attributeFilter: ['data-scene'] });
    });
    await tap(page, `scene-${id}`);
    await page.waitForFunction(() => (globalThis as { shown?: number }).shown !== undefined);
    const ms = await page.evaluate(() => {
      const { shown, up } = globalThis as unknown as { shown: number; up: number };
      return shown - up;
    });
    await page.keyboard.press('Escape');
    await live(page);
    await framesPass(page, 30);
    return ms;
  };
  const [there, back] = ['bisque-shelf', 'wheel-bench'];
  await to(there!);
  await to(back!);
  const times: number[] = [];
  for (let i = 0; i < 6; i++) times.push(await to(i % 2 ? back! : there!));
  return median(times);
}

/** From the finger's lifting until the frame's file was written, read again and found whole. */
function press(page: Page): Promise<number> {
  return several(5, async () => {
    await framesPass(page, 20);
    const begun = performance.now();
    await safe(page, () => tap(page, 'release'));
    await taken(page);
    return performance.now() - begun;
  });
}

/** What a frame costs the finder's worker. */
async function frameMs(page: Page): Promise<number> {
  await framesPass(page, 40);
  return several(60, async () => {
    await framesPass(page, 1);
    return page.$eval('canvas', (canvas) => Number(canvas.dataset.frameMs));
  });
}

export async function moments(stage: Stage): Promise<void> {
  const rows: Moment[] = [];
  rows.push({ name: 'page to first live frame', ms: await firstFrame(stage), budgetMs: 1000 });
  const page = await stage.phone();
  await page.evaluateOnNewDocument('globalThis.__name = (of) => of');
  await page.goto(stage.origin);
  await live(page);
  await page.keyboard.press('Shift');
  rows.push({ name: 'finder frame in its worker, wheel turning, by hand', ms: await frameMs(page), budgetMs: 18 });
  rows.push({ name: 'another scene, cached', ms: await sceneSwitch(page), budgetMs: 400 });
  rows.push({ name: 'press to verified, 12 MP', ms: await press(page), budgetMs: 2000 });
  console.table(Object.fromEntries(rows.map(({ name, ms, budgetMs }) => [name, { ms: ms.toFixed(0), budget: budgetMs }])));
  void rollCount;
  await page.close();
}
