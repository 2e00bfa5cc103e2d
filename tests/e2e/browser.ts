// Pages of a phone's size or of a wide screen in the browser that all suites share, each suite with contexts of its own; and what a person does on
// them.
import axe from 'axe-core';
import puppeteer, {
  TimeoutError,
  type Browser,
  type BrowserContext,
  type ElementHandle,
  type Page,
  type WebWorker,
} from 'puppeteer-core';
import { buildServer, defaultFolders, type ServerOptions } from '../../server/main';
import { testFolders } from './folders';

/** A wait is for a state; this only ends what hangs, on a machine that is several times slower than any. */
const PATIENCE_MS = 90_000;

export interface Stage {
  readonly origin: string;
  readonly browser: Browser;
  /** A page with storage of its own, or one that shares the storage of a context. */
  phone(context?: BrowserContext): Promise<Page>;
  wide(context?: BrowserContext): Promise<Page>;
  /** Gives the page's context an empty store with the stage's desk, as a page with storage of its own has it. */
  begin(page: Page): Promise<void>;
  close(): Promise<void>;
}

/** What is answered in place of a file; undefined leaves it as it is. */
export type Fault = (path: string) => { readonly status: number; readonly body: string } | undefined;

export interface StageOptions {
  /** Served in place of what the tests' server has. */
  readonly folders?: Partial<ServerOptions>;
  readonly fault?: Fault;
  /** What the desk of a new page opens with: its parts by their names. */
  readonly desk?: Readonly<Record<string, unknown>>;
}

/** As a desk that was used before: with the small body before a scene in which nothing turns, and no labels of a first visit. */
export const SMALL = {
  optic: 'small-24',
  guided: true,
  outside: { levels: {}, support: 'hand', wheel: 'still' },
};
/** The same, and the wheel turns. */
export const TURNING = { ...SMALL, outside: { ...SMALL.outside, wheel: 'slow' } };
/** The same with the phone's own twelve megapixels. */
export const FULL = { guided: true };

/** Served as it is shipped: scenes with all of their detail. */
export const SHIPPED = defaultFolders;

export async function openStage({ folders, fault, desk = SMALL }: StageOptions = {}): Promise<Stage> {
  const server = folders || fault ? await ownServer({ ...testFolders, ...folders }, fault) : undefined;
  const origin = server ? await server.listen({ port: 0, host: '127.0.0.1' }) : process.env.VELMO_ORIGIN!;
  const browser = await puppeteer.connect({
    browserWSEndpoint: process.env.VELMO_BROWSER!,
    protocolTimeout: 2 * PATIENCE_MS,
  });
  const contexts: BrowserContext[] = [];
  // One that nobody has a page in any more is emptied and used again: what the browser keeps of scripts stays warm in it.
  const empty = async () => {
    // What is kept would come in place of what the server answers now.
    if (!fault) for (const context of contexts) if ((await context.pages()).length === 0) return context;
    const context = await browser.createBrowserContext();
    contexts.push(context);
    return context;
  };
  const begin = async (page: Page) => {
    await forget(page, origin);
    await page.goto(`${origin}/nothing.json`);
    await page.evaluate(setDesk, desk);
  };
  const open = async (viewport: Parameters<Page['setViewport']>[0], context?: BrowserContext) => {
    const page = await (context ?? (await empty())).newPage();
    page.setDefaultTimeout(PATIENCE_MS);
    tellWhatWasSaid(page);
    if (!context) await begin(page);
    await page.setViewport(viewport);
    return page;
  };
  return {
    origin,
    browser,
    phone: (context) =>
      open({ width: 390, height: 844, deviceScaleFactor: 1, isMobile: true, hasTouch: true }, context),
    wide: (context) => open({ width: 1280, height: 800 }, context),
    begin,
    close: async () => {
      await Promise.all(contexts.map((context) => context.close()));
      await browser.disconnect();
      await server?.close();
    },
  };
}

/** A wait that ends without its state says what stood on the page: that is what a person would have to go by, too. */
function tellWhatWasSaid(page: Page): void {
  const told = async (error: unknown): Promise<never> => {
    if (!(error instanceof TimeoutError)) throw error;
    const said = await page.evaluate(wordsOfPage).catch(() => 'it does not answer');
    throw new Error(`${error.message}; the page says: ${said}`, { cause: error });
  };
  const { waitForFunction, waitForSelector } = page;
  page.waitForFunction = ((...of: Parameters<typeof waitForFunction>) =>
    waitForFunction.apply(page, of).catch(told)) as typeof waitForFunction;
  page.waitForSelector = ((...of: Parameters<typeof waitForSelector>) =>
    waitForSelector.apply(page, of).catch(told)) as typeof waitForSelector;
}

