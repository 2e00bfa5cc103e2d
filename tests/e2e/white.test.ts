// White with a finger on the fader and on the ring, over a reload, and another white for a frame that was taken. Raw stands still whatever white is.
import type { Page } from 'puppeteer-core';
import {
  byId,
  deskKeeps,
  framesPass,
  live,
  openedAt,
  openStage,
  serious,
  SIZES,
  take,
  tap,
  tapOn,
  touchDrag,
  words,
  wordsBecome,
  type Stage,
} from './browser';

let stage: Stage;
// One page for all of them.
let page: Page;
beforeAll(async () => {
  stage = await openStage();
  page = await openedAt(stage, SIZES[0]);
});
afterAll(() => stage.close());

/** The tile board under its tungsten lamp alone. */
async function tungstenBoard(): Promise<void> {
  await page.keyboard.press('v');
  await tap(page, 'scene-tile-board');
  await page.waitForFunction(
    () => document.querySelector('canvas')?.dataset.scene === 'tile-board.small-24',
    {
      timeout: 30_000,
    },
  );
  // The panel may still move as the scene comes: no place is aimed at.
  for (const lamp of ['lamp-day', 'lamp-tungsten'])
    await (await page.waitForSelector(byId(lamp)))!.evaluate((e) => (e as HTMLElement).click());
  await page.keyboard.press('Escape');
  await framesPass(page, 12);
}

const kelvin = async () => Number(await words(page, 'white-stands').then((said) => /\d+/.exec(said)![0]));
const attribute = (id: string, name: string) =>
  page.$eval(byId(id), (e, wanted) => e.getAttribute(wanted), name);

/** Stops until raw clips. */
const headroom = async () =>
  Number(/([+−][\d.]+) EV/.exec((await attribute('stopline-raw', 'aria-valuetext'))!)![1]!.replace('−', '-'));

it('the fader moves white by thumb and by key and gives it back; a ring on a thing measures it; raw stands still', async () => {
  await wordsBecome(page, 'state-white', /automatic|guess/);
  await touchDrag(page, 'fader-white', 0, 40);
  await wordsBecome(page, 'state-white', /tint/);
  const byThumb = Number(await words(page, 'white-words'));
  await page.focus(byId('fader-white'));
  await page.keyboard.press('ArrowUp');
  await framesPass(page);
  // Up is more kelvin: a warmer picture.
  expect(Number(await words(page, 'white-words'))).toBeGreaterThan(byThumb);
  await page.keyboard.press('Backspace');
  await wordsBecome(page, 'state-white', /automatic|guess/);
  await page.keyboard.press('y');
  await wordsBecome(page, 'state-white', /tint/);
  expect(await attribute('fader-white', 'aria-valuetext')).toMatch(/set by hand.*Daylight 5500 K marked/);
  // A ring on a white tile under tungsten gives its light; the picture follows and raw does not.
  await tungstenBoard();
  await tap(page, 'value-white');
  expect(await serious(page)).toEqual([]);
  await tap(page, 'light-shade');
  await wordsBecome(page, 'white-stands', /7504 K/);
  const raw = await headroom();
  await tap(page, 'ring-toggle');
  // Onto the white tile, lower left on the board.
  const box = (await (await page.$(byId('finder')))!.boundingBox())!;
  await touchDrag(page, 'white-ring', (0.15 - 0.5) * box.width, (0.65 - 0.5) * box.height);
  const said = await wordsBecome(page, 'state-white', /tint/);
  expect(said).toMatch(/tint/);
  await page.waitForFunction(
    (s: string) => Number(/\d+/.exec(document.querySelector(s)?.textContent ?? '')?.[0]) < 3200,
    {},
    byId('white-stands'),
  );
  expect(await kelvin()).toBeGreaterThan(2400);
  await wordsBecome(page, 'ring-words', /K, tint/);
  // Shade to tungsten is nearly 2 EV of blue in the picture.
  expect(Math.abs((await headroom()) - raw)).toBeLessThan(0.25);
  // By keys: a larger ring, then nothing of it.
  await page.focus(byId('white-ring'));
  await page.keyboard.press('+');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Delete');
  await page.waitForFunction((s: string) => !document.querySelector(s), {}, byId('white-ring'));
  await page.keyboard.press('Escape');
});

it('tint, usual lights and kept whites come back after a reload', async () => {
  await tap(page, 'value-white');
  await tap(page, 'light-tungsten');
  await wordsBecome(page, 'white-stands', /2856 K, tint 0, set by hand/);
  await page.focus(byId('tint'));
  await page.keyboard.press('PageUp');
  await wordsBecome(page, 'white-stands', /tint \+10/);
  await touchDrag(page, 'tint', 60, 0);
  expect(await attribute('tint', 'aria-valuetext')).toMatch(/green/);
  await page.keyboard.press('Backspace');
  await page.focus(byId('keep-name'));
  await page.keyboard.type('Kiln room');
  await page.keyboard.press('Enter');
  await page.waitForSelector(byId('kept-Kiln room'));
  await tap(page, 'light-daylight');
  await deskKeeps(page, 'Kiln room');
  await deskKeeps(page, '"exact":5503');
  await page.reload();
  await live(page);
  await tap(page, 'value-white');
  await wordsBecome(page, 'white-stands', /5503 K/);
  await tap(page, 'kept-Kiln room');
  await wordsBecome(page, 'white-stands', /2856 K/);
  await tap(page, 'white-auto');
  await wordsBecome(page, 'white-stands', /found|guessed/);
  await page.keyboard.press('Escape');
});

it('a frame that was taken is given another white: its picture changes, its forecast and hash do not', async () => {
  await tap(page, 'value-white');
  await tap(page, 'light-tungsten');
  await page.keyboard.press('Escape');
  await take(page);
  await tap(page, 'open-sheet');
  await tapOn(page, (await page.waitForSelector(byId('sheet-frame')))!);
  await page.waitForSelector(byId('picture-fit'));
  await wordsBecome(page, 'file-white', /28\d\d K/);
  await wordsBecome(page, 'frame-white', /as taken/);
  const held = await words(page, 'forecast-table');
  await page.focus(byId('frame-kelvin'));
  await page.keyboard.press('PageUp');
  await page.keyboard.press('PageUp');
  await wordsBecome(page, 'frame-white', /^[45]\d\d\d K/);
  await tap(page, 'frame-keep');
  await wordsBecome(page, 'frame-white-said', /Kept with the frame/);
  expect(await words(page, 'forecast-table')).toBe(held);
  expect(await page.$(byId('not-as-saved'))).toBeNull();
  expect(await serious(page)).toEqual([]);
  await page.reload();
  await page.waitForSelector(byId('picture-fit'));
  await wordsBecome(page, 'frame-white', /^[45]\d\d\d K/);
  await tap(page, 'frame-as-taken');
  await wordsBecome(page, 'frame-white', /as taken/);
});
