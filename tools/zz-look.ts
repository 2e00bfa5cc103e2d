import { openStage, live, byId, tap, FAKE_CAMERA } from '../tests/e2e/browser';
import { lend, takeLent, lentLive } from '../tests/e2e/lent';
(async () => {
  const [w, h] = (process.env.SIZE ?? '390x844').split('x').map(Number) as [number, number];
  const stage = await openStage({}, undefined, process.env.FAKE ? FAKE_CAMERA : []);
  const page = await stage.phone();
  await page.setViewport({ width: w, height: h, deviceScaleFactor: Number(process.env.DPR ?? (w < 1000 ? 2 : 1)), isMobile: w < 1000, hasTouch: w < 1000 });
  page.on('pageerror', (e) => console.log('PAGEERROR', e));
  page.on('console', (m) => { if (m.type() === 'error') console.log('CONSOLE', m.text().slice(0, 300)); });
  if (process.env.LENT) await lend(page, JSON.parse(process.env.LENT));
  await page.goto(stage.origin + (process.env.PATHNAME ?? ''));
  if (!process.env.PATHNAME) await live(page);
  for (const step of process.argv.slice(2)) {
    try {
      if (step.startsWith('@')) await page.screenshot({ path: `/tmp/shots/${step.slice(1)}.png` });
      else if (step.startsWith('!')) await page.keyboard.press(step.slice(1) as 'a');
      else if (step === 'lent') { await takeLent(page); await lentLive(page); }
      else if (step.startsWith('key:')) { const [, id, k, n] = step.split(':'); await page.focus(byId(id!)); for (let i = 0; i < Number(n ?? 1); i++) await page.keyboard.press(k as 'a'); }
      else if (step.startsWith('sleep:')) await new Promise((r) => setTimeout(r, Number(step.slice(6))));
      else if (step.startsWith('text:')) console.log(step, await page.$eval(byId(step.slice(5)), (e) => e.textContent));
      else if (step.startsWith('type:')) { const [, id, t] = step.split(':'); await page.type(byId(id!), t!); }
      else if (step.startsWith('drag:')) { const [, x, y, dx, dy] = step.split(':').map(Number) as number[]; const t = await page.touchscreen.touchStart(x!, y!); for (let i = 1; i <= 6; i++) await t.move(x! + (dx! * i) / 6, y! + (dy! * i) / 6); await t.end(); }
      else if (step.startsWith('at:')) { const [, x, y] = step.split(':').map(Number) as number[]; await page.touchscreen.tap(x!, y!); }
      else if (step.startsWith('wait:')) await page.waitForFunction((s: string) => document.querySelector('canvas')?.dataset.scene === s, {}, step.slice(5));
      else await tap(page, step);
    } catch (e) { console.log('STEP', step, String(e).slice(0, 200)); }
  }
  await stage.close();
})();
