// Packing of plates against their originals, and the way of light onto the sensor: H = q·L·t/N² (ISO 12232), cos⁴θ.
import { PLAIN_LAMP } from '../sensor/sensitivities';
import { colourOfNeutral } from '../colour/camera';
import { digestOf } from '../frame/digest';
import { initialValues } from '../setting/values';
import { known } from '../units/known';
import { viewSource } from './view-source';
import fc from 'fast-check';
import { cos4, equivalentFocalLengthMm, fieldOfViewDeg, lensQ } from '../optics/lens';
import { countSites, channelFigures, stopsBelowSaturation } from '../raw/statistics';
import { readMeter } from '../meter/read';
import { automaticPlan, DEFAULT_RULES, resolveExposure } from '../exposure/automatic';
import { finderFor } from '../finder/finder';
import { TOLERANCE } from '../finder/outlook';
import { shoot } from '../frame/shoot';
import { ev100OfLuminance } from '../light/apex';
import { SIM_ONE_WIDE as SIM_ONE } from '../sensor/sim-one';
import { BINS_PER_EV, binEdgeEv, stopline } from '../scopes/stopline';
import { captureFrame } from './capture';
import { readSceneDescription, readFirstLook, readScenePack, writeScenePack } from './pack';
import { decodeFirstLook, decodePlate, encodePlate } from './plate-codec';
import type { Plate } from './plate';
import { tapsFor } from './resample';
import type { Scene, SceneDescription } from './scene';
import { plateRows } from './light-rows';
import { OPENING } from './outside';
import { encodeSpace } from './space-codec';
import { viewScene } from './view';
import type { Orientation } from '../body/orientation';
import { forwardWavelet, inverseRows, levelsFor } from './wavelet';
import { someFacts } from '../../../tests/facts';

const AIM = { at: { x: 0.5, y: 0.5 }, spotShare: 0.01, burnShare: 0.0003 };
const SIZE = 64;
const description: SceneDescription = {
  id: 'flat',
  name: 'Flat',
  says: '',
  lens: 'wide',
  fieldDeg: 70.97,
  eye: [0, 1, 0],
  aim: [0, 1, 2],
  lamps: [
    { ...PLAIN_LAMP, id: 'a', name: 'A', level: 1 },
    { ...PLAIN_LAMP, id: 'b', name: 'B', level: 0.5 },
  ],
  patches: [],
};
const plateOf = (value: (x: number, y: number, c: number) => number, size = SIZE): Plate => ({
  width: size,
  height: size,
  data: Float32Array.from({ length: size * size * 3 }, (_, i) =>
    value(Math.floor(i / 3) % size, Math.floor(i / 3 / size), i % 3),
  ),
});
const space = { distance: new Float32Array(SIZE * SIZE).fill(2), surface: new Uint8Array(SIZE * SIZE) };
const rest = { support: 'tripod' as const, press: 0, sinceTouchS: 60 };
const flatScene = (luminance: number): Scene => ({
  description,
  size: SIZE,
  lamps: [plateOf(() => luminance * 0.75), plateOf(() => luminance * 0.5)],
  space,
});

describe('the wavelet', () => {
  it.each([
    [64, 64],
    [96, 32],
    [33, 64],
  ])('goes there and back on %i×%i', (w, h) => {
    const original = Float32Array.from({ length: w * h }, (_, i) => Math.sin(i * 0.37) * 5 + (i % 17));
    const plane = original.slice();
    const levels = levelsFor(w, h);
    forwardWavelet(plane, w, h, levels);
    const back = new Float32Array(w * h);
    inverseRows(plane, w, h, levels, (row, y) => back.set(row, y * w));
    back.forEach((v, i) => expect(v).toBeCloseTo(original[i]!, 3));
  });

  it('keeps a constant in the low band alone', () => {
    const plane = new Float32Array(64 * 64).fill(3);
    forwardWavelet(plane, 64, 64, 2);
    expect(plane[0]).toBeCloseTo(3, 5);
    expect(Math.abs(plane[63 * 64 + 63]!)).toBeLessThan(1e-6);
  });
});

