// As a person, on a phone: open, meter, set, see what clips, press, look again, download; lose nothing.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { SHUTTER_LADDER } from '../../src/core/units/ladders';
import { checkDng } from '../../src/core/dng/check';
import { readDng } from '../../src/core/dng/read';
import { pgmSamples, runTool } from '../reference/run-tool';
import {
  byId,
  framesPass,
  FULL,
  live,
  openStage,
  rollCount,
  safe,
  serious,
  SHIPPED,
  take,
  tap,
  tapAt,
  tapOn,
  touchDrag,
  words,
  wordsBecome,
  workerOf,
  type Stage,
} from './browser';
import { downloaded, downloadsTo } from './downloads';

let stage: Stage;
const downloads = mkdtempSync(join(tmpdir(), 'velmo-downloads-'));
beforeAll(async () => {
  stage = await openStage();
});
afterAll(async () => {
  await stage.close();
  rmSync(downloads, { recursive: true, force: true });
});

const percent = (text: string) => (text.startsWith('<') ? 0.005 : Number(text.replace(' %', '')));
const frames = async (page: Page) =>
  Number(/(\d+) frames?/.exec(await page.$eval('[role=heading]', (e) => e.textContent ?? ''))?.[1] ?? NaN);

// One page for all but the twelve megapixels.
let page: Page;
beforeAll(async () => {
  page = await stage.phone();
  await page.goto(stage.origin);
  await live(page);
});

