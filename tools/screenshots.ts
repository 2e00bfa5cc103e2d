// Takes the pictures of docs/screenshots from the built demo: `npx tsx tools/screenshots.ts [part …]`. Panels that belong together stand side
// by side in one picture.
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { decode, encode } from 'fast-png';
import type { Page } from 'puppeteer-core';
import { rawFrameOf } from '../src/core/dng/file-frame';
import { readDng } from '../src/core/dng/read';
import { pictureReduced } from '../src/core/raw/develop-image';
import type { LinearImage } from '../src/core/sensor/rgb-image';
import {
  byId,
  framesPass,
  live,
  openStage,
  safe,
  SHIPPED,
  taken as allTaken,
  wordsBecome,
  type Stage,
} from '../tests/e2e/browser';
import { lentLive } from '../tests/e2e/lent';
import { closeHall, openHall } from '../tests/e2e/stage-setup';
import { inPalette } from './palette';

const folder = join(__dirname, '..', 'docs', 'screenshots');
/** Made by tools/scenes/contact.ts. */
const NOT_OURS = 'scenes.png';

async function main() {
  mkdirSync(folder, { recursive: true });
  const parts = { steps, finders, checks, exposure, focus, white, truths, rolls, lent };
  const asked = process.argv.slice(2);
  // All of them anew, or only the named parts.
  if (asked.length === 0)
    for (const name of readdirSync(folder)) if (name !== NOT_OURS) rmSync(join(folder, name));
  const hall = await openHall(SHIPPED, film());
  const stage = await openStage({ desk: {} });
  for (const [name, take] of Object.entries(parts))
    if (asked.length === 0 || asked.includes(name)) await take(stage);
  await stage.close();
  await closeHall(hall);
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
  writeFileSync(
    join(folder, `${name}.png`),
    inPalette(encode({ width, height, data, channels: 3, depth: 8 })),
  );
}

/** A click that needs no place on the screen; waits for what it changes. */
async function press(page: Page, ...ids: readonly string[]) {
  for (const id of ids) {
    const element = (await page.waitForSelector(byId(id)))!;
    await element.evaluate((e) => (e as HTMLElement).click());
    await framesPass(page, 6);
  }
}

/** @param labelled true to keep the labels of the first visit */
async function opened(stage: Stage, kind: 'phone' | 'wide', labelled = false): Promise<Page> {
  const page = await stage[kind]();
  await page.goto(stage.origin);
  await live(page);
  await page.waitForSelector(`${byId('open-sheet')} img`);
  await framesPass(page, 25);
  // Any key puts the labels of the first visit away.
  if (!labelled) await page.keyboard.press('Shift');
  return page;
}

/** The first five minutes: from the opened page to a frame of a fire seen through a hole, that holds it. */
async function steps(stage: Stage) {
  const page = await opened(stage, 'phone');
  const taken: Uint8Array[] = [];
  await press(page, 'outside');
  await page.waitForSelector(byId('scene-spy-hole'));
  await page.waitForFunction(() => [...document.images].every((i) => i.complete));
  await (await page.$(byId('scene-spy-hole')))!.evaluate((e) => e.scrollIntoView({ block: 'nearest' }));
  taken.push(await picture(page));
  await press(page, 'scene-spy-hole', 'support-tripod');
  await page.keyboard.press('Escape');
  await live(page);
  await framesPass(page, 30);
  taken.push(await picture(page));
  await press(page, 'lens-tele');
  await live(page);
  const box = (await (await page.waitForSelector(byId('finder')))!.boundingBox())!;
  await page.mouse.click(box.x + 0.53 * box.width, box.y + 0.5 * box.height);
  await framesPass(page, 30);
  taken.push(await picture(page));
  await page.focus(byId('stopline-raw'));
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await framesPass(page, 30);
  taken.push(await picture(page));
  await safe(page, () => press(page, 'release'));
  await allTaken(page);
  // The finder rests under the sheet: no frames to wait for.
  await (await page.$(byId('open-sheet')))!.evaluate((e) => (e as HTMLElement).click());
  await (await page.waitForSelector(byId('sheet-frame')))!.click();
  await page.waitForSelector(byId('picture-fit'), { timeout: 30_000 });
  await page.waitForSelector(byId('forecast-held'));
  taken.push(await picture(page));
  save('first-five-minutes-phone', ...taken);
  await page.close();
}

