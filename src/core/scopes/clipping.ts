// Marks on the picture where raw is clipped. Channels are told apart by the direction of the hatching, not only by
// colour: red leans right, green stands upright, blue leans left; where all three are gone the hatching is solid.
import type { RawFrame } from '../sensor/raw-frame';
import { clipLevel } from '../sensor/raw-frame';

/** Bits of a clip mask. */
export const CLIP_R = 1;
export const CLIP_G = 2;
export const CLIP_B = 4;

/**
 * Which colours are clipped in each 2×2 cell, spread to all four of its sites.
 * @param mask receives width × height bytes of CLIP_ bits
 */
export function clipMask(frame: Pick<RawFrame, 'width' | 'height' | 'data' | 'black' | 'white'>, mask: Uint8Array): void {
  const { width, height, data } = frame;
  const clip = clipLevel(frame);
  for (let y = 0; y < height; y += 2) {
    const below = y + 1 < height;
    for (let x = 0; x < width; x += 2) {
      const i = y * width + x;
      const right = x + 1 < width;
      let bits = data[i]! >= clip ? CLIP_R : 0;
      if (right && data[i + 1]! >= clip) bits |= CLIP_G;
      if (below && data[i + width]! >= clip) bits |= CLIP_G;
      if (right && below && data[i + width + 1]! >= clip) bits |= CLIP_B;
      mask[i] = bits;
      if (right) mask[i + 1] = bits;
      if (below) mask[i + width] = bits;
      if (right && below) mask[i + width + 1] = bits;
    }
  }
}

const PERIOD = 8;

/** Draws the hatching over RGBA pixels, in place. `colour` is the mark's 8-bit R, G, B. */
export function drawClipMarks(
  rgba: Uint8ClampedArray,
  mask: Uint8Array,
  width: number,
  colour: readonly [number, number, number],
): void {
  for (let i = 0; i < mask.length; i++) {
    const bits = mask[i]!;
    if (bits === 0) continue;
    const x = i % width;
    const y = (i - x) / width;
    const on =
      bits === 7 ||
      ((bits & CLIP_R) !== 0 && (x + y) % PERIOD < 2) ||
      ((bits & CLIP_G) !== 0 && x % PERIOD < 2) ||
      ((bits & CLIP_B) !== 0 && (x - y + PERIOD * 4096) % PERIOD < 2);
    const o = i * 4;
    if (on) {
      rgba[o] = colour[0];
      rgba[o + 1] = colour[1];
      rgba[o + 2] = colour[2];
    }
  }
}
