// Marks over the picture: where raw is clipped or below the floor, where the picture is at the ends of its tones, and the zebra.
// What is burnt is magenta, what is lost in the dark cyan; raw is hatched, told apart by direction and place, the picture is
// dashed level. So each is known without its colour.
import type { RawFrame } from '../sensor/raw-frame';
import { clipLevel, floorSignal } from '../sensor/raw-frame';

/** Bits of a mask, one 16-bit number a pixel. */
export const CLIP_R = 1;
export const CLIP_G = 2;
export const CLIP_B = 4;
export const CLIP_ALL = CLIP_R | CLIP_G | CLIP_B;
export const FLOOR_R = 8;
export const FLOOR_G = 16;
export const FLOOR_B = 32;
export const FLOOR_ALL = FLOOR_R | FLOOR_G | FLOOR_B;
export const WHITE = 64;
export const BLACK = 128;
export const ZEBRA = 256;

export type Mosaic = Pick<RawFrame, 'width' | 'height' | 'data' | 'black' | 'white' | 'noise'>;

/** Sets the bits of the colours that are clipped (≥ the clip level) or below the floor (SNR < 1) in each 2×2 cell, on all its pixels. */
export function markRaw(frame: Mosaic, which: { clip: boolean; floor: boolean }, mask: Uint16Array): void {
  const { width, height, data, black } = frame;
  const clip = which.clip ? clipLevel(frame) : Infinity;
  const floor = which.floor ? black + floorSignal(frame.noise) : -Infinity;
  for (let y = 0; y < height; y += 2) {
    const top = y * width;
    const bottom = y + 1 < height ? top + width : -1;
    for (let x = 0; x < width; x += 2) {
      const right = x + 1 < width;
      let found = bitsOf(data[top + x]!, clip, floor, CLIP_R);
      if (right) found |= bitsOf(data[top + x + 1]!, clip, floor, CLIP_G);
      if (bottom >= 0) {
        found |= bitsOf(data[bottom + x]!, clip, floor, CLIP_G);
        if (right) found |= bitsOf(data[bottom + x + 1]!, clip, floor, CLIP_B);
      }
      if (found === 0) continue;
      mask[top + x]! |= found;
      if (right) mask[top + x + 1]! |= found;
      if (bottom < 0) continue;
      mask[bottom + x]! |= found;
      if (right) mask[bottom + x + 1]! |= found;
    }
  }
}

/** A floor bit lies three places over the clip bit of its colour. */
function bitsOf(dn: number, clip: number, floor: number, clipBit: number): number {
  return dn >= clip ? clipBit : dn < floor ? clipBit << 3 : 0;
}

/** Sets WHITE where any of R, G, B stands at 255, and BLACK where all stand at 0. */
export function markPicture(
  rgba: Uint8ClampedArray,
  which: { white: boolean; black: boolean },
  mask: Uint16Array,
): void {
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  const { white, black } = which;
  for (let i = 0; i < pixels.length; i++) {
    const p = pixels[i]!;
    if (white && ((p & 0xff) === 0xff || (p & 0xff00) === 0xff00 || (p & 0xff0000) === 0xff0000))
      mask[i]! |= WHITE;
    else if (black && (p & 0xffffff) === 0) mask[i]! |= BLACK;
  }
}

export interface MarkColours {
  readonly burnt: readonly [number, number, number];
  readonly dark: readonly [number, number, number];
}

const PERIOD = 8;
const LATTICE = 6;
const STRIPE = 14;

/** Draws a mask over RGBA pixels, in place. Marks hold still: they are tied to the frame, not to what they lie on. */
export function drawMarks(
  rgba: Uint8ClampedArray,
  mask: Uint16Array,
  width: number,
  { burnt, dark }: MarkColours,
): void {
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  const burntMark = packed(burnt);
  const darkMark = packed(dark);
  for (let row = 0, y = 0; row < mask.length; row += width, y++) {
    for (let x = 0; x < width; x++) {
      const bits = mask[row + x]!;
      if (bits === 0) continue;
      if (isBurntMark(bits, x, y)) pixels[row + x] = burntMark;
      else if (isDarkMark(bits, x, y)) pixels[row + x] = darkMark;
      // Stripes halve the light under them: seen on anything bright, and what lies there stays to be seen.
      else if ((bits & ZEBRA) !== 0 && (x - y + 8 * STRIPE * 100) % STRIPE < STRIPE / 2)
        pixels[row + x] = ((pixels[row + x]! >>> 2) & 0x3f3f3f) | 0xff000000;
    }
  }
}

/** Red leans right, green stands upright, blue leans left, all three fill; the picture's ends are level dashes. */
function isBurntMark(bits: number, x: number, y: number): boolean {
  return (
    (bits & CLIP_ALL) === CLIP_ALL ||
    ((bits & CLIP_R) !== 0 && (x + y) % PERIOD < 2) ||
    ((bits & CLIP_G) !== 0 && x % PERIOD < 2) ||
    ((bits & CLIP_B) !== 0 && (x + PERIOD - (y % PERIOD)) % PERIOD < 2) ||
    ((bits & WHITE) !== 0 && y % LATTICE === 0 && x % LATTICE < 4)
  );
}

/** Dots, each colour at a place of its own: the more colours are lost, the denser. */
function isDarkMark(bits: number, x: number, y: number): boolean {
  const [u, v] = [x % LATTICE, y % LATTICE];
  return (
    ((bits & FLOOR_R) !== 0 && u < 2 && v < 2) ||
    ((bits & FLOOR_G) !== 0 && u >= 3 && u < 5 && v >= 3 && v < 5) ||
    ((bits & FLOOR_B) !== 0 && u >= 3 && u < 5 && v < 2) ||
    ((bits & BLACK) !== 0 && v === 5 && u < 4)
  );
}

function packed([r, g, b]: readonly [number, number, number]): number {
  return (r | (g << 8) | (b << 16) | 0xff000000) >>> 0;
}

/** How raw and picture differ in what they call burnt: shares of the frame. */
export interface Disagreement {
  /** The picture has a channel at 255, raw is whole. */
  readonly onlyPicture: number;
  /** Raw is clipped, the picture is not at 255. */
  readonly onlyRaw: number;
  readonly both: number;
  readonly pictureBlack: number;
}

export function disagreement(mask: Uint16Array): Disagreement {
  let [onlyPicture, onlyRaw, both, pictureBlack] = [0, 0, 0, 0];
  for (let i = 0; i < mask.length; i++) {
    const bits = mask[i]!;
    const raw = (bits & CLIP_ALL) !== 0;
    if ((bits & WHITE) !== 0) {
      if (raw) both++;
      else onlyPicture++;
    } else if (raw) onlyRaw++;
    if ((bits & BLACK) !== 0) pictureBlack++;
  }
  const n = Math.max(1, mask.length);
  return {
    onlyPicture: onlyPicture / n,
    onlyRaw: onlyRaw / n,
    both: both / n,
    pictureBlack: pictureBlack / n,
  };
}