/** Runs in the page: its address, what is told to the person, what the sheet holds, and what the finder is at. */
function wordsOfPage(): string {
  const all = (s: string) => [...document.querySelectorAll<HTMLElement>(s)];
  const { dataset } = document.querySelector('canvas') ?? { dataset: {} };
  return [
    location.pathname,
    ...all('[role=alert], [role=status]').map((e) => e.textContent),
    ...all('[data-testid=open-sheet]').map((e) => e.getAttribute('aria-label')),
    JSON.stringify(dataset),
  ].join(' · ');
}

async function ownServer(folders: ServerOptions, fault?: Fault) {
  const server = await buildServer(folders);
  server.addHook('onRequest', async (request, reply) => {
    const found = fault?.(request.url);
    if (found)
      await reply
        .code(found.status)
        .headers({ 'cache-control': 'no-store', 'content-type': 'application/javascript' })
        .send(found.body);
  });
  return server;
}

/** Runs in a page of the program's origin on which the program is not: puts parts of the desk where it will look for them. */
async function setDesk(parts: Readonly<Record<string, unknown>>): Promise<void> {
  const db = await new Promise<IDBDatabase>((resolve, reject) => {
    const request = indexedDB.open('velmo-desk', 1);
    request.onupgradeneeded = () => request.result.createObjectStore('entries');
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error ?? new Error('The store does not open'));
  });
  const change = db.transaction('entries', 'readwrite');
  for (const [part, value] of Object.entries(parts))
    change.objectStore('entries').put(JSON.stringify(value), `desk:2:${part}`);
  await new Promise((done) => (change.oncomplete = done));
  db.close();
}

/** Nothing is stored for the page's origin any more, and nothing is granted. */
async function forget(page: Page, origin: string): Promise<void> {
  const session = await page.createCDPSession();
  await session.send('Storage.clearDataForOrigin', {
    origin,
    storageTypes: 'cookies,file_systems,indexeddb,local_storage,service_workers,cache_storage',
  });
  await session.detach();
  await page.browserContext().clearPermissionOverrides();
}

/** Screens that controls are tried on. */
export const SIZES = [
  { name: 'upright', width: 390, height: 844, isMobile: true, hasTouch: true },
  { name: 'lying', width: 844, height: 390, isMobile: true, hasTouch: true },
  { name: 'wide', width: 1280, height: 800, isMobile: false, hasTouch: true },
] as const;

/** A live finder on a screen of that size. */
export async function openedAt(stage: Stage, size: (typeof SIZES)[number]): Promise<Page> {
  const page = await stage.phone();
  await page.setViewport({ ...size, deviceScaleFactor: 1 });
  await page.goto(stage.origin);
  await live(page);
  return page;
}

export const byId = (id: string) => `[data-testid="${id}"]`;

/** A worker of the page by its name; waits until it is there. */
export async function workerOf(page: Page, name: string): Promise<WebWorker> {
  // One that is gone answers nothing.
  const nameOf = (worker: WebWorker) =>
    Promise.race([
      worker.evaluate(() => self.name).catch(() => ''),
      new Promise<string>((done) => setTimeout(() => done(''), 2000)),
    ]);
  for (;;) {
    const next = new Promise<void>((done) => page.once('workercreated', () => done()));
    const workers = page.workers();
    const names = await Promise.all(workers.map(nameOf));
    const found = workers[names.lastIndexOf(name)];
    if (found) return found;
    // One that was too busy to tell its name is asked again.
    await Promise.race([next, new Promise((again) => setTimeout(again, 500))]);
  }
}

/** Waits until the finder shows the whole scene, the lens is not on its way, and words have followed. */
export async function live(page: Page): Promise<void> {
  await page.waitForSelector(byId('reading'));
  await page.waitForFunction(
    (chip: string) => !/loading/.test(document.querySelector(chip)?.textContent ?? 'loading'),
    {},
    byId('outside'),
  );
  await page.waitForFunction(
    () => !['searching', 'waiting'].includes(document.querySelector('canvas')?.dataset.focus ?? 'waiting'),
    {},
  );
  await framesPass(page, 3);
}

