// On a wide screen, by keyboard alone; and what the app says when things are missing.
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import {
  byId,
  deskKeeps,
  framesPass,
  live,
  openStage,
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

describe('a roll of a thousand frames', () => {
  it('opens and scrolls without blanks', async () => {
    const page = await stage.phone();
    await page.goto(`${stage.origin}/sheet`);
    await page.waitForSelector(byId('sheet-frame'));
    await page.evaluate(fillStore, 1000);
    await page.goto('about:blank');
    await page.goto(`${stage.origin}/sheet`);
    await page.waitForFunction(() =>
      /1008 frames/.test(document.querySelector('[role=heading]')?.textContent ?? ''),
    );
    await page.$eval(byId('grid'), (e) => e.scrollTo(0, 20_000));
    await page.waitForFunction(
      (grid: string, cell: string) => {
        const box = document.querySelector(grid)!.getBoundingClientRect();
        const cells = [...document.querySelectorAll(cell)].map((c) => c.getBoundingClientRect());
        const inside = cells.filter((c) => c.bottom > box.top && c.top < box.bottom);
        const images = [...document.querySelectorAll(`${cell} img`)];
        return inside.length >= 4 && images.length >= inside.length;
      },
      {},
      byId('grid'),
      byId('sheet-frame'),
    );
    await page.close();
  });
});

/** Runs in the page: copies the first record under new names. */
async function fillStore(count: number): Promise<void> {
  const name = (await indexedDB.databases()).map((d) => d.name!).find((n) => n.includes('velmo-roll'))!;
  const db = await new Promise<IDBDatabase>((done, fail) => {
    const request = indexedDB.open(name);
    request.onsuccess = () => done(request.result);
    request.onerror = () => fail(request.error);
  });
  const table = db.objectStoreNames[0]!;
  const read = <T>(request: IDBRequest<T>) =>
    new Promise<T>((done) => (request.onsuccess = () => done(request.result)));
  const keys = (await read(db.transaction(table).objectStore(table).getAllKeys())) as string[];
  const key = keys.find((k) => k.startsWith('frame:'))!;
  const record = JSON.parse(await read(db.transaction(table).objectStore(table).get(key))) as {
    id: string;
    timeMs: number;
  };
  const thumbnail = await read(db.transaction(table).objectStore(table).get(`thumb:${record.id}`));
  const write = db.transaction(table, 'readwrite');
  for (let i = 0; i < count; i++) {
    const id = `a${i.toString(16).padStart(31, '0')}`;
    write
      .objectStore(table)
      .put(JSON.stringify({ ...record, id, timeMs: record.timeMs - i * 1000 }), `frame:${id}`);
    write.objectStore(table).put(thumbnail, `thumb:${id}`);
  }
  await new Promise((done) => (write.oncomplete = done));
  db.close();
}
