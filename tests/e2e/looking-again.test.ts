// Looking again, by touch and by key, at three sizes: the sheet sorted, filtered, judged and chosen from; one frame at every scale and in every channel; two
// compared; re-framed, printed, exported, and the desk set as a frame was. What is said stays after the page is opened anew.
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import type { ElementHandle, Page } from 'puppeteer-core';
import { checkDng } from '../../src/core/dng/check';
import { readDng } from '../../src/core/dng/read';
import { jpegFacts } from '../../src/core/formats/jpeg';
import {
  byId,
  deskKeeps,
  fillRoll,
  openStage,
  serious,
  SIZES,
  tap,
  tapOn,
  words,
  wordsBecome,
  type Stage,
} from './browser';
import { downloaded, downloadsTo } from './downloads';
import { LONG } from '../sweep';

/** Lying, too, in the long checks. */
const TRIED = LONG ? SIZES : SIZES.filter(({ name }) => name !== 'lying');
/** One frame, too, on all of them in the long checks. */
const LOOKED = LONG ? SIZES : SIZES.slice(0, 1);

const downloads = mkdtempSync(join(tmpdir(), 'velmo-looking-'));
let stage: Stage;
/** A JPEG that was exported, to take settings from. */
let anyPicture: Uint8Array;
const pages = new Map<string, Page>();
beforeAll(async () => {
  stage = await openStage();
});
afterAll(async () => {
  await stage.close();
  rmSync(downloads, { recursive: true, force: true });
});

/** A sheet of the demo's frames at that size, each size with a store of its own. */
async function sheetAt(size: (typeof SIZES)[number]): Promise<Page> {
  const there = pages.get(size.name);
  if (there) return there;
  const page = await stage.phone();
  await page.setViewport({ ...size, deviceScaleFactor: 1 });
  await page.goto(`${stage.origin}/sheet`);
  await page.waitForSelector(byId('sheet-frame'));
  await downloadsTo(page, downloads);
  pages.set(size.name, page);
  return page;
}

const labelsBecome = (page: Page, index: number, pattern: RegExp) =>
  page.waitForFunction(
    (i: number, source: string) =>
      new RegExp(source).test(
        document.querySelector(`[data-index="${i}"]`)?.getAttribute('aria-label') ?? '',
      ),
    {},
    index,
    pattern.source,
  );
const there = (page: Page, id: string) => page.waitForSelector(byId(id));
const chosenBecome = (page: Page, pattern: RegExp) => wordsBecome(page, 'choosing-words', pattern);

/** One finger across a tile, or one that rests until choosing begins and goes on to another. */
async function finger(page: Page, from: number, to: { index?: number; dx?: number; rests?: boolean }) {
  const boxOf = async (index: number) => (await (await page.$(`[data-index="${index}"]`))!.boundingBox())!;
  const box = await boxOf(from);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const touch = await page.touchscreen.touchStart(x, y);
  if (to.rests) await there(page, 'choosing');
  const end = to.index === undefined ? box : await boxOf(to.index);
  const [toX, toY] = [end.x + end.width / 2 + (to.dx ?? 0), end.y + end.height / 2];
  for (let i = 1; i <= 5; i++) await touch.move(x + ((toX - x) * i) / 5, y + ((toY - y) * i) / 5);
  await touch.end();
}

describe.each(TRIED)('the sheet, $name', (size) => {
  let page: Page;
  beforeAll(async () => {
    page = await sheetAt(size);
  });

  it('a swipe keeps or drops, a key rates', async () => {
    await Promise.all([finger(page, 0, { dx: 80 })]);
    await finger(page, 1, { dx: -80 });
    await labelsBecome(page, 0, /, kept/);
    await labelsBecome(page, 1, /, dropped/);
    await page.focus('[data-index="0"]');
    await page.keyboard.press('4');
    await labelsBecome(page, 0, /kept, rating 4/);
    expect(await serious(page)).toEqual([]);
  });

  it('frames are chosen by a finger that rests and moves on', async () => {
    await finger(page, 0, { rests: true, index: 1 });
    await chosenBecome(page, /2 chosen/);
    await page.keyboard.press('Escape');
    await page.waitForSelector(byId('choosing'), { hidden: true });
    expect(await serious(page)).toEqual([]);
  });

  it('what is said is there when the page is opened anew', async () => {
    await page.reload();
    await labelsBecome(page, 0, /kept, rating 4/);
    await labelsBecome(page, 1, /dropped/);
  });
});

