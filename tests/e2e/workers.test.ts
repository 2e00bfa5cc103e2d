// Workers that do not come, are no program, throw, or are gone: in every state of the page it is told within seconds, and the way
// back leads back. Faults are put into the scripts as the server hands them out, or done to the running workers.
import type { Page } from 'puppeteer-core';
import { lend, lentLive, takeLent } from './lent';
import {
  byId,
  framesPass,
  FULL,
  live,
  openStage,
  rollBecomes,
  rollCount,
  safe,
  take,
  taken,
  tap,
  tapOn,
  wordsBecome,
  workerOf,
  type Stage,
} from './browser';
import { LONG } from '../sweep';

type Name = 'painter' | 'finder' | 'exposer' | 'roll' | 'lightbox' | 'looker' | 'bands-1' | 'bands-2';
/** What is wrong with a script: it does not come, is no program, or throws as it starts. */
type Flaw = 'blocked' | 'garbled' | 'throwing';
/** A page in place of a script throws as it starts, like any other that does: the long checks try all the same. */
const FLAWS: readonly Flaw[] = LONG ? ['blocked', 'garbled', 'throwing'] : ['blocked'];
/** Scripts that are flawed now. */
const flaws = new Map<Name, Flaw>();
let stage: Stage;
/** Frames of twelve megapixels, whose read-out has a midst. */
let full: Stage;
beforeAll(async () => {
  full = await openStage({ desk: FULL });
  stage = await openStage({
    fault: (path) => {
      const flaw = [...flaws].find(([name]) => path.includes(`/${name}-`))?.[1];
      if (flaw === undefined) return undefined;
      if (flaw === 'blocked') return { status: 503, body: '' };
      return { status: 200, body: flaw === 'garbled' ? '<!doctype html>' : 'throw new Error("made up")' };
    },
  });
});
afterAll(() => Promise.all([stage.close(), full.close()]));
afterEach(() => flaws.clear());

/** A page whose worker of that name is flawed until it is mended. */
async function flawed(name: Name, flaw: Flaw): Promise<{ page: Page; mend: () => void }> {
  flaws.set(name, flaw);
  return { page: await stage.phone(), mend: () => flaws.clear() };
}

/** Waits until something is told; the page may take its time to get there, telling may not. */
const told = (page: Page, id: string) => page.waitForSelector(byId(id));

const place = (page: Page, id: string) =>
  page.$eval(byId(id), (e) => {
    const { x, y } = e.getBoundingClientRect();
    return { x, y };
  });

/** Keeps hold of the page's workers, so that they can be ended from outside. */
const holdWorkers = (page: Page) =>
  page.evaluateOnNewDocument(() => {
    const held = new Map<string, Worker>();
    const Original = Worker;
    Object.assign(window, {
      held,
      Worker: class extends Original {
        constructor(url: string | URL, options?: WorkerOptions) {
          super(url, options);
          held.set(options?.name ?? '', this);
        }
      },
    });
  });

/** A live finder whose workers can be ended. */
async function heldFinder(on: Stage = stage): Promise<Page> {
  const page = await on.phone();
  await holdWorkers(page);
  await page.goto(on.origin);
  await live(page);
  return page;
}

/** Ends a running worker, busy or not, as a browser that runs out of memory does: nobody is told. */
const end = (page: Page, name: Name) =>
  page.evaluate((wanted: string) => {
    (window as unknown as { held: Map<string, Worker> }).held.get(wanted)!.terminate();
  }, name);

/** Makes a running worker throw outside of any call. */
async function break_(page: Page, name: Name): Promise<void> {
  const worker = await workerOf(page, name);
  await worker.evaluate(() => {
    setTimeout(() => {
      throw new Error('made up');
    });
  });
}

const dead = (page: Page) => page.$eval(byId('release'), (e) => e.getAttribute('aria-disabled') === 'true');

