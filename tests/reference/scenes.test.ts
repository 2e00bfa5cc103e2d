// Every packed scene against what its description states: luminances through the meter, distances, reflectances through raw
// and the camera matrix (CIEDE2000, Sharma et al. 2005), and, where the renderer is there, the source itself.
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { loadScene, sceneList } from '../../cli/scene-files';
import { cameraFromSrgb } from '../../src/core/colour/camera';
import { LUMA_709, XYZ_FROM_SRGB } from '../../src/core/colour/srgb';
import { apply3, invert3, type Vec3 } from '../../src/core/numeric/matrix';
import { captureFrame } from '../../src/core/scene/capture';
import { plateRows } from '../../src/core/scene/light-rows';
import { OPENING, type Outside } from '../../src/core/scene/outside';
import type { Scene, ScenePatch } from '../../src/core/scene/scene';
import { viewScene } from '../../src/core/scene/view';
import { SIM_ONE } from '../../src/core/sensor/sim-one';
import { PLATE_IDS } from '../../src/core/sensor/simulated-camera';
import { SATURATION_EXPOSURE_ISO100 } from '../../src/core/sensor/sensor';
import { lensQ } from '../../src/core/optics/lens';
import { readExr } from '../../tools/scenes/exr';
import { LENS_PLATES, packedFile, sourceDir } from '../../tools/scenes/files';
import { render, rendererIsThere } from '../../tools/scenes/povray';

jest.setTimeout(120_000);
const list = sceneList();
const rest = { support: 'tripod' as const, press: 0, sinceTouchS: 60 };

describe('the scenes together', () => {
  it('are eight, each for three lenses, 60 MB at most; the opening view 3 MB', () => {
    expect(list).toHaveLength(8);
    const sizes = list.flatMap(({ id, lenses }) => lenses.map((lens) => statSync(packedFile(id, lens)).size));
    expect(sizes).toHaveLength(24);
    expect(sizes.reduce((a, b) => a + b)).toBeLessThan(60e6);
    expect(list[0]!.bytes.wide!).toBeLessThan(3e6);
  });
});

/**
 * A patch as a spot of its size would read it: the mean of the meter's map over it. The map has 128 cells along the
 * frame; a patch of fewer than nine is read from the plates.
 */
function metered(scene: Scene, patch: ScenePatch): number {
  const { luminance } = viewScene(scene, SIM_ONE[scene.description.lens], 'landscape').sight;
  const { width, height, data } = luminance;
  const [u, v] = [patch.x * width, ((patch.y - 0.125) / 0.75) * height];
  const reach = patch.radius * width;
  const share = (cell: number, middle: number) =>
    Math.max(0, Math.min(cell + 1, middle + reach) - Math.max(cell, middle - reach));
  let [sum, area] = [0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const inside = share(x, u) * share(y, v);
      sum += inside * data[y * width + x]!;
      area += inside;
    }
  return area < 9 ? fromPlates(scene, patch) : sum / area;
}

function fromPlates({ size, lamps, description }: Scene, { x, y, radius }: ScenePatch): number {
  let [sum, n] = [0, 0];
  for (let py = Math.floor((y - radius) * size); py < (y + radius) * size; py++)
    for (let px = Math.floor((x - radius) * size); px < (x + radius) * size; px++) {
      const i = (py * size + px) * 3;
      lamps.forEach(({ data }, k) => {
        const light = LUMA_709[0] * data[i]! + LUMA_709[1] * data[i + 1]! + LUMA_709[2] * data[i + 2]!;
        sum += description.lamps[k]!.level * light;
      });
      n++;
    }
  return sum / n;
}

describe.each(list.map((s) => s.id))('%s', (id) => {
  it.each(PLATE_IDS)(
    'through the %s gives its patches back within 0.1 EV, at their distance',
    async (lens) => {
      const scene = await loadScene(id, lens);
      const { description, size, space } = scene;
      expect(description.lens).toBe(lens);
      if (lens === 'wide') expect(description.patches.length).toBeGreaterThan(2);
      for (const patch of description.patches) {
        const off = Math.abs(Math.log2(metered(scene, patch) / patch.luminance));
        expect([patch.name, off < 0.1 || off]).toEqual([patch.name, true]);
        const seen = space!.distance[Math.floor(patch.y * size) * size + Math.floor(patch.x * size)]!;
        const near = Math.abs(seen / patch.distanceM - 1) < 0.1;
        expect([patch.name, near || patch.radius * size < 4 || patch.distanceM > 100]).toEqual([
          patch.name,
          true,
        ]);
      }
    },
  );
});

