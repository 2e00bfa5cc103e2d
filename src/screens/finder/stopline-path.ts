// Geometry of the scopes: stops to pixels on an axis that can be zoomed, and bins to outlines. The axis reaches a little past clip,
// where what is clipped stands as bars.
import { binEdgeEv, BINS_PER_EV, STOPLINE_BINS, STOPLINE_FROM_EV } from '../../core/scopes/stopline';
import type { Heights } from '../../live/check-settings';

/** Stops below saturation at the two ends. */
export interface Axis {
  readonly fromEv: number;
  readonly toEv: number;
}

export const WHOLE_AXIS: Axis = { fromEv: -13, toEv: 0.9 };
const LEAST_SPAN_EV = 3;

export function xOfEv(ev: number, width: number, { fromEv, toEv }: Axis): number {
  return ((ev - fromEv) / (toEv - fromEv)) * width;
}

export function evPerPixel(width: number, { fromEv, toEv }: Axis): number {
  return (toEv - fromEv) / width;
}

/** The axis made `times` closer about a share of its width; never past its ends, never closer than three stops. */
export function zoomed({ fromEv, toEv }: Axis, times: number, about: number): Axis {
  const whole = WHOLE_AXIS.toEv - WHOLE_AXIS.fromEv;
  const span = Math.min(whole, Math.max(LEAST_SPAN_EV, (toEv - fromEv) / times));
  const middle = fromEv + about * (toEv - fromEv);
  const from = Math.min(WHOLE_AXIS.toEv - span, Math.max(WHOLE_AXIS.fromEv, middle - about * span));
  return { fromEv: from, toEv: from + span };
}

/** The count that fills the height: the largest bin below clip of any channel, past the first, which holds all that is darker. */
export function tallest(channels: readonly (Float32Array | Uint32Array)[], from: number, to: number): number {
  let top = 1;
  for (const bins of channels) for (let i = from; i < to; i++) if (bins[i]! > top) top = bins[i]!;
  return top;
}

/** Share of the height that a count takes. Logarithmic heights begin at a ten-thousandth of the tallest. */
export function heightOf(count: number, top: number, heights: Heights): number {
  const share = Math.min(1, count / top);
  if (heights === 'linear') return share;
  if (heights === 'root') return Math.sqrt(share);
  return share <= 0 ? 0 : Math.max(0, 1 + Math.log10(share) / 4);
}

/** Closed outline of one raw channel. */
export function outline(
  bins: Float32Array,
  top: number,
  width: number,
  height: number,
  axis: Axis,
  heights: Heights,
): string {
  const first = Math.max(0, Math.floor((axis.fromEv - STOPLINE_FROM_EV) * BINS_PER_EV));
  let d = `M0 ${height}`;
  for (let i = Math.max(1, first); i < STOPLINE_BINS - 1; i++) {
    const x = xOfEv(binEdgeEv(i) + 0.5 / BINS_PER_EV, width, axis);
    if (x > width) break;
    d += `L${x.toFixed(1)} ${(height * (1 - heightOf(bins[i]!, top, heights))).toFixed(1)}`;
  }
  return `${d}L${Math.min(width, xOfEv(0, width, axis)).toFixed(1)} ${height}Z`;
}

/** Height of the clipped bar: the share of the channel's sites. */
export function clippedBar(bins: Float32Array, height: number, heights: Heights): number {
  let sites = 0;
  for (const n of bins) sites += n;
  return sites > 0 ? heightOf(bins[STOPLINE_BINS - 1]!, sites, heights) * height : 0;
}

/** Outline of a picture histogram; open at its ends for a line, closed for an area. */
export function pictureOutline(
  counts: Uint32Array,
  top: number,
  width: number,
  height: number,
  heights: Heights,
  closed = true,
): string {
  const points = Array.from(counts, (n, i) => {
    const y = height * (1 - heightOf(n, top, heights));
    return `${((i / 255) * width).toFixed(1)} ${y.toFixed(1)}`;
  });
  const line = points.join('L');
  return closed ? `M0 ${height}L${line}L${width} ${height}Z` : `M${line}`;
}