describe.each(LOOKED)('one frame, $name', (size) => {
  let page: Page;
  beforeAll(async () => {
    page = await sheetAt(size);
    await (await page.$('[data-index="3"]'))!.evaluate((tile) => tile.scrollIntoView({ block: 'center' }));
    await tapOn(page, (await page.$('[data-index="3"]'))!);
    await there(page, 'picture-fit');
  });

  it('is seen fitted, at 100 and 200 percent, moved, and the next one at the same place', async () => {
    expect(await serious(page)).toEqual([]);
    const here = await words(page, 'frame-place');
    await tap(page, 'frame-after');
    await page.waitForFunction(
      (was: string) => document.querySelector('[data-testid="frame-place"]')?.textContent !== was,
      {},
      here,
    );
    await tap(page, 'frame-before');
    await wordsBecome(page, 'frame-place', new RegExp(here));
    await there(page, 'picture-fit');
    await tap(page, 'double');
    await there(page, 'picture-full');
    await tap(page, 'full');
    await there(page, 'picture-full');
    const middle = () =>
      page.$eval(byId('picture-full'), (glass) => {
        const canvas = glass.querySelector('canvas')!;
        const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
        let sum = 0;
        for (let i = 0; i < data.length; i += 97) sum = (sum * 31 + data[i]!) % 1e9;
        return sum;
      });
    const before = await middle();
    const box = (await (await page.$(byId('picture-full')))!.boundingBox())!;
    const touch = await page.touchscreen.touchStart(box.x + box.width / 2, box.y + box.height / 2);
    for (let i = 1; i <= 6; i++)
      await touch.move(box.x + box.width / 2 - 12 * i, box.y + box.height / 2 - 12 * i);
    await touch.end();
    await page.waitForFunction(
      (was: number) => {
        const canvas = document.querySelector<HTMLCanvasElement>('[data-testid="picture-full"] canvas');
        if (!canvas) return false;
        const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
        let sum = 0;
        for (let i = 0; i < data.length; i += 97) sum = (sum * 31 + data[i]!) % 1e9;
        return sum !== was;
      },
      {},
      before,
    );
    const place = await words(page, 'frame-place');
    await page.keyboard.press('ArrowRight');
    await page.waitForFunction(
      (was: string) => document.querySelector('[data-testid="frame-place"]')?.textContent !== was,
      {},
      place,
    );
    await there(page, 'picture-full');
    await page.keyboard.press('ArrowLeft');
    await wordsBecome(page, 'frame-place', new RegExp(place));
    await there(page, 'picture-full');
    await page.keyboard.press('f');
    await there(page, 'picture-fit');
    // Fitted, a finger across goes on.
    const fit = (await (await page.$(byId('picture-fit')))!.boundingBox())!;
    const across = await page.touchscreen.touchStart(fit.x + fit.width * 0.7, fit.y + fit.height / 2);
    for (let i = 1; i <= 6; i++) await across.move(fit.x + fit.width * 0.7 - 20 * i, fit.y + fit.height / 2);
    await across.end();
    await page.waitForFunction(
      (was: string) => document.querySelector('[data-testid="frame-place"]')?.textContent !== was,
      {},
      place,
    );
    await there(page, 'picture-fit');
    // A tap right after a drag may be taken for its end.
    await page.keyboard.press('ArrowLeft');
    await wordsBecome(page, 'frame-place', new RegExp(place));
    await there(page, 'picture-fit');
  });

  it('is developed or one channel of raw, with marks by a tap or a key, and figures of what is on view', async () => {
    const pixel = () =>
      page.$eval(byId('picture-fit'), (glass) => {
        const canvas = glass.querySelector('canvas')!;
        const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
        let [coloured, burnt] = [0, 0];
        for (let i = 0; i < data.length; i += 4) {
          if (
            Math.max(data[i]!, data[i + 1]!, data[i + 2]!) - Math.min(data[i]!, data[i + 1]!, data[i + 2]!) >
            24
          )
            coloured++;
          if (data[i] === 255 && data[i + 1] === 111 && data[i + 2] === 174) burnt++;
        }
        return { coloured, burnt };
      });
    expect(await pixel()).toMatchObject({ burnt: 0 });
    expect((await pixel()).coloured).toBeGreaterThan(0);
    await tap(page, 'channel-G1');
    await there(page, 'picture-fit');
    expect((await pixel()).coloured).toBe(0);
    await tap(page, 'channel-picture');
    await tap(page, 'clips-raw');
    await page.waitForSelector(`${byId('clips-raw')}[aria-checked=true]`);
    await there(page, 'picture-fit');
    expect((await pixel()).burnt).toBeGreaterThan(0);
    await page.keyboard.press('r');
    // A page that is busy between both ends of a tap makes no hold of it.
    await page.evaluate(() =>
      window.addEventListener(
        'pointerdown',
        () => {
          for (const from = performance.now(); performance.now() - from < 600;);
        },
        { once: true },
      ),
    );
    await tap(page, 'clips-raw');
    await page.waitForSelector(`${byId('clips-raw')}[aria-checked=true]`);
    await there(page, 'picture-fit');
    expect(await page.$eval(byId('clips-raw'), (e) => e.getAttribute('aria-checked'))).toBe('true');
    await page.keyboard.press('r');
    await page.keyboard.press('p');
    await page.waitForSelector(`${byId('clips-picture')}[aria-checked=true]`);
    await page.keyboard.press('p');
    await tap(page, 'full');
    await there(page, 'picture-full');
    await there(page, 'figures-of');
    await tap(page, 'figures-of-part');
    await page.waitForSelector(`${byId('figures-of-part')}[aria-checked=true]`);
    await tap(page, 'figures-of-whole');
    await page.keyboard.press('f');
    await there(page, 'picture-fit');
  });

  it('is printed otherwise, and plainly again; raw does not know it', async () => {
    await tap(page, 'print-soot');
    await page.waitForSelector(`${byId('print-soot')}[aria-checked=true]`);
    await wordsBecome(page, 'print-said', /Kept with the frame/);
    await page.reload();
    await there(page, 'picture-fit');
    await page.waitForSelector(`${byId('print-soot')}[aria-checked=true]`);
    await wordsBecome(page, 'raw-untouched', /Raw untouched: SHA-256 [0-9a-f]{8}/);
  });

  it('is re-framed by a line that a finger draws, kept, and whole again in one tap', async () => {
    await tap(page, 'reframe');
    await there(page, 'reframer');
    expect(await serious(page)).toEqual([]);
    await tap(page, 'reframe-shape-1:1');
    const told = () => page.$eval(byId('reframer'), (e) => e.getAttribute('aria-label') ?? '');
    const [, w, h] = /(\d+) × (\d+)/.exec(await told())!;
    expect(w).toBe(h);
    const before = await told();
    await tap(page, 'reframe-line');
    const box = (await (await page.$(byId('reframer')))!.boundingBox())!;
    const line = await page.touchscreen.touchStart(box.x + box.width * 0.3, box.y + box.height * 0.5);
    for (let i = 1; i <= 8; i++)
      await line.move(box.x + box.width * (0.3 + 0.05 * i), box.y + box.height * 0.5 + 3 * i);
    await line.end();
    await page.waitForSelector(`${byId('reframe-line')}[aria-checked=false]`);
    await page.waitForFunction(
      (was: string) => document.querySelector('[data-testid="reframer"]')!.getAttribute('aria-label') !== was,
      {},
      before,
    );
    await tap(page, 'reframe-quarter');
    await tap(page, 'reframe-keep');
    await there(page, 'reframe-back');
    await there(page, 'picture-fit');
    await wordsBecome(page, 'raw-untouched', /as it was saved/);
    await tap(page, 'reframe-back');
    await page.waitForSelector(byId('reframe-back'), { hidden: true });
    await there(page, 'picture-fit');
  });

  it('leaves with its print in its tags, and raw as it was', async () => {
    await tap(page, 'download');
    const { bytes } = await downloaded(downloads, '.dng');
    const file = readDng(bytes);
    expect(checkDng(bytes)).toMatchObject({ ok: true });
    expect(file.xmp).toContain('velmoAfter:PrintName="Soot"');
    // The rest by keys.
    const press = async (id: string) => {
      await page.focus(byId(id));
      await page.keyboard.press('Enter');
    };
    await press('print-plain');
    await wordsBecome(page, 'print-said', /Kept with the frame/);
    await press('export-kind-jpeg');
    await press('export-size-4');
    await press('export-run');
    await wordsBecome(page, 'export-said', /1 frame exported/);
    const jpeg = await downloaded(downloads, '.jpg');
    expect(jpegFacts(jpeg.bytes)).toMatchObject({ orientation: 1, iso: 100 });
    anyPicture = jpeg.bytes;
    await tap(page, 'export-kind-stored');
  });

  it('is compared with the next: flipped, side by side, split by a line; and said in figures', async () => {
    await tap(page, 'compare-next');
    await there(page, 'compare-ready');
    await wordsBecome(page, 'which-shown', /First/);
    await tap(page, 'glass');
    await wordsBecome(page, 'which-shown', /Second/);
    await page.keyboard.press('Space');
    await wordsBecome(page, 'which-shown', /First/);
    await wordsBecome(page, 'identical', /Not identical: [\d,]+ sites differ, at most by \d+|Not comparable/);
    await wordsBecome(page, 'by-settings', /EV exposure/);
    expect(await serious(page)).toEqual([]);
    await tap(page, 'compare-side');
    await there(page, 'glass-second');
    await tap(page, 'compare-split');
    await page.focus(byId('split-line'));
    await page.keyboard.press('End');
    await page.waitForSelector(`${byId('split-line')}[aria-valuenow="100"]`);
    // A touch right after another may be taken for its end: until it was heard.
    const at = () => page.$eval(byId('split-line'), (line) => Number(line.getAttribute('aria-valuenow')));
    while ((await at()) > 90) {
      const line = (await (await page.$(byId('split-line')))!.boundingBox())!;
      const touch = await page.touchscreen.touchStart(line.x + 10, line.y + line.height / 2);
      for (let i = 1; i <= 5; i++) await touch.move(line.x + 10 - 20 * i, line.y + line.height / 2);
      await touch.end();
    }
    await page.keyboard.press('Escape');
    await there(page, 'sheet-frame');
  });
});