describe('ranges', () => {
  /** Stops between the shares of the frame, with all lamps at their opening level. */
  const range = async (id: string, low: number, high: number) => {
    const { luminance } = viewScene(await loadScene(id), SIM_ONE.wide, 'landscape').sight;
    const sorted = Float32Array.from(luminance.data).sort();
    const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))]!;
    return Math.log2(at(high) / at(low));
  };
  /** Stops from the darkest 0.1 % of the plates to their brightest pixel. */
  const span = async (id: string) => {
    const { description, lamps, size } = await loadScene(id);
    const light = Float32Array.from({ length: size * size }, (_, i) =>
      lamps.reduce(
        (sum, { data }, k) =>
          sum +
          description.lamps[k]!.level *
            (LUMA_709[0] * data[3 * i]! + LUMA_709[1] * data[3 * i + 1]! + LUMA_709[2] * data[3 * i + 2]!),
        0,
      ),
    ).sort();
    return Math.log2(light[light.length - 1]! / light[Math.floor(light.length / 1000)]!);
  };
  it('the spy-hole spans 18 stops and more, the shed door 16 and more', async () => {
    expect(await span('spy-hole')).toBeGreaterThan(18);
    expect(await span('shed-door')).toBeGreaterThan(16);
  });
  it('bisque and soot are even: most of the frame within five stops', async () => {
    expect(await range('bisque-shelf', 0.05, 0.95)).toBeLessThan(5);
    expect(await range('soot-wall', 0.05, 0.95)).toBeLessThan(6);
  });
  it('the lantern of the night yard stands at about EV 9, the yard itself at EV −6 … −4', async () => {
    const scene = await loadScene('yard-night');
    const lantern = scene.description.patches.find((p) => p.name === 'Lantern')!;
    expect(Math.abs(Math.log2(lantern.luminance / 0.125) - 9)).toBeLessThan(1);
    const { luminance } = viewScene(scene, SIM_ONE.wide, 'landscape').sight;
    const sorted = Float32Array.from(luminance.data).sort();
    const ev = Math.log2(sorted[sorted.length >> 1]! / 0.125);
    expect(ev).toBeGreaterThan(-7);
    expect(ev).toBeLessThan(-4);
  });
});

/** CIE L*a*b* against D65 white, from linear Rec. 709. */
function labOf(rgb: Vec3): Vec3 {
  const white = apply3(XYZ_FROM_SRGB, [1, 1, 1]);
  const f = apply3(XYZ_FROM_SRGB, rgb).map((v, i) => {
    const t = Math.max(0, v) / white[i]!;
    return t > (6 / 29) ** 3 ? Math.cbrt(t) : t / (3 * (6 / 29) ** 2) + 4 / 29;
  }) as [number, number, number];
  return [116 * f[1] - 16, 500 * (f[0] - f[1]), 200 * (f[1] - f[2])];
}

/** CIEDE2000 (Sharma, Wu, Dalal 2005). */
function deltaE2000([l1, a1, b1]: Vec3, [l2, a2, b2]: Vec3): number {
  const rad = Math.PI / 180;
  const c = (Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2;
  const g = 0.5 * (1 - Math.sqrt(c ** 7 / (c ** 7 + 25 ** 7)));
  const [p1, p2] = [a1 * (1 + g), a2 * (1 + g)];
  const [c1, c2] = [Math.hypot(p1, b1), Math.hypot(p2, b2)];
  const hue = (b: number, a: number) => (a === 0 && b === 0 ? 0 : (Math.atan2(b, a) / rad + 360) % 360);
  const [h1, h2] = [hue(b1, p1), hue(b2, p2)];
  let dh = h2 - h1;
  if (c1 * c2 === 0) dh = 0;
  else if (dh > 180) dh -= 360;
  else if (dh < -180) dh += 360;
  let h = h1 + h2;
  if (c1 * c2 !== 0) h = Math.abs(h1 - h2) <= 180 ? h / 2 : h < 360 ? (h + 360) / 2 : (h - 360) / 2;
  const [l, cm] = [(l1 + l2) / 2, (c1 + c2) / 2];
  const t =
    1 -
    0.17 * Math.cos((h - 30) * rad) +
    0.24 * Math.cos(2 * h * rad) +
    0.32 * Math.cos((3 * h + 6) * rad) -
    0.2 * Math.cos((4 * h - 63) * rad);
  const sl = 1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2);
  const [sc, sh] = [1 + 0.045 * cm, 1 + 0.015 * cm * t];
  const rt =
    -Math.sin(60 * Math.exp(-(((h - 275) / 25) ** 2)) * rad) * 2 * Math.sqrt(cm ** 7 / (cm ** 7 + 25 ** 7));
  const [dl, dc, dH] = [
    (l2 - l1) / sl,
    (c2 - c1) / sc,
    (2 * Math.sqrt(c1 * c2) * Math.sin((dh / 2) * rad)) / sh,
  ];
  return Math.sqrt(dl * dl + dc * dc + dH * dH + rt * dc * dH);
}

