// Sweeps: everything there is in `npm run test:long`, a seeded part of it in `npm test`.
import { nextUint32, randomFrom } from '../src/core/numeric/random';

/** True while the long checks run. */
export const LONG = process.env.VELMO_LONG === '1';
/** A test of the long checks only: `npm test` proves the same by a shorter way, or another case of it. */
export const inLong = LONG ? it : it.skip;
const SEED = 20;

/** All of a list in the long checks; otherwise so many of it, in its order, the same in every run. */
export function partOf<T>(all: readonly T[], count: number, seed = SEED): readonly T[] {
  if (LONG || count >= all.length) return all;
  const chance = randomFrom(seed);
  const drawn = all
    .map((item, index) => ({ item, index, lot: nextUint32(chance) }))
    .sort((a, b) => a.lot - b.lot)
    .slice(0, count);
  return drawn.sort((a, b) => a.index - b.index).map(({ item }) => item);
}
