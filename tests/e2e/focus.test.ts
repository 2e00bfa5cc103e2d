// Focus by touch and by keys on a phone upright, lying, and on a wide screen: found where it is tapped, parted from the spot, held, moved by hand
// under a loupe, given back.
import type { Page } from 'puppeteer-core';
import { defaultFolders } from '../../server/main';
import {
  byId,
  framesPass,
  openedAt,
  openStage,
  serious,
  SIZES,
  tap,
  tapAt,
  touchDrag,
  words,
  wordsBecome,
  type Stage,
} from './browser';

jest.setTimeout(120_000);
let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage(defaultFolders);
});
afterAll(() => stage.close());
afterEach(() => page.close());

const gone = (id: string) => page.waitForFunction((s: string) => !document.querySelector(s), {}, byId(id));

it.each(SIZES)('$name', async (size) => {
  page = await openedAt(stage, size);
  // Given no place it chooses one and says so by its mark.
  await page.waitForSelector(byId('focus-mark'));
  await wordsBecome(page, 'state-focus', /^(automatic|not found)$/);
  // Tapped, it looks there: a pot of brushes that stands still.
  const box = (await (await page.$(byId('finder')))!.boundingBox())!;
  const [x, y] = size.name === 'upright' ? [0.69, 0.58] : [0.642, 0.6];
  await tapAt(page, box.x + x * box.width, box.y + y * box.height);
  await tap(page, 'value-focus');
  await wordsBecome(page, 'focus-stands', /found in 0\.\d\d s/);
  if (size.name === 'upright') expect(await serious(page)).toEqual([]);
  // A depth sensor tells how far it is; a mesh lies on what is sharp, distances stand in place of the picture.
  await wordsBecome(page, 'subject', /There: \d.* m, by the depth sensor/);
  const pictureOf = () => page.$eval('canvas', (canvas) => canvas.dataset.order);
  const before = await pictureOf();
  await tap(page, 'in-focus');
  await tap(page, 'depth');
  await page.waitForFunction(
    (was: string | undefined) => document.querySelector('canvas')?.dataset.order !== was,
    {},
    before,
  );
  await tap(page, 'depth-back');
  await gone('depth-back');
  await page.keyboard.press(';');
  await page.waitForSelector(`${byId('in-focus')}[aria-checked=false]`);
  await tap(page, 'focus-again');
  await wordsBecome(page, 'focus-stands', /found in/);
  // Edges in focus light up, the more the more is asked for; in another colour too.
  await page.keyboard.press("'");
  await wordsBecome(page, 'peaking-share', /[1-9].* % of the frame/);
  const lit = parseFloat(await words(page, 'peaking-share'));
  await tap(page, 'peaking-strength-few');
  await page.waitForFunction(
    (s: string, most: number) => parseFloat(document.querySelector(s)?.textContent ?? '') < most,
    {},
    byId('peaking-share'),
    lit,
  );
  await tap(page, 'peaking-colour-amber');
  await page.waitForSelector(`${byId('peaking-colour-amber')}[aria-checked=true]`);
  await tap(page, 'peaking');
  await gone('peaking-share');
  // A place of its own: moved by keys, the spot stays; another distance is found there, or none.
  await tap(page, 'focus-part');
  await page.keyboard.press('Escape');
  const spot = await page.$eval(byId('focus-place'), (e) => e.getBoundingClientRect().x);
  await page.focus(byId('focus-place'));
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowLeft');
  await page.waitForFunction(
    (s: string, was: number) => document.querySelector(s)!.getBoundingClientRect().x < was,
    {},
    byId('focus-place'),
    spot,
  );
  await wordsBecome(page, 'state-focus', /^(automatic|not found|searching)$/);
  await page.keyboard.press('Delete');
  await gone('focus-place');
  // Until it was told of, the finder says what it found at the place before.
  await framesPass(page, 3);
  await wordsBecome(page, 'state-focus', /^automatic$/);
  // Held where it stands, to recompose.
  const stands = await words(page, 'focus-words');
  await page.keyboard.press('.');
  await wordsBecome(page, 'state-focus', /by hand/);
  expect(await words(page, 'focus-words')).toBe(stands);
  await gone('focus-mark');
  await page.keyboard.press('.');
  await wordsBecome(page, 'state-focus', /^automatic$/);
  // By hand: up is farther; a loupe opens by itself and is gone again.
  await touchDrag(page, 'fader-focus', 0, -40);
  await wordsBecome(page, 'state-focus', /by hand/);
  if (size.name !== 'lying') await page.waitForSelector(byId('loupe'));
  expect(await page.$eval(byId('fader-focus'), (e) => e.getAttribute('aria-valuetext'))).toMatch(
    /set by hand, hyperfocal .* marked, sharp from .* to /,
  );
  await gone('loupe');
  await page.keyboard.press('f');
  await framesPass(page);
  await page.focus(byId('fader-focus'));
  await page.keyboard.press('Backspace');
  await wordsBecome(page, 'state-focus', /automatic|searching|not found/);
});
