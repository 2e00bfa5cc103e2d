// Takes the pictures of docs/screenshots from the built demo: `npx tsx tools/screenshots.ts [part …]`. Panels that belong together stand side
// by side in one picture.
import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { decode, encode } from 'fast-png';
import type { Page } from 'puppeteer-core';
import { byId, framesPass, live, openStage, type Stage } from '../tests/e2e/browser';

const folder = join(__dirname, '..', 'docs', 'screenshots');
/** Made by tools/scenes/contact.ts. */
const NOT_OURS = 'scenes.png';

async function main() {
  mkdirSync(folder, { recursive: true });
  const parts = { finders, checks, exposure, truths, rolls };
  const asked = process.argv.slice(2);
  // All of them anew, or only the named parts.
  if (asked.length === 0)
    for (const name of readdirSync(folder)) if (name !== NOT_OURS) rmSync(join(folder, name));
  const stage = await openStage();
  for (const [name, take] of Object.entries(parts))
    if (asked.length === 0 || asked.includes(name)) await take(stage);
  await stage.close();
}

async function picture(page: Page): Promise<Uint8Array> {
  await page.evaluate(() => document.fonts.ready);
  return page.screenshot();
}

/** One picture, or several side by side. */
function save(name: string, ...pictures: readonly Uint8Array[]) {
  const decoded = pictures.map((p) => decode(p));
  const gap = 16;
  const width = decoded.reduce((sum, p) => sum + p.width + gap, -gap);
  const height = Math.max(...decoded.map((p) => p.height));
  const data = new Uint8Array(3 * width * height).fill(128);
  let left = 0;
  for (const { width: w, height: h, channels, data: from } of decoded) {
    for (let y = 0; y < h; y++)
      for (let x = 0; x < w; x++)
        for (let c = 0; c < 3; c++)
          data[3 * (y * width + left + x) + c] = Number(from[channels * (y * w + x) + c]);
    left += w + gap;
  }
  writeFileSync(join(folder, `${name}.png`), encode({ width, height, data, channels: 3, depth: 8 }));
}

/** A click that needs no place on the screen; waits for what it changes. */
async function press(page: Page, ...ids: readonly string[]) {
  for (const id of ids) {
    const element = (await page.waitForSelector(byId(id)))!;
    await element.evaluate((e) => (e as HTMLElement).click());
    await framesPass(page, 6);
  }
}

async function opened(stage: Stage, kind: 'phone' | 'wide'): Promise<Page> {
  const page = await stage[kind]();
  await page.goto(stage.origin);
  await live(page);
  await page.waitForSelector(`${byId('open-sheet')} img`);
  await framesPass(page, 25);
  return page;
}

/** The finder in three themes. */
async function finders(stage: Stage) {
  for (const kind of ['phone', 'wide'] as const) {
    const page = await opened(stage, kind);
    save(`finder-${kind}`, await picture(page));
    const themed: Uint8Array[] = [];
    for (const theme of ['sun', 'dark']) {
      await press(page, 'check', 'check-tab-view', `theme-${theme}`);
      await page.keyboard.press('Escape');
      await framesPass(page, 8);
      themed.push(await picture(page));
    }
    if (kind === 'phone') save('themes-phone', ...themed);
    else ['sun', 'dark'].forEach((theme, i) => save(`finder-${theme}-wide`, themed[i]!));
    await page.close();
  }
}

/** The panels of checking, on both screens. */
async function checks(stage: Stage) {
  const phone = await opened(stage, 'phone');
  const panels: Uint8Array[] = [];
  await press(phone, 'check', 'mark-rawFloor', 'zebra');
  panels.push(await picture(phone));
  await press(phone, 'check-tab-scopes', 'histogram-picture');
  panels.push(await picture(phone));
  await press(phone, 'histogram-off', 'check-tab-fit', 'sparkle-more', 'sparkle-more');
  panels.push(await picture(phone));
  await press(
    phone,
    'check-tab-compare',
    'other-present',
    'other-iso-less',
    'other-iso-less',
    'other-iso-less',
  );
  panels.push(await picture(phone));
  await press(phone, 'loupe-switch');
  await phone.keyboard.press('Escape');
  await phone.waitForSelector('canvas[data-loupe]');
  panels.push(await picture(phone));
  save('check-panels-phone', ...panels);
  await phone.close();
  const wide = await opened(stage, 'wide');
  await press(wide, 'check', 'mark-rawFloor', 'zebra');
  save('check-wide', await picture(wide));
  await wide.close();
}

