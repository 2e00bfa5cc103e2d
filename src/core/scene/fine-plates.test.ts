// Plates in more detail than a finder needs: kept in few bytes they give the same light as plates that are kept whole.
import type { Mat3 } from '../numeric/matrix';
import { PLAIN_LAMP } from '../sensor/sensitivities';
import { SIM_ONE_WIDE } from '../sensor/sim-one';
import { addGreen, addPart, addPoints, expanded, reduced, type CodedPlate } from './coded-plate';
import { croppedScene } from './crop';
import { noLight } from './detail';
import { digitallyZoomed } from './digital-zoom';
import { focusedPlates, plateRows, previewStage } from './light-rows';
import { OPENING } from './outside';
import { readFirstLook, readScenePack, writeScenePack } from './pack';
import { decodeCoded, encodePlate } from './plate-codec';
import type { Plate } from './plate';
import type { Scene, SceneDescription, SceneSpace } from './scene';
import { encodeSpace } from './space-codec';
import { viewScene } from './view';

const SIZE = 128;
const plate = (size: number, shift: number): Plate => ({
  width: size,
  height: size,
  data: Float32Array.from({ length: size * size * 3 }, (_, i) => {
    const [x, y, c] = [Math.floor(i / 3) % size, Math.floor(i / 3 / size), i % 3];
    const bright = (Math.floor(x / 9) + Math.floor(y / 7)) % 2 === 0 ? 40 : 1;
    return bright * (1 + 0.4 * Math.sin(x * 0.9 + shift)) * [1, 0.8, 0.5][c]!;
  }),
});
const QUALITY = { step: 0.035, ratioStep: 0.035, floor: 1e-3 };
const packed = (of: Plate) => encodePlate(of, QUALITY, [5, 3 * (SIZE * 40 + 33) + 2, 3 * (SIZE * 41 + 60)]);
const codedOf = async (of: Plate): Promise<CodedPlate> => {
  const { header, bytes } = packed(of);
  return decodeCoded(header, bytes);
};
const M: Mat3 = [
  [0.6, 0.3, 0.05],
  [0.2, 0.7, 0.1],
  [-0.02, 0.15, 0.9],
];

describe('a plate in few bytes', () => {
  const whole = { x: 0, y: 0, width: SIZE, height: SIZE };

  it('gives a part of what it expands to, exact values too, by any matrix', async () => {
    const coded = await codedOf(plate(SIZE, 0));
    const { data } = expanded(coded);
    const part = { x: 20, y: 34, width: 51, height: 37 };
    const planes = noLight(part.width * part.height);
    addPart(planes, coded, part, M);
    for (let i = 0; i < planes[0].length; i++) {
      const from = 3 * ((part.y + Math.floor(i / part.width)) * SIZE + part.x + (i % part.width));
      M.forEach(([r, g, b], c) =>
        expect(planes[c]![i]! / (r * data[from]! + g * data[from + 1]! + b * data[from + 2]!)).toBeCloseTo(
          1,
          4,
        ),
      );
    }
  });

  it('halves to the mean light of four', async () => {
    const coded = await codedOf(plate(SIZE, 1));
    const { data } = expanded(coded);
    const half = reduced(coded);
    expect([half.width, half.height]).toEqual([SIZE / 2, SIZE / 2]);
    half.data.forEach((v, i) => {
      const [x, y, c] = [Math.floor(i / 3) % half.width, Math.floor(i / 3 / half.width), i % 3];
      const at = 3 * (2 * y * SIZE + 2 * x) + c;
      const mean = (data[at]! + data[at + 3]! + data[at + 3 * SIZE]! + data[at + 3 * SIZE + 3]!) / 4;
      expect(v / mean).toBeCloseTo(1, 3);
    });
  });

  it('gives green alone, and single points: at the middle of a pixel its own light', async () => {
    const coded = await codedOf(plate(SIZE, 2));
    const planes = noLight(SIZE * SIZE);
    // Exact values are passed over by both: the same plate without them.
    const plain = { ...coded, exactAt: new Uint32Array(0), exact: new Float32Array(0) };
    addPart(planes, plain, whole, M);
    const green = new Float32Array(SIZE * SIZE);
    addGreen(green, coded, whole, M[1]);
    green.forEach((v, i) => expect(v / planes[1][i]!).toBeCloseTo(1, 3));
    const points = noLight(3);
    addPoints(points, coded, Float64Array.of(10.5, 11, 90.5), Float64Array.of(50.5), M);
    for (let c = 0; c < 3; c++) {
      expect(points[c]![0]! / planes[c]![50 * SIZE + 10]!).toBeCloseTo(1, 4);
      const between = (planes[c]![50 * SIZE + 10]! + planes[c]![50 * SIZE + 11]!) / 2;
      expect(points[c]![1]! / between).toBeCloseTo(1, 4);
    }
  });
});

