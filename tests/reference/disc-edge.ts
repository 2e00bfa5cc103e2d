// The edge of a bright half plane out of focus: a soft edge spread by a disc of even light, and the disc that fits an edge best.

/** Share of a disc of diameter 1 on one side of a chord at u, −½ … ½ (a circular segment). */
function segment(u: number): number {
  const t = Math.max(-1, Math.min(1, 2 * u));
  return 0.5 + (t * Math.sqrt(1 - t * t) + Math.asin(t)) / Math.PI;
}

const SOFT_PX = 0.7;
const SPREAD = Array.from({ length: 25 }, (_, k) => {
  const x = (k - 12) * 0.2;
  return { x, weight: Math.exp(-(x * x) / (2 * SOFT_PX * SOFT_PX)) };
});
const ALL = SPREAD.reduce((sum, { weight }) => sum + weight, 0);

/** Light at `x` from an edge at 0, bright on the right; the edge itself is about as soft as a picture's samples are. */
export function edgeLight(x: number, disc: number): number {
  const d = Math.max(1e-6, disc);
  return SPREAD.reduce((sum, s) => sum + s.weight * segment((x + s.x) / d), 0) / ALL;
}

/** Diameter of the disc that fits best, least squares, within a third of what is expected. @param at places of the values from the edge */
export function fittedDisc(values: readonly number[], at: readonly number[], expected: number): number {
  let [best, least] = [0, Infinity];
  for (let d = expected / 1.35; d < expected * 1.35; d += expected * 0.004) {
    const error = values.reduce((sum, v, i) => sum + (v - edgeLight(at[i]!, d)) ** 2, 0);
    if (error < least) [best, least] = [d, error];
  }
  return best;
}
