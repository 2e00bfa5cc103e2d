// What the page itself costs while the finder runs: the share of time in which its main thread is busy, by the browser's own task durations, with all
// scopes on and with none beside the stopline, on a wide screen.
import { byId, framesPass, live, openStage, tap } from '../tests/e2e/browser';

const SECONDS = 6;

async function main(): Promise<void> {
  const stage = await openStage();
  const page = await stage.phone();
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(stage.origin);
  await live(page);
  await page.keyboard.press('Shift');
  const busy = async () => {
    await framesPass(page, 20);
    const frame = () => page.$eval('canvas', (canvas) => Number(canvas.dataset.frame));
    const [before, frameBefore] = [await page.metrics(), await frame()];
    await page.evaluate((ms: number) => new Promise((resolve) => setTimeout(resolve, ms)), SECONDS * 1000);
    const [after, frameAfter] = [await page.metrics(), await frame()];
    const seconds = after.Timestamp! - before.Timestamp!;
    const share = (key: 'TaskDuration' | 'ScriptDuration' | 'LayoutDuration') =>
      `${((100 * (after[key]! - before[key]!)) / seconds).toFixed(1)} %`;
    return {
      'reports a second': ((frameAfter - frameBefore) / seconds).toFixed(1),
      busy: share('TaskDuration'),
      script: share('ScriptDuration'),
      layout: share('LayoutDuration'),
    };
  };
  const none = await busy();
  await tap(page, 'check');
  await tap(page, 'check-tab-scopes');
  await tap(page, 'histogram-both');
  await tap(page, 'histogram-size-large');
  await page.keyboard.press('Escape');
  await page.waitForSelector(byId('histogram-raw-box'));
  const all = await busy();
  console.table({ 'scopes off': none, 'all scopes on': all });
  await stage.close();
}

void main();
