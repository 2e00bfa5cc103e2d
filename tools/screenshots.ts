// Takes the pictures of docs/screenshots from the built demo: `npx tsx tools/screenshots.ts`.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { byId, framesPass, live, openStage } from '../tests/e2e/browser';

const folder = join(__dirname, '..', 'docs', 'screenshots');

async function main() {
  mkdirSync(folder, { recursive: true });
  const stage = await openStage();
  const shot = async (page: Page, name: string) => {
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: join(folder, `${name}.png`) as `${string}.png` });
  };
  const settled = (page: Page) =>
    page.waitForFunction(() => Number(document.querySelector<HTMLElement>('canvas')?.dataset.frame) > 25, {
      timeout: 20_000,
    });
  for (const kind of ['phone', 'wide'] as const) {
    const page = await stage[kind]();
    await page.goto(stage.origin);
    await live(page);
    await page.waitForSelector(`${byId('open-sheet')} img`);
    await settled(page);
    await shot(page, `finder-${kind}`);
    if (kind === 'phone') {
      await (await page.$(byId('outside')))!.click();
      await page.waitForSelector(byId('scene-yard-night'));
      await page.waitForFunction(() => [...document.images].every((i) => i.complete));
      await shot(page, 'outside-phone');
      await page.keyboard.press('Escape');
    }
    await exposureViews(page, kind, shot);
    await page.goto(`${stage.origin}/sheet`);
    await page.waitForSelector(`${byId('sheet-frame')} img`);
    await page.waitForFunction(() => [...document.images].every((i) => i.complete));
    await shot(page, `sheet-${kind}`);
    const cells = await page.$$(byId('sheet-frame'));
    await cells[3]!.click();
    await page.waitForSelector(byId('picture-fit'), { timeout: 30_000 });
    await shot(page, `frame-${kind}`);
    if (kind === 'phone') {
      await page.goto(`${stage.origin}/sheet`);
      await page.waitForSelector(byId('sheet-frame'));
      await (await page.$$(byId('sheet-frame')))[5]!.click();
      await page.waitForSelector(byId('picture-fit'), { timeout: 30_000 });
      await (await page.$(byId('full')))!.click();
      await page.waitForSelector(byId('picture-full'));
      await shot(page, 'frame-full-phone');
    }
    await page.close();
  }
  await stage.close();
}

type Shot = (page: Page, name: string) => Promise<void>;

/** The panels of metering and exposure. */
async function exposureViews(page: Page, kind: 'phone' | 'wide', shot: Shot) {
  const tap = async (id: string) => {
    const element = (await page.waitForSelector(byId(id)))!;
    await element.evaluate((e) => (e as HTMLElement).click());
    await framesPass(page, 6);
  };
  const pin = async (x: number, y: number) => {
    const box = (await (await page.waitForSelector(byId('finder')))!.boundingBox())!;
    const before = (await page.$$('[data-testid^="pin-"]')).length;
    await page.mouse.move(box.x + x * box.width, box.y + y * box.height);
    await page.mouse.down();
    await page.waitForFunction(
      (n: number) => document.querySelectorAll('[data-testid^="pin-"]').length > n,
      {},
      before,
    );
    await page.mouse.up();
  };
  await pin(0.42, 0.31);
  await pin(0.72, 0.62);
  await tap('pattern');
  await tap('meter-tab-pins');
  await shot(page, `pins-${kind}`);
  if (kind === 'wide') return;
  await tap('remove-A');
  await tap('remove-B');
  await tap('meter-tab-pattern');
  await shot(page, 'meter-phone');
  await tap('meter-tab-hand');
  await tap('hold-hand');
  await page.waitForFunction(
    (s: string) => /lx/.test(document.querySelector(s)?.textContent ?? ''),
    {},
    byId('hand-words'),
  );
  await shot(page, 'hand-meter-phone');
  await tap('hold-hand');
  await page.keyboard.press('Escape');
  await tap('more');
  await tap('more-tab-camera');
  await tap('body-sim-iris');
  await tap('more-tab-trade');
  await tap('gives-iso');
  await shot(page, 'trade-phone');
  await tap('gives-none');
  await tap('more-tab-setups');
  await tap('setup-built-in-product');
  await shot(page, 'setups-phone');
  await tap('more-tab-automatic');
  await shot(page, 'automatic-phone');
  await tap('more-tab-remedies');
  await shot(page, 'remedies-phone');
  await page.keyboard.press('Escape');
  await tap('notice-read');
  await shot(page, 'iris-phone');
}

void main();
