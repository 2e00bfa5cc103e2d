// What one press does, by touch and by keys on a phone upright, lying, and on a wide screen: a bracket set by hand, what does not fit and its way out,
// the set that the scene asks for, and all of its frames in the roll.
import type { Page } from 'puppeteer-core';
import {
  byId,
  framesPass,
  openedAt,
  openStage,
  serious,
  SIZES,
  taken,
  tap,
  words,
  wordsBecome,
  type Stage,
} from './browser';

jest.setTimeout(120_000);
let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage();
});
afterAll(() => stage.close());
afterEach(() => page.close());

const key = async (id: string, name: 'Enter' | 'ArrowRight') => {
  await page.focus(byId(id));
  await page.keyboard.press(name);
};

it.each(SIZES)('$name', async (size) => {
  page = await openedAt(stage, size);
  await page.keyboard.press('x');
  await tap(page, 'more-tab-drive');
  await wordsBecome(page, 'bracket-frames-words', /^One$/);
  // By touch and by keys: three frames, two thirds apart, from dark to bright.
  await tap(page, 'bracket-frames-more');
  await key('bracket-frames-more', 'Enter');
  await tap(page, 'bracket-step-less');
  await wordsBecome(page, 'bracket-step-words', /^⅔$/);
  await wordsBecome(page, 'bracket-frames-words', /^3$/);
  await key('bracket-order-middle', 'ArrowRight');
  await page.waitForSelector(`${byId('bracket-order-rising')}[aria-checked=true]`);
  expect((await wordsBecome(page, 'bracket-set', / · .* · /)).split(' · ')).toHaveLength(3);
  await wordsBecome(page, 'status', /3 × ⅔ EV/);
  if (size.name === 'upright') expect(await serious(page)).toEqual([]);
  // By ISO there is nothing under the base: that is said, with a way out that fits.
  await tap(page, 'bracket-by-iso');
  await wordsBecome(page, 'bracket-set', /does not fit.*darkest.*What fits/);
  await tap(page, 'bracket-other');
  await wordsBecome(page, 'bracket-set', / · .* · /);
  // What the scene asks for, taken over, is what stands.
  await wordsBecome(page, 'bracket-plan', /The scene spans .* (one frame holds it|hold it)/);
  await tap(page, 'bracket-take');
  await framesPass(page, 3);
  await page.waitForSelector(
    `${byId('bracket-take')}[aria-disabled=true], ${byId('bracket-take')}[disabled]`,
  );
  if (size.name !== 'upright') return;
  // Two frames of a press, both in the roll, each saying which it is.
  while ((await words(page, 'bracket-frames-words')) !== '2')
    await tap(
      page,
      (await words(page, 'bracket-frames-words')) === 'One' ? 'bracket-frames-more' : 'bracket-frames-less',
    );
  await page.keyboard.press('Escape');
  const kept = parseInt(
    /\d+/.exec(await page.$eval(byId('open-sheet'), (e) => e.getAttribute('aria-label') ?? ''))?.[0] ?? '',
    10,
  );
  await tap(page, 'release');
  await wordsBecome(page, 'capture-busy', /^1 of 2: /);
  await page.waitForFunction(
    (s: string) => /^2 of 2: /.test(document.querySelector(s)?.textContent ?? ''),
    { timeout: 60_000 },
    byId('capture-busy'),
  );
  await taken(page);
  await page.waitForFunction(
    (s: string, wanted: number) =>
      parseInt(/\d+/.exec(document.querySelector(s)?.getAttribute('aria-label') ?? '')?.[0] ?? '', 10) ===
      wanted,
    {},
    byId('open-sheet'),
    kept + 2,
  );
  await tap(page, 'open-sheet');
  await tap(page, 'sheet-frame');
  await wordsBecome(page, 'capture-data', /Bracket2 × .*Frame[12] of 2/);
});
