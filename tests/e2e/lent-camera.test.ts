// The browser's own camera as a person uses it: asked for when chosen, metered, set, calibrated, pressed, looked at again; and every way in
// which it can fail, with the way back.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { readDng } from '../../src/core/dng/read';
import { jpegFacts } from '../../src/core/formats/jpeg';
import {
  alertSays,
  byId,
  deskKeeps,
  framesPass,
  live,
  openStage,
  serious,
  take,
  tap,
  words,
  wordsBecome,
  type Stage,
} from './browser';
import { downloaded, downloadsTo } from './downloads';
import { LONG } from '../sweep';
import { codeOf, RAMP_STOPS } from './ramp';
import {
  lend,
  lentLive,
  lentOf,
  readsAbout,
  takeLent,
  takeSimulated,
  type Lent,
  type LentOptions,
} from './lent';

const folder = mkdtempSync(join(tmpdir(), 'velmo-lent-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('Chromium’s own test camera', () => {
  let stage: Stage;
  let page: Page;
  beforeAll(async () => {
    stage = await openStage();
    page = await stage.phone();
    await page.evaluateOnNewDocument(() => {
      const counted = window as unknown as { asked: number; tracks: MediaStreamTrack[] };
      counted.asked = 0;
      counted.tracks = [];
      const ask = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
      navigator.mediaDevices.getUserMedia = async (constraints) => {
        counted.asked++;
        const stream = await ask(constraints);
        counted.tracks.push(...stream.getTracks());
        return stream;
      };
    });
    await page.goto(stage.origin);
    await live(page);
  });
  afterAll(() => stage.close());

  it('is asked for only when it is chosen; then it shows what it is, has what the track can do, and says why there is no raw', async () => {
    const asked = () => page.evaluate(() => (window as unknown as { asked: number }).asked);
    expect(await asked()).toBe(0);
    await takeLent(page);
    await lentLive(page);
    expect(await asked()).toBe(1);
    expect(await words(page, 'reading')).toMatch(/^relative meter · .*from mid-grey/);
    for (const id of ['iso', 'aperture', 'compensation', 'zoom'])
      expect(await page.$(byId(`fader-${id}`))).toBeNull();
    expect(await page.$(byId('fit-now'))).toBeNull();
    await tap(page, 'stopline-picture');
    expect(await wordsBecome(page, 'no-raw', /finished picture/)).toMatch(/not told/);
    await tap(page, 'stopline-raw');
    await page.waitForSelector(byId('stopline-picture'));
  });

  it('reads a ramp of known luma: pins lie a stop apart within 0.05', async () => {
    // By the desk itself: a pin in the middle of each field.
    for (let i = 0; i < RAMP_STOPS.length; i++) {
      const box = (await (await page.$(byId('finder')))!.boundingBox())!;
      const [x, y] = [box.x + (box.width * (i + 0.5)) / RAMP_STOPS.length, box.y + box.height * 0.6];
      await page.mouse.move(x, y);
      await page.mouse.down();
      await page.waitForSelector(byId(`pin-${'ABCD'[i]}`));
      await page.mouse.up();
    }
    await framesPass(page);
    const pins = await page.$eval('canvas', (canvas) => canvas.dataset.pins ?? '');
    const ev = pins.split(' ').map((pin) => Number(pin.slice(1)));
    expect(ev).toHaveLength(RAMP_STOPS.length);
    // Each against the brightest: relative EV of known steps.
    RAMP_STOPS.forEach((stop, i) => expect(Math.abs(ev[i]! - ev[3]! - stop)).toBeLessThan(0.05));
    expect(Math.abs(ev[3]!)).toBeLessThan(0.05);
  });

  it('is serviced by axe on the finder, in its panel and at its light meter', async () => {
    expect(await serious(page)).toEqual([]);
    await tap(page, 'pattern');
    await tap(page, 'meter-tab-light');
    expect(await serious(page)).toEqual([]);
    await page.keyboard.press('Escape');
    // Edges between the fields of the ramp are sharp on its own frames.
    await page.keyboard.press("'");
    await page.keyboard.press('k');
    await wordsBecome(page, 'peaking-share', /[1-9].* % of the frame/);
    expect(await serious(page)).toEqual([]);
    await tap(page, 'peaking');
    await page.keyboard.press('Escape');
    await tap(page, 'more');
    await tap(page, 'more-tab-camera');
    expect(await serious(page)).toEqual([]);
    await tap(page, 'pictures-4');
    await page.keyboard.press('Escape');
  });

  it('and the simulated one in one session: each frame in the roll, also after a reload', async () => {
    const before = await countFrames(page);
    await take(page);
    expect(await page.$(byId('capture-failed'))).toBeNull();
    // Back to the simulated one: the device is let go.
    await takeSimulated(page);
    await live(page);
    expect(
      await page.evaluate(() =>
        (window as unknown as { tracks: MediaStreamTrack[] }).tracks.map(({ readyState }) => readyState),
      ),
    ).toEqual(['ended']);
    await take(page);
    await page.reload();
    await live(page);
    expect(await countFrames(page)).toBe(before + 2);
    await page.goto(`${stage.origin}/sheet`);
    await page.waitForSelector(byId('sheet-frame'));
    // Newest first: the simulated frame, then the picture.
    const [, second] = await page.$$(byId('sheet-frame'));
    await second!.click();
    await page.waitForSelector(byId('download'));
    expect(await words(page, 'no-raw-here')).toMatch(/finished picture/);
    const told = await words(page, 'capture-data');
    expect(told).toMatch(/4 pictures averaged, made from the picture’s 8 bits/);
    expect(told).toMatch(/Apertureunknown: the device does not tell its f-number/);
    expect(await words(page, 'download')).toBe('Download JPEG and DNG');
    await page.waitForFunction(() => document.body.textContent.includes('as the device made it'));
    expect(await page.$(byId('not-as-saved'))).toBeNull();
    expect(await serious(page)).toEqual([]);
  });
});

