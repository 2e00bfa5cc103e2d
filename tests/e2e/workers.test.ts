// Workers that do not come, are no program, throw, or are gone: in every state of the page it is told within seconds, and the way
// back leads back. Faults are put into the scripts as the server hands them out, or done to the running workers.
import type { Page } from 'puppeteer-core';
import { lend, lentLive, takeLent } from './lent';
import {
  byId,
  framesPass,
  live,
  openStage,
  rollBecomes,
  rollCount,
  safe,
  serious,
  take,
  taken,
  tap,
  tapOn,
  wordsBecome,
  workerOf,
  type Stage,
} from './browser';
import { inLong, LONG } from '../sweep';

type Name =
  | 'painter'
  | 'finder'
  | 'exposer'
  | 'exporter'
  | 'roll'
  | 'lightbox'
  | 'looker'
  | 'bands-1'
  | 'bands-2';
/** What is wrong with a script: it does not come, is no program, or throws as it starts. */
type Flaw = 'blocked' | 'garbled' | 'throwing';
/** A page in place of a script throws as it starts, like any other that does: the long checks try all the same. */
const FLAWS: readonly Flaw[] = LONG ? ['blocked', 'garbled', 'throwing'] : ['blocked'];
/** Scripts that are flawed now. */
const flaws = new Map<Name, Flaw>();
let stage: Stage;
beforeAll(async () => {
  stage = await openStage({
    fault: (path) => {
      const flaw = [...flaws].find(([name]) => path.includes(`/${name}-`))?.[1];
      if (flaw === undefined) return undefined;
      if (flaw === 'blocked') return { status: 503, body: '' };
      return { status: 200, body: flaw === 'garbled' ? '<!doctype html>' : 'throw new Error("made up")' };
    },
  });
});
afterAll(() => stage.close());

/** A page on which each of these is flawed until it is mended. */
async function flawed(flaw: Flaw, ...names: readonly Name[]): Promise<Page> {
  for (const name of names) flaws.set(name, flaw);
  return stage.phone();
}
const mend = (name: Name) => flaws.delete(name);

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

/** A live finder on a machine of four cores, whose workers can be ended. */
async function heldFinder(): Promise<Page> {
  const page = await stage.phone();
  await page.evaluateOnNewDocument(() =>
    Object.defineProperty(navigator, 'hardwareConcurrency', { get: () => 4 }),
  );
  await holdWorkers(page);
  await page.goto(stage.origin);
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
  // One page for three of them: each is mended before the next one is asked for.
  let page: Page;
  beforeAll(async () => {
    page = await flawed(flaw, 'finder', 'exposer', 'lightbox');
    await page.goto(stage.origin);
  });
  afterAll(async () => {
    await page.close();
    flaws.clear();
  });

  it('the finder’s: told before the first frame, and started again', async () => {
    await told(page, 'finder-again');
    expect(await dead(page)).toBe(true);
    mend('finder');
    await finderComesBack(page);
  });

  it('the exposer’s: what was taken waits and says why, and is read out when it is tried again', async () => {
    await safe(page, () => tap(page, 'release'));
    expect(await wordsBecome(page, 'read-out-fault', /exposer/)).toMatch(/safe/);
    const before = await rollCount(page);
    expect(before.waiting).toBe(1);
    mend('exposer');
    await tap(page, 'read-out-again');
    await rollBecomes(page, { frames: before.frames + 1, waiting: 0 });
    expect(await page.$(byId('read-out-fault'))).toBeNull();
  });

  it('the lightbox’s: told in the frame view, and the frame opens when it is tried again', async () => {
    await tap(page, 'open-sheet');
    await tapOn(page, (await page.waitForSelector(byId('sheet-frame')))!);
    await told(page, 'open-again');
    mend('lightbox');
    await tap(page, 'open-again');
    await page.waitForSelector(byId('picture-fit'));
  });

  it('the roll’s: told, the frames that are there are shown, and it works when it is tried again', async () => {
    const sheet = await flawed(flaw, 'roll');
    await sheet.goto(`${stage.origin}/sheet`);
    await told(sheet, 'keeper-fault');
    const at = await place(sheet, 'keeper-again');
    await sheet.waitForFunction(() => /\d+ frames/.test(document.querySelector('h1')?.textContent ?? ''));
    expect(await place(sheet, 'keeper-again')).toEqual(at); // it does not move away from the finger as the roll is read
    mend('roll');
    await tap(sheet, 'keeper-again');
    await sheet.waitForSelector(byId('sheet-frame'));
    expect(await sheet.$(byId('keeper-fault'))).toBeNull();
    await sheet.close();
  });

  // It is told as the one is that is gone.
  inLong('the one that looks at the browser’s camera: told, and started again', async () => {
    const lent = await flawed(flaw, 'looker');
    await lend(lent);
    await lent.goto(stage.origin);
    await live(lent);
    await takeLent(lent);
    await lent.waitForSelector(byId('finder-again'));
    expect(await dead(lent)).toBe(true);
    mend('looker');
    await tap(lent, 'finder-again');
    await lentLive(lent);
    expect(await dead(lent)).toBe(false);
    await lent.close();
  });
});

