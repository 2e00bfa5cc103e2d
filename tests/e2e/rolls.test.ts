// Rolls, by touch and by key: one made and chosen in the finder, a frame taken into it that tells who made it and where, moved, copied, out as a ZIP
// without its place, deleted with its roll and taken back, and in again from the ZIP.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import type { ElementHandle, Page } from 'puppeteer-core';
import {
  byId,
  framesPass,
  openStage,
  openedAt,
  safe,
  serious,
  SIZES,
  taken,
  tap,
  tapOn,
  words,
  wordsBecome,
  type Stage,
} from './browser';
import { downloaded, downloadsTo } from './downloads';
import { LONG } from '../sweep';

const downloads = mkdtempSync(join(tmpdir(), 'velmo-rolls-'));
let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage();
  page = await openedAt(stage, SIZES[0]);
  await downloadsTo(page, downloads);
});
afterAll(async () => {
  await stage.close();
  rmSync(downloads, { recursive: true, force: true });
});

/** How many frames the sheet says there are. */
const sheetBecomes = (frames: number) =>
  page.waitForFunction(
    (told: string) => document.querySelector('[role=heading]')?.textContent === told,
    {},
    frames === 1 ? '1 frame' : `${frames} frames`,
  );
/** The chip of a roll by its name. */
async function chip(name: string): Promise<ElementHandle> {
  const found = await page.waitForSelector(`[data-testid="roll-chips"] [aria-label^="${name}, "]`);
  return found!;
}

it('a roll is made and chosen in the finder, and what it and the person say is kept with it', async () => {
  await wordsBecome(page, 'status-roll', /^First roll$/);
  await tap(page, 'status-roll');
  expect(await serious(page)).toEqual([]);
  // A name that is taken is refused, and what was typed stays.
  await page.type(byId('new-roll'), 'First roll');
  await tap(page, 'make-roll');
  await wordsBecome(page, 'new-roll-error', /Another roll has that name/);
  await page.focus(byId('new-roll'));
  for (let i = 0; i < 'First roll'.length; i++) await page.keyboard.press('Backspace');
  await page.keyboard.type('Kiln day');
  await page.keyboard.press('Enter');
  await wordsBecome(page, 'status-roll', /^Kiln day$/);
  await page.type(byId('person'), 'Ansa Verrel');
  await page.type(byId('keywords'), 'kiln, glaze');
  await tap(page, 'keep-keywords');
  await wordsBecome(page, 'status-place', /no place/);
  await tap(page, 'placed');
  await wordsBecome(page, 'place-words', /within 8 m: stands in for a place/);
  await wordsBecome(page, 'status-place', /place within 8 m/);
  await page.keyboard.press('Escape');
});

it('a frame goes into it and tells all of that', async () => {
  await safe(page, () => tap(page, 'release'));
  await taken(page);
  await tap(page, 'open-sheet');
  await sheetBecomes(9);
  await tapOn(page, await chip('Kiln day'));
  await sheetBecomes(1);
  expect(await serious(page)).toEqual([]);
  await tap(page, 'sheet-frame');
  await wordsBecome(page, 'capture-data', /RollKiln day/);
  const told = await words(page, 'capture-data');
  for (const line of [/NameAnsa Verrel/, /Keywordskiln, glaze/, /Place38\.2140° S/])
    expect(told).toMatch(line);
  await tap(page, 'to-sheet');
});

it('it is copied into another roll, and each goes its own way', async () => {
  await tap(page, 'choose');
  await tap(page, 'sheet-frame');
  await tap(page, 'choosing-copy');
  await tap(page, 'to-roll-first');
  await tapOn(page, await chip('First roll'));
  await sheetBecomes(9);
  await tapOn(page, await chip('All frames'));
  await sheetBecomes(10);
});

