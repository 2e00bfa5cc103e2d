// Automatic white, from the sensor's numbers alone. Two kinds of evidence are weighed: that many bright places have the colour that a grey surface
// would have in some usual light, and that the frame as a whole is grey. Both speak in ratios of the camera's channels; usual lights are those
// near black bodies and daylight. Ours, after the grey-world and bright-neutral assumptions (common practice).
import { neutralOfWhite, type CameraMatrices } from '../colour/calibrated';
import { colourOfNeutral, colourOfWhite, type CameraColour } from '../colour/camera';
import { xyOfWhite, type WhitePoint } from '../colour/temperature';
import type { Vec3 } from '../numeric/matrix';
import type { ColourGrid } from './colour-grid';

export interface AutomaticWhite {
  readonly colour: CameraColour;
  /** False where nothing in the frame looks grey in a usual light: the white is a guess. */
  readonly sure: boolean;
}

/** Usual lights: mired from and to, by steps; tint from and to, by steps. */
const MIREDS = [83, 560, 8] as const;
const TINTS = [-40, 40, 8] as const;
/** How far usual lights lie off the locus of black bodies and daylight, as a spread of tint about that of their kind. */
const TINT_SPREAD = 14;
/** How common lights are by their mired (practice): daylight from sun to shade, tubes, filaments; and little of everything else. */
const COMMON: readonly { readonly mired: number; readonly spread: number; readonly weight: number }[] = [
  { mired: 165, spread: 30, weight: 1 },
  { mired: 242, spread: 10, weight: 0.3 },
  { mired: 355, spread: 20, weight: 0.8 },
];
const UNCOMMON = 0.1;
/**
 * The world is not grey on average: earth, wood, skin and brick are warm, and little is blue. Where the mean of a frame that is balanced right
 * usually lies, log₂ of red and blue over green, and how far from there it may.
 */
const WORLD = { red: 0.15, blue: -0.25 } as const;
const WORLD_SPREAD = 0.35;
/** Bins of log₂(red/green) and log₂(blue/green): stops from, a bin's width, bins a side. */
const FROM = -4;
const BIN = 0.05;
const SIDE = 160;
/** A place is grey in a light when its ratios lie within this of that light's, stops. */
const GREY_REACH = 0.1;
/** Share of the frame's brightness that must be grey for the white to be sure of itself. */
const SURE_SHARE = 0.35;
/** How common a light must be for that. */
const SURE_COMMON = 0.15;
/** Grey places are sought about the grey places that were found, so often. */
const TURNS = 3;
/** Of grey places the brightest are the whitest: power of their weight. */
const BRIGHTEST = 6;
/** What every light has without any grey place, as a share. */
const WITHOUT_GREY = 0.004;

interface Candidate {
  readonly white: WhitePoint;
  /** log₂ of red and blue over green. */
  readonly red: number;
  readonly blue: number;
  readonly usual: number;
}

/** How common a light of that mired is, the commonest about 1. */
function commonness(mired: number): number {
  return COMMON.reduce(
    (sum, c) => sum + c.weight * Math.exp(-0.5 * ((mired - c.mired) / c.spread) ** 2),
    UNCOMMON,
  );
}

const candidatesOf = new WeakMap<CameraMatrices, readonly Candidate[]>();

function usualLights(matrices: CameraMatrices): readonly Candidate[] {
  const known = candidatesOf.get(matrices);
  if (known) return known;
  const made: Candidate[] = [];
  for (let mired = MIREDS[0]; mired <= MIREDS[1]; mired += MIREDS[2])
    for (let tint = TINTS[0]; tint <= TINTS[1]; tint += TINTS[2]) {
      const white = { kelvin: 1e6 / mired, tint };
      const [r, g, b] = neutralOfWhite(matrices, xyOfWhite(white));
      if (!(r > 0 && g > 0 && b > 0)) continue;
      const common = commonness(mired);
      const usual = common * Math.exp(-0.5 * (tint / TINT_SPREAD) ** 2);
      made.push({ white, red: Math.log2(r / g), blue: Math.log2(b / g), usual });
    }
  candidatesOf.set(matrices, made);
  return made;
}

