// The tile board under one lamp, as a capture through raw and as what its tiles should look like.
import { loadScene } from '../../cli/scene-files';
import { colourOfNeutral } from '../../src/core/colour/camera';
import { LUMA_709 } from '../../src/core/colour/srgb';
import type { Vec3 } from '../../src/core/numeric/matrix';
import { lensQ } from '../../src/core/optics/lens';
import { captureFrame } from '../../src/core/scene/capture';
import { plateRows } from '../../src/core/scene/light-rows';
import { OPENING } from '../../src/core/scene/outside';
import type { ScenePatch } from '../../src/core/scene/scene';
import { viewScene } from '../../src/core/scene/view';
import type { RawFrame } from '../../src/core/sensor/raw-frame';
import { SATURATION_EXPOSURE_ISO100 } from '../../src/core/sensor/sensor';
import { SIM_ONE } from '../../src/core/sensor/sim-one';

export const LAMPS = ['day', 'tungsten', 'cool'] as const;
export type LampId = (typeof LAMPS)[number];

export interface Board {
  readonly frame: RawFrame;
  readonly tiles: readonly ScenePatch[];
}

/** A capture on a tripod with one lamp alone, the brightest thing two stops below clip, for a whole period of the mains. */
export async function boardUnder(lamp: LampId): Promise<Board> {
  const levels = Object.fromEntries(LAMPS.map((id) => [id, id === lamp ? 1 : 0]));
  const outside = { ...OPENING, support: 'tripod' as const };
  const camera = SIM_ONE.wide;
  const scene = await loadScene('tile-board');
  const view = viewScene(scene, camera, 'landscape', { ...outside, levels });
  const bright = view.sight.luminance.data.reduce((a, b) => Math.max(a, b));
  const { lens } = camera;
  const wanted = (0.25 * SATURATION_EXPOSURE_ISO100 * lens.apertureN ** 2) / (lensQ(lens) * bright);
  const shutterS = 1 / 100;
  const dimmed = { ...levels, [lamp]: Math.min(1, wanted / shutterS) };
  const rows = plateRows(viewScene(scene, camera, 'landscape', { ...outside, levels: dimmed }), 2016, 0.92);
  const frame = captureFrame(
    rows,
    {
      settings: { shutterS, iso: 100, apertureN: lens.apertureN, compensationEv: 0 },
      colour: colourOfNeutral(camera.matrices, [1, 1, 1]),
      ...{ seed: 5, timeMs: 0, offsetMinutes: 0, clockS: 0 },
    },
    { support: 'tripod', press: 0, sinceTouchS: 60 },
  );
  return { frame, tiles: scene.description.patches.filter(({ reflectance }) => reflectance) };
}

/** The sites of a tile: `of(x, y, n)` is called for each. */
export function eachSite(
  { width, height }: Pick<RawFrame, 'width' | 'height'>,
  tile: ScenePatch,
  of: (x: number, y: number) => void,
): void {
  const [cx, cy] = [tile.x * width, ((tile.y - 0.125) / 0.75) * height];
  const reach = tile.radius * 0.7 * width;
  for (let y = Math.floor(cy - reach); y < cy + reach; y++)
    for (let x = Math.floor(cx - reach); x < cx + reach; x++) of(x, y);
}

/** Mean camera R, G, B of a tile above black. */
export function rawMean(frame: RawFrame, tile: ScenePatch): Vec3 {
  const [sums, counts] = [
    [0, 0, 0],
    [0, 0, 0],
  ];
  eachSite(frame, tile, (x, y) => {
    const c = (y & 1) + (x & 1);
    sums[c]! += frame.data[y * frame.width + x]! - frame.black;
    counts[c]!++;
  });
  return [sums[0]! / counts[0]!, sums[1]! / counts[1]!, sums[2]! / counts[2]!];
}

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

/**
 * Developed colours (linear Rec. 709) of tiles as reflectances: the light falls off smoothly over the board, and a flat field of five terms, fitted
 * to the lightnesses of all of them, takes it out. Only lightness is touched.
 */
export function asReflectances(tiles: readonly ScenePatch[], developed: readonly Vec3[]): readonly Vec3[] {
  const y = (v: readonly number[]) => LUMA_709[0] * v[0]! + LUMA_709[1] * v[1]! + LUMA_709[2] * v[2]!;
  const terms = (p: ScenePatch) => {
    const [u, v] = [4 * (p.x - 0.5), 4 * (p.y - 0.5)];
    return [1, u, v, u * u, v * v];
  };
  const field = leastSquares(
    tiles.map(terms),
    tiles.map((tile, i) => Math.log(y(developed[i]!) / y(tile.reflectance!))),
  );
  return tiles.map((tile, i) => {
    const light = Math.exp(terms(tile).reduce((sum, t, k) => sum + t * field[k]!, 0));
    return developed[i]!.map((v) => v / light) as unknown as Vec3;
  });
}