// One page for all that follows but the lent camera: each brings back what it has ended.
let held: Page | undefined;
const heldPage = async () => (held ??= await heldFinder());

describe.each([
  ['is gone', end],
  // It is heard of by the same way.
  ...(LONG ? ([['throws', break_]] as const) : []),
] as const)('a worker that %s', (_, harm) => {
  let page: Page;
  beforeAll(async () => {
    page = await heldPage();
  });

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
    await tap(page, 'to-sheet');
    await tap(page, 'to-finder');
    await live(page);
  });
});

describe('on the same page', () => {
  let page: Page;
  beforeAll(async () => {
    page = await heldPage();
  });

  it('a finder that throws is told, and started again', async () => {
    await break_(page, 'finder');
    await finderComesBack(page);
  });

  /** A running worker comes to no end any more, and answers nothing. */
  const loops = async (name: Name) => {
    const worker = await workerOf(page, name);
    await worker.evaluate(() => {
      setTimeout(() => {
        for (;;);
      });
    });
  };

  it('a finder that loops for ever is told of, and another takes its place in one tap', async () => {
    await loops('finder');
    await page.waitForSelector(byId('silent'));
    expect(await serious(page)).toEqual([]);
    await tap(page, 'silent-again');
    await page.waitForSelector(byId('silent'), { hidden: true });
    await live(page);
    await framesPass(page, 2);
    expect(await page.$(byId('finder-again'))).toBeNull();
  });

  it('a roll that loops for ever keeps a press waiting; with another it is safe, and there once', async () => {
    const { frames } = await rollCount(page);
    await loops('roll');
    await safe(page, async () => {
      await tap(page, 'release');
      await tap(page, 'silent-again');
    });
    await rollBecomes(page, { frames: frames + 1, waiting: 0 });
    expect(await page.$(byId('silent'))).toBeNull();
    expect(await page.$(byId('keeper-fault'))).toBeNull();
  });

  inLong('an exposer that loops for ever: another exposes what it had in hand', async () => {
    const { frames } = await rollCount(page);
    await loops('exposer');
    await safe(page, () => tap(page, 'release'));
    await tap(page, 'silent-again');
    await rollBecomes(page, { frames: frames + 1, waiting: 0 });
  });

  it('a lightbox that loops for ever in the midst of its work: another opens the frame; so with the exporter', async () => {
    await tap(page, 'open-sheet');
    await tapOn(page, (await page.waitForSelector(byId('sheet-frame')))!);
    await page.waitForSelector(byId('picture-fit'));
    await loops('lightbox');
    await tap(page, 'full');
    await tap(page, 'silent-again');
    await page.waitForSelector(`${byId('picture-full')}, ${byId('picture-fit')}`);
    expect(await page.$(byId('open-again'))).toBeNull();
    if (LONG) {
      await tap(page, 'export-run');
      await wordsBecome(page, 'export-said', /1 frame exported/);
      await loops('exporter');
      await tap(page, 'export-run');
      await tap(page, 'silent-again');
      await wordsBecome(page, 'export-said', /started again/);
      await tap(page, 'export-run');
      await wordsBecome(page, 'export-said', /1 frame exported/);
    }
    await tap(page, 'to-sheet');
    await tap(page, 'to-finder');
    await live(page);
  });

  it('the painter’s end is not noticed: the page draws the scopes itself', async () => {
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
  });

  it('two hands expose a capture beside the exposer; one that never comes to the end of it is done without, and is there again', async () => {
    const stretches = async (name: Name) => {
      const worker = await workerOf(page, name);
      return worker.evaluate(() => performance.getEntriesByName('velmo-stretch').length);
    };
    /**
     * Takes frames until a worker has exposed stretches of one: the first calls for it, and on a busy machine several are exposed before it is there.
     * One that never helps ends it.
     */
    const helps = async (name: Name) => {
      const till = Date.now() + 120_000;
      let frames = 0;
      do {
        await take(page);
        frames++;
      } while ((await stretches(name)) === 0 && Date.now() < till);
      expect(await stretches(name)).toBeGreaterThan(0);
      return frames;
    };
    await helps('bands-1');
    await helps('bands-2');
    const { frames } = await rollCount(page);
    // It has its stretch, and never comes to the end of it.
    await (
      await workerOf(page, 'bands-1')
    ).evaluate(() => {
      performance.measure = () => {
        for (;;);
      };
    });
    await safe(page, () => tap(page, 'release'));
    await taken(page);
    await rollBecomes(page, { frames: frames + 1, waiting: 0 });
    const after = await helps('bands-1');
    await rollBecomes(page, { frames: frames + 1 + after, waiting: 0 });
  });
});