/** Frames in the roll as the sheet's button on the finder leads to. */
async function countFrames(page: Page): Promise<number> {
  const at = page.url();
  const counting = await page.browserContext().newPage();
  await counting.goto(`${new URL(at).origin}/sheet`);
  await counting.waitForSelector(byId('sheet-frame'));
  const heading = await counting.$eval('[role=heading]', (e) => e.textContent ?? '');
  await counting.close();
  await page.bringToFront();
  return Number(/(\d+) frames?/.exec(heading)?.[1]);
}

describe('a camera of painted frames', () => {
  // One page for all of them: each takes the camera anew, and gives it back.
  let stage: Stage;
  let page: Page;
  beforeAll(async () => {
    stage = await openStage();
    page = await stage.phone();
    await lend(page);
    await page.goto(stage.origin);
    await live(page);
  });
  afterAll(() => stage.close());
  afterEach(async () => {
    if (await page.$(byId('other-camera'))) await tap(page, 'other-camera');
    else await takeSimulated(page);
    await live(page);
  });

  async function lent(options: LentOptions = {}): Promise<void> {
    await page.evaluate((as: LentOptions) => {
      const { lent } = window as unknown as { lent: Lent };
      Object.assign(lent, { options: as, grey: 118, noise: 0, asked: 0, given: [] });
    }, options);
    await takeLent(page);
  }

  it('two stops of light read two stops; a calibration makes them absolute, and is there again after a reload', async () => {
    await lent();
    await lentLive(page);
    const bright = await readsAbout(page, 0);
    const dark = codeOf(0.18 / 4);
    await page.evaluate(
      (grey: number) => void ((window as unknown as { lent: { grey: number } }).lent.grey = grey),
      dark,
    );
    const dim = await readsAbout(page, -2);
    expect(Math.abs(bright - dim - 2)).toBeLessThanOrEqual(0.05);
    await tap(page, 'pattern');
    await tap(page, 'meter-tab-light');
    expect(await words(page, 'calibration-words')).toMatch(/not calibrated/);
    await tap(page, 'calibrate-by-ev');
    await tap(page, 'calibrate');
    await wordsBecome(page, 'known-light-error', /Type a number/);
    await page.type(byId('known-light'), '7');
    await tap(page, 'calibrate');
    expect(await wordsBecome(page, 'light-words', /EV 7\.0/)).toMatch(/16 cd\/m²/);
    await lentOf(page, (l) => void (l.grey = 118));
    const light = await readsAbout(page, 9);
    expect(Math.abs(light - 9)).toBeLessThanOrEqual(0.05);
    // f/8 at ISO 100 and EV 9: 64 / 512 s.
    expect(await wordsBecome(page, 'elsewhere-words', /1\/8 s/)).toMatch(/Any camera/);
    await page.keyboard.press('Escape');
    expect(await wordsBecome(page, 'reading', /EV 9\.0/)).toMatch(/cd\/m²/);
    await deskKeeps(page, '"offsetEv":');
    await page.reload();
    await live(page);
    await takeLent(page);
    await lentLive(page);
    await readsAbout(page, 9);
    await tap(page, 'pattern');
    await tap(page, 'meter-tab-light');
    expect(await words(page, 'calibration-words')).toMatch(/Calibrated \d{4}-\d\d-\d\d/);
    await tap(page, 'uncalibrate');
    await wordsBecome(page, 'calibration-words', /not calibrated/);
  });

  it('is set by hand in its own range; what the device did instead is told; a meter by its exposure follows it', async () => {
    await lent({
      can: {
        exposureMode: ['manual', 'continuous'],
        exposureTime: { min: 10, max: 1000, step: 1 },
        iso: { min: 100, max: 800, step: 1 },
        whiteBalanceMode: ['manual', 'continuous'],
        colorTemperature: { min: 2500, max: 7000, step: 50 },
        zoom: { min: 1, max: 4, step: 0.1 },
        torch: true,
      },
      stands: { exposureMode: 'continuous', exposureTime: 100, iso: 100, zoom: 1 },
      coarse: 70,
    });
    await lentLive(page);
    for (const id of ['shutter', 'iso', 'white', 'zoom']) await page.waitForSelector(byId(`fader-${id}`));
    expect(await page.$(byId('fader-focus'))).toBeNull();
    expect(await words(page, 'shutter-words')).toBe('1/100');
    // By the exposure: 1/100 s at ISO 100 and f/2 is EV 8.6 for a mid-grey.
    await tap(page, 'pattern');
    await tap(page, 'meter-tab-light');
    await tap(page, 'calibrate-by-exposure');
    await page.type(byId('known-light'), '2');
    await tap(page, 'calibrate');
    await readsAbout(page, Math.log2(4 * 100));
    await page.keyboard.press('Escape');
    // 1/50 of the ladder, 156 units, becomes 140: the device goes by 70.
    await tap(page, 'value-shutter');
    await tap(page, 'step-1/60');
    await page.keyboard.press('Escape');
    await wordsBecome(page, 'state-shutter', /device: 1\/71/);
    expect(await words(page, 'state-iso')).toBe('held with the other');
    await readsAbout(page, Math.log2(4 / 0.014));
    const given = await lentOf(page, (l) => l.given.at(-1));
    expect(given).toMatchObject({
      exposureMode: 'manual',
      iso: 100,
      whiteBalanceMode: 'continuous',
      torch: false,
    });
    await tap(page, 'more');
    await tap(page, 'more-tab-camera');
    await tap(page, 'torch');
    await page.keyboard.press('Escape');
    await page.waitForFunction(
      () => (window as unknown as { lent: { given: { torch?: boolean }[] } }).lent.given.at(-1)?.torch,
    );
    // Locked, the device is held where it stands.
    await page.keyboard.press('0');
    await wordsBecome(page, 'state-shutter', /^automatic/);
    await page.keyboard.press('l');
    await page.waitForFunction(
      () =>
        (window as unknown as { lent: { given: { exposureMode?: string }[] } }).lent.given.at(-1)
          ?.exposureMode === 'manual',
    );
  });

  it('averages away noise: 16 pictures have a quarter of the noise of one, and the file tells what was measured', async () => {
    await lent();
    await lentLive(page);
    await lentOf(page, (l) => void Object.assign(l, { grey: 150, noise: 24 }));
    await downloadsTo(page, folder);
    const spread = async (n: number) => {
      await tap(page, 'more');
      await tap(page, 'more-tab-camera');
      await tap(page, `pictures-${n}`);
      await page.keyboard.press('Escape');
      await framesPass(page);
      await take(page);
      expect(await page.$(byId('capture-failed'))).toBeNull();
      await tap(page, 'open-sheet');
      await page.waitForSelector(byId('sheet-frame'));
      await tap(page, 'sheet-frame');
      await page.waitForSelector(byId('download'));
      await tap(page, 'download');
      const raw = readDng((await downloaded(folder, '.dng')).bytes);
      expect(jpegFacts((await downloaded(folder, '.jpg')).bytes).xmp).toContain('finished picture');
      await tap(page, 'to-sheet');
      await page.waitForSelector(byId('to-finder'));
      await tap(page, 'to-finder');
      await lentLive(page);
      const mean = raw.data.reduce((s, v) => s + v, 0) / raw.data.length;
      const deviation = Math.sqrt(raw.data.reduce((s, v) => s + (v - mean) ** 2, 0) / raw.data.length);
      const [s, o] = raw.metadata.noiseProfile!;
      const measured = 65535 * Math.sqrt(s! * (mean / 65535) + o!);
      expect(measured / deviation).toBeGreaterThan(0.85);
      expect(measured / deviation).toBeLessThan(1.15);
      return deviation;
    };
    const ratio = (await spread(1)) / (await spread(16));
    expect(ratio).toBeGreaterThan(4 * 0.9);
    expect(ratio).toBeLessThan(4 * 1.1);
  });

  it('works without streams of frames, picture by picture; white that it does not let be set is put on the picture', async () => {
    await lent({ streams: false });
    await lentLive(page);
    await readsAbout(page, 0);
    expect(await words(page, 'white-words')).toBe('–');
    await page.keyboard.press('y');
    await wordsBecome(page, 'state-white', /on the picture/);
    // A grey picture counts as made for daylight: a ring on it says so, and gives that back.
    await tap(page, 'value-white');
    await wordsBecome(page, 'white-on-picture', /gains/);
    await tap(page, 'ring-toggle');
    await wordsBecome(page, 'ring-words', /^55\d\d K, tint \+10/);
    await tap(page, 'light-tungsten');
    await page.keyboard.press('Escape');
    await wordsBecome(page, 'white-words', /2860/);
    await readsAbout(page, 0);
    expect(await lentOf(page, (l) => l.given)).toEqual([]);
    await take(page);
    expect(await page.$(byId('capture-failed'))).toBeNull();
    await tap(page, 'open-sheet');
    await tap(page, 'sheet-frame');
    await page.waitForFunction(() => document.body.textContent.includes('with white put on it'));
    await tap(page, 'to-sheet');
    await tap(page, 'to-finder');
    await lentLive(page);
  });

  it('a video that says nothing of its pictures is looked at all the same', async () => {
    await lent({ streams: false, silent: 'callback' });
    await lentLive(page);
    await readsAbout(page, 0);
    const dark = codeOf(0.18 / 4);
    await page.evaluate(
      (grey: number) => void ((window as unknown as { lent: { grey: number } }).lent.grey = grey),
      dark,
    );
    // Two stops less, to a code.
    await readsAbout(page, -2, 0.1);
  });

  it('that gives no picture is told, with the way back', async () => {
    await lent({ streams: false, silent: 'pictures' });
    await page.waitForSelector(byId('finder-again'));
    await alertSays(page, /no picture comes from it/);
    // The device is let go.
    expect(await lentOf(page, (l) => l.tracks.at(-1)!.readyState)).toBe('ended');
    await lentOf(page, (l) => void (l.options = { streams: false }));
    await tap(page, 'finder-again');
    await lentLive(page);
  });

  it('that is pulled out in mid-capture fails the press and says so; started again, it is there', async () => {
    await lent();
    await lentLive(page);
    await tap(page, 'more');
    await tap(page, 'more-tab-camera');
    await tap(page, 'pictures-64');
    await page.keyboard.press('Escape');
    await framesPass(page);
    await tap(page, 'release');
    await page.waitForSelector(byId('capture-busy'));
    await lentOf(page, (l) => l.unplug());
    await wordsBecome(page, 'capture-failed', /Not taken: The camera is gone/);
    await page.waitForSelector(byId('finder-again'));
    await tap(page, 'finder-again');
    await lentLive(page);
    expect(await lentOf(page, (l) => l.asked)).toBe(2);
    await tap(page, 'more');
    await tap(page, 'more-tab-camera');
    await tap(page, 'pictures-0');
    await page.keyboard.press('Escape');
    await framesPass(page);
    await take(page);
    expect(await page.$(byId('capture-failed'))).toBeNull();
  });

  it.each([
    [
      'of which a part is seen, at another size',
      { size: [1920, 1080], visible: [240, 0, 1440, 1080], shown: [1280, 960] },
      [0, 1, 2, 3],
    ],
    [
      'that lie across the screen',
      { size: [640, 480], visible: [0, 0, 640, 480], shown: [640, 480], rotation: 90 },
      [2, 0, 3, 1],
    ],
  ] as const)('frames %s are drawn and metered as they are seen', async (_, coded, fields) => {
    await lent({ coded });
    await lentLive(page);
    await framesPass(page);
    // At the corners, just inside: nothing of what is not seen is there.
    const drawn = await page.$eval('canvas', (canvas) => {
      const copy = new OffscreenCanvas(64, 64);
      const context = copy.getContext('2d')!;
      context.drawImage(canvas as HTMLCanvasElement, 0, 0, 64, 64);
      return [
        [1, 1],
        [62, 1],
        [1, 62],
        [62, 62],
      ].map(([x, y]) => context.getImageData(x!, y!, 1, 1).data[1]!);
    });
    const ranks = (of: readonly number[]) => of.map((v) => [...of].sort((a, b) => a - b).indexOf(v));
    expect(Math.min(...drawn)).toBeGreaterThan(40);
    expect(ranks(drawn)).toEqual(fields);
    for (const [i, letter] of [...'ABCD'].entries()) {
      const box = (await (await page.$(byId('finder')))!.boundingBox())!;
      const [x, y] = [0.25 + 0.5 * (i % 2), 0.25 + 0.5 * Math.floor(i / 2)];
      await page.mouse.move(box.x + box.width * x, box.y + box.height * y);
      await page.mouse.down();
      await page.waitForSelector(byId(`pin-${letter}`));
      await page.mouse.up();
    }
    await framesPass(page);
    const pins = await page.$eval('canvas', (canvas) => canvas.dataset.pins ?? '');
    expect(ranks(pins.split(' ').map((pin) => Number(pin.slice(1))))).toEqual(fields);
    for (const letter of 'ABCD') {
      await page.focus(byId(`pin-${letter}`));
      await page.keyboard.press('Delete');
      await page.waitForFunction((s: string) => !document.querySelector(s), {}, byId(`pin-${letter}`));
    }
  });

  it.each([
    ['NotAllowedError', /may not use the camera.*Allow it/],
    // What is said of each is for units; that it is said, the same for all.
    ...(LONG
      ? ([
          ['NotFoundError', /no camera.*Connect one/],
          ['NotReadableError', /busy.*Close that/],
          ['OverconstrainedError', /cannot do what was asked/],
        ] as const)
      : []),
  ] as const)(
    'refused with %s says so, asks once, and gives the simulated one back',
    async (refuses, says) => {
      await lent({ refuses });
      await page.waitForSelector(byId('finder-again'));
      await alertSays(page, says);
      // Whatever is set meanwhile, the person is not asked again.
      await page.keyboard.press('m');
      expect(await lentOf(page, (l) => l.asked)).toBe(1);
      await tap(page, 'finder-again');
      await page.waitForFunction(() => (window as unknown as { lent: { asked: number } }).lent.asked === 2);
      await page.waitForSelector(byId('other-camera'));
    },
  );

  it('on a page that is not secure says where it would be', async () => {
    await page.evaluate(() => Object.defineProperty(navigator, 'mediaDevices', { value: undefined }));
    await takeLent(page);
    await page.waitForSelector(byId('finder-again'));
    await alertSays(page, /not secure.*https/);
  });
});
