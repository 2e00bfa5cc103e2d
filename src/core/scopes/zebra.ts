// Zebra: stripes over what passes a threshold, on raw (stops below clip) or on the picture (per cent of full code value).
// Stripes begin when a thousandth of the sites of any channel passes, the share from which a highlight counts; then they lie
// wherever one site in forty or more does.
import { ZEBRA } from './mark-bits';
import { MEANINGFUL_SHARE } from '../raw/shares';
import { stripeByKernel } from '../raw/scopes-kernel';
import { clipSignal, sharesAtLeast, signalAt, type Levels, type SiteResponse } from './levels';

export type ZebraOn =
  | { readonly of: 'raw'; /** 1/12 EV below clip, 0 … `MOST_BELOW_CLIP_12`. */ readonly belowClip12: number }
  | { readonly of: 'picture'; /** Of 255. */ readonly percent: number };

/** Share of a channel's sites at which the first stripes appear. */
export const FIRST_STRIPES = MEANINGFUL_SHARE;
/** 1.96 σ: one site in forty passes. */
const FEW = 1.96;

/** Signal of the threshold, DN above black. */
export function zebraLimit(response: SiteResponse, belowClip12: number): number {
  return clipSignal(response) * 2 ** (-belowClip12 / 12);
}

/**
 * Marks what passes on raw, a 2×2 cell at a time; nothing before the first stripes are due. Light is not noisy, so on a still
 * scene stripes hold still.
 * @param light lx on each sample of the finder
 */
export function zebraOnRaw(
  light: Float32Array,
  width: number,
  levels: Levels,
  response: SiteResponse,
  belowClip12: number,
  mask: Uint16Array,
): void {
  const limit = zebraLimit(response, belowClip12);
  if (Math.max(...sharesAtLeast(levels, response, limit)) < FIRST_STRIPES) return;
  const lux = Math.max(0, signalAt(limit, -FEW, response.noise)) / response.signalPerLux;
  stripeCells(light, width, lux, mask);
}

/** Marks every 2×2 cell of which one site has `lux` or more. */
export function stripeCells(light: Float32Array, width: number, lux: number, mask: Uint16Array): void {
  if (stripeByKernel(light, width, lux, mask)) return;
  const height = Math.floor(light.length / width);
  for (let y = 0; y < height; y += 2) {
    const top = y * width;
    const bottom = y + 1 < height ? top + width : top;
    for (let x = 0; x < width; x += 2) {
      const right = x + 1 < width ? 1 : 0;
      const passes =
        light[top + x]! >= lux ||
        light[top + x + right]! >= lux ||
        light[bottom + x]! >= lux ||
        light[bottom + x + right]! >= lux;
      if (!passes) continue;
      mask[top + x]! |= ZEBRA;
      mask[top + x + right]! |= ZEBRA;
      mask[bottom + x]! |= ZEBRA;
      mask[bottom + x + right]! |= ZEBRA;
    }
  }
}

/** Code values that a striped pixel may sink under the threshold before it loses its stripe: its own noise must not make it flicker. */
const HOLD_CODES = 6;

/**
 * Marks what passes on the picture by luminance (Rec. 709 weights). `held` is the stripes of the frame before and is changed
 * in place.
 */
export function zebraOnPicture(
  rgba: Uint8ClampedArray,
  percent: number,
  held: Uint8Array,
  mask: Uint16Array,
): void {
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  // Luminance in 1/65536 codes, as the histogram counts it.
  const from = ((255 * percent) / 100) * 65536;
  const until = from - HOLD_CODES * 65536;
  let striped = 0;
  for (let i = 0; i < pixels.length; i++) {
    const p = pixels[i]!;
    const luminance = 13933 * (p & 255) + 46871 * ((p >>> 8) & 255) + 4732 * ((p >>> 16) & 255);
    held[i] = luminance >= from || (held[i] === 1 && luminance >= until) ? 1 : 0;
    striped += held[i]!;
  }
  if (striped < FIRST_STRIPES * pixels.length) return;
  for (let i = 0; i < pixels.length; i++) if (held[i] === 1) mask[i]! |= ZEBRA;
}
