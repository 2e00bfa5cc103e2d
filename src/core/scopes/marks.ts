// Marks over the picture: where raw is clipped or below the floor, where the picture is at the ends of its tones, and the zebra.
// What is burnt is magenta, what is lost in the dark cyan; raw is hatched, told apart by direction and place, the picture is
// dashed level. So each is known without its colour.
import type { Numbers } from '../kernels/kernel';
import type { RawFrame } from '../sensor/raw-frame';
import { clipLevel, floorSignal } from '../sensor/raw-frame';
import { drawByKernel, markEndsByKernel, markRawByKernel, tellByKernel } from '../raw/scopes-kernel';
import {
  CLIP_R,
  CLIP_G,
  CLIP_B,
  CLIP_ALL,
  FLOOR_R,
  FLOOR_G,
  FLOOR_B,
  FLOOR_ALL,
  WHITE,
  BLACK,
  ZEBRA,
  BRIGHT,
} from './mark-bits';

export type Mosaic = Pick<RawFrame, 'width' | 'height' | 'data' | 'black' | 'white' | 'noise'>;

/** Sets the bits of the colours that are clipped (≥ the clip level) or below the floor (SNR < 1) in each 2×2 cell, on all its pixels. */
export function markRaw(frame: Mosaic, which: { clip: boolean; floor: boolean }, mask: Uint16Array): void {
  const { width, height, data, black } = frame;
  const clip = which.clip ? clipLevel(frame) : Infinity;
  const floor = which.floor ? black + floorSignal(frame.noise) : -Infinity;
  // In whole numbers: the lowest that is clipped, the lowest that is not below the floor.
  const [burnt, seen] = [Math.min(65536, Math.ceil(clip)), Math.max(0, Math.ceil(floor))];
  if (markRawByKernel(frame, burnt, seen, mask)) return;
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
  if (markEndsByKernel(pixels, { white, black, bright: false }, 0, mask)) return;
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
/** All patterns together repeat after this many pixels, across and down. */
const TILE = 168;
const BURNT = CLIP_ALL | WHITE;
const LOST = FLOOR_ALL | BLACK;

/** Bits whose pattern is on at (x, y). Red leans right, green stands upright, blue leans left; the picture's ends are level dashes. */
function patternAt(x: number, y: number): number {
  const [u, v] = [x % LATTICE, y % LATTICE];
  let on = 0;
  if ((x + y) % PERIOD < 2) on |= CLIP_R;
  if (x % PERIOD < 2) on |= CLIP_G;
  if ((x + PERIOD - (y % PERIOD)) % PERIOD < 2) on |= CLIP_B;
  if (v === 0 && u < 4) on |= WHITE;
  // Dots, each colour at a place of its own: the more colours are lost, the denser.
  if (u < 2 && v < 2) on |= FLOOR_R;
  if (u >= 3 && u < 5 && v >= 3 && v < 5) on |= FLOOR_G;
  if (u >= 3 && u < 5 && v < 2) on |= FLOOR_B;
  if (v === 5 && u < 4) on |= BLACK;
  if ((x + TILE - y) % STRIPE < STRIPE / 2) on |= ZEBRA;
  return on;
}

const PATTERNS = Uint16Array.from({ length: TILE * TILE }, (_, i) =>
  patternAt(i % TILE, Math.floor(i / TILE)),
);

/**
 * Draws the wanted bits of a mask over RGBA pixels, in place. Marks hold still: they are tied to the frame, not to what they
 * lie on. Where all of raw is burnt the mark fills.
 */
export function drawMarks(
  rgba: Uint8ClampedArray,
  mask: Uint16Array,
  width: number,
  { burnt, dark }: MarkColours,
  wanted = 0xffff,
): void {
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  const burntMark = packed(burnt);
  const darkMark = packed(dark);
  const drawing = { tile: TILE, patterns: PATTERNS, wanted, burnt: burntMark, dark: darkMark };
  if (drawByKernel(pixels, mask, width, drawing)) return;
  for (let row = 0, y = 0; row < mask.length; row += width, y++) {
    const line = (y % TILE) * TILE;
    for (let x = 0, u = 0; x < width; x++, u = u === TILE - 1 ? 0 : u + 1) {
      const bits = mask[row + x]! & wanted;
      if (bits === 0) continue;
      const on = bits & PATTERNS[line + u]!;
      if ((on & BURNT) !== 0 || (bits & CLIP_ALL) === CLIP_ALL) pixels[row + x] = burntMark;
      else if ((on & LOST) !== 0) pixels[row + x] = darkMark;
      // Stripes quarter the light under them: seen on anything bright, and what lies there stays to be seen.
      else if ((on & ZEBRA) !== 0) pixels[row + x] = ((pixels[row + x]! >>> 2) & 0x3f3f3f) | 0xff000000;
    }
  }
}

/** As it stands in an RGBA pixel. */
export function packed([r, g, b]: readonly [number, number, number]): number {
  return (r | (g << 8) | (b << 16) | 0xff000000) >>> 0;
}

/** Luminance, of 255, from which a place looks white: nine tenths (the house's judgement). */
const LOOKS_WHITE = 0.9;

/** Sets BRIGHT where the picture's luminance (Rec. 709 weights on code values) looks white. */
export function markBright(rgba: Uint8ClampedArray, mask: Uint16Array): void {
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  const from = LOOKS_WHITE * 255 * 65536;
  if (markEndsByKernel(pixels, { white: false, black: false, bright: true }, from, mask)) return;
  for (let i = 0; i < pixels.length; i++) {
    const p = pixels[i]!;
    if (13933 * (p & 255) + 46871 * ((p >>> 8) & 255) + 4732 * ((p >>> 16) & 255) >= from) mask[i]! |= BRIGHT;
  }
}

/** How raw and picture differ in what they call burnt: shares of the frame. */
export interface Disagreement {
  /** The picture has a channel at 255, raw is whole. */
  readonly onlyPicture: number;
  /** Raw is clipped in some channel, and the picture does not look white there. */
  readonly onlyRaw: number;
  /** Raw is clipped and it shows. */
  readonly both: number;
  /** The picture has a channel at 255, or all at 0. */
  readonly pictureWhite: number;
  readonly pictureBlack: number;
}

/** Of a mask in which raw, the picture's ends and what looks white are marked. */
export function disagreement(mask: Uint16Array): Disagreement {
  const [onlyPicture, onlyRaw, both, pictureWhite, pictureBlack] = tellByKernel(mask) ?? tellPlainly(mask);
  const n = Math.max(1, mask.length);
  return {
    onlyPicture: onlyPicture / n,
    onlyRaw: onlyRaw / n,
    both: both / n,
    pictureWhite: pictureWhite / n,
    pictureBlack: pictureBlack / n,
  };
}

/** The same counts without a kernel. */
function tellPlainly(mask: Uint16Array): Numbers<5> {
  let [onlyPicture, onlyRaw, both, pictureWhite, pictureBlack] = [0, 0, 0, 0, 0];
  for (let i = 0; i < mask.length; i++) {
    const bits = mask[i]!;
    const white = (bits & WHITE) !== 0;
    if ((bits & CLIP_ALL) !== 0) {
      if ((bits & BRIGHT) !== 0) both++;
      else onlyRaw++;
    } else if (white) onlyPicture++;
    if (white) pictureWhite++;
    if ((bits & BLACK) !== 0) pictureBlack++;
  }
  return [onlyPicture, onlyRaw, both, pictureWhite, pictureBlack];
}
