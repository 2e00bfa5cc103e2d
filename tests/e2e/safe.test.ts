// What goes wrong, and what is kept: records that are lost, tabs beside each other, a full store, screens that break or do not come.
import { cpSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { CDPSession, Page } from 'puppeteer-core';
import {
  byId,
  deskKeeps,
  framesPass,
  live,
  openStage,
  take,
  tap,
  tapOn,
  words,
  wordsBecome,
  workerOf,
  type Stage,
} from './browser';
import { LONG } from '../sweep';
import { testFolders } from './folders';

let stage: Stage;
const scenes = mkdtempSync(join(tmpdir(), 'velmo-scenes-'));
beforeAll(async () => {
  cpSync(testFolders.scenes, scenes, { recursive: true });
  stage = await openStage({ folders: { scenes } });
});
afterAll(async () => {
  await stage.close();
  rmSync(scenes, { recursive: true, force: true });
});

const go = (page: Page, path: string) => page.goto(stage.origin + path);
const finder = async (page: Page) => {
  await go(page, '/');
  await live(page);
};
const sheet = async (page: Page) => {
  await go(page, '/sheet');
  await page.waitForSelector(byId('sheet-frame'));
};
/** Runs in a page before it loads: what is offered for some seconds is offered for as long as a slow machine needs. */
function offersStay(): void {
  const later = window.setTimeout.bind(window);
  window.setTimeout = ((act: () => void, ms = 0) =>
    later(act, ms > 5000 ? 100 * ms : ms)) as typeof window.setTimeout;
}
const countIs = (page: Page, n: number) =>
  page.waitForFunction(
    (s: string) => document.querySelector('[role=heading]')?.textContent?.startsWith(s),
    {},
    `${n} frame`,
  );
const frames = async (page: Page) =>
  Number(/(\d+) frames?/.exec(await page.$eval('[role=heading]', (e) => e.textContent ?? ''))?.[1] ?? NaN);
const tapWords = async (page: Page, text: string) =>
  tapOn(page, (await page.waitForSelector(`::-p-aria([name="${text}"][role="button"])`))!);

/** Changes the roll's store behind the program's back: removes keys, puts values. */
async function tamper(page: Page, remove: readonly string[], put: Readonly<Record<string, string>> = {}) {
  await page.evaluate(
    async (gone: readonly string[], values: Readonly<Record<string, string>>) => {
      const name = (await indexedDB.databases())
        .map((d) => d.name ?? '')
        .find((n) => n.includes('velmo-roll'))!;
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const request = indexedDB.open(name);
        request.onsuccess = () => resolve(request.result);
        request.onerror = () => reject(request.error);
      });
      const table = [...db.objectStoreNames][0]!;
      const change = db.transaction(table, 'readwrite');
      for (const key of gone) change.objectStore(table).delete(key);
      for (const [key, value] of Object.entries(values)) change.objectStore(table).put(value, key);
      await new Promise((done) => (change.oncomplete = done));
      db.close();
    },
    remove,
    put,
  );
}

/** Keys of the roll's store that begin so. */
async function keysOf(page: Page, prefix: string): Promise<string[]> {
  return page.evaluate(async (wanted: string) => {
    const name = (await indexedDB.databases())
      .map((d) => d.name ?? '')
      .find((n) => n.includes('velmo-roll'))!;
    const db = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open(name);
      request.onsuccess = () => resolve(request.result);
    });
    const table = [...db.objectStoreNames][0]!;
    const request = db.transaction(table).objectStore(table).getAllKeys();
    await new Promise((done) => (request.onsuccess = done));
    db.close();
    return (request.result as string[]).filter((key) => key.startsWith(wanted));
  }, prefix);
}

