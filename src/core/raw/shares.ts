// Shares of a frame's sites: the one that matters, and where among the numbers one ends.

/** The share of sites that may burn before a highlight counts as lost. */
export const MEANINGFUL_SHARE = 0.001;

/**
 * Where inside a number a share of the sites ends: the sites of a number stand for all light from half a number below to half
 * above, evenly.
 * @param above share of the sites over the number, `inside` on it
 */
export function levelInside(number: number, above: number, inside: number, share: number): number {
  return inside > 0 ? number + 0.5 - Math.min(1, Math.max(0, (share - above) / inside)) : number;
}
