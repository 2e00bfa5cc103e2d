// White measured from a thing: the numbers inside a ring on the picture, of the sensor or of a finished picture, and what they would give as a white.
// Nothing is given where they tell no colour.
import { balanceGains, colourOfNeutral, srgbFromBalanced } from '../colour/camera';
import { deltaE2000, labOf } from '../colour/lab';
import { decodeSrgb, XYZ_FROM_SRGB } from '../colour/srgb';
import { balances } from '../colour/reach';
import { TINT_PER_UV, type WhitePoint } from '../colour/temperature';
import type { CameraMatrices } from '../colour/calibrated';
import type { FramePoint } from '../meter/luminance-map';
import { apply3, type Vec3 } from '../numeric/matrix';
import { blackOf, cfaIndex, clipLevel, type Mosaic, type NoiseModel } from '../sensor/raw-frame';
import { MOST_TINT, WHITE_SPAN } from '../setting/white';

/** A circle on the picture: its middle in shares of the frame, its radius as a share of the frame's long side. */
export interface Ring {
  readonly at: FramePoint;
  readonly radius: number;
}

export const RING_RADII = { least: 0.008, usual: 0.03, most: 0.2 } as const;

export type RingReading =
  | {
      readonly kind: 'white';
      readonly white: WhitePoint;
      /** What should be known before it is taken. */
      readonly warnings: readonly string[];
      /** Mean CIEDE2000 of the places in the ring from their mean. */
      readonly spread: number;
      /** Distance from the locus of black bodies, CIE 1960. */
      readonly duv: number;
      /** Of the weakest channel of single sites, dB. */
      readonly snrDb: number;
    }
  | { readonly kind: 'refused'; readonly why: string };

/** Signal to noise of a single site that a white may be taken from, dB. */
export const LEAST_SNR_DB = 20;
/** Usual lights lie no farther off the locus of black bodies (practice). */
const MOST_DUV = 0.02;
/** A mean difference of places from which an area is not of one colour: plainly seen side by side (practice). */
const MOST_SPREAD = 4;
/** Cells of 2×2 sites that are looked at, at most: more tell nothing new. */
const MOST_CELLS = 3000;
const FEWEST_CELLS = 4;
const CHANNELS = ['red', 'green', 'blue'] as const;
/** Where a place is compared with others, its colour is brought to this luminance, so that light and shade do not count. */
const COMPARED_AT = 0.5;
const WHITE_XYZ = apply3(XYZ_FROM_SRGB, [1, 1, 1]);

type Frame = Pick<Mosaic, 'width' | 'height' | 'phase' | 'data' | 'black' | 'blacks' | 'white'>;

/** @param siteNoise of a single full-size site at the frame's ISO, on the frame's scale of numbers */
export function readRing(
  frame: Frame,
  matrices: CameraMatrices,
  { at, radius }: Ring,
  siteNoise: NoiseModel,
): RingReading {
  return readCells(cellsIn(frame, at, radius), matrices, (s) => siteNoise.shot * s + siteNoise.read);
}

/**
 * The same on a finished picture, whose noise is not told: what neighbours differ by counts as noise.
 * @param rgba sRGB codes
 */
export function readRingOnPicture(
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
  matrices: CameraMatrices,
  { at, radius }: Ring,
): RingReading {
  const cells = pixelsIn(rgba, width, height, at, radius);
  const between = CHANNELS.map((_, c) => {
    const squares = cells.slice(1).map(({ rgb }, i) => (rgb[c]! - cells[i]!.rgb[c]!) ** 2);
    return squares.sort((a, b) => a - b)[squares.length >> 1]! / (2 * HALF_OF_SQUARES);
  });
  return readCells(cells, matrices, (_, c) => Math.max(between[c]!, ROUNDING));
}

function readCells(
  cells: readonly Cell[],
  matrices: CameraMatrices,
  variance: (signal: number, channel: number) => number,
): RingReading {
  if (cells.length < FEWEST_CELLS) return { kind: 'refused', why: 'The ring lies outside of the picture' };
  const burnt = CHANNELS.filter((_, c) => cells.some(({ clipped }) => clipped[c]));
  if (burnt.length > 0)
    return { kind: 'refused', why: `${sentence(burnt)} ${burnt.length > 1 ? 'are' : 'is'} clipped there` };
  const mean = meanOf(cells.map(({ rgb }) => rgb));
  const snr = mean.map((s, c) => (s > 0 ? 20 * Math.log10(s / Math.sqrt(variance(s, c))) : -Infinity));
  const weak = CHANNELS.filter((_, c) => snr[c]! < LEAST_SNR_DB);
  if (weak.length > 0)
    return {
      kind: 'refused',
      why: `Too dark: ${weak.join(' and ')} ${weak.length > 1 ? 'are' : 'is'} under ${LEAST_SNR_DB} dB`,
    };
  const colour = colourOfNeutral(matrices, mean);
  const { white } = colour;
  if (
    !balances(matrices, white) ||
    !(white.kelvin >= WHITE_SPAN.low && white.kelvin <= WHITE_SPAN.high && Math.abs(white.tint) <= MOST_TINT)
  )
    return { kind: 'refused', why: 'That is the colour of no light that can be set' };
  const gains = balanceGains(colour);
  const toSrgb = srgbFromBalanced(colour);
  const labs = pooled(cells).map((rgb) => {
    const linear = apply3(toSrgb, [rgb[0] * gains[0], rgb[1] * gains[1], rgb[2] * gains[2]]);
    const xyz = apply3(XYZ_FROM_SRGB, linear);
    const k = COMPARED_AT / Math.max(1e-9, xyz[1]);
    return labOf([xyz[0] * k, xyz[1] * k, xyz[2] * k], WHITE_XYZ);
  });
  const middle = meanOf(labs);
  const spread = labs.reduce((sum, lab) => sum + deltaE2000(lab, middle), 0) / labs.length;
  const duv = white.tint / TINT_PER_UV;
  const warnings = [
    spread > MOST_SPREAD && `Not of one colour: places differ by ${spread.toFixed(1)} ΔE`,
    Math.abs(duv) > MOST_DUV &&
      `Off any usual light: ${duv > 0 ? 'green' : 'magenta'}, Duv ${duv.toFixed(3)}`,
  ].filter((w) => w !== false);
  return { kind: 'white', white, warnings, spread, duv, snrDb: Math.min(...snr) };
}