describe('a roll', () => {
  let page: Page;
  beforeEach(async () => {
    page = await stage.phone();
  });
  afterEach(async () => page.close());

  it('gets a frame back whose record was lost with its page, says so, and shows all of it', async () => {
    await finder(page);
    await take(page);
    const [file] = await keysOf(page, 'file:');
    const id = file!.slice('file:'.length, -'.dng'.length);
    await sheet(page);
    const count = await frames(page);
    await tamper(page, [`frame:${id}`]);
    await sheet(page);
    expect(await wordsBecome(page, 'recovered', /1 frame is back in the roll/)).toMatch(/page closed/);
    await countIs(page, count);
    await go(page, `/frame/${id}`);
    await page.waitForSelector(byId('picture-fit'));
    expect(await words(page, 'capture-data')).toMatch(/Wheel|wheel-bench/);
    expect(await words(page, 'forecast-held')).toMatch(/forecast/);
  });

  it('keeps what one tab deleted while another opens; undo that comes too late says so', async () => {
    await page.evaluateOnNewDocument(offersStay);
    await sheet(page);
    const count = await frames(page);
    await tapOn(page, (await page.$$(byId('sheet-frame')))[1]!);
    await tap(page, 'delete');
    await countIs(page, count - 1);
    // A page that is not in front does not draw.
    const other = await stage.phone(page.browserContext());
    await sheet(other);
    await countIs(other, count - 1);
    await page.bringToFront();
    await tap(page, 'undo');
    await countIs(page, count);
    await other.close();

    await tapOn(page, (await page.$$(byId('sheet-frame')))[1]!);
    await tap(page, 'delete');
    await countIs(page, count - 1);
    const [deleted] = await keysOf(page, 'trash:');
    const id = deleted!.slice('trash:'.length);
    await tamper(page, [`trash:${id}`, `frame:${id}`, `thumb:${id}`]);
    await tap(page, 'undo');
    expect(await wordsBecome(page, 'undo-bar', /gone/)).toMatch(/removed for good/);
  });

  it('sets a record with an impossible time aside and shows the others', async () => {
    await sheet(page);
    const count = await frames(page);
    const [key] = await keysOf(page, 'frame:');
    await tamper(page, [], { [key!]: JSON.stringify({ version: 2, id: key!.slice(6), timeMs: 1e300 }) });
    await sheet(page);
    await countIs(page, count - 1);
    expect(await page.$eval('[role=main]', (e) => e.textContent)).toMatch(/1 record could not be read/);
  });
});

/** Waits until nothing waits to be read out: dozens of frames may. */
const drained = (page: Page) =>
  page.waitForFunction(
    (s: string) => {
      const label = document.querySelector(s)?.getAttribute('aria-label') ?? '';
      return /frames/.test(label) && !/waiting/.test(label);
    },
    { timeout: 600_000 },
    byId('open-sheet'),
  );

/** Pages to kill: a few in every run, a hundred in the long checks; as many as are asked for. */
const KILLS = Number(process.env.KILLS ?? (LONG ? 100 : 2));