/** The finder is told to be dead, the release with it; one press and it lives. */
async function finderComesBack(page: Page): Promise<void> {
  await page.waitForSelector(byId('finder-again'));
  expect(await dead(page)).toBe(true);
  await tap(page, 'finder-again');
  await live(page);
  await framesPass(page, 2);
  expect(await dead(page)).toBe(false);
}

describe.each(FLAWS)('a script that is %s', (flaw) => {
  it('the finder’s: told before the first frame, and started again', async () => {
    const { page, mend } = await flawed('finder', flaw);
    await page.goto(stage.origin);
    await told(page, 'finder-again');
    expect(await dead(page)).toBe(true);
    mend();
    await finderComesBack(page);
    await page.close();
  });

  it('the one that looks at the browser’s camera: told, and started again', async () => {
    const { page, mend } = await flawed('looker', flaw);
    await lend(page);
    await page.goto(stage.origin);
    await live(page);
    await takeLent(page);
    await page.waitForSelector(byId('finder-again'));
    expect(await dead(page)).toBe(true);
    mend();
    await tap(page, 'finder-again');
    await lentLive(page);
    expect(await dead(page)).toBe(false);
    await page.close();
  });

  it('the roll’s: told, the frames that are there are shown, and it works when it is tried again', async () => {
    const { page, mend } = await flawed('roll', flaw);
    await page.goto(`${stage.origin}/sheet`);
    await told(page, 'keeper-fault');
    const at = await place(page, 'keeper-again');
    await page.waitForFunction(() => /\d+ frames/.test(document.querySelector('h1')?.textContent ?? ''));
    expect(await place(page, 'keeper-again')).toEqual(at); // it does not move away from the finger as the roll is read
    mend();
    await tap(page, 'keeper-again');
    await page.waitForSelector(byId('sheet-frame'));
    expect(await page.$(byId('keeper-fault'))).toBeNull();
    await page.close();
  });
});

describe.each(FLAWS)('a script that is %s', (flaw) => {
  it('the exposer’s: what was taken waits and says why, and is read out when it is tried again', async () => {
    const { page, mend } = await flawed('exposer', flaw);
    await page.goto(stage.origin);
    await live(page);
    await safe(page, () => tap(page, 'release'));
    expect(await wordsBecome(page, 'read-out-fault', /exposer/)).toMatch(/safe/);
    const before = await rollCount(page);
    expect(before.waiting).toBe(1);
    mend();
    await tap(page, 'read-out-again');
    await rollBecomes(page, { frames: before.frames + 1, waiting: 0 });
    expect(await page.$(byId('read-out-fault'))).toBeNull();
    await page.close();
  });

  it('the lightbox’s: told in the frame view, and the frame opens when it is tried again', async () => {
    const { page, mend } = await flawed('lightbox', flaw);
    await page.goto(`${stage.origin}/sheet`);
    await tapOn(page, (await page.waitForSelector(byId('sheet-frame')))!);
    await told(page, 'open-again');
    mend();
    await tap(page, 'open-again');
    await page.waitForSelector(byId('picture-fit'));
    await page.close();
  });
});

