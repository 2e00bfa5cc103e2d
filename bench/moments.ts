// Moments that are waited for, in the page: the first live frame, another scene, a press until its frame lies verified in the roll; what a frame costs the
// finder's worker; and what the workers keep in memory while frames go by and are taken.
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { byId, framesPass, live, safe, taken, tap, workerOf, type Stage } from '../tests/e2e/browser';
import { between, several, slowerNow } from './reference';

const PRESSES = 100;
const FRAMES = 1000;
const WINDOW_MS = 1500;

export interface Budgeted {
  readonly name: string;
  readonly is: number;
  readonly unit: 'ms' | 'MB' | 'KB';
  readonly budget: number;
}

/** From the page's request to its first frame; nothing of it was there before. */
function firstFrame(stage: Stage): Promise<number> {
  const once = async () => {
    const context = await stage.browser.createBrowserContext();
    const page = await stage.phone(context);
    // A new window of the browser has pages of its own to make, which are none of ours.
    await new Promise((resolve) => setTimeout(resolve, WINDOW_MS));
    await page.goto(stage.origin);
    await page.waitForFunction(() => performance.getEntriesByName('velmo-first-frame').length > 0);
    const ms = await page.evaluate(() => performance.getEntriesByName('velmo-first-frame')[0]!.startTime);
    await context.close();
    return ms;
  };
  return several(5, once);
}

/** From the finger's lifting to the first frame of a scene that was there before. */
async function sceneSwitch(page: Page): Promise<number> {
  const to = async (id: string) => {
    await tap(page, 'outside');
    await page.waitForSelector(byId(`scene-${id}`));
    await page.evaluate(() => {
      const canvas = document.querySelector('canvas')!;
      const state = globalThis as unknown as { shown: number | undefined; up: number };
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
  // One that the page opened with, and another.
  const first = (await page.$eval('canvas', (canvas) => canvas.dataset.scene ?? '')).split('.')[0]!;
  await tap(page, 'outside');
  await page.waitForSelector(byId(`scene-${first}`));
  const ids = await page.$$eval('[data-testid^="scene-"]', (of) =>
    of.map((e) => e.getAttribute('data-testid')!),
  );
  await page.keyboard.press('Escape');
  const other = ids.map((id) => id.replace('scene-', '')).find((id) => id !== first)!;
  await to(other);
  await to(first);
  let turn = 0;
  return several(6, () => to(turn++ % 2 ? first : other));
}

/** From the finger's lifting until the frame's file was written, read again and found whole. */
async function press(page: Page): Promise<number> {
  const begun = performance.now();
  await safe(page, () => tap(page, 'release'));
  await taken(page);
  return performance.now() - begun;
}

/** What a worker keeps: its objects and its buffers, kernels' memories among them; after what is not needed was let go. */
async function megabytes(page: Page, name: string): Promise<number> {
  const { client } = await workerOf(page, name);
  await client.send('HeapProfiler.collectGarbage');
  const usage = (await client.send('Runtime.getHeapUsage')) as {
    usedSize: number;
    backingStorageSize?: number;
  };
  return (usage.usedSize + (usage.backingStorageSize ?? 0)) / 2 ** 20;
}

function scriptKilobytes(): number {
  const folder = join(__dirname, '..', 'dist', '_expo', 'static', 'js', 'web');
  const entry = readdirSync(folder).find((name) => /^entry-.*\.js\.gz$/.test(name));
  return entry ? statSync(join(folder, entry)).size / 1024 : NaN;
}

export async function moments(stage: Stage): Promise<readonly Budgeted[]> {
  const found: Budgeted[] = [];
  found.push({ name: 'script of the page, gzip', is: scriptKilobytes(), unit: 'KB', budget: 350 });
  const took = (name: string, ms: number, budget: number) => found.push({ name, is: ms, unit: 'ms', budget });
  const before = await slowerNow();
  const first = await firstFrame(stage);
  const after = await slowerNow();
  took('page to first live frame', first, 1000 * between(before, after).memory);
  const page = await stage.phone();
  // What is compiled to run in the page asks for it.
  await page.evaluateOnNewDocument('globalThis.__name = (of) => of');
  await page.goto(stage.origin);
  await live(page);
  await page.keyboard.press('Shift');
  await framesPass(page, 60);
  const frameMs = async () => {
    await framesPass(page, 1);
    return page.$eval('canvas', (canvas) => Number(canvas.dataset.frameMs));
  };
  const frame = await several(60, frameMs);
  const other = await sceneSwitch(page);
  const verified = await several(7, async () => {
    await framesPass(page, 20);
    return press(page);
  });
  const finder = await megabytes(page, 'finder');
  const exposer = await megabytes(page, 'exposer');
  found.push({ name: 'memory of the finder’s worker', is: finder, unit: 'MB', budget: 250 });
  found.push({ name: 'memory of the captures’ worker', is: exposer, unit: 'MB', budget: 400 });
  for (let i = 0; i < FRAMES; i += 100) await framesPass(page, 100);
  const later = (await megabytes(page, 'finder')) - finder;
  found.push({ name: `more of the finder’s after ${FRAMES} frames`, is: later, unit: 'MB', budget: 10 });
  for (let i = 0; i < PRESSES; i++) await press(page);
  const more = (await megabytes(page, 'exposer')) - exposer;
  found.push({ name: `more of the captures’ after ${PRESSES}`, is: more, unit: 'MB', budget: 20 });
  await page.close();
  const { memory, utif2 } = between(after, await slowerNow());
  took('a frame in the finder’s worker, wheel turning, by hand', frame, 18 * memory);
  took('another scene, cached', other, 400 * memory);
  took('press to verified, 12 megapixels', verified, 2000 * utif2);
  return found;
}