describe('a packed plate', () => {
  // Sixteen stops from corner to corner, a hard edge, texture.
  const master = plateOf(
    (x, y, c) => 2 ** ((x + y) / 8) * (x > 40 ? 30 : 1) * (1 + 0.1 * Math.sin(x * y + c)) * [1, 0.8, 0.5][c]!,
  );
  const quality = { step: 0.035, ratioStep: 0.035, floor: 1e-3 };

  it('comes back within 5 % RMS over sixteen stops', async () => {
    const { header, bytes } = encodePlate(master, quality);
    const back = await decodePlate(header, bytes);
    const square = back.data.reduce((sum, v, i) => sum + (v / master.data[i]! - 1) ** 2, 0);
    expect(Math.sqrt(square / back.data.length)).toBeLessThan(0.05);
  });

  it('keeps chosen values exactly', async () => {
    const { header, bytes } = encodePlate(master, quality, [0, 100, 12287]);
    const back = await decodePlate(header, bytes);
    for (const i of [0, 100, 12287]) expect(back.data[i]).toBe(master.data[i]);
  });

  it('has a half-size first look of the same brightness', async () => {
    const flat = plateOf(() => 40);
    const { header, bytes } = encodePlate(flat, quality);
    const half = await decodeFirstLook(header, bytes, 1);
    expect([half.width, half.height]).toEqual([SIZE / 2, SIZE / 2]);
    half.data.forEach((v) => expect(v / 40).toBeCloseTo(1, 1));
  });

  it('refuses damaged bytes and headers', async () => {
    const { header, bytes } = encodePlate(master, quality);
    await expect(decodePlate(header, bytes.subarray(0, bytes.length >> 1))).rejects.toThrow(RangeError);
    await expect(decodePlate({ ...header, width: 0 }, bytes)).rejects.toThrow(RangeError);
    await expect(decodePlate({ ...header, lengths: [1] }, bytes)).rejects.toThrow(RangeError);
  });

  it('travels in a pack with its scene; a cut or foreign pack is refused', async () => {
    const plates = [encodePlate(master, quality), encodePlate(master, quality)];
    const pack = writeScenePack(description, plates, encodeSpace(space, SIZE));
    const scene = await readScenePack(pack);
    expect(scene.description).toEqual(description);
    expect([scene.size, scene.lamps.length]).toEqual([SIZE, 2]);
    expect(scene.space!.distance[5]).toBeCloseTo(2, 2);
    expect(scene.space!.surface).toEqual(space.surface);
    expect((await readFirstLook(pack)).size).toBe(SIZE / 2);
    expect(readSceneDescription(pack)).toEqual(description);
    await expect(readScenePack(pack.subarray(0, pack.length - 40))).rejects.toThrow(/early/);
    await expect(readScenePack(new Uint8Array(20))).rejects.toThrow(/Not a packed scene/);
  });
});

describe('resampling', () => {
  it('keeps a constant, coarser or finer', () => {
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 90 }), fc.integer({ min: 4, max: 90 }), (out, size) => {
        const { count, weight } = tapsFor(out, 0, size, size, 1.6);
        for (let i = 0; i < out; i++) {
          let sum = 0;
          for (let k = 0; k < count; k++) sum += weight[i * count + k]!;
          expect(sum).toBeCloseTo(1, 4);
        }
      }),
    );
  });
});

describe('a lens', () => {
  it('has q = 0.65 on the axis (ISO 12232) and a 24 mm field', () => {
    expect(lensQ(SIM_ONE.lens)).toBeCloseTo(0.65, 12);
    expect(Math.round(equivalentFocalLengthMm(SIM_ONE.lens, SIM_ONE.sensor))).toBe(24);
    expect(fieldOfViewDeg(6.9, 4032 * SIM_ONE.sensor.pitchMm)).toBeCloseTo(70.97, 1);
  });

  it('falls off with cos⁴θ: a quarter at 45°', () => {
    expect(cos4(7, 0, 0)).toBe(1);
    expect(cos4(7, 7, 0)).toBeCloseTo(0.25, 12);
  });
});

const order = (shutterS: number, iso = 100) => ({
  settings: { shutterS, iso, apertureN: 1.8, compensationEv: 0 },
  colour: colourOfNeutral(SIM_ONE.matrices, [0.5, 1, 0.7]),
  seed: 4,
  timeMs: 0,
  offsetMinutes: 0,
  clockS: 0,
});

