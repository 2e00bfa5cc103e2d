// A frame developed as it leaves the program: what is inside its frame lines, turned to be seen, whole or smaller, in 8 or 16 bits a component.
import { developersOf16, developerFor, type Developer } from './develop';
import { levelled, pictureOfRegion, pictureReduced } from './develop-image';
import { seenSize } from './shown';
import { upright } from './tilt';
import type { LinearImage } from '../sensor/rgb-image';

export interface Developed {
  readonly width: number;
  readonly height: number;
  /** Four bytes a pixel. */
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
}

/** How much smaller: so many sites a pixel in each direction, averaged in linear light; 1 for a pixel a site, else 2 or more. */
export type Smaller = number;

export function developOut(image: LinearImage, smaller: Smaller): Developed {
  return developedBy(image, developerFor(image), smaller);
}

/** The developed picture as R, G, B of 16 bits, rows one after the other. */
export function developOut16(
  image: LinearImage,
  smaller: Smaller,
): { readonly width: number; readonly height: number; readonly rgb: Uint16Array } {
  if (image.tiltDeg) return tiltedOut16(image, smaller);
  const { high, low } = developersOf16(image);
  const { width, height, rgba } = developedBy(image, high, smaller);
  const { rgba: fine } = developedBy(image, low, smaller);
  const rgb = new Uint16Array(3 * width * height);
  for (let i = 0, o = 0; i < rgba.length; i += 4)
    for (let c = 0; c < 3; c++) rgb[o++] = (rgba[i + c]! << 8) | fine[i + c]!;
  return { width, height, rgb };
}

/** High and low bytes mean something together only: lines are set upright after they have been put together. */
function tiltedOut16(image: LinearImage, smaller: Smaller): ReturnType<typeof developOut16> {
  const { level, about, tiltDeg } = levelled(image);
  const [size, whole] = [developedSize(image, smaller), seenSize(level)];
  const { rgb, width, height } = developOut16(level, smaller);
  const middle = { x: (about.x * width) / whole.width, y: (about.y * height) / whole.height };
  const out = new Uint16Array(3 * size.width * size.height);
  upright({ x: 0, y: 0, ...size }, size, { width, height, data: rgb, about: middle }, tiltDeg, 3, out);
  return { ...size, rgb: out };
}

/** How large it will be, turned to be seen. */
export function developedSize(image: LinearImage, smaller: Smaller): { width: number; height: number } {
  const { width, height } = seenSize(image);
  const side = (whole: number) => Math.max(1, Math.floor(whole / smaller));
  return { width: side(width), height: side(height) };
}

function developedBy(image: LinearImage, developer: Developer, smaller: Smaller): Developed {
  const { width, height } = developedSize(image, smaller);
  const rgba =
    smaller === 1
      ? pictureOfRegion(image, { x: 0, y: 0, width, height }, developer)
      : pictureReduced(image, width, height, developer);
  return { width, height, rgba };
}
