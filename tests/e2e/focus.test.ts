// Focus with a finger on the picture and on its fader, on scenes with all of their detail.
import type { Page } from 'puppeteer-core';
import {
  byId,
  framesPass,
  FULL,
  openedAt,
  openStage,
  serious,
  SHIPPED,
  SIZES,
  tap,
  tapAt,
  touchDrag,
  words,
  wordsBecome,
  type Stage,
} from './browser';

let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage({ folders: SHIPPED, desk: FULL });
});
afterAll(() => stage.close());
afterEach(() => page.close());

const gone = (id: string) => page.waitForFunction((s: string) => !document.querySelector(s), {}, byId(id));

it('is found where it is tapped, in all detail; by hand under a loupe; given back', async () => {
  page = await openedAt(stage, SIZES[0]);
  // Given no place it chooses one and says so by its mark.
  await page.waitForSelector(byId('focus-mark'));
  await wordsBecome(page, 'state-focus', /^(automatic|not found)$/);
  // Tapped, it looks there: a pot of brushes that stands still.
  const box = (await (await page.$(byId('finder')))!.boundingBox())!;
  await tapAt(page, box.x + 0.69 * box.width, box.y + 0.58 * box.height);
  await tap(page, 'value-focus');
  await wordsBecome(page, 'focus-stands', /found in 0\.\d\d s/);
  expect(await serious(page)).toEqual([]);
  // A depth sensor tells how far it is.
  await wordsBecome(page, 'subject', /There: \d.* m, by the depth sensor/);
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
  await tap(page, 'peaking');
  await gone('peaking-share');
  await page.keyboard.press('Escape');
  // By hand: up is farther; a loupe opens by itself and is gone again, on a slow machine before anything else is asked for.
  const loupe = page.waitForSelector(byId('loupe'));
  await touchDrag(page, 'fader-focus', 0, -40);
  await loupe;
  await wordsBecome(page, 'state-focus', /by hand/);
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