it('the roll goes out as a ZIP without its place', async () => {
  await tapOn(page, await chip('Kiln day'));
  await sheetBecomes(1);
  await tap(page, 'about-roll');
  expect(await serious(page)).toEqual([]);
  await tap(page, 'without-places');
  await tap(page, 'export-roll');
  await wordsBecome(page, 'archive-said', /Exported: 1 frame/);
  const { name, bytes } = await downloaded(downloads, '.zip');
  // It is taken in again further down.
  writeFileSync(join(downloads, 'Kiln-day.zip'), bytes);
  expect(name).toBe('Kiln-day.zip');
  const entries = unzipSync(bytes);
  expect(Object.keys(entries).map((name) => name.replace(/[\d-]{17}[0-9a-f-]*/, 'x'))).toEqual([
    'frames/x.dng',
    'thumbnails/x.jpg',
    'roll.json',
  ]);
  const index = new TextDecoder().decode(entries['roll.json']);
  expect(index).toMatch(/"name": "Kiln day"/);
  expect(index).not.toMatch(/latitude/);
});

it('the roll is deleted with its frame, which is asked about, and comes back; then it goes, and comes in again from the ZIP', async () => {
  await tap(page, 'delete-roll');
  await tap(page, 'delete-roll-all');
  await wordsBecome(page, 'undo-bar', /Roll Kiln day deleted, with frame/);
  await sheetBecomes(9);
  await tap(page, 'undo');
  await tapOn(page, await chip('Kiln day'));
  await sheetBecomes(1);
  const chooser = async () =>
    (await page.waitForSelector(byId('take-in-file')))! as ElementHandle<HTMLInputElement>;
  const remove = async () => {
    await tap(page, 'delete-roll');
    await tap(page, 'delete-roll-all');
    await sheetBecomes(9);
    await tap(page, 'about-roll');
  };
  const forGood = () => page.waitForFunction((s: string) => !document.querySelector(s), {}, byId('undo-bar'));
  await tap(page, 'about-roll');
  await remove();
  await (await chooser()).uploadFile(join(downloads, 'Kiln-day.zip'));
  await wordsBecome(
    page,
    'archive-said',
    /0 frames taken into Kiln day\. 1 frame was deleted here and is back/,
  );
  // It stays, though it could have been taken back a little longer.
  await forGood();
  await sheetBecomes(1);
  await remove();
  await forGood();
  await (await chooser()).uploadFile(join(downloads, 'Kiln-day.zip'));
  await wordsBecome(page, 'archive-said', /1 frame taken into Kiln day/);
  await sheetBecomes(1);
  await (await chooser()).uploadFile(join(downloads, 'Kiln-day.zip'));
  await wordsBecome(page, 'archive-said', /0 frames taken into Kiln day\. 1 frame was there already/);
  await tap(page, 'about-roll');
  await tap(page, 'sheet-frame');
  await wordsBecome(page, 'capture-data', /Keywordskiln, glaze/);
  expect(await words(page, 'capture-data')).not.toMatch(/Place/);
  await tap(page, 'to-sheet');
});

it('what is no ZIP is refused with its reason', async () => {
  await tap(page, 'about-roll');
  const chooser = (await page.waitForSelector(byId('take-in-file')))! as ElementHandle<HTMLInputElement>;
  await chooser.uploadFile(__filename);
  await wordsBecome(page, 'archive-said', /This is not a ZIP archive/);
});

describe.each(LONG ? SIZES : SIZES.slice(0, 1))('$name', (size) => {
  it('a roll is chosen from the finder in two taps; each item of the state leads to where it is changed', async () => {
    // All of them as touch screens of a phone: no page is opened anew.
    await page.setViewport({ ...size, isMobile: true, deviceScaleFactor: 1 });
    await page.evaluate(() => document.querySelector<HTMLElement>('[data-testid="to-finder"]')?.click());
    await framesPass(page, 3);
    await tap(page, 'status-roll');
    await tap(page, 'roll-first');
    await wordsBecome(page, 'status-roll', /^First roll$/);
    expect(await serious(page)).toEqual([]);
    // By key as well.
    const other = await page.$$eval('[data-testid="roll-choice"] [role=radio]', (all) =>
      all[0]!.getAttribute('data-testid')!,
    );
    await page.focus(byId(other));
    await page.keyboard.press('Enter');
    await wordsBecome(page, 'status-roll', /^Kiln day$/);
    await page.keyboard.press('Escape');
    for (const [item, place] of [
      ['status-format', 'files'],
      ['status-drive', 'takes'],
      ['status-place', 'placed'],
      ['status-steadiness', 'support-tripod'],
    ] as const) {
      await tap(page, item);
      await page.waitForSelector(byId(place));
      await page.keyboard.press('Escape');
    }
  });
});