describe('a scene with fine plates', () => {
  const description: SceneDescription = {
    ...{ id: 'fine', name: 'Fine', says: '', lens: 'wide', fieldDeg: 70.97 },
    ...{ eye: [0, 1, 0], aim: [0, 1, 2], patches: [] },
    lamps: [
      { ...PLAIN_LAMP, id: 'a', name: 'A', level: 1 },
      { ...PLAIN_LAMP, id: 'b', name: 'B', level: 0.4 },
    ],
  };
  // Near on the left, far on the right.
  const space: SceneSpace = {
    distance: Float32Array.from({ length: SIZE * SIZE }, (_, i) => (i % SIZE < 60 ? 0.4 : 3)),
    surface: new Uint8Array(SIZE * SIZE).fill(5),
  };
  const half: SceneSpace = {
    distance: Float32Array.from({ length: (SIZE * SIZE) / 4 }, (_, i) => (i % (SIZE / 2) < 30 ? 0.4 : 3)),
    surface: new Uint8Array((SIZE * SIZE) / 4).fill(5),
  };
  let whole: Scene;
  let fine: Scene;
  beforeAll(async () => {
    const coded = await Promise.all([0, 1].map((shift) => codedOf(plate(SIZE, shift))));
    whole = { description, size: SIZE, lamps: coded.map(expanded), space };
    fine = {
      ...{ description, size: SIZE / 2, lamps: coded.map(reduced), space: half },
      fine: { lamps: coded, from: 0, size: SIZE, space: () => space },
    };
  });
  const row = (from: Scene, camera = SIM_ONE_WIDE, y = 200) => {
    const rows = plateRows(viewScene(from, camera, 'landscape', OPENING), 640, 0.4);
    const out = new Float32Array(rows.width);
    rows.row(0, 1, y, out, 0);
    return out;
  };

  it('is captured as if all of its detail were worked with, zoomed too', () => {
    // An even part of the plates: its half begins at an even pixel.
    for (const camera of [SIM_ONE_WIDE, digitallyZoomed(SIM_ONE_WIDE, 2)]) {
      const [a, b] = [row(whole, camera), row(fine, camera)];
      a.forEach((v, x) => expect(b[x]! / v).toBeCloseTo(1, 3));
    }
  });

  it('has a part of its detail that is the same part of the whole of it', () => {
    const view = viewScene(fine, SIM_ONE_WIDE, 'landscape', OPENING);
    const part = { x: 64, y: 32, width: 32, height: 20 };
    const all = view.detail.planes({ x: 0, y: 0, width: SIZE, height: SIZE });
    view.detail.planes(part).forEach((planes, g) =>
      planes.forEach((plane, c) => {
        expect(plane[3 * part.width + 7]).toBe(all[g]![c]![(part.y + 3) * SIZE + part.x + 7]);
      }),
    );
    expect(() => focusedPlates(view, 2, view.camera.lens, part).rows(640)).not.toThrow();
  });

  it('shows the finder the same light in the mean, and counts it at single points of the detail', () => {
    const mean = (a: Float32Array) => a.reduce((sum, v) => sum + v, 0) / a.length;
    const lights = [whole, fine].map((from) =>
      previewStage(viewScene(from, SIM_ONE_WIDE, 'landscape', OPENING), 160).focused(3),
    );
    const [a, b] = lights.map(({ groups }) => groups[0]![1]!) as [Float32Array, Float32Array];
    expect(mean(b) / mean(a)).toBeCloseTo(1, 2);
    const [p, q] = lights.map((light) => light.points().groups[0]![1]!) as [Float32Array, Float32Array];
    const bright = 1.4 * mean(a);
    const above = (of: Float32Array) => of.filter((v) => v > bright).length / of.length;
    expect(above(p)).toBeGreaterThan(0.05);
    expect(Math.abs(above(q) / above(p) - 1)).toBeLessThan(0.05);
  });

  it('is cut without being copied, to the square that a longer lens sees', () => {
    const cut = croppedScene(fine, 2);
    expect(cut.fine).toMatchObject({ from: SIZE / 4, size: SIZE / 2 });
    expect(cut.fine!.lamps[0]).toBe(fine.fine!.lamps[0]);
    expect(cut.fine!.space().distance).toHaveLength((SIZE / 2) ** 2);
    expect(croppedScene(cut, 2).fine).toMatchObject({ from: (SIZE * 3) / 8, size: SIZE / 4 });
  });

  it('comes out of a pack larger than is worked with, and a first look at an eighth of its pixels or fewer', async () => {
    const large = 1280;
    const grey: Plate = { width: large, height: large, data: new Float32Array(large * large * 3).fill(7) };
    const wide = {
      distance: new Float32Array(large * large).fill(2),
      surface: new Uint8Array(large * large),
    };
    const one = { ...description, lamps: description.lamps.slice(0, 1) };
    const bytes = writeScenePack(one, [encodePlate(grey, QUALITY)], encodeSpace(wide, large));
    const scene = await readScenePack(bytes);
    expect([scene.size, scene.fine!.size, scene.space!.distance.length]).toEqual([640, large, 640 * 640]);
    expect(scene.lamps[0]!.data[700]).toBeCloseTo(7, 1);
    const first = await readFirstLook(bytes);
    expect([first.size, first.space, first.fine]).toEqual([320, undefined, undefined]);
    expect(first.lamps[0]!.data[99]).toBeCloseTo(7, 1);
    await expect(readScenePack(bytes.subarray(0, bytes.length - 9))).rejects.toThrow(RangeError);
  });

  it('refuses exact values that are out of order or of another plate', async () => {
    for (const exact of [
      [9, 5],
      [3, 3 * SIZE * SIZE],
    ]) {
      const { header, bytes } = encodePlate(plate(SIZE, 0), QUALITY, exact);
      await expect(decodeCoded(header, bytes)).rejects.toThrow(RangeError);
    }
  });
});