describe.each([
  ['is gone', end],
  // It is heard of by the same way: here by the one worker that has no call to answer.
  ...(LONG ? ([['throws', break_]] as const) : []),
] as const)('a worker that %s', (_, harm) => {
  // One page for all of them: each brings back what it has ended.
  let page: Page;
  beforeAll(async () => {
    page = await heldFinder();
  });
  afterAll(() => page.close());

  it('the finder, while it is live', async () => {
    await harm(page, 'finder');
    await finderComesBack(page);
  });

  it('the finder, while a frame is read out: it is kept all the same', async () => {
    await safe(page, () => tap(page, 'release'));
    await harm(page, 'finder');
    await page.waitForSelector(byId('finder-again'));
    await taken(page);
    expect(await page.$(byId('read-out-fault'))).toBeNull();
    await finderComesBack(page);
  });

  it('the exposer, while nothing is taken: told, and the next press starts it', async () => {
    await workerOf(page, 'exposer');
    await harm(page, 'exposer');
    await wordsBecome(page, 'notice', /exposer/);
    await take(page);
    expect(await page.$(byId('capture-failed'))).toBeNull();
  });

  it('the roll, while it is idle: told, and it works when it is tried again', async () => {
    await harm(page, 'roll');
    await page.waitForSelector(byId('keeper-fault'));
    await tap(page, 'keeper-again');
    await page.waitForFunction((s: string) => !document.querySelector(s), {}, byId('keeper-fault'));
    await take(page);
    expect(await page.$(byId('unsaved'))).toBeNull();
  });

  it('the lightbox, in the frame view: told, and the frame opens again', async () => {
    await tap(page, 'open-sheet');
    await tapOn(page, (await page.waitForSelector(byId('sheet-frame')))!);
    await page.waitForSelector(byId('picture-fit'));
    await harm(page, 'lightbox');
    await page.waitForSelector(byId('open-again'));
    await tap(page, 'open-again');
    await page.waitForSelector(byId('picture-fit'));
  });
});

it('the finder’s script throws as it starts, then the worker itself: told both times, and started again', async () => {
  const { page, mend } = await flawed('finder', 'throwing');
  await page.goto(stage.origin);
  await told(page, 'finder-again');
  mend();
  await finderComesBack(page);
  await break_(page, 'finder');
  await finderComesBack(page);
  await page.close();
});

describe('while a frame is read out', () => {
  let page: Page;
  beforeAll(async () => {
    page = await heldFinder(full);
    await workerOf(page, 'exposer');
  });
  afterAll(() => page.close());

  it('the exposer is gone: told, another begins anew, and the frame is there once', async () => {
    const before = await rollCount(page);
    await safe(page, () => tap(page, 'release'));
    // In the midst of its work: one that is ended before it came is another matter.
    await page.waitForFunction(
      (s: string) =>
        [...document.querySelectorAll<HTMLElement>(s)].some((e) => /^[1-9]\d*%$/.test(e.style.width)),
      {},
      `${byId('waiting')} *`,
    );
    await end(page, 'exposer');
    await wordsBecome(page, 'notice', /exposer is gone/);
    await rollBecomes(page, { frames: before.frames + 1, waiting: 0 });
    expect(await page.$(byId('read-out-fault'))).toBeNull();
  });

  it('the exposer throws: the frame waits and says why, and is read out when it is tried again', async () => {
    const before = await rollCount(page);
    const exposer = await workerOf(page, 'exposer');
    await exposer.evaluate(() => {
      const write = OffscreenCanvas.prototype.convertToBlob;
      OffscreenCanvas.prototype.convertToBlob = () => {
        OffscreenCanvas.prototype.convertToBlob = write;
        throw new Error('made up');
      };
    });
    await tap(page, 'release');
    await wordsBecome(page, 'read-out-fault', /made up/);
    await tap(page, 'read-out-again');
    await rollBecomes(page, { frames: before.frames + 1, waiting: 0 });
  });

  it('the roll breaks as it is stored: the frame waits, is saved when it is tried again, and is there once', async () => {
    const before = await rollCount(page);
    const roll = await workerOf(page, 'roll');
    await roll.evaluate(() => {
      const put = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = function (value: unknown, key?: IDBValidKey) {
        if (!String(key).startsWith('file:')) return put.call(this, value, key);
        self.close();
        throw new Error('made up');
      };
    });
    await tap(page, 'release');
    await page.waitForSelector(byId('unsaved'));
    await tap(page, 'save-again');
    await rollBecomes(page, { frames: before.frames + 1, waiting: 0 });
  });
});

