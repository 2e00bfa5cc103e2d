// Third-stop ladders of shutter, ISO, aperture and compensation: exact values to compute with, nominal values to show
// and write. Exact shutter = 2^(−n/3) s, exact ISO = 100·2^(k/3), exact f-number = 2^(n/6). Nominal values after the usual rounding of
// ISO 12232 speeds and camera shutter markings.

/** One click of a ladder. `exact` is what is computed with; `nominal` what is shown and written to files. */
export interface Step {
  readonly exact: number;
  readonly nominal: number;
  readonly label: string;
}

/** Steps in rising order of light: a step up gives a third of a stop more exposure. */
export type Ladder = readonly Step[];

const MINUS = '−';
const THIRD_SIGNS = ['', '⅓', '⅔'] as const;

const SHUTTER_FRACTIONS = [
  8000, 6400, 5000, 4000, 3200, 2500, 2000, 1600, 1250, 1000, 800, 640, 500, 400, 320, 250, 200, 160, 125,
  100, 80, 60, 50, 40, 30, 25, 20, 15, 13, 10, 8, 6, 5, 4,
];
const SHUTTER_SECONDS = [
  0.3, 0.4, 0.5, 0.6, 0.8, 1, 1.3, 1.6, 2, 2.5, 3.2, 4, 5, 6, 8, 10, 13, 15, 20, 25, 30,
];
const ISO_NOMINAL = [
  50, 64, 80, 100, 125, 160, 200, 250, 320, 400, 500, 640, 800, 1000, 1250, 1600, 2000, 2500, 3200, 4000,
  5000, 6400,
];

/** 1/8000 s … 30 s, 55 steps. */
export const SHUTTER_LADDER: Ladder = [
  ...SHUTTER_FRACTIONS.map((n) => ({ nominal: 1 / n, label: `1/${n}` })),
  ...SHUTTER_SECONDS.map((s) => ({ nominal: s, label: `${s} s` })),
].map((step, i) => ({ ...step, exact: 2 ** ((i - 39) / 3) }));

/** ISO 50 … 6400, 22 steps. */
export const ISO_LADDER: Ladder = ISO_NOMINAL.map((iso, i) => ({
  exact: 100 * 2 ** ((i - 3) / 3),
  nominal: iso,
  label: String(iso),
}));

const APERTURE_NOMINAL = [
  1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11, 13, 14, 16,
  18, 20, 22,
];

/** f/22 … f/1, 28 steps: up is more light, as on every ladder. */
export const APERTURE_LADDER: Ladder = APERTURE_NOMINAL.map((n, i) => ({
  exact: 2 ** (i / 6),
  nominal: n,
  label: `f/${n}`,
})).reverse();

/** −5 … +5 EV in thirds, 31 steps. */
export const COMPENSATION_LADDER: Ladder = Array.from({ length: 31 }, (_, i) => {
  const thirds = i - 15;
  return {
    exact: thirds / 3,
    nominal: Math.round((thirds / 3) * 100) / 100,
    label: formatThirds(thirds / 3),
  };
});

/** Where ∞ stands on the focus ladder, m: beyond it nothing differs. */
export const FAR_M = 4096;

const FOCUS_METRES = [
  0.12, 0.13, 0.14, 0.15, 0.16, 0.18, 0.2, 0.22, 0.25, 0.28, 0.3, 0.32, 0.35, 0.38, 0.4, 0.45, 0.5, 0.55, 0.6,
  0.65, 0.7, 0.75, 0.8, 0.9, 1, 1.1, 1.2, 1.35, 1.5, 1.7, 2, 2.2, 2.5, 2.8, 3, 3.5, 4, 4.5, 5, 6, 7, 8, 10,
  12, 15, 20, 30, 50,
];

/** Focus distances in metres, from near to far; the last is infinity. */
export const FOCUS_LADDER: Ladder = [
  ...FOCUS_METRES.map((m) => ({ exact: m, nominal: m, label: `${m} m` })),
  { exact: FAR_M, nominal: Infinity, label: '∞' },
];

