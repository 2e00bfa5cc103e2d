// A slow device: the same finder while other programs take three quarters of every core. (Chromium's own throttle holds no worker back, and the
// finder draws in one.) How often frames come, and how large they are made.
import { spawn, type ChildProcess } from 'node:child_process';
import { cpus } from 'node:os';
import { framesPass, live, tap, type Stage } from '../tests/e2e/browser';
import type { Budgeted } from './moments';

/** Beside every thread of the page so many others want its core. */
const OTHERS = 3;
/** Until the finder has found its pace, and then for so long frames are counted. */
const SETTLING_MS = 15_000;
const COUNTING_MS = 15_000;
/** At least 15 frames a second. */
const MOST_MS = 1000 / 15;

/** How long a fixed sum takes, ms, median. */
function sumMs(): number {
  let sum = 0;
  const times = Array.from({ length: 15 }, () => {
    const start = performance.now();
    for (let i = 0; i < 2e7; i++) sum = (sum + i) | 0;
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[times.length >> 1]!;
}

function busyLoops(): ChildProcess[] {
  return Array.from({ length: OTHERS * cpus().length }, () =>
    spawn(process.execPath, ['-e', 'for (;;);'], { stdio: 'ignore' }),
  );
}

/** Time from frame to frame, at the finder's own exposure and at ¼ s. */
export async function slowDevice(stage: Stage): Promise<readonly Budgeted[]> {
  const page = await stage.phone();
  await page.goto(stage.origin);
  await live(page);
  await page.keyboard.press('Shift');
  const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
  const count = async (name: string): Promise<Budgeted> => {
    await wait(SETTLING_MS);
    const frame = () => page.$eval('canvas', (canvas) => Number(canvas.dataset.frame));
    const [from, began] = [await frame(), performance.now()];
    await wait(COUNTING_MS);
    const [to, ended] = [await frame(), performance.now()];
    return { name, is: (ended - began) / (to - from), unit: 'ms', budget: MOST_MS };
  };
  const quick = sumMs();
  const loops = busyLoops();
  try {
    await wait(1000);
    const times = (sumMs() / quick).toFixed(1);
    const atRest = await count(
      `on a device ${times} times slower: from frame to frame, wheel turning, by hand`,
    );
    await tap(page, 'value-shutter');
    await page.waitForSelector('[data-testid="step-1/4"]');
    await tap(page, 'step-1/4');
    await page.keyboard.press('Escape');
    await framesPass(page, 2);
    const slowly = await count('the same at ¼ s');
    const side = await page
      .$eval('canvas', (canvas) => Math.max(canvas.width, canvas.height))
      .catch(() => NaN);
    console.log(`On a slow device: frames of ${side} samples along at ¼ s.`);
    return [atRest, slowly];
  } finally {
    loops.forEach((loop) => loop.kill('SIGKILL'));
    await page.close();
  }
}
