// Surfaces with a reflectance of their own answer as their spectrum does in each lamp's, and nothing else of the scene changes.
import { answer, ofUnitLuminance, spectrumFrom, spectrumOfLight } from '../colour/spectra';
import { Y_BAR } from '../colour/spectral-tables';
import { reflectanceOf } from '../colour/surface-spectra';
import type { Vec3 } from '../numeric/matrix';
import type { LampLight } from '../sensor/sensitivities';
import { SIM_ONE_WIDE } from '../sensor/sim-one';
import { croppedScene } from './crop';
import { OPENING } from './outside';
import type { Scene, SceneDescription, StatedSurface } from './scene';
import { decodeCoded, encodePlate } from './plate-codec';
import { viewScene } from './view';

const SIZE = 64;
const COLOUR: Vec3 = [0.3, 0.2, 0.1];
/** A glaze that is bright at both ends: not what the smooth reflectance of its colour is. */
const SPECTRUM = [0.5, 0.1, 0.05, 0.25, 0.3, 0.05, 0.4, 0.8];
const SURFACE: StatedSurface = {
  ...{ name: 'Glaze', x: 0.5, y: 0.25, half: 0.1 + 1 / 256 },
  ...{ reflectance: COLOUR, spectrum: SPECTRUM },
};
const LAMPS: readonly LampLight[] = [
  { rgb: [1, 1, 1], light: { kind: 'daylight', kelvin: 6504 } },
  { rgb: [1.9, 0.85, 0.2], light: { kind: 'planck', kelvin: 2750 } },
  { rgb: [0.9, 1.02, 1.1], light: { kind: 'F2' } },
];

function description(surfaces: readonly StatedSurface[], lamps: readonly LampLight[]): SceneDescription {
  return {
    ...{ id: 'glaze', name: 'Glaze', says: '', lens: 'wide', fieldDeg: 70.97 },
    ...{ eye: [0, 1, 0], aim: [0, 1, 2], patches: [], surfaces },
    lamps: lamps.map((lamp, i) => ({ ...lamp, id: String(i), name: String(i), level: 1 })),
  };
}

/** All of one surface, lit by lamps one beside the other. */
function scene(surfaces: readonly StatedSurface[], lamps: readonly LampLight[]): Scene {
  return {
    description: description(surfaces, lamps),
    size: SIZE,
    lamps: lamps.map(({ rgb }) => ({
      width: SIZE,
      height: SIZE,
      data: Float32Array.from({ length: 3 * SIZE * SIZE }, (_, i) => 100 * rgb[i % 3]! * COLOUR[i % 3]!),
    })),
  };
}
const planesOf = (of: Scene) => viewScene(of, SIM_ONE_WIDE, 'landscape', OPENING).groups[0]!.planes;
const at = (x: number, y: number, size = SIZE) => y * size + x;
const [INSIDE, OUTSIDE] = [at(32, 16), at(5, 50)];

describe.each(LAMPS)('under $light.kind', (lamp) => {
  const own = planesOf(scene([SURFACE], [lamp]));
  const plain = planesOf(scene([], [lamp]));

  it('the camera answers as an integral over the spectra says, at the luminance of the smooth surface of its colour', () => {
    const power = ofUnitLuminance(spectrumOfLight(lamp.light));
    const reflectance = spectrumFrom(SPECTRUM);
    const white = 100 * [0.2126, 0.7152, 0.0722].reduce((sum, k, c) => sum + k * lamp.rgb[c]!, 0);
    const share = (white * answer(Y_BAR, power, reflectanceOf(COLOUR))) / answer(Y_BAR, power, reflectance);
    SIM_ONE_WIDE.sensitivities.forEach((site, c) => {
      const expected = share * answer(site, power, reflectance);
      expect(own[c]![INSIDE]! / expected).toBeCloseTo(1, 4);
    });
    // The two reflectances are told apart.
    expect(
      Math.max(...own.map((plane, c) => Math.abs(plane[INSIDE]! / plain[c]![INSIDE]! - 1))),
    ).toBeGreaterThan(0.1);
  });

  it('what lies beside it stays as it is, and an edge is between', () => {
    own.forEach((plane, c) => expect(plane[OUTSIDE]).toBe(plain[c]![OUTSIDE]));
    const edge = at(Math.floor(SIZE * (SURFACE.x + SURFACE.half)), 16);
    own.forEach((plane, c) => {
      const [from, to] = [plain[c]![edge]!, plane[INSIDE]!];
      // Half a pixel and a bit: 0.6 + 64/256 = 38.65.
      expect((plane[edge]! - from) / (to - from)).toBeCloseTo(0.65, 4);
    });
  });

  it('the meter reads what it read', () => {
    const reading = (of: Scene) => viewScene(of, SIM_ONE_WIDE, 'landscape', OPENING).sight.luminance.data;
    expect(reading(scene([SURFACE], [lamp]))).toEqual(reading(scene([], [lamp])));
  });
});