/** Steps of the white ladder, and its ends in mired (10⁶/K): from one to the next the colour changes alike everywhere, by 8⅓. */
const WHITE_STEPS = 50;
const WARMEST_MIRED = 500;
const COOLEST_MIRED = 1e6 / 12000;

/** Three digits are enough for the eye, and two from 10 000 K on. */
export function nominalKelvin(exact: number): number {
  const step = exact < 5000 ? 10 : exact < 10000 ? 50 : 100;
  return Math.round(exact / step) * step;
}

/** Colour temperatures in even steps of mired, 2000 to 12 000 K. */
export const WHITE_LADDER: Ladder = Array.from({ length: WHITE_STEPS + 1 }, (_, i) => {
  const exact = 1e6 / (WARMEST_MIRED - ((WARMEST_MIRED - COOLEST_MIRED) * i) / WHITE_STEPS);
  const nominal = nominalKelvin(exact);
  return { exact, nominal, label: `${nominal} K` };
});

const ZOOMS = [
  1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.6, 4, 4.5, 5, 5.6, 6.3, 7, 8, 9, 10, 14, 20, 28, 40,
  56, 80, 100,
];

/** Times the widest view of a device, from 1. */
export const ZOOM_LADDER: Ladder = ZOOMS.map((times) => ({
  exact: times,
  nominal: times,
  label: `${times}×`,
}));

/** Steps of the digital zoom in an octave, and octaves. */
const CUT_STEPS = 8;
const CUT_OCTAVES = 3;

/** Times that a digital zoom is narrower than the lens, 1 to 8; each step is 9 % closer. */
export const CUT_LADDER: Ladder = Array.from({ length: CUT_OCTAVES * CUT_STEPS + 1 }, (_, i) => {
  const exact = 2 ** (i / CUT_STEPS);
  return { exact, nominal: Math.round(exact * 10) / 10, label: `${exact.toFixed(1)}×` };
});

/**
 * Index of the step nearest to `exact` in stops (for the compensation ladder, in EV); the ends catch all beyond.
 * @throws RangeError when `exact` is not a finite number, or not positive on a ladder of light.
 */
export function nearestStep(ladder: Ladder, exact: number): number {
  const linear = ladder === COMPENSATION_LADDER;
  if (!Number.isFinite(exact) || (!linear && exact <= 0)) {
    throw new RangeError(`Not a value of this ladder: ${exact}`);
  }
  if (ladder === FOCUS_LADDER) return nearestFocus(exact);
  if (ladder === ZOOM_LADDER || ladder === CUT_LADDER) return nearestByLog(ladder, exact);
  if (ladder === WHITE_LADDER) return nearestByMired(exact);
  const first = at(ladder, 0).exact;
  const position = linear
    ? (exact - first) * 3
    : ladder === APERTURE_LADDER
      ? 6 * Math.log2(first / exact)
      : 3 * Math.log2(exact / first);
  return Math.min(ladder.length - 1, Math.max(0, Math.round(position)));
}

/** Nearest in dioptres and stops alike: by the logarithm, infinity from 100 m on. */
function nearestFocus(exact: number): number {
  return exact > 100 ? FOCUS_LADDER.length - 1 : nearestByLog(FOCUS_LADDER.slice(0, -1), exact);
}

function nearestByMired(kelvin: number): number {
  const share = (WARMEST_MIRED - 1e6 / kelvin) / (WARMEST_MIRED - COOLEST_MIRED);
  return Math.min(WHITE_STEPS, Math.max(0, Math.round(share * WHITE_STEPS)));
}

/** Of steps that are no even share of a stop. */
function nearestByLog(ladder: Ladder, exact: number): number {
  const away = (step: Step) => Math.abs(Math.log2(step.exact / exact));
  return ladder.reduce((best, step, i) => (away(step) < away(ladder[best]!) ? i : best), 0);
}

/** The step at `index`, held inside the ladder. */
export function at(ladder: Ladder, index: number): Step {
  const step = ladder[Math.min(ladder.length - 1, Math.max(0, index))];
  if (!step) throw new RangeError('Empty ladder');
  return step;
}

/** The step nearest to an exact value. */
export function stepOf(ladder: Ladder, exact: number): Step {
  return at(ladder, nearestStep(ladder, exact));
}

