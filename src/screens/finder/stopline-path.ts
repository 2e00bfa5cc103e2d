// Geometry of the stopline: stops to pixels, and bins to an outline. The axis reaches a little past clip, where what is
// clipped stands as a bar.
import { binEdgeEv, STOPLINE_BINS, BINS_PER_EV } from '../../core/scopes/stopline';

export const AXIS_FROM_EV = -13;
export const AXIS_TO_EV = 0.9;

export function xOfEv(ev: number, width: number): number {
  return ((ev - AXIS_FROM_EV) / (AXIS_TO_EV - AXIS_FROM_EV)) * width;
}

export function evPerPixel(width: number): number {
  return (AXIS_TO_EV - AXIS_FROM_EV) / width;
}

/** The count that fills the height: the largest bin below clip of any channel. */
export function tallest(channels: readonly Float32Array[]): number {
  let top = 1;
  for (const bins of channels) for (let i = 1; i < STOPLINE_BINS - 1; i++) if (bins[i]! > top) top = bins[i]!;
  return top;
}

/** Closed outline of one channel, heights by square root so that small things show. */
export function outline(bins: Float32Array, top: number, width: number, height: number): string {
  const scaled = (n: number) => height - Math.sqrt(Math.min(1, n / top)) * height;
  let d = `M0 ${height}`;
  for (let i = 0; i < STOPLINE_BINS - 1; i++) {
    const ev = binEdgeEv(i) + 0.5 / BINS_PER_EV;
    if (ev < AXIS_FROM_EV) continue;
    d += `L${xOfEv(ev, width).toFixed(1)} ${scaled(bins[i]!).toFixed(1)}`;
  }
  return `${d}L${xOfEv(0, width).toFixed(1)} ${height}Z`;
}

/** Height of the clipped bar: the share of the channel's sites by square root. */
export function clippedBar(bins: Float32Array, height: number): number {
  let sites = 0;
  for (const n of bins) sites += n;
  return sites > 0 ? Math.sqrt(bins[STOPLINE_BINS - 1]! / sites) * height : 0;
}

/** Outline of a picture histogram. */
export function pictureOutline(counts: Uint32Array, top: number, width: number, height: number): string {
  let d = `M0 ${height}`;
  for (let i = 0; i < 256; i++) {
    const y = height - Math.sqrt(Math.min(1, counts[i]! / top)) * height;
    d += `L${((i / 255) * width).toFixed(1)} ${y.toFixed(1)}`;
  }
  return `${d}L${width} ${height}Z`;
}
