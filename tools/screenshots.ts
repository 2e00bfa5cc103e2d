// Takes the pictures of docs/screenshots from the built demo: `npx tsx tools/screenshots.ts`.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { byId, live, openStage } from '../tests/e2e/browser';

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

void main();
