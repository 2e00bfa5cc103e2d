// The same path through the program in other engines than the one of the browser suites, and in that one where the page is not isolated (no memory can be
// shared): from the first finder to files that others read, and the engine's own camera. `npm run test:engines`, and a part of the long checks.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import { unzipSync } from 'fflate';
import { checkDng } from '../../src/core/dng/check';
import { jpegFacts } from '../../src/core/formats/jpeg';
import { buildServer, defaultFolders, type ServerOptions } from '../../server/main';
import { downloaded } from '../e2e/downloads';
import { chromium, firefox, focus, says, tap, there, until, webkit, type Engine } from './engine';

/** Headers without which a page shares no memory with its workers. */
const ISOLATION = ['cross-origin-opener-policy', 'cross-origin-embedder-policy'];
const folders: ServerOptions = {
  ...defaultFolders,
  demo: join(__dirname, '..', '..', '.cache', 'small-roll'),
};

async function served(isolated: boolean): Promise<FastifyInstance> {
  const server = await buildServer(folders);
  if (!isolated)
    server.addHook('onSend', async (_, reply) =>
      ISOLATION.forEach((header) => void reply.removeHeader(header)),
    );
  return server;
}

describe.each([
  ['Firefox', firefox, true],
  ['WebKit', webkit, true],
  ['Chromium in a page that is not isolated', chromium, false],
] as const)('%s', (_, start, isolated) => {
  const folder = mkdtempSync(join(tmpdir(), 'velmo-engine-'));
  let server: FastifyInstance;
  let origin: string;
  let engine: Engine;
  beforeAll(async () => {
    server = await served(isolated);
    origin = await server.listen({ port: 0, host: '127.0.0.1' });
    engine = await start(folder);
  });
  afterAll(async () => {
    await engine.close();
    await server.close();
    rmSync(folder, { recursive: true, force: true });
  });

  const live = () =>
    until(engine, 'a live finder', () => {
      const canvas = document.querySelector('canvas');
      const { said = 0, focus: lens = 'waiting' } = canvas?.dataset ?? {};
      return (
        Number(said) > 3 &&
        !['searching', 'waiting'].includes(lens) &&
        !/loading/.test(document.querySelector('[data-testid="outside"]')?.textContent ?? 'loading')
      );
    });
  const taken = () => engine.ask(() => Number(document.querySelector('canvas')!.dataset.taken ?? 0));
  const frames = () =>
    engine.ask(() =>
      Number(
        /(\d+) frames/.exec(
          document.querySelector('[data-testid="open-sheet"]')?.getAttribute('aria-label') ?? '',
        )?.[1] ?? 0,
      ),
    );
  const failures = () =>
    engine.ask(() =>
      ['capture-failed', 'read-out-fault', 'keeper-fault', 'finder-again', 'unsaved'].filter((id) =>
        document.querySelector(`[data-testid="${id}"]`),
      ),
    );
  /** Presses the release, and waits until that many frames more are in the roll, or something failed. */
  const take = async (more = 1) => {
    const [safe, inRoll] = [await taken(), await frames()];
    await tap(engine, 'release');
    await until(
      engine,
      'a frame in the roll',
      (was, least) => {
        const { taken: now, reading } = document.querySelector('canvas')!.dataset;
        const roll = document.querySelector('[data-testid="open-sheet"]')?.getAttribute('aria-label') ?? '';
        const read = reading === 'false' && Number(/(\d+) frames/.exec(roll)?.[1]) >= least;
        const failed = document.querySelector(
          '[data-testid="capture-failed"],[data-testid="read-out-fault"]',
        );
        return (Number(now) > was && read) || failed !== null;
      },
      safe,
      inRoll + more,
    );
    expect(await failures()).toEqual([]);
    expect(await frames()).toBe(inRoll + more);
  };
  const comes = async (ending: string) => (await downloaded(engine.downloads, ending)).bytes;
  const toFinder = async () => {
    await tap(engine, 'to-finder');
    await live();
  };

  it('opens with a live finder', async () => {
    await engine.goTo(origin);
    await live();
    expect(await says(engine, 'reading', /EV/)).toMatch(/EV \d+\.\d · \d+ cd\/m²/);
    // What is drawn is a picture: neither black nor of one grey.
    const { least, most } = await engine.ask(() => {
      const copy = document.createElement('canvas');
      Object.assign(copy, { width: 64, height: 64 });
      const context = copy.getContext('2d')!;
      context.drawImage(document.querySelector('canvas')!, 0, 0, 64, 64);
      const { data } = context.getImageData(0, 0, 64, 64);
      const greens = data.filter((__, i) => i % 4 === 1);
      return { least: Math.min(...greens), most: Math.max(...greens) };
    });
    expect(most - least).toBeGreaterThan(80);
    expect(await engine.ask(() => self.crossOriginIsolated)).toBe(isolated);
  });

  it('a press becomes a frame of twelve megapixels, whose file comes down and is sound', async () => {
    await take();
    await tap(engine, 'open-sheet');
    await tap(engine, 'sheet-frame');
    await there(engine, 'picture-fit');
    await says(engine, 'forecast-held', /The forecast held/);
    await tap(engine, 'full');
    await there(engine, 'picture-full');
    await engine.press('f');
    await there(engine, 'picture-fit');
    await tap(engine, 'download');
    const report = checkDng(await comes('.dng'));
    expect(report).toMatchObject({ ok: true, width: 4032, height: 3024 });
    await tap(engine, 'to-sheet');
    await toFinder();
  });

  it('a bracket of two is two frames in one tile', async () => {
    await engine.press('x');
    await tap(engine, 'more-tab-drive');
    await tap(engine, 'takes-bracket');
    await tap(engine, 'bracket-frames-less');
    await says(engine, 'bracket-frames-words', /^2$/);
    await engine.press('Escape');
    await take(2);
    await tap(engine, 'open-sheet');
    await tap(engine, 'sheet-group');
    await until(
      engine,
      'an open tile',
      () => document.querySelector('[data-testid="sheet-group"][aria-expanded="true"]') !== null,
    );
  });

  it('two frames are compared, by key and in figures', async () => {
    await engine.click('[data-index="1"]');
    await there(engine, 'picture-fit');
    await tap(engine, 'compare-next');
    await there(engine, 'compare-ready');
    await says(engine, 'which-shown', /First/);
    await engine.press(' ');
    await says(engine, 'which-shown', /Second/);
    await says(engine, 'identical', /Not identical: [\d,]+ sites differ/);
    await engine.press('Escape');
    await there(engine, 'sheet-frame');
  });

  it('several leave as one archive, one as a picture', async () => {
    await focus(engine, '[data-index="1"]');
    await engine.press(' ');
    await engine.press('ArrowRight');
    await engine.press(' ');
    await says(engine, 'choosing-words', /2 chosen/);
    await tap(engine, 'choosing-export');
    await tap(engine, 'export-run');
    await says(engine, 'export-said', /2 frames exported/);
    const files = Object.values(unzipSync(await comes('.zip')));
    expect(files.map((file) => checkDng(file).ok)).toEqual([true, true]);
    await tap(engine, 'export-kind-jpeg');
    await tap(engine, 'export-run');
    await says(engine, 'export-said', /2 frames exported/);
    const pictures = Object.values(unzipSync(await comes('.zip')));
    expect(pictures.map((picture) => jpegFacts(picture).model)).toEqual(['Velmo Sim One', 'Velmo Sim One']);
    await engine.press('Escape');
    await engine.press('Escape');
    await toFinder();
  });

  it('its own camera is looked through, pressed, and given back', async () => {
    await engine.press('x');
    await tap(engine, 'more-tab-drive');
    await tap(engine, 'takes-single');
    await tap(engine, 'more-tab-camera');
    await tap(engine, 'body-browser');
    await engine.press('Escape');
    await until(engine, 'pictures of the engine’s camera', () => {
      const { scene = '', said = 0 } = document.querySelector('canvas')?.dataset ?? {};
      return scene.startsWith('browser:') && Number(said) > 3;
    });
    await says(engine, 'reading', /relative meter|EV/);
    await take();
    await tap(engine, 'open-sheet');
    await tap(engine, 'sheet-frame');
    await there(engine, 'picture-fit');
  });

  it('opened anew, all of it is there', async () => {
    await engine.goTo(`${origin}/sheet`);
    await there(engine, 'sheet-frame');
    expect(await engine.ask(() => document.querySelector('[role=heading]')?.textContent)).toMatch(
      /\d+ frames/,
    );
  });
});