/**
 * Taps an element with a finger. Start and end are sent together: were the end to wait until a busy page has answered the start,
 * the finger would rest long enough for a long press.
 */
export async function tap(page: Page, id: string): Promise<void> {
  await tapOn(page, (await page.waitForSelector(byId(id)))!);
}

export async function tapOn(page: Page, element: ElementHandle): Promise<void> {
  await element.evaluate((e) => e.scrollIntoView({ block: 'nearest' }));
  const { x, y } = await element.clickablePoint();
  await tapAt(page, x, y);
}

/** A finger rests so long in a tap, s. */
const TAP_S = 0.06;

export async function tapAt(page: Page, x: number, y: number): Promise<void> {
  const session = await page.createCDPSession();
  // How long the finger rests is told: a browser that is busy between the two would have it rest for as long.
  const timestamp = Date.now() / 1000;
  await Promise.all([
    session.send('Input.dispatchTouchEvent', {
      type: 'touchStart',
      touchPoints: [{ x, y }],
      timestamp: timestamp - TAP_S,
    }),
    session.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [], timestamp }),
  ]);
  await session.detach();
}

/** What axe finds that is serious or worse. */
export async function serious(page: Page): Promise<string[]> {
  const there = await page.evaluate(() => 'axe' in window);
  if (!there) await page.evaluate(axe.source);
  const found = (await page.evaluate(() =>
    (window as unknown as { axe: typeof axe }).axe.run(document, { resultTypes: ['violations'] }),
  )) as axe.AxeResults;
  return found.violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
}

/** Waits until the desk has been stored with these words in it: "part":value. */
export async function deskKeeps(page: Page, word: string): Promise<void> {
  await page.waitForFunction(deskKept, { polling: 200 }, word);
}

/** Waits until the finder has drawn `count` more frames and words tell of them: what was set before is in them. */
export async function framesPass(page: Page, count = 4): Promise<void> {
  const from = await page.$eval('canvas', (canvas) => Number(canvas.dataset.frame ?? 0));
  await page.waitForFunction(
    (least: number) => {
      const { frame = 0, said = 0 } = document.querySelector('canvas')?.dataset ?? {};
      return Number(frame) >= least && Number(said) >= least;
    },
    {},
    from + count,
  );
}

/** Two fingers on an element, moved apart until they are so many times as far from each other. */
export async function pinch(page: Page, id: string, times: number): Promise<void> {
  const element = (await page.waitForSelector(byId(id)))!;
  const { x, y, width, height } = (await element.boundingBox())!;
  const session = await page.createCDPSession();
  const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart: number) =>
    session.send('Input.dispatchTouchEvent', {
      type,
      touchPoints:
        type === 'touchEnd'
          ? []
          : [-1, 1].map((side, i) => ({ x: x + width / 2 + side * apart, y: y + 0.4 * height, id: i })),
    });
  const from = Math.min(50, width / (2.2 * times));
  await send('touchStart', from);
  for (let i = 1; i <= 8; i++) await send('touchMove', from * times ** (i / 8));
  await send('touchEnd', 0);
  await session.detach();
}

/** Presses the release, and waits until all of it is read out and kept, or is not. */
export async function take(page: Page): Promise<void> {
  await safe(page, () => tap(page, 'release'));
  await taken(page);
}

/** Presses in some way, and waits until what was taken is safe. @throws Error with the page's own words where it is not */
export async function safe(page: Page, act: () => Promise<unknown>): Promise<void> {
  const before = await page.$eval('canvas', (canvas) => Number(canvas.dataset.taken));
  // What an earlier press came to may stand there still.
  await page.evaluate(
    (s: string) => document.querySelector(s)?.setAttribute('data-was', ''),
    byId('capture-failed'),
  );
  await act();
  const end = await page.waitForFunction(
    (n: number, s: string) => {
      if (Number(document.querySelector('canvas')?.dataset.taken) > n) return 'safe';
      const said = document.querySelector(s)?.textContent;
      return said && `not safe: ${said}`;
    },
    {},
    before,
    `${byId('capture-failed')}:not([data-was])`,
  );
  const how = await end.jsonValue();
  if (how !== 'safe') throw new Error(how || 'nothing is told');
}