/** Nominal shutter time as a rational: 1/125 → [1, 125]; 0.3 s → [3, 10]; 30 s → [30, 1]. */
export function shutterRational(exact: number): [number, number] {
  const { nominal } = stepOf(SHUTTER_LADDER, exact);
  if (nominal <= 1 / 4) return [1, Math.round(1 / nominal)];
  return Number.isInteger(nominal) ? [nominal, 1] : [Math.round(nominal * 10), 10];
}

/** EV in thirds as settings are written: −⅔, 0, +1⅓. Rounds to the nearest third. */
export function formatThirds(ev: number): string {
  const thirds = Math.round(ev * 3);
  if (thirds === 0) return '0';
  const whole = Math.floor(Math.abs(thirds) / 3);
  const part = THIRD_SIGNS[Math.abs(thirds) % 3];
  return `${thirds < 0 ? MINUS : '+'}${whole === 0 ? '' : whole}${part}`;
}

/** EV as measured: +0.8, −2.5, 0.0. */
export function formatEv(ev: number, digits = 1): string {
  const rounded = Number(ev.toFixed(digits));
  if (rounded === 0) return (0).toFixed(digits);
  return `${rounded < 0 ? MINUS : '+'}${Math.abs(rounded).toFixed(digits)}`;
}

/**
 * A shutter time typed by a person: "1/125", "0.5", "2s", "20 s". The nearest third must lie within a sixth of a stop.
 * @throws RangeError that says what is allowed.
 */
export function parseShutter(text: string): Step {
  const match = /^\s*(?:1\s*\/\s*(\d+(?:\.\d+)?)|(\d+(?:\.\d+)?)\s*(?:s|")?)\s*$/.exec(text);
  const seconds = match ? (match[1] ? 1 / Number(match[1]) : Number(match[2])) : NaN;
  return onLadder(SHUTTER_LADDER, seconds, text, 'shutter', '1/8000 … 30 s in thirds, such as 1/125 or 0.5');
}

/** An ISO typed by a person. @throws RangeError that says what is allowed. */
export function parseIso(text: string): Step {
  const iso = /^\s*\d+(\.\d+)?\s*$/.test(text) ? Number(text) : NaN;
  return onLadder(ISO_LADDER, iso, text, 'ISO', '50 … 6400 in thirds, such as 100 or 125');
}

/** An f-number typed by a person: "5.6", "f/8". @throws RangeError that says what is allowed. */
export function parseAperture(text: string): Step {
  const match = /^\s*(?:f\s*\/\s*)?(\d+(?:\.\d+)?)\s*$/i.exec(text);
  const n = match ? Number(match[1]) : NaN;
  return onLadder(APERTURE_LADDER, n, text, 'aperture', 'f/1 … f/22 in thirds, such as f/5.6');
}

/** A compensation typed by a person: "-0.67", "+1", "−1/3". @throws RangeError that says what is allowed. */
export function parseCompensation(text: string): Step {
  const match = /^\s*([+\-−]?)\s*(\d+(?:\.\d+)?)(?:\s*\/\s*(\d+))?\s*$/.exec(text);
  const size = match ? Number(match[2]) / Number(match[3] ?? 1) : NaN;
  const ev = match && match[1] !== '' && match[1] !== '+' ? -size : size;
  const step = Number.isFinite(ev) ? stepOf(COMPENSATION_LADDER, ev) : undefined;
  if (!step || Math.abs(step.exact - ev) > 0.05) {
    throw new RangeError(
      `Compensation ${text.trim()} is not on the ladder: −5 … +5 EV in thirds, such as -0.67 or +1`,
    );
  }
  return step;
}

function onLadder(ladder: Ladder, value: number, text: string, name: string, allowed: string): Step {
  const step = value > 0 && Number.isFinite(value) ? stepOf(ladder, value) : undefined;
  // A third of a stop is a sixth of a doubling of the f-number.
  const half = ladder === APERTURE_LADDER ? 1 / 12 : 1 / 6;
  if (!step || Math.abs(Math.log2(value / step.exact)) > half + 0.02) {
    throw new RangeError(`${name} ${text.trim()} is not on the ladder: ${allowed}`);
  }
  return step;
}
