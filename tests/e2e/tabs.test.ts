// Two tabs of one person: neither overwrites what the other has set, kept or taken; and orders that answer what is set.
import type { Page } from 'puppeteer-core';
import {
  byId,
  deskKeeps,
  framesPass,
  live,
  openStage,
  rollBecomes,
  rollCount,
  safe,
  taken,
  tap,
  tapOn,
  TURNING,
  words,
  wordsBecome,
  type Stage,
} from './browser';

let stage: Stage;
beforeAll(async () => {
  stage = await openStage({ desk: TURNING });
});
afterAll(() => stage.close());

async function finder(page: Page): Promise<void> {
  await page.goto(stage.origin);
  await live(page);
}

async function step(page: Page, fader: string, value: string): Promise<void> {
  await tap(page, `value-${fader}`);
  await tap(page, `step-${value}`);
  await page.keyboard.press('Escape');
  await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
}

// Two pages for all of them.
let one: Page;
let other: Page;
beforeAll(async () => {
  one = await stage.phone();
  await finder(one);
  other = await stage.phone(one.browserContext());
  await finder(other);
});

it('two tabs keep each what was set in them; one that is opened anew comes back with both', async () => {
  await step(other, 'iso', '400');
  await deskKeeps(other, '"set_iso":{"auto":false');
  await one.bringToFront();
  await step(one, 'shutter', '1/250');
  await deskKeeps(one, '"set_shutter":{"auto":false');
  await other.bringToFront();
  await other.reload();
  await live(other);
  await wordsBecome(other, 'iso-words', /^400$/);
  await wordsBecome(other, 'shutter-words', /^1\/250$/);
});

it('setups saved in two tabs are both there, in both', async () => {
  const save = async (page: Page, name: string) => {
    await page.bringToFront();
    if (!(await page.$('[role=dialog]'))) await tap(page, 'more');
    await tap(page, 'more-tab-setups');
    await tap(page, 'setup-save');
    await page.type(byId('setup-name'), name);
    await tap(page, 'setup-keep');
    await wordsBecome(page, 'setup-list', new RegExp(name));
  };
  await save(other, 'Kiln door');
  await save(one, 'Glaze row');
  expect(await wordsBecome(one, 'setup-list', /Glaze row/)).toMatch(/Kiln door/);
  await other.bringToFront();
  expect(await wordsBecome(other, 'setup-list', /Glaze row/)).toMatch(/Kiln door/);
  await other.close();
  await one.bringToFront();
  await one.keyboard.press('Escape');
});

it('a fader key and the release in one instant take what was just set', async () => {
  const page = one;
  await step(page, 'shutter', '1/250');
  await wordsBecome(page, 'shutter-words', /^1\/250$/);
  await safe(page, () =>
    page.evaluate(() => {
      const strike = (key: string) =>
        window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
      for (const key of ['q', 'q', 'q', ' ']) strike(key);
    }),
  );
  await taken(page);
  expect(await words(page, 'shutter-words')).toBe('1/125');
  await tap(page, 'open-sheet');
  await tapOn(page, (await page.waitForSelector(byId('sheet-frame')))!);
  expect(await wordsBecome(page, 'capture-data', /Shutter/)).toMatch(/Shutter1\/125, by hand/);
  await tap(page, 'to-sheet');
  await tap(page, 'to-finder');
  await live(page);
});

it('a tab that lies behind another takes a frame, too: it is in the roll of both', async () => {
  const front = await stage.phone(one.browserContext());
  await finder(front);
  await front.bringToFront();
  await one.waitForFunction(() => document.visibilityState === 'hidden');
  const { frames } = await rollCount(front);
  // Its person has a remote release, or keys that still go there.
  await one.evaluate(() =>
    window.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true, cancelable: true })),
  );
  await rollBecomes(front, { frames: frames + 1, waiting: 0 });
  await front.close();
  await one.bringToFront();
  await rollBecomes(one, { frames: frames + 1, waiting: 0 });
  expect(await one.$(byId('capture-failed'))).toBeNull();
});

it('a tripod at rest is not touched by the camera’s own reports', async () => {
  const page = one;
  await tap(page, 'all-auto');
  await tap(page, 'outside');
  await tap(page, 'support-tripod');
  await page.keyboard.press('Escape');
  await framesPass(page, 3);
  const order = () => page.$eval('canvas', (c) => Number((c as HTMLCanvasElement).dataset.order));
  const frame = () => page.$eval('canvas', (c) => Number((c as HTMLCanvasElement).dataset.frame));
  const [before, first] = [await order(), await frame()];
  // While the light varies the automatic follows; not one order comes of it.
  await page.waitForFunction(
    (from: number) => Number(document.querySelector('canvas')?.dataset.frame) > from + 15,
    {},
    first,
  );
  expect(await order()).toBe(before);
});