it('lamps together are the sum of each alone', () => {
  const together = planesOf(scene([SURFACE], LAMPS));
  const alone = LAMPS.map((lamp) => planesOf(scene([SURFACE], [lamp])));
  together.forEach((plane, c) => {
    const sum = alone.reduce((s, planes) => s + planes[c]![INSIDE]!, 0);
    expect(plane[INSIDE]! / sum).toBeCloseTo(1, 5);
  });
});

it('a crop takes the surface along, one that it cuts as well', () => {
  const whole = scene([{ ...SURFACE, y: 0.27 }], [LAMPS[1]!]);
  const cut = croppedScene(whole, 2);
  const [from, part] = [planesOf(whole), planesOf(cut)];
  expect(cut.size).toBe(SIZE / 2);
  part.forEach((plane, c) => {
    for (const [x, y] of [
      [16, 0],
      [16, 4],
      [3, 20],
    ] as const)
      expect(plane[at(x, y, SIZE / 2)]! / from[c]![at(x + 16, y + 16)]!).toBeCloseTo(1, 5);
  });
});

it('plates in twice the detail answer alike: in parts, green alone, and at points', async () => {
  const lamp = LAMPS[2]!;
  const { header, bytes } = encodePlate(
    {
      width: 2 * SIZE,
      height: 2 * SIZE,
      data: Float32Array.from(
        { length: 12 * SIZE * SIZE },
        (_, i) => 100 * lamp.rgb[i % 3]! * COLOUR[i % 3]!,
      ),
    },
    { step: 0.01, ratioStep: 0.01, floor: 1e-3 },
  );
  const coded = await decodeCoded(header, bytes);
  const half = scene([SURFACE], [lamp]);
  const fine: Scene = {
    ...half,
    fine: {
      ...{ lamps: [coded], from: 0, size: 2 * SIZE },
      space: () => ({
        distance: new Float32Array(4 * SIZE * SIZE).fill(2),
        surface: new Uint8Array(4 * SIZE * SIZE),
      }),
    },
  };
  const { detail } = viewScene(fine, SIM_ONE_WIDE, 'landscape', OPENING);
  const expected = planesOf(half);
  const part = { x: 40, y: 20, width: 60, height: 40 };
  const [planes] = detail.planes(part);
  const green = detail.green(part);
  const here = at(2 * 32 - part.x, 2 * 16 - part.y, part.width);
  planes!.forEach((plane, c) => expect(plane[here]! / expected[c]![INSIDE]!).toBeCloseTo(1, 1.5));
  expect(green[here]! / planes![1][here]!).toBeCloseTo(1, 3);
  const [points] = detail.points({ x: 0, y: 0, width: 2 * SIZE, height: 2 * SIZE }, 8, 8);
  points!.forEach((plane, c) => {
    expect(plane[at(4, 2, 8)]! / planes![c]![here]!).toBeCloseTo(1, 3);
    expect(plane[at(0, 7, 8)]! / expected[c]![OUTSIDE]!).toBeCloseTo(1, 1.5);
  });
});
