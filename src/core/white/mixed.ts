// Two lights in one frame, from the sensor's numbers alone: the frame is cut into fields, each is asked what light its own surfaces are in, and the
// answers are parted into a warmer and a cooler light. A bright surface that is coloured like a light cannot be told from it: what is said is what it looks
// like.
import type { CameraMatrices } from '../colour/calibrated';
import { colourOfNeutral } from '../colour/camera';
import { automaticWhite } from './automatic';
import type { WhitePoint } from '../colour/temperature';
import type { Vec3 } from '../numeric/matrix';
import type { ColourGrid } from './colour-grid';

export interface MixedLight {
  readonly warmer: WhitePoint;
  readonly cooler: WhitePoint;
  /** Shares of the frame that are lit mostly by each. */
  readonly warmerShare: number;
  readonly coolerShare: number;
  /** Fields of the frame, row by row: 0 warmer, 1 cooler, −1 unknown. */
  readonly across: number;
  readonly fields: readonly number[];
}

/** Fields along the frame's long side. */
const LONG_SIDE = 16;
/** Lights nearer to each other than this are one, mired. */
const MIXED_FROM_MIRED = 40;
/** Each light has to have more than this of the frame. */
const LEAST_SHARE = 0.1;
/** Lights of fields lie on this span; what is beyond is a coloured thing. Mired and tint. */
const USUAL = { least: 90, most: 420, tint: 40 } as const;
/** Of a field those blocks speak that are at least this bright beside its brightest: shade and dark things tell little. */
const BRIGHT = 0.5;
const FEWEST_BLOCKS = 3;
/** A part lit by a lamp of its own is at least so bright beside the other; wood reflects less than half of what greys do. */
const AS_BRIGHT = 0.55;
const TURNS = 12;

/** @returns null where there is one light, or none that can be told */
export function mixedLight(matrices: CameraMatrices, grid: ColourGrid): MixedLight | null {
  const side = Math.max(1, Math.round(Math.max(grid.width, grid.height) / LONG_SIDE));
  const [across, down] = [Math.floor(grid.width / side), Math.floor(grid.height / side)];
  const lights: (WhitePoint | null)[] = [];
  for (let fy = 0; fy < down; fy++)
    for (let fx = 0; fx < across; fx++) lights.push(lightOf(matrices, grid, fx * side, fy * side, side));
  const mireds = lights.map((light) => (light ? 1e6 / light.kelvin : NaN));
  const known = mireds.filter(Number.isFinite);
  if (known.length < (across * down) / 5) return null;
  // Two means (Lloyd): from the ends, each field goes to the nearer.
  let [warm, cool] = [Math.max(...known), Math.min(...known)];
  const isWarm = (mired: number) => Math.abs(mired - warm) < Math.abs(mired - cool);
  for (let turn = 0; turn < TURNS; turn++) {
    const [a, b] = [known.filter(isWarm), known.filter((m) => !isWarm(m))];
    if (a.length === 0 || b.length === 0) return null;
    [warm, cool] = [meanOf(a), meanOf(b)];
  }
  const fields = mireds.map((m) => (Number.isFinite(m) ? (isWarm(m) ? 0 : 1) : -1));
  const shareOf = (which: 0 | 1) => fields.filter((field) => field === which).length / fields.length;
  const [warmerShare, coolerShare] = [shareOf(0), shareOf(1)];
  if (warm - cool <= MIXED_FROM_MIRED || isOneHeap(known, warm, cool)) return null;
  if (Math.min(warmerShare, coolerShare) <= LEAST_SHARE) return null;
  const [warmGood, coolGood] = ([0, 1] as const).map((which) =>
    grid.good.map((ok, i) => {
      const [fx, fy] = [Math.floor((i % grid.width) / side), Math.floor(i / grid.width / side)];
      return ok && fx < across && fields[fy * across + fx] === which ? 1 : 0;
    }),
  ) as [Uint8Array, Uint8Array];
  // What is warm because it is wood, brick or earth is dark as well; a lamp that is worth a word makes its part about as bright.
  if (medianGreen(grid, warmGood) < AS_BRIGHT * medianGreen(grid, coolGood)) return null;
  // Each part is asked as if it were a frame of its own.
  const [warmer, cooler] = [warmGood, coolGood].map(
    (good) => automaticWhite(matrices, { ...grid, good }).colour.white,
  ) as [WhitePoint, WhitePoint];
  if (1e6 / warmer.kelvin - 1e6 / cooler.kelvin <= MIXED_FROM_MIRED) return null;
  return { warmer, cooler, warmerShare, coolerShare, across, fields };
}

function medianGreen({ green }: ColourGrid, good: Uint8Array): number {
  const values = green.filter((_, i) => good[i] === 1).sort();
  return values[values.length >> 1] ?? 0;
}

/** True where fields lie as often between two lights as at them: a slope of colours rather than two. */
function isOneHeap(mireds: readonly number[], warm: number, cool: number): boolean {
  const third = (warm - cool) / 3;
  const between = mireds.filter((m) => m > cool + third && m < warm - third).length;
  return between > mireds.length / 4;
}

/** What light the brighter surfaces of a field would be grey in. */
function lightOf(
  matrices: CameraMatrices,
  { width, red, green, blue, good }: ColourGrid,
  x0: number,
  y0: number,
  side: number,
): WhitePoint | null {
  let top = 0;
  const each = (of: (i: number) => void) => {
    for (let y = y0; y < y0 + side; y++)
      for (let x = x0; x < x0 + side; x++) {
        const i = y * width + x;
        if (good[i]) of(i);
      }
  };
  each((i) => (top = Math.max(top, green[i]!)));
  let n = 0;
  const sum: [number, number, number] = [0, 0, 0];
  each((i) => {
    if (green[i]! < BRIGHT * top) return;
    n++;
    sum[0] += red[i]! / green[i]!;
    sum[1] += 1;
    sum[2] += blue[i]! / green[i]!;
  });
  if (n < FEWEST_BLOCKS) return null;
  const white = roughWhite(matrices, sum[0] / n, sum[2] / n);
  const mired = 1e6 / white.kelvin;
  return mired > USUAL.least && mired < USUAL.most && Math.abs(white.tint) < USUAL.tint ? white : null;
}

/** Steps of log₂ that ratios are rounded to, for whites that are kept. */
const ROUGH = 0.02;
const roughWhites = new WeakMap<CameraMatrices, Map<number, WhitePoint>>();

/** The white of a neutral by its ratios of red and blue to green, to about a mired; worked out once for each. */
function roughWhite(matrices: CameraMatrices, red: number, blue: number): WhitePoint {
  let kept = roughWhites.get(matrices);
  if (!kept) roughWhites.set(matrices, (kept = new Map()));
  const [r, b] = [Math.round(Math.log2(red) / ROUGH), Math.round(Math.log2(blue) / ROUGH)];
  const key = r * 4096 + b;
  let white = kept.get(key);
  if (!white) {
    const neutral: Vec3 = [2 ** (r * ROUGH), 1, 2 ** (b * ROUGH)];
    kept.set(key, (white = colourOfNeutral(matrices, neutral).white));
  }
  return white;
}

function meanOf(values: readonly number[]): number {
  return values.reduce((a, b) => a + b, 0) / values.length;
}