describe('CIEDE2000', () => {
  it.each([
    [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
    [[50, 2.5, 0], [73, 25, -18], 27.1492],
    [[2.0776, 0.0795, -1.135], [0.9033, -0.0636, -0.5514], 0.9082],
  ] as [Vec3, Vec3, number][])('of %j and %j is %f (published test data)', (a, b, expected) => {
    expect(deltaE2000(a, b)).toBeCloseTo(expected, 3);
  });
});

/** Normal equations, solved by elimination. */
function leastSquares(rows: number[][], values: number[]): number[] {
  const n = rows[0]!.length;
  const m = Array.from({ length: n }, (_, i) => [
    ...Array.from({ length: n }, (_k, j) => rows.reduce((s, r) => s + r[i]! * r[j]!, 0)),
    rows.reduce((s, r, k) => s + r[i]! * values[k]!, 0),
  ]);
  for (let i = 0; i < n; i++)
    for (let r = 0; r < n; r++) {
      if (r === i) continue;
      const k = m[r]![i]! / m[i]![i]!;
      for (let c = i; c <= n; c++) m[r]![c] = m[r]![c]! - k * m[i]![c]!;
    }
  return m.map((row, i) => row[n]! / row[i]!);
}

describe('the tile board', () => {
  /** Mean balanced camera colour of each tile in a 12 MP capture, made into reflectances by the white tile's own. */
  async function tilesUnder(lamp: string) {
    const levels = Object.fromEntries(['day', 'tungsten', 'cool'].map((id) => [id, id === lamp ? 1 : 0]));
    const outside: Outside = { ...OPENING, levels, support: 'tripod' };
    const camera = SIM_ONE.wide;
    const scene = await loadScene('tile-board');
    const view = viewScene(scene, camera, 'landscape', outside);
    const { patches } = scene.description;
    const white = patches.find((p) => p.name === 'White')!;
    const bright = view.sight.luminance.data.reduce((a, b) => Math.max(a, b));
    // The brightest thing two stops below clip; a whole period of the mains, so that the tube does not band.
    const { lens } = camera;
    const wanted = (0.25 * SATURATION_EXPOSURE_ISO100 * lens.apertureN ** 2) / (lensQ(lens) * bright);
    const shutterS = 1 / 100;
    const dimmed = viewScene(scene, camera, 'landscape', {
      ...outside,
      levels: { ...levels, [lamp]: Math.min(1, wanted / shutterS) },
    });
    const colour = { colorMatrix: camera.colorMatrix, asShotNeutral: [1, 1, 1] as const, kelvin: 5500 };
    const settings = { shutterS, iso: 100, apertureN: lens.apertureN, compensationEv: 0 };
    const order = { settings, colour, seed: 5, timeMs: 0, offsetMinutes: 0, clockS: 0 };
    const rows = plateRows(dimmed, 2016, 0.92);
    const frame = captureFrame(rows, order, rest);
    const mean = (p: ScenePatch): Vec3 => {
      const sums = [0, 0, 0];
      const counts = [0, 0, 0];
      const [cx, cy] = [p.x * frame.width, ((p.y - 0.125) / 0.75) * frame.height];
      const reach = p.radius * 0.7 * frame.width;
      const falling = new Float32Array(frame.width);
      for (let y = Math.floor(cy - reach); y < cy + reach; y++) {
        rows.fallOff(y, falling);
        for (let x = Math.floor(cx - reach); x < cx + reach; x++) {
          const c = (y & 1) + (x & 1);
          sums[c]! += (frame.data[y * frame.width + x]! - frame.black) / falling[x]!;
          counts[c]!++;
        }
      }
      return sums.map((s, c) => s / counts[c]!) as unknown as Vec3;
    };
    // Camera channels → linear Rec. 709 of the light that came, then against the white tile's.
    const toRgb = invert3(cameraFromSrgb(camera.colorMatrix));
    const [wr, wg, wb] = apply3(toRgb, mean(white));
    const tiles = patches.map((p) => {
      const [r, g, b] = apply3(toRgb, mean(p));
      const rgb: Vec3 = [r / wr, g / wg, b / wb];
      return { at: p, rgb, truth: p.reflectance! };
    });
    // Light falls off smoothly over the board: a flat field of five terms, fitted to the 24 lightnesses, takes it out.
    const y = (v: Vec3) => LUMA_709[0] * v[0] + LUMA_709[1] * v[1] + LUMA_709[2] * v[2];
    const terms = (p: ScenePatch) => {
      const [u, v] = [4 * (p.x - 0.5), 4 * (p.y - 0.5)];
      return [1, u, v, u * u, v * v];
    };
    const field = leastSquares(
      tiles.map(({ at }) => terms(at)),
      tiles.map(({ rgb, truth }) => Math.log(y(rgb) / y(truth))),
    );
    return tiles.map(({ at, rgb, truth }) => {
      const light = Math.exp(terms(at).reduce((sum, t, k) => sum + t * field[k]!, 0));
      return { rgb: rgb.map((v) => v / light) as unknown as Vec3, truth };
    });
  }

  it.each(['day', 'tungsten', 'cool'])(
    'gives its reflectances back through raw under %s: mean ΔE2000 below 2',
    async (lamp) => {
      const tiles = await tilesUnder(lamp);
      expect(tiles).toHaveLength(24);
      const errors = tiles.map(({ rgb, truth }) => deltaE2000(labOf(rgb), labOf(truth)));
      const mean = errors.reduce((a, b) => a + b) / errors.length;
      expect(mean).toBeLessThan(2);
    },
  );
});

const there = rendererIsThere();
if (!there)
  process.stderr.write(
    'POV-Ray is not installed: the check of a scene against its source was skipped' + '\n',
  );
(there ? describe : describe.skip)('a scene rendered small from its source', () => {
  const folder = mkdtempSync(join(tmpdir(), 'velmo-render-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it('looks like its packed plate', async () => {
    const id = 'soot-wall';
    const source = JSON.parse(readFileSync(join(sourceDir(id), 'scene.json'), 'utf8')) as {
      unitCdM2: number;
      lamps: { plate: string; gain: number }[];
    };
    const SIZE = 64;
    const target = join(folder, 'small.exr');
    render(
      { id, plate: source.lamps[0]!.plate, fieldDeg: LENS_PLATES.wide!.fieldDeg, size: SIZE, draft: true },
      target,
    );
    const { rgb } = readExr(readFileSync(target));
    const { lamps, size } = await loadScene(id);
    const step = size / 8;
    // Means of an 8×8 grid, green, within half a stop nearly everywhere: the small one has coarse light.
    let good = 0;
    for (let cell = 0; cell < 64; cell++) {
      const [cx, cy] = [cell % 8, Math.floor(cell / 8)];
      let [small, packed] = [0, 0];
      for (let k = 0; k < 64; k++)
        small += rgb[((cy * 8 + (k >> 3)) * SIZE + cx * 8 + (k & 7)) * 3 + 1]! / 64;
      for (let y = 0; y < step; y++)
        for (let x = 0; x < step; x++)
          packed += lamps[0]!.data[((cy * step + y) * size + cx * step + x) * 3 + 1]!;
      packed /= step * step;
      const lit = small * source.unitCdM2 * source.lamps[0]!.gain;
      if (Math.abs(Math.log2(lit / packed)) < 0.5) good++;
    }
    expect(good).toBeGreaterThan(58);
  });
});
