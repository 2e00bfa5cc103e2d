// On a wide screen, by keyboard alone; and what the app says when things are missing.
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import {
  byId,
  fillRoll,
  deskKeeps,
  framesPass,
  live,
  openStage,
  rollCount,
  safe,
  serious,
  taken,
  words,
  wordsBecome,
  type Stage,
} from './browser';

jest.setTimeout(120_000);

let stage: Stage;
beforeAll(async () => {
  stage = await openStage();
});
afterAll(async () => stage.close());

describe('on a wide screen', () => {
  // One page for all of them: each leaves everything automatic.
  let page: Page;
  beforeAll(async () => {
    page = await stage.wide();
    await page.goto(stage.origin);
    await live(page);
  });
  afterEach(async () => {
    await page.keyboard.press('Escape');
    await page.keyboard.press('0');
    await framesPass(page);
  });
  afterAll(async () => page.close());

  it('shows a landscape finder with raw and picture side by side', async () => {
    const box = (await (await page.$(byId('finder')))!.boundingBox())!;
    expect(box.width).toBeGreaterThan(box.height);
    expect(await page.$(byId('stopline-raw'))).not.toBeNull();
    expect(await page.$(byId('stopline-picture'))).not.toBeNull();
  });

  it('is worked by keys: shutter, ISO, compensation, meter, lock, marks, automatic', async () => {
    const before = await words(page, 'shutter-words');
    await page.keyboard.press('q');
    await page.waitForFunction(
      (s: string, was: string) => document.querySelector(s)?.textContent !== was,
      {},
      byId('shutter-words'),
      before,
    );
    await page.keyboard.press('d');
    await wordsBecome(page, 'compensation-words', /^−⅓$/);
    await page.keyboard.press('m');
    await wordsBecome(page, 'pattern', /Centre/);
    await page.keyboard.press('l');
    await wordsBecome(page, 'reading', /Locked/);
    await page.keyboard.press('o');
    await deskKeeps(page, '"rawClip":false');
    await page.keyboard.press('o');
    await page.keyboard.press('0');
    await wordsBecome(page, 'compensation-words', /^0$/);
    // A lock is opened on purpose only.
    expect(await words(page, 'reading')).toMatch(/Locked/);
    await page.keyboard.press('l');
    await page.waitForFunction(
      (s: string) => !/Locked/.test(document.querySelector(s)?.textContent ?? ''),
      {},
      byId('reading'),
    );
  });

  it('prints its keys from the table that listens to them; Escape puts them away', async () => {
    await page.keyboard.press('?');
    await page.waitForSelector(byId('key-q'));
    expect(await words(page, 'key- ')).toMatch(/^SpaceRelease/);
    // A lens without an iris has no keys for one.
    expect(await page.$(byId('key-t'))).toBeNull();
    expect(await serious(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
  });

  it('each fader and the stopline answer the arrow keys when they have the focus', async () => {
    await page.focus(byId('fader-iso'));
    await page.keyboard.press('End');
    await wordsBecome(page, 'iso-words', /^6400$/);
    await page.keyboard.press('ArrowDown');
    await wordsBecome(page, 'iso-words', /^5000$/);
    await page.keyboard.press('Backspace');
    await page.waitForFunction(
      (s: string) => /automatic/.test(document.querySelector(s)?.getAttribute('aria-valuetext') ?? ''),
      {},
      byId('fader-iso'),
    );
    await page.focus(byId('stopline-raw'));
    await page.keyboard.press('ArrowLeft');
    await wordsBecome(page, 'compensation-words', /^−⅓$/);
    await page.keyboard.press('0');
  });

  it('the space bar takes a frame; ISO 50 and 100 give the same raw share clipped', async () => {
    await page.focus(byId('fader-iso'));
    await page.keyboard.press('Home');
    await wordsBecome(page, 'iso-words', /^50$/);
    await page.focus(byId('fader-shutter'));
    await page.keyboard.press('ArrowUp');
    await wordsBecome(page, 'shutter-words', /./);
    await framesPass(page);
    const at50 = Number.parseFloat(await words(page, 'clip-share'));
    await page.focus(byId('fader-iso'));
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowUp');
    await wordsBecome(page, 'iso-words', /^100$/);
    await framesPass(page);
    const at100 = Number.parseFloat(await words(page, 'clip-share'));
    expect(Math.abs(at100 - at50)).toBeLessThanOrEqual(Math.max(0.2, at50 * 0.06));
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await safe(page, () => page.keyboard.press('Space'));
    await taken(page);
    expect(await page.$(byId('capture-failed'))).toBeNull();
    await page.keyboard.press('0');
  });

  it('Space presses the switch or the radio button that has the focus, and takes no frame then', async () => {
    const before = await rollCount(page);
    const isOn = (id: string, on: boolean) => page.waitForSelector(`${byId(id)}[aria-checked=${on}]`);
    await page.focus(byId('lock'));
    await page.keyboard.press('Space');
    await isOn('lock', true);
    await page.keyboard.press('Space');
    await isOn('lock', false);
    await page.keyboard.press('k');
    for (const id of ['check-tab-scopes', 'check-tab-marks']) {
      await page.waitForSelector(byId(id));
      await page.focus(byId(id));
      await page.keyboard.press('Space');
      await isOn(id, true);
    }
    await framesPass(page);
    expect(await rollCount(page)).toEqual(before);
  });

  it('with the trade panel open goes on by keys: Q and A move the shutter, the table follows, Space releases', async () => {
    await page.keyboard.press('x');
    await page.click(byId('gives-iso'));
    await page.waitForSelector(byId('row-shutter-0'));
    // Nothing that the panel talks about lies under it.
    const panel = (await (await page.$('[role=dialog]'))!.boundingBox())!;
    for (const id of ['finder', 'stopline-raw', 'fader-shutter', 'fader-iso', 'release']) {
      const box = (await (await page.$(byId(id)))!.boundingBox())!;
      const apart =
        box.x + box.width <= panel.x + 1 ||
        box.x >= panel.x + panel.width - 1 ||
        box.y + box.height <= panel.y + 1 ||
        box.y >= panel.y + panel.height - 1;
      expect([id, apart]).toEqual([id, true]);
    }
    const [shutter, row] = [await words(page, 'shutter-words'), await words(page, 'equivalents-shutter')];
    const becomes = (other: string) =>
      page.waitForFunction(
        (s: string, was: string) => document.querySelector(s)?.textContent !== was,
        {},
        byId('shutter-words'),
        other,
      );
    await page.keyboard.press('a');
    await becomes(shutter);
    await page.waitForFunction(
      (s: string, was: string) => document.querySelector(s)?.textContent !== was,
      {},
      byId('equivalents-shutter'),
      row,
    );
    await page.keyboard.press('q');
    await wordsBecome(page, 'shutter-words', new RegExp(`^${shutter}$`));
    await safe(page, () => page.keyboard.press('Space'));
    expect(await page.$(byId('capture-failed'))).toBeNull();
    await page.click(byId('more-tab-setups'));
    // What is typed is typed.
    await page.click(byId('setup-save'));
    await page.focus(byId('setup-name'));
    await page.keyboard.type('qab?');
    expect(await words(page, 'shutter-words')).toBe(shutter);
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
    expect(await serious(page)).toEqual([]);
  });
});

describe('when something is missing', () => {
  it('a scene that does not load is said, with a way out', async () => {
    const bare = await openStage({ scenes: tmpdir() });
    try {
      const page = await bare.phone();
      await page.goto(bare.origin);
      await page.waitForSelector('[role=alert]');
      expect(await page.$eval('[role=alert]', (e) => e.textContent)).toMatch(/scene did not load.*Try again/);
    } finally {
      await bare.close();
    }
  });

  it('without a demo roll the sheet is empty and says what to do', async () => {
    const bare = await openStage({ demo: join(tmpdir(), 'velmo-no-such-folder') });
    try {
      const page = await bare.phone();
      await page.goto(`${bare.origin}/sheet`);
      await page.waitForFunction(() => /No frames yet/.test(document.body.textContent ?? ''));
      await page.goto(`${bare.origin}/frame/0123`);
      await page.waitForFunction(() => /not in the roll/.test(document.body.textContent ?? ''));
      await page.goto(`${bare.origin}/nowhere`);
      await page.waitForFunction(() => /There is nothing here/.test(document.body.textContent ?? ''));
    } finally {
      await bare.close();
    }
  });
});

describe('a roll of ten thousand frames', () => {
  it('opens, and from the first frame to the last there is no blank in one drag', async () => {
    const page = await stage.phone();
    await page.goto(`${stage.origin}/sheet`);
    await page.waitForSelector(byId('sheet-frame'));
    await page.evaluate(fillRoll, 10_000);
    await page.goto('about:blank');
    await page.goto(`${stage.origin}/sheet`);
    await page.waitForFunction(() =>
      /10008 frames/.test(document.querySelector('[role=heading]')?.textContent ?? ''),
    );
    // Wherever the drag has come to, tiles stand there in the same moment, from edge to edge; and where it rests, pictures.
    const blanks = await page.evaluate(dragToEnd, byId('grid'), byId('sheet-frame'), 150);
    expect(blanks).toEqual([]);
    await page.waitForFunction(
      (cell: string) => {
        const cells = [...document.querySelectorAll(cell)];
        return cells.length >= 4 && cells.every((c) => c.querySelector('img'));
      },
      {},
      byId('sheet-frame'),
    );
    await page.close();
  });
});

/** Runs in the page: scrolls to the end in so many steps. Returns the steps at which something of the view showed no tile. */
async function dragToEnd(grid: string, cell: string, steps: number): Promise<number[]> {
  const element = document.querySelector(grid)!;
  const end = element.scrollHeight - element.clientHeight;
  const blanks: number[] = [];
  for (let i = 1; i <= steps; i++) {
    element.scrollTo(0, (end * i) / steps);
    // Two frames on, what was to be drawn for the first is on the screen.
    for (let frame = 0; frame < 2; frame++) await new Promise((done) => requestAnimationFrame(done));
    const box = element.getBoundingClientRect();
    const inside = [...document.querySelectorAll(cell)]
      .map((c) => c.getBoundingClientRect())
      .filter((c) => c.bottom > box.top && c.top < box.bottom);
    const top = Math.min(...inside.map((c) => c.top));
    const bottom = Math.max(...inside.map((c) => c.bottom));
    // The last row may be half empty below its captions.
    if (!(top <= box.top + 1 && bottom >= box.bottom - 1)) blanks.push(i);
  }
  return blanks;
}