/** Waits until nothing is being taken, and nothing waits that could be read out. */
export async function taken(page: Page): Promise<void> {
  await page.waitForFunction(
    (s: string) =>
      !document.querySelector(s) && document.querySelector('canvas')?.dataset.reading === 'false',
    {},
    byId('capture-busy'),
  );
}

/** Frames that the roll has, by what leads to the sheet: read out, and waiting. */
export async function rollCount(page: Page): Promise<{ frames: number; waiting: number }> {
  const label = await page.$eval(byId('open-sheet'), (e) => e.getAttribute('aria-label') ?? '');
  const [frames, waiting] = [/(\d+) frames/, /(\d+) waiting/].map((of) => Number(of.exec(label)?.[1] ?? 0));
  return { frames: frames!, waiting: waiting! };
}

/** Waits until the roll has so many frames. */
export async function rollBecomes(
  page: Page,
  { frames, waiting }: { frames: number; waiting: number },
): Promise<void> {
  const wanted = `Sheet, ${frames} frames${waiting > 0 ? `, ${waiting} waiting` : ''}`;
  await page.waitForFunction(
    (s: string, words: string) => document.querySelector(s)?.getAttribute('aria-label') === words,
    {},
    byId('open-sheet'),
    wanted,
  );
}

/** Words of an element. */
export async function words(page: Page, id: string): Promise<string> {
  return page.$eval(byId(id), (e) => e.textContent ?? '');
}

/** Waits until some alert says it: on a slow machine another may stand there for a moment. */
export async function alertSays(page: Page, pattern: RegExp): Promise<void> {
  await page.waitForFunction(
    (source: string) =>
      [...document.querySelectorAll('[role=alert]')].some((e) =>
        new RegExp(source).test(e.textContent ?? ''),
      ),
    {},
    pattern.source,
  );
}

/** Waits until an element's words pass a test. */
export async function wordsBecome(page: Page, id: string, pattern: RegExp): Promise<string> {
  await page.waitForFunction(
    (selector: string, source: string) =>
      new RegExp(source).test(document.querySelector(selector)?.textContent ?? ''),
    {},
    byId(id),
    pattern.source,
  );
  return words(page, id);
}

/**
 * Drags with one finger (phone) from the middle of an element. The browser takes a tap right after a drag for its end; frames
 * that pass keep the two apart.
 */
export async function touchDrag(page: Page, id: string, dx: number, dy: number): Promise<void> {
  const box = await (await page.waitForSelector(byId(id)))?.boundingBox();
  if (!box) throw new Error(`${id} is not on the screen`);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const touch = await page.touchscreen.touchStart(x, y);
  for (let i = 1; i <= 8; i++) await touch.move(x + (dx * i) / 8, y + (dy * i) / 8);
  await touch.end();
  await framesPass(page, 5);
}

/** Has the desk been stored with this word in it? Runs in the page. */
async function deskKept(word: string): Promise<boolean> {
  const name = (await indexedDB.databases()).map((d) => d.name ?? '').find((n) => n.includes('velmo-desk'));
  if (!name) return false;
  const db = await new Promise<IDBDatabase>((resolve, reject) => {
    const request = indexedDB.open(name);
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error ?? new Error('The store does not open'));
  });
  const table = [...db.objectStoreNames][0]!;
  const read = <T>(request: IDBRequest<T>) =>
    new Promise<T>((resolve) => (request.onsuccess = () => resolve(request.result)));
  const [keys, values] = await Promise.all([
    read(db.transaction(table).objectStore(table).getAllKeys()),
    read(db.transaction(table).objectStore(table).getAll()),
  ]);
  db.close();
  const parts = keys.map((key, i) => `"${String(key).split(':').at(-1)}":${String(values[i])}`);
  return parts.join().includes(word);
}

/** Runs in the page: copies the first record, and its thumbnail, under so many new names; the first ones as a sequence of that many. */
export async function fillRoll(count: number, inSequence = 0): Promise<void> {
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
    write.objectStore(table).put(
      JSON.stringify({
        ...record,
        ...{ id, timeMs: record.timeMs - i * 1000 },
        ...(i < inSequence && { group: { id: 'b'.repeat(32), index: inSequence - 1 - i, of: inSequence } }),
      }),
      `frame:${id}`,
    );
    write.objectStore(table).put(thumbnail, `thumb:${id}`);
  }
  await new Promise((done) => (write.oncomplete = done));
  db.close();
}