describe('from scene to raw', () => {
  it('a metered grey card lands 3.26 EV below saturation at the centre (ISO 2720, ISO 12232)', () => {
    const luminance = 60;
    const view = viewScene(flatScene(luminance), SIM_ONE, 'landscape');
    expect(readMeter(view.sight, 'spot', AIM).ev100).toBeCloseTo(ev100OfLuminance(luminance), 4);
    // The exact time that the meter asks for, not the nearest third.
    const shutterS = (1.8 * 1.8 * 12.5) / (luminance * 100);
    const frame = captureFrame(plateRows(view, 256, 2), order(shutterS), rest);
    let [sum, n] = [0, 0];
    for (let y = 90; y < 102; y++)
      for (let x = 122; x < 134; x++)
        if ((x + y) % 2 === 1) {
          sum += frame.data[y * frame.width + x]!;
          n++;
        }
    expect(stopsBelowSaturation(sum / n, frame)).toBeCloseTo(-3.26, 1);
    // And the stopline of that middle shows its green there.
    const middle = Uint16Array.from(
      { length: 144 },
      (_, i) => frame.data[(90 + Math.floor(i / 12)) * frame.width + 122 + (i % 12)]!,
    );
    const { bins } = stopline(countSites({ ...frame, width: 12, height: 12, data: middle }));
    const peak = bins[1].indexOf(Math.max(...bins[1]));
    expect(Math.abs(binEdgeEv(peak) + 0.5 / BINS_PER_EV + 3.26)).toBeLessThan(0.1);
  });

  it.each(['portrait', 'landscape'] as Orientation[])('adds lamps up and sizes frames, %s', (orientation) => {
    const view = viewScene(flatScene(100), SIM_ONE, orientation);
    expect(readMeter(view.sight, 'whole', AIM).luminance).toBeCloseTo(100, 2);
    const only = viewScene(flatScene(100), SIM_ONE, orientation, { ...OPENING, levels: { b: 0 } });
    expect(readMeter(only.sight, 'whole', AIM).luminance).toBeCloseTo(75, 2);
    const { width, height } = plateRows(view, 4032, 2);
    expect([width, height]).toEqual(orientation === 'portrait' ? [3024, 4032] : [4032, 3024]);
  });

  it('is one stop apart within 0.5 % when exposed a stop apart, up to clip', () => {
    const view = viewScene(flatScene(60), SIM_ONE, 'landscape');
    const means = [1 / 512, 1 / 256, 1 / 128, 1 / 64].map((t) => {
      const frame = captureFrame(plateRows(view, 512, 2), order(t), rest);
      return channelFigures(countSites(frame), frame.noise).map((f) => f.mean - frame.black);
    });
    for (let i = 1; i < means.length; i++) {
      means[i]!.forEach((mean, c) => expect(Math.abs(mean / means[i - 1]![c]! / 2 - 1)).toBeLessThan(0.005));
    }
  });

  it('is the same raw at ISO 50 and 100, and the same again with the same seed', () => {
    const view = viewScene(flatScene(60), SIM_ONE, 'portrait');
    const [a, b] = [50, 100].map(
      (iso) => captureFrame(plateRows(view, 256, 2), order(1 / 125, iso), rest).data,
    );
    expect(a).toEqual(b);
  });

  it('the finder frame measures, marks and develops; headroom goes below zero past clip', () => {
    const finder = finderFor(viewSource(viewScene(flatScene(60), SIM_ONE, 'portrait'), 1, 160));
    const manual = (exact: number) => ({
      settings: {
        ...initialValues(),
        shutter: { auto: false, exact },
        iso: { auto: false, exact: 100 },
      },
      freely: false,
      at: AIM.at,
      focusAt: AIM.at,
      focusAgain: 0,
      pins: [],
      habitEv: 0,
      ring: null,
      lockedEv100: null,
      outlook: { tolerance: TOLERANCE, cleanDb: 10 },
    });
    const normal = finder.measure(manual(2 ** -7), 1);
    const over = finder.measure(manual(2 ** -2), 2);
    expect(normal.outlook.headroomEv - over.outlook.headroomEv).toBeCloseTo(5, 0);
    expect(over.outlook.headroomEv).toBeLessThan(-1);
    expect(normal.midGreyEv).toBeCloseTo(-3.263, 2);
    finder.develop(over);
    expect([...finder.rgba.slice(0, 3)]).toEqual([255, 255, 255]);
    const marks = {
      rawClip: true,
      rawFloor: false,
      pictureWhite: false,
      pictureBlack: false,
      zebra: null,
      inFocus: null,
    };
    expect(finder.mark(over, marks, true)).toEqual({
      both: 1,
      pictureWhite: 1,
      onlyPicture: 0,
      onlyRaw: 0,
      pictureBlack: 0,
    });
    expect([...finder.rgba.slice(0, 3)]).toEqual([255, 111, 174]);
  });

  it('a press gives a file, its forecast and its record; cancelling it throws what the caller threw', async () => {
    const view = viewScene(flatScene(60), SIM_ONE, 'landscape');
    const { settings } = resolveExposure(
      {
        shutter: { auto: true, exact: 1 },
        iso: { auto: true, exact: 100 },
        aperture: { auto: true, exact: 1.8 },
        compensationEv: 0,
      },
      ev100OfLuminance(60),
      automaticPlan(DEFAULT_RULES, { apertureN: 1.8 }, 1 / 24),
    );
    const press = {
      settings,
      facts: someFacts({ meteredEv100: { unknown: 'not metered' }, id: 'a'.repeat(32), timeMs: 0 }),
      seed: 1,
      clockS: 0,
      focusM: 2,
      steadiness: rest,
    };
    const jpeg = Uint8Array.from([
      0xff, 0xd8, 0xff, 0xc0, 0, 17, 8, 0, 8, 0, 8, 3, 1, 0x11, 0, 2, 0x11, 0, 3, 0x11, 0, 0xff, 0xd9,
    ]);
    const options = { longSide: 512, compression: 'lossless-jpeg' as const, encodeJpeg: () => jpeg };
    const shot = await shoot(view, press, options);
    expect(shot.record).toMatchObject({
      image: { width: 512, height: 384, kind: 'mosaic' },
      files: [
        { format: 'dng', bytes: shot.files[0]!.bytes.length, sha256: await digestOf(shot.files[0]!.bytes) },
      ],
      id: press.facts.id,
    });
    expect(shot.record.forecast!.headroomEv! - known(shot.record.result)!.headroomEv!).toBeCloseTo(0, 0);
    const stop = new Error('stop');
    await expect(
      shoot(view, press, {
        ...options,
        onProgress: (stage, share) => {
          if (stage === 'encode' && share > 0) throw stop;
        },
      }),
    ).rejects.toBe(stop);
  });
});