describe('while a frame is read out', () => {
  let page: Page;
  beforeAll(async () => {
    page = await heldPage();
    await workerOf(page, 'exposer');
  });

  /** What the exposer does in place of the next picture that it makes small. */
  const spoilt = async (how: 'hangs' | 'throws') => {
    const exposer = await workerOf(page, 'exposer');
    await exposer.evaluate((hangs: boolean) => {
      const write = OffscreenCanvas.prototype.convertToBlob;
      OffscreenCanvas.prototype.convertToBlob = () => {
        OffscreenCanvas.prototype.convertToBlob = write;
        while (hangs);
        throw new Error('made up');
      };
    }, how === 'hangs');
  };

  it('the exposer is gone: told, another begins anew, and the frame is there once', async () => {
    const before = await rollCount(page);
    await spoilt('hangs');
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
    await spoilt('throws');
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
    // As soon as it can be: before the page knows that the roll is gone.
    await page.evaluate((s: string) => {
      const watch = new MutationObserver(() => {
        const button = document.querySelector<HTMLElement>(s);
        if (!button) return;
        watch.disconnect();
        button.click();
      });
      watch.observe(document, { subtree: true, childList: true });
    }, byId('save-again'));
    await tap(page, 'release');
    await page.waitForSelector(byId('keeper-fault'));
    await rollBecomes(page, { frames: before.frames + 1, waiting: 0 });
  });
});

describe.each([
  ['is gone', (page: Page) => end(page, 'looker')],
  ...(LONG ? ([['throws', (page: Page) => break_(page, 'looker')]] as const) : []),
] as const)('the one that looks at the browser’s camera %s', (_, harm) => {
  let page: Page;
  beforeAll(async () => {
    page = await stage.phone();
    await holdWorkers(page);
    await lend(page);
    await page.goto(stage.origin);
    await live(page);
    await takeLent(page);
    await lentLive(page);
  });
  afterAll(() => page.close());

  const pictures = async (count: number) => {
    await tap(page, 'more');
    await tap(page, 'more-tab-camera');
    await tap(page, `pictures-${count}`);
    await page.keyboard.press('Escape');
    await framesPass(page, 2);
  };

  it('while live: told, the device is let go, and it comes back', async () => {
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
  });

  it('in mid-capture: the press fails with its reason, the next one takes the frame', async () => {
    await pictures(64);
    await tap(page, 'release');
    await page.waitForSelector(byId('capture-busy'));
    await harm(page);
    expect(await wordsBecome(page, 'capture-failed', /is gone|made up/)).toMatch(/Not taken/);
    await page.waitForSelector(byId('finder-again'));
    await tap(page, 'finder-again');
    await lentLive(page);
    await pictures(0);
    await take(page);
    expect(await page.$(byId('capture-failed'))).toBeNull();
  });
});