/** What looks burnt but is not, and what looks fine but is burnt: each with both histograms. */
async function truths(stage: Stage) {
  const scenes = [
    {
      name: 'looks-burnt-wide',
      scene: 'bisque-shelf',
      spot: null,
      iso: null,
      thirds: 5,
      says: 'looks burnt',
    },
    {
      name: 'looks-fine-wide',
      scene: 'spy-hole',
      spot: { x: 0.53, y: 0.5 },
      iso: 'step-50',
      thirds: 4,
      says: 'does not look white',
    },
  ];
  for (const { name, scene, spot, iso, thirds, says } of scenes) {
    const page = await opened(stage, 'wide');
    await press(page, 'outside', `scene-${scene}`, 'support-tripod');
    await page.keyboard.press('Escape');
    await press(page, 'lens-tele');
    const shown = `${scene}.tele`;
    await page.waitForFunction(
      (s: string) => document.querySelector('canvas')?.dataset.scene === s,
      { timeout: 20_000 },
      shown,
    );
    await live(page);
    if (spot) {
      const box = (await (await page.waitForSelector(byId('finder')))!.boundingBox())!;
      await page.mouse.click(box.x + spot.x * box.width, box.y + spot.y * box.height);
    }
    if (iso) {
      await press(page, 'value-iso', iso);
      await page.keyboard.press('Escape');
    }
    for (let i = 0; i < Math.abs(thirds); i++) await page.keyboard.press(thirds > 0 ? 'e' : 'd');
    await press(page, 'check', 'mark-rawClip', 'check-tab-scopes', 'histogram-both');
    await page.waitForSelector(byId('verdict'));
    await framesPass(page, 20);
    // A fire flickers: the picture is of a moment when the case shows.
    await page.waitForFunction(
      (s: string, w: string) => document.querySelector(s)?.textContent?.includes(w),
      { timeout: 60_000 },
      byId('verdict'),
      says,
    );
    save(name, await picture(page));
    await page.close();
  }
}

/** The panels of metering and exposure. */
async function exposure(stage: Stage) {
  const page = await opened(stage, 'phone');
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
  const panels: Uint8Array[] = [];
  await press(page, 'pattern');
  panels.push(await picture(page));
  await page.keyboard.press('Escape');
  await pin(0.42, 0.31);
  await pin(0.72, 0.62);
  await press(page, 'pattern', 'meter-tab-pins');
  panels.push(await picture(page));
  await press(page, 'remove-A', 'remove-B', 'meter-tab-hand', 'hold-hand');
  await page.waitForFunction(
    (s: string) => /lx/.test(document.querySelector(s)?.textContent ?? ''),
    {},
    byId('hand-words'),
  );
  panels.push(await picture(page));
  save('meter-panels-phone', ...panels);
  await press(page, 'hold-hand');
  await page.keyboard.press('Escape');
  const more: Uint8Array[] = [];
  await press(page, 'more', 'more-tab-camera', 'body-sim-iris', 'more-tab-trade', 'gives-iso');
  more.push(await picture(page));
  await press(page, 'gives-none', 'more-tab-setups', 'setup-built-in-product');
  more.push(await picture(page));
  await press(page, 'more-tab-automatic');
  more.push(await picture(page));
  await press(page, 'more-tab-remedies');
  more.push(await picture(page));
  save('more-panels-phone', ...more);
  await page.keyboard.press('Escape');
  await press(page, 'notice-read');
  save('iris-phone', await picture(page));
  await page.close();
}

/** The world outside, the sheet and one frame. */
async function rolls(stage: Stage) {
  for (const kind of ['phone', 'wide'] as const) {
    const page = await opened(stage, kind);
    if (kind === 'phone') {
      await press(page, 'outside');
      await page.waitForSelector(byId('scene-yard-night'));
      await page.waitForFunction(() => [...document.images].every((i) => i.complete));
      save('outside-phone', await picture(page));
    }
    const toSheet = async () => {
      await page.goto(`${stage.origin}/sheet`);
      await page.waitForSelector(`${byId('sheet-frame')} img`);
      await page.waitForFunction(() => [...document.images].every((i) => i.complete));
      return page.$$(byId('sheet-frame'));
    };
    const cells = await toSheet();
    save(`sheet-${kind}`, await picture(page));
    await cells[3]!.click();
    await page.waitForSelector(byId('picture-fit'), { timeout: 30_000 });
    await page.waitForSelector(byId('forecast-held'));
    save(`frame-${kind}`, await picture(page));
    if (kind === 'phone') {
      await (await toSheet())[5]!.click();
      await page.waitForSelector(byId('picture-fit'), { timeout: 30_000 });
      await (await page.$(byId('full')))!.click();
      await page.waitForSelector(byId('picture-full'));
      save('frame-full-phone', await picture(page));
    }
    await page.close();
  }
}

void main();