// Each leaves everything automatic.
describe('on a phone, before the press', () => {
  afterEach(async () => {
    await tap(page, 'all-auto');
    await wordsBecome(page, 'compensation-words', /^0$/);
    await framesPass(page);
  });

  it('opens with a live finder, a reading and automatic settings', async () => {
    expect(await words(page, 'reading')).toMatch(/EV \d+\.\d · \d+ cd\/m²/);
    expect(await words(page, 'status')).toMatch(/DNG 1 MP.*24 mm f\/1\.8/);
    expect(await page.$eval(byId('fader-shutter'), (e) => e.getAttribute('aria-valuetext'))).toMatch(
      /automatic/,
    );
  });

  it('a longer time by the fader clips more, a shorter one less, and the headroom follows', async () => {
    const before = percent(await words(page, 'clip-share'));
    const label = await words(page, 'shutter-words');
    await touchDrag(page, 'fader-shutter', 0, -63);
    // Seven pixels a click: three stops longer.
    const longer = SHUTTER_LADDER[SHUTTER_LADDER.findIndex((step) => step.label === label) + 9]!.label;
    await wordsBecome(page, 'shutter-words', new RegExp(`^${longer}$`));
    await page.waitForFunction(
      (s: string, was: number) =>
        Number(document.querySelector(s)?.textContent?.replace(/[<% ]/g, '')) > was * 2,
      {},
      byId('clip-share'),
      before,
    );
    expect(await words(page, 'headroom')).toMatch(/over by/);
    expect(await page.$eval(byId('fader-shutter'), (e) => e.getAttribute('aria-valuetext'))).toMatch(
      /set by hand/,
    );
    // ISO still is automatic and stands at its end: the finder says what is out of range, and mends it in one tap.
    await wordsBecome(page, 'remedy', /Out of range: too bright by \d/);
    await framesPass(page);
    await tap(page, 'remedy-action');
    await wordsBecome(page, 'deviation', /on the meter/);
  });

  it('a drag on the stopline moves exposure through compensation, a tap swaps in the picture', async () => {
    await touchDrag(page, 'stopline-raw', -60, 0);
    expect(await wordsBecome(page, 'compensation-words', /^−/)).toMatch(/^−[12]/);
    await tap(page, 'stopline-raw');
    await page.waitForSelector(byId('stopline-picture'));
    await tap(page, 'stopline-picture');
    await page.waitForSelector(byId('stopline-raw'));
    await tap(page, 'all-auto');
    await wordsBecome(page, 'compensation-words', /^0$/);
  });

  it('the remedy fits highlights in one tap', async () => {
    const inOneMovement = (...ids: string[]) =>
      page.evaluate(
        (all: string[]) => all.forEach((id) => document.querySelector<HTMLElement>(id)!.click()),
        ids.map(byId),
      );
    await framesPass(page);
    await wordsBecome(page, 'remedy', /Raw clips/);
    const label = await words(page, 'remedy-action');
    expect(label).toMatch(/^Compensate −/);
    // In one movement with something else it waits for the frame that answers that, which offers it still.
    await inOneMovement('lock', 'remedy-action');
    await wordsBecome(page, 'reading', /Locked/);
    await wordsBecome(page, 'compensation-words', /^−/);
    expect(label).toContain(await words(page, 'compensation-words'));
    await tap(page, 'lock');
    await tap(page, 'all-auto');
    await wordsBecome(page, 'compensation-words', /^0$/);
    await wordsBecome(page, 'remedy', /Raw clips/);
    await framesPass(page);
    // Twice in one movement it mends once: the frame that answers the first press offers it no more.
    const again = await words(page, 'remedy-action');
    await inOneMovement('remedy-action', 'remedy-action');
    await wordsBecome(page, 'headroom', /headroom \+?0|headroom \+/);
    expect(again).toContain(await words(page, 'compensation-words'));
    expect(percent(await words(page, 'clip-share'))).toBeLessThan(0.2);
    await tap(page, 'all-auto');
  });

  it('a tap meters a spot there, a dark one lower than a bright one; lock holds it', async () => {
    const box = (await (await page.$(byId('finder')))!.boundingBox())!;
    const at = async (x: number, y: number) => {
      await tapAt(page, box.x + box.width * x, box.y + box.height * y);
      await wordsBecome(page, 'pattern', /Spot/);
      await framesPass(page);
      return Number(/EV (−?[\d.]+)/.exec(await words(page, 'reading'))![1]!.replace('−', '-'));
    };
    const dark = await at(0.75, 0.62);
    const bright = await at(0.44, 0.38);
    expect(bright - dark).toBeGreaterThan(2);
    await tap(page, 'lock');
    await wordsBecome(page, 'reading', /Locked/);
    const held = await words(page, 'shutter-words');
    await at(0.75, 0.62);
    expect(await words(page, 'shutter-words')).toBe(held);
    await tap(page, 'lock');
    await page.waitForFunction(
      (s: string, was: string) => document.querySelector(s)?.textContent !== was,
      {},
      byId('shutter-words'),
      held,
    );
  });

  it('a tap at once after a drag is taken, every time', async () => {
    const session = await page.createCDPSession();
    const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', x = 0, y = 0) =>
      session.send('Input.dispatchTouchEvent', {
        type,
        touchPoints: type === 'touchEnd' ? [] : [{ x, y }],
      });
    const middle = async (id: string) => {
      const box = (await (await page.$(byId(id)))!.boundingBox())!;
      return [box.x + box.width / 2, box.y + box.height / 2] as const;
    };
    for (let i = 0; i < 6; i++) {
      const on = await page.$eval(byId('lock'), (lock) => lock.getAttribute('aria-checked'));
      const [x, y] = await middle('fader-compensation');
      const sent = [send('touchStart', x, y)];
      // Quickly, up and down by turns.
      for (let step = 1; step <= 8; step++) sent.push(send('touchMove', x, y + (i % 2 ? 3 : -3) * step));
      sent.push(send('touchEnd'), send('touchStart', ...(await middle('lock'))), send('touchEnd'));
      await Promise.all(sent);
      await page.waitForSelector(`${byId('lock')}[aria-checked=${on === 'true' ? 'false' : 'true'}]`);
    }
    await session.detach();
  });

  it('takes the exact value from the ladder, and gives it back', async () => {
    await tap(page, 'value-shutter');
    await tap(page, 'step-1/250');
    await wordsBecome(page, 'shutter-words', /^1\/250$/);
    await tap(page, 'ladder-auto');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
    expect(await page.$eval(byId('fader-shutter'), (e) => e.getAttribute('aria-valuetext'))).toMatch(
      /automatic/,
    );
  });
});