describe('the one that looks at the browser’s camera', () => {
  async function heldLent(): Promise<Page> {
    const page = await stage.phone();
    await holdWorkers(page);
    await lend(page);
    await page.goto(stage.origin);
    await live(page);
    await takeLent(page);
    await lentLive(page);
    return page;
  }

  it.each([
    ['is gone', (page: Page) => end(page, 'looker')],
    ...(LONG ? ([['throws', (page: Page) => break_(page, 'looker')]] as const) : []),
  ] as const)('%s while live: told, the device is let go, and it comes back', async (_, harm) => {
    const page = await heldLent();
    await harm(page);
    await page.waitForSelector(byId('finder-again'));
    expect(
      await page.evaluate(() =>
        (window as unknown as { lent: { tracks: MediaStreamTrack[] } }).lent.tracks.every(
          ({ readyState }) => readyState === 'ended',
        ),
      ),
    ).toBe(true);
    await tap(page, 'finder-again');
    await lentLive(page);
    await page.close();
  });

  it('is gone in mid-capture: the press fails with its reason, the next one takes the frame', async () => {
    const page = await heldLent();
    await tap(page, 'more');
    await tap(page, 'more-tab-camera');
    await tap(page, 'pictures-64');
    await page.keyboard.press('Escape');
    await framesPass(page, 2);
    await tap(page, 'release');
    await page.waitForSelector(byId('capture-busy'));
    await end(page, 'looker');
    expect(await wordsBecome(page, 'capture-failed', /is gone/)).toMatch(/Not taken/);
    await page.waitForSelector(byId('finder-again'));
    await tap(page, 'finder-again');
    await lentLive(page);
    await tap(page, 'more');
    await tap(page, 'more-tab-camera');
    await tap(page, 'pictures-0');
    await page.keyboard.press('Escape');
    await framesPass(page, 2);
    await take(page);
    expect(await page.$(byId('capture-failed'))).toBeNull();
    await page.close();
  });
});

it('the painter’s end is not noticed: the page draws the scopes itself', async () => {
  const page = await heldFinder();
  await workerOf(page, 'painter');
  const inks = () =>
    page.$eval(`${byId('stopline-raw')} canvas`, (canvas) => {
      // A canvas that was handed over cannot be read: it is drawn as an image is.
      const copy = document.createElement('canvas');
      Object.assign(copy, { width: 60, height: 20 });
      const context = copy.getContext('2d')!;
      context.drawImage(canvas as HTMLCanvasElement, 0, 0, 60, 20);
      return context.getImageData(0, 0, 60, 20).data.filter((v, i) => i % 4 === 3 && v > 0).length;
    });
  expect(await inks()).toBeGreaterThan(100);
  await page.$eval(
    `${byId('stopline-raw')} canvas`,
    (canvas) => ((canvas as HTMLElement).dataset.was = 'painter'),
  );
  await end(page, 'painter');
  await page.waitForSelector(`${byId('stopline-raw')} canvas:not([data-was])`);
  await framesPass(page, 4);
  expect(await inks()).toBeGreaterThan(100);
  await page.close();
});

it('where there are four cores two more expose a capture; one that is gone in the middle of it is done without, and is there again', async () => {
  const page = await full.phone();
  await page.evaluateOnNewDocument(() =>
    Object.defineProperty(navigator, 'hardwareConcurrency', { get: () => 4 }),
  );
  await holdWorkers(page);
  await page.goto(full.origin);
  await live(page);
  const stretches = async (name: Name) => {
    const worker = await workerOf(page, name);
    return worker.evaluate(() => performance.getEntriesByName('velmo-stretch').length);
  };
  /** Takes frames until a worker has exposed stretches of one: the first may come before it is there. */
  const helps = async (name: Name) => {
    let frames = 0;
    for (; frames < 5 && (await stretches(name)) === 0; frames++) await take(page);
    expect(await stretches(name)).toBeGreaterThan(0);
    return frames;
  };
  await helps('bands-1');
  await helps('bands-2');
  const { frames } = await rollCount(page);
  await safe(page, () => tap(page, 'release'));
  await end(page, 'bands-1');
  await taken(page);
  await rollBecomes(page, { frames: frames + 1, waiting: 0 });
  const after = await helps('bands-1');
  await rollBecomes(page, { frames: frames + 1 + after, waiting: 0 });
  await page.close();
});