it(
  `of ${KILLS} pages that are killed in the midst of a burst none loses a frame that was safe, or leaves one twice`,
  async () => {
    let page = await stage.phone();
    await finder(page);
    await page.keyboard.press('x');
    await tap(page, 'more-tab-drive');
    await tap(page, 'takes-burst');
    while ((await words(page, 'burst-frames-words')) !== '3') await tap(page, 'burst-frames-less');
    await deskKeeps(page, '"frames":3,"perS"');
    const kept = async () => {
      const read = (await keysOf(page, 'frame:')).map((key) => key.slice('frame:'.length));
      const latent = (await keysOf(page, 'latent:')).map((key) => key.slice('latent:'.length));
      return new Set([...read, ...latent]).size;
    };
    let least = await kept();
    for (let kill = 0; kill < KILLS; kill++) {
      const told = page.$eval('canvas', (canvas) => Number(canvas.dataset.taken));
      const before = await told;
      await tap(page, 'release');
      // At any moment from the touch to deep in the read-out.
      // A press that says that nothing was taken has taken nothing.
      const said = async () => {
        const found = await page.waitForFunction(
          (n: number, failed: string): string => {
            if (document.querySelector(failed)) return 'failed';
            return Number(document.querySelector('canvas')?.dataset.taken) > n ? 'safe' : '';
          },
          { polling: 1 },
          before,
          byId('capture-failed'),
        );
        return (await found.jsonValue()) as string;
      };
      const safe = kill % 3 > 0 && (await said()) === 'safe';
      if (kill % 3 === 2) await framesPass(page, 5 + ((kill * 37) % 60));
      const context = page.browserContext();
      await page.close();
      page = await stage.phone(context);
      await go(page, '/');
      await page.waitForFunction(
        (s: string) => {
          const release = document.querySelector(s);
          return release !== null && release.getAttribute('aria-disabled') !== 'true';
        },
        {},
        byId('release'),
      );
      const now = await kept();
      // What waits does not heap up, kill upon kill.
      if (kill % 10 === 9 && kill < KILLS - 1) await drained(page);
      // All of a press or none of it; all where it was said to be safe.
      expect(safe ? [3] : [0, 3]).toContain(now - least);
      least = now;
    }
    // What waits is read out by the page that lives, with no press of its own.
    const waiting = await keysOf(page, 'latent:');
    await page.waitForFunction(
      (s: string, n: number) =>
        Number(/(\d+) waiting/.exec(document.querySelector(s)?.getAttribute('aria-label') ?? '')?.[1] ?? 0) <
        n,
      {},
      byId('open-sheet'),
      waiting.length,
    );
    expect(await kept()).toBe(least);
    await page.close();
  },
  300_000 + KILLS * 60_000,
);

describe('a roll that cannot be opened', () => {
  it('says so, and opens when it is tried again', async () => {
    const page = await stage.phone();
    await page.evaluateOnNewDocument(() => {
      const all = IDBObjectStore.prototype.getAllKeys;
      (window as unknown as { locked: boolean }).locked = true;
      IDBObjectStore.prototype.getAllKeys = function (...args) {
        if ((window as unknown as { locked: boolean }).locked) throw new DOMException('', 'UnknownError');
        return all.apply(this, args);
      };
    });
    await go(page, '/sheet');
    // Whatever else cannot be done with it is told as well.
    await page.waitForFunction(() =>
      [...document.querySelectorAll('[role=alert]')].some((e) =>
        /roll could not be read: the browser gave no reason/.test(e.textContent ?? ''),
      ),
    );
    await page.evaluate(() => ((window as unknown as { locked: boolean }).locked = false));
    await tapWords(page, 'Try again');
    await page.waitForSelector(byId('sheet-frame'));
    await page.close();
  });
});