/** The finder on a phone, upright and on its side, on a tablet and on a wide screen; and on a phone in the other themes. */
async function finders(stage: Stage) {
  for (const kind of ['phone', 'wide'] as const) {
    const page = await opened(stage, kind);
    const upright = await picture(page);
    if (kind === 'wide') save('finder-wide', upright);
    else {
      await page.setViewport({
        width: 844,
        height: 390,
        deviceScaleFactor: 2,
        isMobile: true,
        hasTouch: true,
      });
      await framesPass(page, 25);
      const sideways = await picture(page);
      await page.keyboard.press('x');
      await framesPass(page, 8);
      save('finder-phone', upright, sideways, await picture(page));
      await page.keyboard.press('Escape');
      await page.setViewport({
        width: 820,
        height: 1180,
        deviceScaleFactor: 1,
        isMobile: true,
        hasTouch: true,
      });
      await framesPass(page, 25);
      const tablet = await picture(page);
      await page.keyboard.press('x');
      await framesPass(page, 8);
      save('finder-tablet', tablet, await picture(page));
      await page.keyboard.press('Escape');
      await page.setViewport({
        width: 390,
        height: 844,
        deviceScaleFactor: 2,
        isMobile: true,
        hasTouch: true,
      });
      await framesPass(page, 25);
    }
    const themed: Uint8Array[] = [];
    for (const theme of ['sun', 'dark']) {
      await press(page, 'check', 'check-tab-view', `theme-${theme}`);
      await page.keyboard.press('Escape');
      await framesPass(page, 8);
      themed.push(await picture(page));
    }
    if (kind === 'phone') save('themes-phone', ...themed);
    await page.close();
  }
  const first = await opened(stage, 'phone', true);
  await first.waitForSelector(byId('guide'));
  save('first-visit-phone', await picture(first));
  await first.close();
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
      scene: 'bisque-shelf',
      spot: null,
      iso: null,
      white: 'light-daylight',
      thirds: 5,
      says: 'looks burnt',
    },
    {
      scene: 'spy-hole',
      spot: { x: 0.53, y: 0.5 },
      iso: 'step-50',
      white: null,
      thirds: 4,
      says: 'does not look white',
    },
  ];
  const shown: Uint8Array[] = [];
  for (const { scene, spot, iso, white: light, thirds, says } of scenes) {
    const page = await opened(stage, 'wide');
    await press(page, 'outside', `scene-${scene}`, 'support-tripod');
    await page.keyboard.press('Escape');
    await press(page, 'lens-tele');
    const view = `${scene}.tele`;
    await page.waitForFunction(
      (s: string) => document.querySelector('canvas')?.dataset.scene === s,
      { timeout: 20_000 },
      view,
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
    if (light) {
      await press(page, 'value-white', light);
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
    shown.push(await picture(page));
    await page.close();
  }
  save('raw-and-picture-wide', ...shown);
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
  await press(page, 'more-tab-drive', 'takes-bracket');
  more.push(await picture(page));
  await press(page, 'takes-burst', 'files-dng+jpeg');
  await page.$eval(byId('files-words'), (e) => e.scrollIntoView({ block: 'end' }));
  more.push(await picture(page));
  await press(page, 'takes-single', 'files-dng');
  await press(page, 'more-tab-remedies');
  more.push(await picture(page));
  await page.keyboard.press('Escape');
  await press(page, 'notice-read');
  // Everything manual, with an iris.
  more.push(await picture(page));
  save('more-panels-phone', ...more);
  await page.close();
}

/** Focus: what the automatic found, a place of its own, by hand under the loupe. */
async function focus(stage: Stage) {
  const page = await opened(stage, 'phone');
  const shown: Uint8Array[] = [];
  const box = (await (await page.waitForSelector(byId('finder')))!.boundingBox())!;
  await page.mouse.click(box.x + 0.35 * box.width, box.y + 0.72 * box.height);
  await press(page, 'value-focus');
  await wordsBecome(page, 'focus-stands', /found in/);
  await press(page, 'peaking');
  await wordsBecome(page, 'peaking-share', /of the frame/);
  shown.push(await picture(page));
  await press(page, 'peaking');
  await press(page, 'focus-part');
  await page.keyboard.press('Escape');
  await page.focus(byId('focus-place'));
  for (let i = 0; i < 9; i++) await page.keyboard.press('ArrowUp');
  await wordsBecome(page, 'state-focus', /automatic|not found/);
  await page.mouse.move(0, 0);
  shown.push(await picture(page));
  for (let i = 0; i < 2; i++) await page.keyboard.press('f');
  await page.waitForSelector('canvas[data-loupe]');
  shown.push(await picture(page));
  await page.keyboard.press('.');
  await press(page, 'frame-panel', 'aspect-16:9', 'grid-thirds', 'level-on');
  await page.focus(byId('cut-times'));
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await framesPass(page, 40);
  shown.push(await picture(page));
  await page.keyboard.press('v');
  await page.focus(byId('hold-rollDeg'));
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Escape');
  await framesPass(page, 12);
  shown.push(await picture(page));
  await page.keyboard.press(',');
  await press(page, 'frame-tab-depth', 'plan-lens-tele');
  shown.push(await picture(page));
  save('focus-and-framing-phone', ...shown);
  await page.close();
}

/** White: the tile board under each of its lamps, a ring on its white tile, two lights. */
async function white(stage: Stage) {
  const page = await opened(stage, 'phone');
  const shown: Uint8Array[] = [];
  const boardUnder = async (...lamps: readonly string[]) => {
    await press(page, 'outside', ...lamps);
    await page.keyboard.press('Escape');
    await framesPass(page, 25);
  };
  await press(page, 'value-white', 'show-lights');
  await framesPass(page, 12);
  const lights = await picture(page);
  await page.keyboard.press('Escape');
  await press(page, 'outside', 'scene-tile-board', 'support-tripod');
  await page.waitForFunction(() => document.querySelector('canvas')?.dataset.scene === 'tile-board.wide');
  await page.keyboard.press('Escape');
  await framesPass(page, 25);
  shown.push(await picture(page));
  await boardUnder('lamp-day', 'lamp-tungsten');
  shown.push(await picture(page));
  await boardUnder('lamp-tungsten', 'lamp-cool');
  shown.push(await picture(page));
  await press(page, 'value-white', 'light-shade', 'ring-toggle');
  await page.focus(byId('white-ring'));
  for (let i = 0; i < 35; i++) await page.keyboard.press('ArrowLeft');
  for (let i = 0; i < 15; i++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await framesPass(page, 12);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  shown.push(await picture(page));
  save('white-phone', ...shown, lights);
  await page.close();
}

/** The sheet and one frame. */
async function rolls(stage: Stage) {
  for (const kind of ['phone', 'wide'] as const) {
    const page = await opened(stage, kind);
    const toSheet = async () => {
      await page.goto(`${stage.origin}/sheet`);
      await page.waitForSelector(`${byId('sheet-frame')} img`);
      await page.waitForFunction(() => [...document.images].every((i) => i.complete));
    };
    // Frames that wait, and then the roll at rest.
    const sheets: Uint8Array[] = [];
    if (kind === 'phone') {
      for (let i = 0; i < 3; i++) await safe(page, () => press(page, 'release'));
      await (await page.$(byId('open-sheet')))!.evaluate((e) => (e as HTMLElement).click());
      await page.waitForFunction(
        (s: string) => Number(document.querySelector(s)?.getAttribute('aria-valuenow')) > 20,
        { timeout: 30_000 },
        `${byId('waiting-frame')} [role=progressbar]`,
      );
      sheets.push(await picture(page));
      await (await page.$(byId('cancel-all')))!.evaluate((e) => (e as HTMLElement).click());
      await page.waitForSelector(byId('undo'));
    }
    await toSheet();
    // Some are kept, one is dropped, two are rated.
    for (const [i, keys] of ['', 'd', '', 'k5', 'k3', ''].entries()) {
      await page.focus(`[data-index="${i}"]`);
      for (const key of keys) await page.keyboard.press(key as 'k');
    }
    await page.waitForFunction(() => /rating 3/.test(document.body.innerHTML));
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    const frameOf = async (index: number) => {
      await toSheet();
      await page.$eval(`[data-index="${index}"]`, (tile) => (tile as HTMLElement).click());
      await page.waitForSelector(byId('picture-fit'), { timeout: 30_000 });
      await page.waitForSelector(byId('forecast-held'));
    };
    const pushed = async (...ids: string[]) => {
      for (const id of ids)
        await (await page.waitForSelector(byId(id)))!.evaluate((e) => (e as HTMLElement).click());
    };
    sheets.push(await picture(page));
    if (kind === 'phone') {
      await pushed('arrange');
      sheets.push(await picture(page));
    }
    await frameOf(3);
    const frames = [await picture(page)];
    if (kind === 'phone') {
      await frameOf(5);
      await pushed('clips-raw', 'full');
      await page.waitForSelector(byId('picture-full'));
      frames.push(await picture(page));
      await pushed('clips-raw', 'fit', 'print-soot');
      await page.waitForSelector(byId('picture-fit'));
      await page.$eval(byId('prints'), (e) => e.scrollIntoView({ block: 'nearest' }));
      frames.push(await picture(page));
    }
    await frameOf(5);
    await pushed('print-plain', 'reframe');
    await page.waitForSelector(byId('reframer'));
    await pushed('reframe-shape-3:2');
    await page.focus(byId('reframe-tilt'));
    for (let i = 0; i < 3; i++) await page.keyboard.press('PageUp');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    const framing = await picture(page);
    await pushed('reframe-leave');
    await frameOf(4);
    await pushed('compare-next');
    await page.waitForSelector(byId('moved-between'), { timeout: 60_000 });
    await pushed('compare-split');
    const compared = await picture(page);
    if (kind === 'wide') save('looking-again-wide', ...sheets, ...frames, compared);
    else {
      save('sheet-phone', ...sheets);
      save('frame-phone', ...frames);
      save('compare-and-framing-phone', compared, framing);
    }
    await page.close();
  }
}

/** What the browser's test camera plays: a frame of the demo roll. */
function film(): Buffer {
  const demo = join(__dirname, '..', '.cache', 'demo');
  const [first] = readdirSync(demo).filter((name) => name.endsWith('.dng'));
  return stillClip(rawFrameOf(readDng(readFileSync(join(demo, first!)))), 480, 640);
}

/** The browser's own camera. */
async function lent(stage: Stage) {
  const page = await opened(stage, 'phone');
  await press(page, 'more', 'more-tab-camera', 'body-browser');
  await lentLive(page);
  const panels = [await picture(page)];
  await page.keyboard.press('Escape');
  await press(page, 'notice-read', 'pattern', 'meter-tab-light');
  await page.type(byId('known-light'), '9');
  await press(page, 'calibrate');
  panels.push(await picture(page));
  await page.keyboard.press('Escape');
  await press(page, 'check', 'mark-pictureWhite');
  await page.keyboard.press('Escape');
  await framesPass(page, 8);
  panels.unshift(await picture(page));
  save('lent-camera-phone', ...panels);
  await page.close();
}

/** A video of one picture, as YUV4MPEG2: Y′CbCr of BT.601 in limited range. */
function stillClip(image: LinearImage, width: number, height: number): Buffer {
  const rgba = pictureReduced(image, width, height);
  const luma = Buffer.alloc(width * height);
  const chroma = [Buffer.alloc(luma.length / 4), Buffer.alloc(luma.length / 4)] as const;
  for (let i = 0; i < luma.length; i++) {
    const [r, g, b] = [rgba[4 * i]!, rgba[4 * i + 1]!, rgba[4 * i + 2]!];
    luma[i] = Math.round(16 + (65.481 * r + 128.553 * g + 24.966 * b) / 255);
    const [x, y] = [i % width, Math.floor(i / width)];
    if ((x | y) & 1) continue;
    const at = (y >> 1) * (width >> 1) + (x >> 1);
    chroma[0][at] = Math.round(128 + (-37.797 * r - 74.203 * g + 112 * b) / 255);
    chroma[1][at] = Math.round(128 + (112 * r - 93.786 * g - 18.214 * b) / 255);
  }
  const frame = Buffer.concat([Buffer.from('FRAME\n'), luma, ...chroma]);
  return Buffer.concat([
    Buffer.from(`YUV4MPEG2 W${width} H${height} F20:1 Ip A1:1 C420jpeg\n`),
    frame,
    frame,
  ]);
}

void main();