it.each(LOOKED)(
  'two frames with the same numbers are identical, and a sequence is one tile that opens, $name',
  async (size) => {
    const page = await sheetAt(size);
    await page.evaluate(fillRoll, 200, 5);
    await page.reload();
    const group = await there(page, 'sheet-group');
    expect(await group!.evaluate((tile) => tile.getAttribute('aria-label'))).toMatch(/^Sequence of 5 frames/);
    await tap(page, 'sheet-group');
    await page.waitForSelector(`${byId('sheet-group')}[aria-expanded=true]`);
    const index = Number(await group!.evaluate((tile) => (tile as HTMLElement).dataset.index));
    // Two of them are copies of one another.
    await page.focus(`[data-index="${index + 1}"]`);
    await page.keyboard.press('Space');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Space');
    await chosenBecome(page, /2 chosen/);
    await page.keyboard.press('c');
    await there(page, 'compare-ready');
    await wordsBecome(page, 'identical', /^RawIdentical: every number is the same/);
    await wordsBecome(page, 'moved-between', /stands still/);
    await page.keyboard.press('Escape');
    await there(page, 'choosing');
    await page.keyboard.press('Escape');
    await page.waitForSelector(byId('choosing'), { hidden: true });
  },
);

it('an export of two hundred stops half way and leaves nothing broken; the next one is whole', async () => {
  const page = pages.get(SIZES[0].name)!;
  await page.focus('[data-index="0"]');
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await chosenBecome(page, /208 chosen/);
  await tap(page, 'choosing-export');
  await tap(page, 'export-run');
  await wordsBecome(page, 'export-said', /^[3-9] of 208|^\d\d+ of 208/);
  await tap(page, 'export-cancel');
  await wordsBecome(page, 'export-said', /Cancelled: nothing was kept/);
  expect(readdirSync(downloads).filter((name) => name.endsWith('.zip'))).toEqual([]);
  await page.keyboard.press('Escape');
  await page.waitForSelector(byId('choosing'), { hidden: true });
  await finger(page, 0, { rests: true, index: 1 });
  await chosenBecome(page, /2 chosen/);
  await tap(page, 'choosing-export');
  await page.focus(byId('export-pattern'));
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await page.keyboard.type('kiln-{nummer}');
  await wordsBecome(page, 'export-pattern-error', /\{nummer\} means nothing/);
  for (let i = 0; i < 'mmer}'.length; i++) await page.keyboard.press('Backspace');
  await page.keyboard.type('mber}');
  await wordsBecome(page, 'export-sample', /^kiln-01/);
  await tap(page, 'export-run');
  await wordsBecome(page, 'export-said', /2 frames exported/);
  const { bytes } = await downloaded(downloads, '.zip');
  const files = unzipSync(bytes);
  expect(Object.keys(files).sort()).toEqual(['kiln-01.dng', 'kiln-02.dng']);
  for (const file of Object.values(files)) expect(checkDng(file)).toMatchObject({ ok: true });
  // Nothing is chosen any more.
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.waitForSelector(byId('choosing'), { hidden: true });
});