describe('on one page', () => {
  let page: Page;
  let session: CDPSession;
  beforeAll(async () => {
    // Whatever is fetched only when it is needed does not come until it is mended.
    rmSync(join(scenes, 'wheel-bench.wide.rho'));
    page = await stage.phone();
    session = await page.createCDPSession();
    session.on('Fetch.requestPaused', ({ requestId }) => {
      void session.send('Fetch.failRequest', { requestId, errorReason: 'ConnectionRefused' });
    });
    await session.send('Fetch.enable', { patterns: [{ urlPattern: '*/rest-*.js' }] });
    await finder(page);
  });
  afterAll(() => page.close());

  it('a screen whose script does not load is told, with a way on', async () => {
    await tap(page, 'check');
    await page.waitForSelector(byId('panel-again'));
    expect(await page.$eval('[role=dialog]', (e) => e.textContent)).toMatch(/did not load/);
    await framesPass(page, 3);
    await page.keyboard.press('Escape');
    await tap(page, 'open-sheet');
    await page.waitForSelector(byId('trouble'));
    expect(await words(page, 'trouble')).toMatch(/did not load/);
    await session.send('Fetch.disable');
    await tapWords(page, 'Try again');
    await page.waitForSelector(byId('sheet-frame'));
  });

  it('a screen that breaks says so and leads back; the finder lives on', async () => {
    await page.evaluate(() => {
      const real = Date.prototype.toISOString;
      (window as unknown as { mend: () => void }).mend = () => (Date.prototype.toISOString = real);
      Date.prototype.toISOString = () => {
        throw new RangeError('Invalid time value');
      };
    });
    await tapOn(page, (await page.$$(byId('sheet-frame')))[0]!);
    expect(await wordsBecome(page, 'trouble', /met an error/)).not.toMatch(/Invalid time/);
    await page.evaluate(() => (window as unknown as { mend: () => void }).mend());
    await tapWords(page, 'To the sheet');
    await page.waitForSelector(byId('sheet-frame'));
    await tap(page, 'to-finder');
    await live(page);
  });

  it('a hand meter without its map says so, and gets it when it is tried again', async () => {
    await tap(page, 'pattern');
    await tap(page, 'meter-tab-hand');
    await tap(page, 'hold-hand');
    await page.waitForSelector(byId('hand-again'));
    expect(await page.$eval('[role=dialog]', (e) => e.textContent)).toMatch(/map of this scene did not load/);
    cpSync(join(testFolders.scenes, 'wheel-bench.wide.rho'), join(scenes, 'wheel-bench.wide.rho'));
    await tap(page, 'hand-again');
    await wordsBecome(page, 'hand-words', /^[\d ]+ lx$/);
    await tap(page, 'hold-hand');
    await page.keyboard.press('Escape');
  });

  it('a scene that arrives damaged is told, and asked for again', async () => {
    const pack = join(scenes, 'glaze-table.wide.vsc');
    writeFileSync(pack, 'not a scene');
    await tap(page, 'outside');
    await tap(page, 'scene-glaze-table');
    await page.waitForSelector(byId('scene-again'));
    expect(await page.$eval('[role=dialog]', (e) => e.textContent)).toMatch(/arrived damaged/);
    cpSync(join(testFolders.scenes, 'glaze-table.wide.vsc'), pack);
    await tap(page, 'scene-again');
    await page.waitForFunction(
      () => document.querySelector('canvas')?.dataset.scene === 'glaze-table.small-24',
    );
    await page.keyboard.press('Escape');
    await live(page);
  });

  it('a store that refuses loses no frame: it waits over presses and screens, and is saved when there is room', async () => {
    const roll = await workerOf(page, 'roll');
    await roll.evaluate(() => {
      const worker = self as unknown as { full: boolean };
      worker.full = true;
      const put = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = function (value: unknown, key?: IDBValidKey) {
        if (worker.full && String(key).startsWith('file:')) throw new DOMException('', 'QuotaExceededError');
        return put.call(this, value, key);
      };
      navigator.storage.estimate = async () => ({ usage: 99, quota: 100 });
    });
    await tap(page, 'release');
    expect(await wordsBecome(page, 'unsaved', /Taken, but not saved/)).toMatch(/the store is full/);
    // The file itself can be had.
    await page.waitForSelector(byId('rescue'));
    // Another press does not push it out, here because there is known to be no room.
    await wordsBecome(page, 'status', /store full/);
    await tap(page, 'release');
    await wordsBecome(page, 'capture-failed', /store is full.*Export/);
    expect(await words(page, 'unsaved')).toMatch(/Download/);
    await tapWords(page, 'Dismiss');
    await tap(page, 'open-sheet');
    await page.waitForSelector(byId('grid'));
    const count = await frames(page);
    expect(await wordsBecome(page, 'unsaved', /not saved/)).toMatch(/Download/);
    // Whoever leaves is asked first.
    const asked = new Promise<string>((done) =>
      page.once('dialog', (dialog) => {
        done(dialog.type());
        void dialog.dismiss();
      }),
    );
    await page.evaluate(() => void setTimeout(() => window.location.reload()));
    expect(await asked).toBe('beforeunload');
    await roll.evaluate(() => {
      (self as unknown as { full: boolean }).full = false;
    });
    await tapOn(page, (await page.$(`[aria-label="Sheet"] ${byId('save-again')}`))!);
    await countIs(page, count + 1);
    expect(await page.$(byId('unsaved'))).toBeNull();
  });
});
