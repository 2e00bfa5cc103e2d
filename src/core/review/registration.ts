// How far one picture lies from another: phase correlation (Kuglin & Hines, "The phase correlation image alignment method", 1975) of planes whose
// edges are faded out by a Hann window. The cross spectrum keeps its phases only, of what rises above the noise, under a bell over the frequencies: a shift
// then shows as a peak of that bell's own shape, a bell again, whose place between the numbers three of them tell.
import { complex, inverseSquare, transformSquare, type Complex } from '../numeric/fft';

/** One number a place, row by row: light, or something that grows with it. */
export interface Plane {
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

export interface Shift {
  /** Places that what is seen in the first lies farther right, and farther down, in the second. */
  readonly dx: number;
  readonly dy: number;
  /** Height of the peak over the spread of all that is no peak: chance alone gives about 5. */
  readonly certainty: number;
}

/** Width of the bell over the frequencies, as a share of the highest: it lets in what two pictures have in common, less of what is noise. */
const BELL = 0.35;
/** Times the level of the noise that a frequency must have to count fully for its phase. */
const NOISE = 4;
/** A peak lower than this may be chance. */
export const CERTAIN = 15;
/** Smaller shares of the mean are none. */
const ROUNDING = 1e-6;
/** Places a side, at least. */
const LEAST = 16;

/** @throws RangeError for planes of less than 16 places a side */
export function shiftBetween(a: Plane, b: Plane): Shift {
  const size = { width: Math.min(a.width, b.width), height: Math.min(a.height, b.height) };
  if (Math.min(size.width, size.height) < LEAST)
    throw new RangeError(`Too small to be laid over each other: ${size.width} × ${size.height}`);
  const side = 2 ** Math.ceil(Math.log2(Math.max(size.width, size.height)));
  const rough = correlated(a, b, { dx: 0, dy: 0 }, size, side);
  const whole = { dx: Math.round(rough.dx), dy: Math.round(rough.dy) };
  const shared = { width: size.width - Math.abs(whole.dx), height: size.height - Math.abs(whole.dy) };
  const still = whole.dx === 0 && whole.dy === 0;
  if (still || rough.certainty < CERTAIN || Math.min(shared.width, shared.height) < LEAST) return rough;
  // Once more, of what both hold: at the edges each has something that the other has not.
  const fine = correlated(a, b, whole, shared, side);
  if (Math.hypot(fine.dx, fine.dy) > 1.5) return rough;
  // A part has fewer places for chance to peak at: how certain it is the whole says.
  return { dx: whole.dx + fine.dx, dy: whole.dy + fine.dy, certainty: rough.certainty };
}

interface Size {
  readonly width: number;
  readonly height: number;
}

/** The shift that is left when the second is taken from so many places on. @param size of what of both is compared */
function correlated(
  a: Plane,
  b: Plane,
  { dx, dy }: { dx: number; dy: number },
  size: Size,
  side: number,
): Shift {
  const first = spectrum(a, startOf(a, b, size, -dx, -dy), size, side);
  const second = spectrum(b, startOf(b, a, size, dx, dy), size, side);
  const bell = Float64Array.from({ length: side }, (_, i) => {
    const frequency = (i < side / 2 ? i : i - side) / (side / 2);
    return Math.exp(-(frequency * frequency) / (2 * BELL * BELL));
  });
  for (let i = 0; i < first.re.length; i++) {
    const [re, im] = [first.re[i]!, first.im[i]!];
    first.re[i] = second.re[i]! * re + second.im[i]! * im;
    first.im[i] = second.im[i]! * re - second.re[i]! * im;
  }
  // The mean of both was taken out: nothing is said of it.
  first.re[0] = first.im[0] = 0;
  const floor = NOISE * noiseLevel(first, side);
  for (let y = 0, i = 0; y < side; y++)
    for (let x = 0; x < side; x++, i++) {
      const length = Math.hypot(first.re[i]!, first.im[i]!);
      const heard = (length * length) / (length * length + floor * floor || 1);
      const weight = length > 0 ? (heard * bell[x]! * bell[y]!) / length : 0;
      first.re[i] = first.re[i]! * weight;
      first.im[i] = first.im[i]! * weight;
    }
  inverseSquare(first, side);
  return peakOf(first.re, side);
}

/** The median of a cross spectrum among the highest frequencies, where pictures have least. */
function noiseLevel({ re, im }: Complex, side: number): number {
  const [from, to] = [Math.floor(side * 0.375), Math.ceil(side * 0.625)];
  const sizes: number[] = [];
  for (let y = from; y <= to; y++)
    for (let x = from; x <= to; x++) sizes.push(Math.hypot(re[y * side + x]!, im[y * side + x]!));
  sizes.sort((p, q) => p - q);
  return sizes[sizes.length >> 1]!;
}

/** Where in a plane the part begins that is compared: both lie about the same middle, moved apart by the shift. */
function startOf(here: Plane, there: Plane, size: Size, dx: number, dy: number): { x: number; y: number } {
  const from = (mine: number, other: number, part: number, shift: number) => {
    const whole = Math.min(mine, other);
    // Of the planes' common part the one that the shift leaves to both.
    return ((mine - whole) >> 1) + (part === whole ? 0 : Math.max(0, shift));
  };
  return {
    x: from(here.width, there.width, size.width, dx),
    y: from(here.height, there.height, size.height, dy),
  };
}

/** The transform of a part, faded out towards its edges and without its mean, in the corner of a square. */
function spectrum({ width, data }: Plane, from: { x: number; y: number }, size: Size, side: number): Complex {
  const hann = (length: number) =>
    Float64Array.from({ length }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / length));
  const [across, down] = [hann(size.width), hann(size.height)];
  let [sum, weights] = [0, 0];
  for (let y = 0; y < size.height; y++)
    for (let x = 0; x < size.width; x++) {
      const weight = across[x]! * down[y]!;
      sum += weight * data[(from.y + y) * width + from.x + x]!;
      weights += weight;
    }
  const mean = sum / weights;
  const out = complex(side * side);
  for (let y = 0; y < size.height; y++)
    for (let x = 0; x < size.width; x++) {
      const differs = data[(from.y + y) * width + from.x + x]! - mean;
      // Rounding has phases too.
      if (Math.abs(differs) > ROUNDING * Math.abs(mean))
        out.re[y * side + x] = across[x]! * down[y]! * differs;
    }
  transformSquare(out, side);
  return out;
}

