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
export function clipMask(
  frame: Pick<RawFrame, 'width' | 'height' | 'data' | 'black' | 'white'>,
  mask: Uint8Array,
): void {
  const { width, height, data } = frame;
  const clip = clipLevel(frame);
  mask.fill(0);
  for (let y = 0; y < height; y++) {
    const evenBit = y & 1 ? CLIP_G : CLIP_R;
    const oddBit = y & 1 ? CLIP_B : CLIP_G;
    const row = y * width;
    const partner = y & 1 ? -width : y + 1 < height ? width : 0;
    for (let x = 0; x < width; x++) {
      if (data[row + x]! < clip) continue;
      const bit = x & 1 ? oddBit : evenBit;
      const left = row + (x & ~1);
      const right = left + 1 < row + width ? left + 1 : left;
      mask[left]! |= bit;
      if (right !== left) mask[right]! |= bit;
      if (partner !== 0) {
        mask[left + partner]! |= bit;
        if (right !== left) mask[right + partner]! |= bit;
      }
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
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  const mark = (colour[0] | (colour[1] << 8) | (colour[2] << 16) | 0xff000000) >>> 0;
  for (let row = 0, y = 0; row < mask.length; row += width, y++) {
    for (let x = 0; x < width; x++) {
      const bits = mask[row + x]!;
      if (bits === 0) continue;
      const on =
        bits === (CLIP_R | CLIP_G | CLIP_B) ||
        ((bits & CLIP_R) !== 0 && (x + y) % PERIOD < 2) ||
        ((bits & CLIP_G) !== 0 && x % PERIOD < 2) ||
        ((bits & CLIP_B) !== 0 && (x + PERIOD - (y % PERIOD)) % PERIOD < 2);
      if (on) pixels[row + x] = mark;
    }
  }
}
