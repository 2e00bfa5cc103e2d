// The discrete Fourier transform of sides that are powers of two, in place (Cooley & Tukey 1965).

/** Complex numbers, real and imaginary parts apart. */
export interface Complex {
  readonly re: Float64Array;
  readonly im: Float64Array;
}

export function complex(length: number): Complex {
  return { re: new Float64Array(length), im: new Float64Array(length) };
}

/** cos and −sin of the first half turn, for a length. */
const turns = new Map<number, Complex>();

function turnsOf(length: number): Complex {
  let found = turns.get(length);
  if (!found) {
    found = complex(length / 2);
    for (let i = 0; i < length / 2; i++) {
      found.re[i] = Math.cos((2 * Math.PI * i) / length);
      found.im[i] = -Math.sin((2 * Math.PI * i) / length);
    }
    turns.set(length, found);
  }
  return found;
}

/** X[k] = Σ x[n]·e^(−2πi·kn/N), without a factor. @throws RangeError when the length is no power of two */
export function transform({ re, im }: Complex): void {
  const length = re.length;
  if (length < 1 || (length & (length - 1)) !== 0 || im.length !== length)
    throw new RangeError(`No power of two: ${length}`);
  for (let i = 1, j = 0; i < length; i++) {
    let bit = length >> 1;
    for (; j & bit; bit >>= 1) j ^= bit;
    j ^= bit;
    if (i < j) {
      [re[i], re[j]] = [re[j]!, re[i]!];
      [im[i], im[j]] = [im[j]!, im[i]!];
    }
  }
  const { re: cos, im: sin } = turnsOf(length);
  for (let half = 1; half < length; half <<= 1) {
    const step = length / (2 * half);
    for (let start = 0; start < length; start += 2 * half)
      for (let k = 0, t = 0; k < half; k++, t += step) {
        const [a, b] = [start + k, start + k + half];
        const re2 = re[b]! * cos[t]! - im[b]! * sin[t]!;
        const im2 = re[b]! * sin[t]! + im[b]! * cos[t]!;
        re[b] = re[a]! - re2;
        im[b] = im[a]! - im2;
        re[a] = re[a]! + re2;
        im[a] = im[a]! + im2;
      }
  }
}

/** Rows, then columns, of a square of side² numbers. @throws RangeError when the side is no power of two */
export function transformSquare({ re, im }: Complex, side: number): void {
  if (re.length !== side * side) throw new RangeError(`No square of ${side}: ${re.length}`);
  for (let y = 0; y < side; y++)
    transform({
      re: re.subarray(y * side, (y + 1) * side),
      im: im.subarray(y * side, (y + 1) * side),
    });
  const column = complex(side);
  for (let x = 0; x < side; x++) {
    for (let y = 0; y < side; y++) {
      column.re[y] = re[y * side + x]!;
      column.im[y] = im[y * side + x]!;
    }
    transform(column);
    for (let y = 0; y < side; y++) {
      re[y * side + x] = column.re[y]!;
      im[y * side + x] = column.im[y]!;
    }
  }
}

/** The way back of `transformSquare`, with its factor 1/side². */
export function inverseSquare(values: Complex, side: number): void {
  // With real and imaginary parts exchanged the same sum runs the other way round.
  transformSquare({ re: values.im, im: values.re }, side);
  const factor = 1 / (side * side);
  for (let i = 0; i < values.re.length; i++) {
    values.re[i] = values.re[i]! * factor;
    values.im[i] = values.im[i]! * factor;
  }
}