function peakOf(surface: Float64Array, side: number): Shift {
  let best = 0;
  let squares = 0;
  for (let i = 0; i < surface.length; i++) {
    if (surface[i]! > surface[best]!) best = i;
    squares += surface[i]! * surface[i]!;
  }
  const [x, y] = [best % side, Math.floor(best / side)];
  const at = (column: number, row: number) =>
    surface[((row + side) % side) * side + ((column + side) % side)]!;
  const top = surface[best]!;
  // What the peak itself adds to the spread is taken off: the bell's own energy around it.
  const own = 2;
  for (let row = -own; row <= own; row++)
    for (let column = -own; column <= own; column++) squares -= at(x + column, y + row) ** 2;
  const spread = Math.sqrt(Math.max(0, squares) / surface.length);
  const wrapped = (v: number) => (v < side / 2 ? v : v - side);
  return {
    dx: wrapped(x) + between(at(x - 1, y), top, at(x + 1, y)),
    dy: wrapped(y) + between(at(x, y - 1), top, at(x, y + 1)),
    certainty: spread > 0 ? top / spread : top > 0 ? Infinity : 0,
  };
}

/** Where between −½ and ½ a bell through three numbers has its top. */
function between(before: number, top: number, after: number): number {
  if (!(before > 0 && after > 0 && top > 0)) return 0;
  const [a, b, c] = [Math.log(before), Math.log(top), Math.log(after)];
  const bend = a - 2 * b + c;
  return bend < 0 ? Math.max(-0.5, Math.min(0.5, (a - c) / (2 * bend))) : 0;
}