/** Ratios of the good blocks, and how much each counts: by the root of its brightness, up to that of the brightest twentieth. */
function ratiosOf({ red, green, blue, good }: ColourGrid) {
  let count = 0;
  for (let i = 0; i < good.length; i++) count += good[i]!;
  const bright = new Float32Array(count);
  for (let i = 0, k = 0; i < good.length; i++) if (good[i]) bright[k++] = green[i]!;
  const top = bright.sort()[Math.floor(0.95 * (count - 1))] ?? 1;
  const of = { red: new Float32Array(count), blue: new Float32Array(count), weight: new Float32Array(count) };
  let total = 0;
  for (let i = 0, k = 0; i < good.length; i++) {
    if (!good[i]) continue;
    of.red[k] = Math.log2(red[i]! / green[i]!);
    of.blue[k] = Math.log2(blue[i]! / green[i]!);
    of.weight[k] = Math.sqrt(Math.min(1, green[i]! / top));
    total += of.weight[k++]!;
  }
  for (let k = 0; k < count; k++) of.weight[k] = of.weight[k]! / total;
  return { ...of, count };
}

const binOf = (stops: number) => Math.min(SIDE - 1, Math.max(0, Math.floor((stops - FROM) / BIN)));

/** The white of a frame. Where hardly anything is fit to be looked at, daylight, and not sure. */
export function automaticWhite(matrices: CameraMatrices, grid: ColourGrid): AutomaticWhite {
  const { red, blue, weight, count } = ratiosOf(grid);
  if (count < grid.good.length / 400)
    return { colour: colourOfWhite(matrices, { kelvin: 5500, tint: 0 }), sure: false };
  const bins = new Float32Array(SIDE * SIDE);
  let [meanRed, meanBlue] = [0, 0];
  for (let k = 0; k < count; k++) {
    const bin = binOf(blue[k]!) * SIDE + binOf(red[k]!);
    bins[bin] = bins[bin]! + weight[k]!;
    meanRed += weight[k]! * red[k]!;
    meanBlue += weight[k]! * blue[k]!;
  }
  const reach = Math.round(GREY_REACH / BIN);
  const greyShare = (r: number, b: number) => {
    const [cr, cb] = [binOf(r), binOf(b)];
    let sum = 0;
    for (let y = Math.max(0, cb - reach); y <= Math.min(SIDE - 1, cb + reach); y++)
      for (let x = Math.max(0, cr - reach); x <= Math.min(SIDE - 1, cr + reach); x++) {
        const d2 = ((x - cr) ** 2 + (y - cb) ** 2) / (reach * reach);
        if (d2 < 1) sum += (1 - d2) * bins[y * SIDE + x]!;
      }
    return sum;
  };
  let best: { of: Candidate; score: number } | undefined;
  for (const of of usualLights(matrices)) {
    const grey = greyShare(of.red, of.blue);
    const away2 = (of.red + WORLD.red - meanRed) ** 2 + (of.blue + WORLD.blue - meanBlue) ** 2;
    const score = of.usual * Math.exp((-0.5 * away2) / WORLD_SPREAD ** 2) * (grey + WITHOUT_GREY);
    if (!best || score > best.score) best = { of, score };
  }
  const { of } = best!;
  // The grey places themselves tell more exactly than the step of the lights.
  const at = { red: of.red, blue: of.blue };
  let grey = 0;
  for (let turn = 0; turn < TURNS; turn++) {
    let [sum, r, b] = [0, 0, 0];
    grey = 0;
    for (let k = 0; k < count; k++) {
      const d2 = ((red[k]! - at.red) ** 2 + (blue[k]! - at.blue) ** 2) / GREY_REACH ** 2;
      if (d2 >= 1) continue;
      grey += (1 - d2) * weight[k]!;
      const w = (1 - d2) * weight[k]! ** BRIGHTEST;
      sum += w;
      r += w * red[k]!;
      b += w * blue[k]!;
    }
    if (sum > 0) [at.red, at.blue] = [r / sum, b / sum];
  }
  const neutral: Vec3 = [2 ** at.red, 1, 2 ** at.blue];
  const colour = colourOfNeutral(matrices, neutral);
  // Much that is grey in a light that hardly occurs is rather coloured alike in one that does.
  const common = commonness(1e6 / colour.white.kelvin) >= SURE_COMMON;
  return { colour, sure: common && grey >= SURE_SHARE };
}