describe('on a phone', () => {
  it('deletes a frame and takes it back', async () => {
    await tap(page, 'open-sheet');
    await page.waitForSelector(byId('sheet-frame'));
    const count = await frames(page);
    await tapOn(page, (await page.$$(byId('sheet-frame')))[1]!);
    await tap(page, 'delete');
    await page.waitForFunction(
      (n: number) => document.querySelector('[role=heading]')?.textContent?.includes(`${n} frame`),
      {},
      count - 1,
    );
    await tap(page, 'undo');
    await page.waitForFunction(
      (n: number) => document.querySelector('[role=heading]')?.textContent?.includes(`${n} frame`),
      {},
      count,
    );
    await tap(page, 'to-finder');
    await live(page);
  });

  it('what waits is shown in the sheet, can be cancelled there, one or all, and taken back', async () => {
    // Nothing is read out to its end until the test lets it.
    const exposer = await workerOf(page, 'exposer');
    await exposer.evaluate(() => {
      const worker = self as unknown as { letGo: () => void };
      const write = OffscreenCanvas.prototype.convertToBlob;
      const gate = new Promise<void>((open) => (worker.letGo = open));
      OffscreenCanvas.prototype.convertToBlob = async function (...args) {
        await gate;
        return write.apply(this, args);
      };
    });
    const { frames: count } = await rollCount(page);
    for (let i = 0; i < 3; i++) await safe(page, () => tap(page, 'release'));
    await tap(page, 'open-sheet');
    await page.waitForFunction(
      (s: string) => document.querySelectorAll(s).length === 3,
      {},
      byId('waiting-frame'),
    );
    expect(await serious(page)).toEqual([]);
    const head = (told: RegExp) =>
      page.waitForFunction(
        (source: string) =>
          new RegExp(source).test(document.querySelector('[role=heading]')?.textContent ?? ''),
        {},
        told.source,
      );
    // The newest has not been begun.
    await tap(page, 'cancel-frame');
    await head(/· 2 waiting/);
    await tap(page, 'undo');
    await head(/· 3 waiting/);
    await tap(page, 'cancel-all');
    await head(new RegExp(`^${count} frames$`));
    await tap(page, 'undo');
    await exposer.evaluate(() => (self as unknown as { letGo: () => void }).letGo());
    await head(new RegExp(`^${count + 3} frames$`));
    await tap(page, 'to-finder');
    await framesPass(page);
  });

  it('has nothing serious for axe on finder, ladder, sheet and frame', async () => {
    expect(await serious(page)).toEqual([]);
    await tap(page, 'value-iso');
    await page.waitForSelector('[role=dialog]');
    expect(await serious(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await tap(page, 'open-sheet');
    await page.waitForSelector(byId('sheet-frame'));
    expect(await serious(page)).toEqual([]);
    await tapOn(page, (await page.$$(byId('sheet-frame')))[0]!);
    await page.waitForSelector(byId('picture-fit'));
    expect(await serious(page)).toEqual([]);
  });
});

it('on a phone, in twelve megapixels: presses, opens the frame, downloads it, and independent software reads what the check reads', async () => {
  // A finder that nobody looks at any more would keep a core busy.
  await page.close();
  const shipped = await openStage({ folders: SHIPPED, desk: FULL });
  page = await shipped.phone();
  await page.setViewport({ width: 390, height: 844, deviceScaleFactor: 2, isMobile: true, hasTouch: true });
  await page.goto(shipped.origin);
  await live(page);
  await tap(page, 'lock');
  await take(page);
  // A lock is kept over captures.
  await wordsBecome(page, 'lock-words', /by whole reading: 1\/\d+ · ISO/);
  await tap(page, 'open-sheet');
  await page.waitForSelector(byId('sheet-frame'));
  const count = await frames(page);
  await tapOn(page, (await page.$$(byId('sheet-frame')))[0]!);
  await page.waitForSelector(byId('picture-fit'));
  expect(await words(page, 'capture-data')).toMatch(/Velmo Sim One/);
  expect(await words(page, 'forecast-table')).toMatch(/G1/);
  await wordsBecome(page, 'forecast-held', /The forecast held/);
  await tap(page, 'full');
  await page.waitForSelector(byId('picture-full'));
  await downloadsTo(page, downloads);
  await tap(page, 'download');
  const { name, bytes } = await downloaded(downloads, '.dng');
  const file = join(downloads, name);
  writeFileSync(file, bytes);
  const report = checkDng(bytes);
  if (!report.ok) throw new Error(report.message);
  // The phone was held upright: the file lies as its sensor does, and says how it is to be turned.
  expect([report.width, report.height]).toEqual([4032, 3024]);
  expect(readDng(bytes).orientation).toBe(6);
  expect(report.layout).toMatch(/^GBRG/);
  const { data } = pgmSamples(runTool('dcraw', ['-E', '-4', '-j', '-t', '0', '-c', file], downloads).stdout);
  let [red, sum] = [0, 0];
  for (let y = 1; y < report.height; y += 2)
    for (let x = 0; x < report.width; x += 2) {
      red++;
      sum += data[y * report.width + x]!;
    }
  expect(report.channels[0]!.sites).toBe(red);
  expect(report.channels[0]!.mean).toBeCloseTo(sum / red, 6);
  expect(
    runTool('exiftool', ['-validate', '-warning', '-error', '-a', file], downloads).stdout.toString(),
  ).toMatch(/: OK\s*$/);
  // After a reload it is still there.
  await page.goto(`${shipped.origin}/sheet`);
  await page.waitForSelector(byId('sheet-frame'));
  expect(await frames(page)).toBe(count);
  await shipped.close();
});
