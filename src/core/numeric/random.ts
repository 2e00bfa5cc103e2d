// Seeded random numbers: a small counter-started generator, and fast normal and Poisson draws from tables.
// Generator: sfc32 (Doty-Humphrey, PractRand); tables by inversion and Walker's alias method (1977).

/** A generator of 32-bit integers; state lives in the object, so that it can be copied and passed. */
export interface Random {
  a: number;
  b: number;
  c: number;
  counter: number;
}

/** A generator for (seed, stream): different streams of one seed are independent, the same pair repeats itself. */
export function randomFrom(seed: number, stream = 0): Random {
  const random: Random = {
    a: seed | 0,
    b: stream | 0,
    c: Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b),
    counter: 1,
  };
  for (let i = 0; i < 12; i++) nextUint32(random);
  return random;
}

/** The next integer in 0 … 2³²−1. */
export function nextUint32(random: Random): number {
  const t = (random.a + random.b + random.counter) | 0;
  random.counter = (random.counter + 1) | 0;
  random.a = random.b ^ (random.b >>> 9);
  random.b = (random.c + (random.c << 3)) | 0;
  random.c = ((random.c << 21) | (random.c >>> 11)) + t;
  random.c |= 0;
  return t >>> 0;
}

/** Fills an array with what as many calls of `nextUint32` would give, several times faster: the state stays in registers. */
export function fillUint32(random: Random, out: Uint32Array): void {
  let { a, b, c, counter } = random;
  for (let i = 0; i < out.length; i++) {
    const t = (((a + b) | 0) + counter) | 0;
    counter = (counter + 1) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = (((c << 21) | (c >>> 11)) + t) | 0;
    out[i] = t;
  }
  Object.assign(random, { a, b, c, counter });
}

/** Bits that index the table of normal quantiles. */
export const NORMAL_BITS = 12;
const NORMAL_SIZE = 1 << NORMAL_BITS;
let normalTable: Float32Array | undefined;

/**
 * Standard normal quantiles at the midpoints of 4096 equal shares, scaled to variance exactly 1: index it with 12 random
 * bits. Tails end at ±3.7 σ; the table is small enough to stay in the fastest cache.
 */
export function normalQuantiles(): Float32Array {
  if (normalTable) return normalTable;
  const table = new Float32Array(NORMAL_SIZE);
  let square = 0;
  for (let i = 0; i < NORMAL_SIZE; i++) {
    const z = inverseNormal((i + 0.5) / NORMAL_SIZE);
    table[i] = z;
    square += z * z;
  }
  const scale = 1 / Math.sqrt(square / NORMAL_SIZE);
  for (let i = 0; i < NORMAL_SIZE; i++) table[i] = table[i]! * scale;
  normalTable = table;
  return table;
}

/** Quantile of the standard normal distribution (Acklam's rational approximation, relative error < 1.2e-9). */
export function inverseNormal(p: number): number {
  const a = [
    -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716,
    2.506628277459239,
  ];
  const b = [
    -54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572,
  ];
  const c = [
    -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
    2.938163982698783,
  ];
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416];
  const poly = (k: number[], x: number) => k.reduce((sum, v) => sum * x + v, 0);
  if (p < 0.02425) {
    const q = Math.sqrt(-2 * Math.log(p));
    return poly(c, q) / (poly(d, q) * q + 1);
  }
  if (p > 1 - 0.02425) return -inverseNormal(1 - p);
  const q = p - 0.5;
  const r = q * q;
  return (poly(a, r) * q) / (poly(b, r) * r + 1);
}

/** Poisson draws for small means, by alias tables on a grid of means. */
export interface PoissonTables {
  /** Means at or above this are outside the tables. */
  readonly limit: number;
  readonly stepsPerUnit: number;
  readonly threshold: Uint32Array;
  readonly alias: Uint8Array;
}

const POISSON_LIMIT = 32;
const POISSON_STEPS = 16;
const POISSON_CELLS = 128;
let poisson: PoissonTables | undefined;

/** Tables for means 0 … 32 in sixteenths. Between grid means draw from either neighbour: the mean stays exact. */
export function poissonTables(): PoissonTables {
  if (poisson) return poisson;
  const rows = POISSON_LIMIT * POISSON_STEPS + 1;
  const threshold = new Uint32Array(rows * POISSON_CELLS);
  const alias = new Uint8Array(rows * POISSON_CELLS);
  const mass = new Float64Array(POISSON_CELLS);
  for (let row = 0; row < rows; row++) {
    const mean = row / POISSON_STEPS;
    let p = Math.exp(-mean);
    let sum = 0;
    for (let k = 0; k < POISSON_CELLS; k++) {
      mass[k] = p;
      sum += p;
      p = (p * mean) / (k + 1);
    }
    for (let k = 0; k < POISSON_CELLS; k++) mass[k] = (mass[k]! / sum) * POISSON_CELLS;
    fillAlias(mass, threshold.subarray(row * POISSON_CELLS), alias.subarray(row * POISSON_CELLS));
  }
  poisson = { limit: POISSON_LIMIT, stepsPerUnit: POISSON_STEPS, threshold, alias };
  return poisson;
}

/** A Poisson draw for a mean in 0 … `tables.limit` (exclusive). */
export function nextPoisson(tables: PoissonTables, random: Random, mean: number): number {
  const position = mean * tables.stepsPerUnit;
  const bits = nextUint32(random);
  const row = Math.floor(position) + ((bits & 0xffff) < (position % 1) * 65536 ? 1 : 0);
  const cell = row * POISSON_CELLS + (bits >>> 25);
  return nextUint32(random) < tables.threshold[cell]! ? bits >>> 25 : tables.alias[cell]!;
}

function fillAlias(mass: Float64Array, threshold: Uint32Array, alias: Uint8Array): void {
  const small: number[] = [];
  const large: number[] = [];
  for (let k = 0; k < mass.length; k++) (mass[k]! < 1 ? small : large).push(k);
  while (small.length > 0 && large.length > 0) {
    const s = small.pop()!;
    const l = large[large.length - 1]!;
    threshold[s] = Math.min(0xffffffff, Math.round(mass[s]! * 4294967296));
    alias[s] = l;
    mass[l] = mass[l]! - (1 - mass[s]!);
    if (mass[l]! < 1) small.push(large.pop()!);
  }
  for (const k of [...small, ...large]) {
    threshold[k] = 0xffffffff;
    alias[k] = k;
  }
}