it('the desk is set as a frame was, after what will change was shown', async () => {
  const page = pages.get(LOOKED.at(-1)!.name)!;
  await tapOn(page, (await page.$('[data-index="0"]'))!);
  await there(page, 'picture-fit');
  await wordsBecome(page, 'set-desk-changes', /Shutter: automatic → .*1\/6400|Shutter: .*1\/6400/);
  await tap(page, 'set-desk-way-set');
  await tap(page, 'set-desk-way-out');
  await tap(page, 'set-desk');
  await there(page, 'reading');
  await deskKeeps(page, '{"auto":false,"exact":0.000');
});

it('and as any picture with Exif was; what has none says so', async () => {
  const page = pages.get(LOOKED.at(-1)!.name)!;
  const [picture, words] = ['any.jpg', 'words.jpg'].map((name) => join(downloads, name));
  writeFileSync(picture!, anyPicture);
  writeFileSync(words!, 'no picture at all');
  await tap(page, 'more');
  await tap(page, 'more-tab-setups');
  const input = (await page.$(byId('picture-file'))) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(words!);
  await wordsBecome(page, 'from-picture-failed', /no JPEG, PNG, TIFF or DNG/);
  await input.uploadFile(picture!);
  await there(page, 'from-picture-found');
  await wordsBecome(page, 'set-desk-changes', /Shutter: .*1\/6400.* → /);
  expect(await serious(page)).toEqual([]);
  await tap(page, 'set-desk');
  await page.waitForSelector(byId('from-picture-found'), { hidden: true });
  // The finder shows the print that is chosen for the next frames.
  await tap(page, 'more-tab-print');
  await tap(page, 'print-ash');
  await deskKeeps(page, '"name":"Ash"');
  expect(await serious(page)).toEqual([]);
});
