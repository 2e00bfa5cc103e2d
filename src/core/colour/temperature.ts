// A light's colour as a photographer sets it: correlated colour temperature and tint. Robertson, "Computation of Correlated Color Temperature and
// Distribution Temperature", JOSA 58 (1968): lines of equal temperature across the Planckian locus in CIE 1960 (u, v), given every 10 to 25 mired;
// between two of them by the angle. Tint is the distance from the locus along such a line, times 3000 (practice): plus where the light is greener.
import { uvOfXy, type Xy } from './chromaticity';

export interface WhitePoint {
  /** Correlated colour temperature, K; at least 1667. */
  readonly kelvin: number;
  /** 3000 times the distance from the Planckian locus; plus above it, towards green. */
  readonly tint: number;
}

/** Reciprocal temperature in mired, u, v of the locus, slope of the line of equal temperature (Robertson 1968; the u of 325 mired is 0.24792,
 * where some copies print 0.24702). */
const LINES: readonly (readonly [mired: number, u: number, v: number, slope: number])[] = [
  [0, 0.18006, 0.26352, -0.24341],
  [10, 0.18066, 0.26589, -0.25479],
  [20, 0.18133, 0.26846, -0.26876],
  [30, 0.18208, 0.27119, -0.28539],
  [40, 0.18293, 0.27407, -0.3047],
  [50, 0.18388, 0.27709, -0.32675],
  [60, 0.18494, 0.28021, -0.35156],
  [70, 0.18611, 0.28342, -0.37915],
  [80, 0.1874, 0.28668, -0.40955],
  [90, 0.1888, 0.28997, -0.44278],
  [100, 0.19032, 0.29326, -0.47888],
  [125, 0.19462, 0.30141, -0.58204],
  [150, 0.19962, 0.30921, -0.70471],
  [175, 0.20525, 0.31647, -0.84901],
  [200, 0.21142, 0.32312, -1.0182],
  [225, 0.21807, 0.32909, -1.2168],
  [250, 0.22511, 0.33439, -1.4512],
  [275, 0.23247, 0.33904, -1.7298],
  [300, 0.2401, 0.34308, -2.0637],
  [325, 0.24792, 0.34655, -2.4681],
  [350, 0.25591, 0.34951, -2.9641],
  [375, 0.264, 0.352, -3.5814],
  [400, 0.27218, 0.35407, -4.3633],
  [425, 0.28039, 0.35577, -5.3762],
  [450, 0.28863, 0.35714, -6.7262],
  [475, 0.29685, 0.35823, -8.5955],
  [500, 0.30505, 0.35907, -11.324],
  [525, 0.3132, 0.35968, -15.628],
  [550, 0.32129, 0.36011, -23.325],
  [575, 0.32931, 0.36038, -40.77],
  [600, 0.33724, 0.36051, -116.45],
];

/** For people: whole kelvins, tint with its sign. */
export function whiteWords({ kelvin, tint }: WhitePoint): string {
  const whole = Math.round(tint);
  const sign = whole > 0 ? '+' : whole < 0 ? '−' : '';
  return `${Math.round(kelvin)} K, tint ${sign}${Math.abs(whole)}`;
}

/** Tint of a distance of 1 in CIE 1960 (u, v). */
export const TINT_PER_UV = 3000;

/** A point of the locus and the unit vector of its line of equal temperature, towards magenta. */
interface Line {
  readonly u: number;
  readonly v: number;
  readonly du: number;
  readonly dv: number;
}

/** The line of a temperature in mired; past the table its ends. */
function lineAt(mired: number): Line {
  const last = LINES.length - 1;
  const above = Math.max(
    1,
    Math.min(
      last,
      LINES.findIndex(([m]) => m >= mired),
    ),
  );
  const i = mired > LINES[last]![0] ? last : above;
  const [from, to] = [LINES[i - 1]!, LINES[i]!];
  const share = Math.min(1, Math.max(0, (mired - from[0]) / (to[0] - from[0])));
  const mix = (a: number, b: number) => a + (b - a) * share;
  const [a, b] = [unit(from[3]), unit(to[3])];
  const [du, dv] = [mix(a[0], b[0]), mix(a[1], b[1])];
  const length = Math.hypot(du, dv);
  return { u: mix(from[1], to[1]), v: mix(from[2], to[2]), du: du / length, dv: dv / length };
}

function unit(slope: number): readonly [number, number] {
  const length = Math.hypot(1, slope);
  return [1 / length, slope / length];
}

/** Chromaticity of a temperature and a tint. @param kelvin 1667 … ∞ */
export function xyOfWhite({ kelvin, tint }: WhitePoint): Xy {
  const { u, v, du, dv } = lineAt(1e6 / kelvin);
  const away = -tint / TINT_PER_UV;
  const [pu, pv] = [u + du * away, v + dv * away];
  // Inverse of CIE 1960: x = 3u/(2u − 8v + 4), y = 2v/(2u − 8v + 4).
  const d = 2 * pu - 8 * pv + 4;
  return [(3 * pu) / d, (2 * pv) / d];
}

/** How far along a line's normal a point lies: positive on the side of the lower temperatures. */
function past({ u, v, du, dv }: Line, [pu, pv]: Xy): number {
  return (pu - u) * -dv + (pv - v) * du;
}

/**
 * Temperature and tint of a chromaticity: the line of equal temperature that it lies on. Exact inverse of `xyOfWhite` between 1667 K and
 * 100 000 K; what is redder or bluer is given the end.
 */
export function whiteOfXy(xy: Xy): WhitePoint {
  const at = uvOfXy(xy);
  // The side changes once between the ends; thirty halvings leave a millionth of a mired.
  let [low, high] = [10, LINES[LINES.length - 1]![0]];
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (past(lineAt(middle), at) > 0) low = middle;
    else high = middle;
  }
  const mired = (low + high) / 2;
  const { u, v, du, dv } = lineAt(mired);
  return { kelvin: 1e6 / mired, tint: -((at[0] - u) * du + (at[1] - v) * dv) * TINT_PER_UV };
}