interface Cell {
  /** Camera R, G, B above black; of a picture, linear. */
  readonly rgb: Vec3;
  readonly clipped: readonly [boolean, boolean, boolean];
}

/** Linear value of an sRGB code. */
const LINEAR = Float64Array.from({ length: 256 }, (_, code) => decodeSrgb(code / 255));
/** Codes of a picture that are cut off. */
const FULL_CODE = 254;
/** Variance of a linear value that comes from rounding to a dark code: a twelfth of the square of its step. */
const ROUNDING = (1 / 255 / 12.92) ** 2 / 12;
/** Half of the squares of a normal deviate lie below this: edges inside the ring shift their mean, not their middle. */
const HALF_OF_SQUARES = 0.455;

function pixelsIn(
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
  at: FramePoint,
  radius: number,
): readonly Cell[] {
  const reach = radius * Math.max(width, height);
  const [cx, cy] = [at.x * width, at.y * height];
  const step = Math.max(1, Math.ceil(Math.sqrt((Math.PI * reach * reach) / MOST_CELLS)));
  const cells: Cell[] = [];
  for (let y = Math.max(0, Math.floor(cy - reach)); y < Math.min(height, cy + reach); y += step)
    for (let x = Math.max(0, Math.floor(cx - reach)); x < Math.min(width, cx + reach); x += step) {
      if (Math.hypot(x + 0.5 - cx, y + 0.5 - cy) > reach) continue;
      const i = 4 * (y * width + x);
      const [r, g, b] = [rgba[i]!, rgba[i + 1]!, rgba[i + 2]!];
      cells.push({
        rgb: [LINEAR[r]!, LINEAR[g]!, LINEAR[b]!],
        clipped: [r >= FULL_CODE, g >= FULL_CODE, b >= FULL_CODE],
      });
    }
  return cells;
}

function cellsIn(frame: Frame, at: FramePoint, radius: number): readonly Cell[] {
  const { width, height, phase: [px, py] = [0, 0], data, white } = frame;
  const reach = radius * Math.max(width, height);
  const [cx, cy] = [at.x * width, at.y * height];
  const step = 2 * Math.max(1, Math.ceil(Math.sqrt((Math.PI * reach * reach) / 4 / MOST_CELLS)));
  const blacks = [0, 1, 2, 3].map((c) => blackOf(frame, c));
  const clips = blacks.map((black) => clipLevel({ black, white }));
  const even = (v: number) => Math.max(0, 2 * Math.floor(v / 2));
  const cells: Cell[] = [];
  for (let y = even(cy - reach); y < Math.min(height - 1, cy + reach); y += step)
    for (let x = even(cx - reach); x < Math.min(width - 1, cx + reach); x += step) {
      if (Math.hypot(x + 1 - cx, y + 1 - cy) > reach) continue;
      const sums = [0, 0, 0, 0];
      const full = [false, false, false, false];
      for (let i = 0; i < 4; i++) {
        const [sx, sy] = [x + (i & 1), y + (i >> 1)];
        const dn = data[sy * width + sx]!;
        const c = cfaIndex(px + sx, py + sy);
        sums[c] = dn - blacks[c]!;
        full[c] = dn >= clips[c]!;
      }
      cells.push({
        rgb: [sums[0]!, (sums[1]! + sums[2]!) / 2, sums[3]!],
        clipped: [full[0]!, full[1]! || full[2]!, full[3]!],
      });
    }
  return cells;
}

/** Places of a ring: its cells in about sixty heaps of neighbours, so that noise is no colour. */
function pooled(cells: readonly Cell[]): readonly Vec3[] {
  const each = Math.max(1, Math.floor(cells.length / 60));
  const places: Vec3[] = [];
  for (let i = 0; i + each <= cells.length; i += each)
    places.push(meanOf(cells.slice(i, i + each).map(({ rgb }) => rgb)));
  return places;
}

function meanOf(values: readonly Vec3[]): Vec3 {
  const sum = [0, 0, 0];
  for (const v of values) for (let c = 0; c < 3; c++) sum[c]! += v[c]!;
  return sum.map((s) => s / values.length) as unknown as Vec3;
}

/** "Red", "Red and blue", "Red, green and blue". */
function sentence(names: readonly string[]): string {
  const words = names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}` : names[0]!;
  return words[0]!.toUpperCase() + words.slice(1);
}
