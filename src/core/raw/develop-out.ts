// A frame developed as it leaves the program: what is inside its frame lines, turned to be seen, whole or smaller, in 8 or 16 bits a component.
import { developerFor, developersOf16, developReduced, developRegion, type Developer } from './develop';
import { framed, isTurn, turned, type Turn } from './shown';
import type { RawFrame } from '../sensor/raw-frame';

export interface Developed {
  readonly width: number;
  readonly height: number;
  /** Four bytes a pixel. */
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
}

/** @param size 1 for a pixel a site; 2, 4 for so many sites a pixel in each direction, averaged cell by cell in linear light */
export function developOut(frame: RawFrame, size: 1 | 2 | 4): Developed {
  return developedBy(framed(frame), developerFor(frame), size);
}

/** The same in R, G, B of 16 bits, rows one after the other. */
export function developOut16(
  frame: RawFrame,
  size: 1 | 2 | 4,
): { readonly width: number; readonly height: number; readonly rgb: Uint16Array } {
  const part = framed(frame);
  const { high, low } = developersOf16(frame);
  const { width, height, rgba } = developedBy(part, high, size);
  const { rgba: fine } = developedBy(part, low, size);
  const rgb = new Uint16Array(3 * width * height);
  for (let i = 0, o = 0; i < rgba.length; i += 4)
    for (let c = 0; c < 3; c++) rgb[o++] = (rgba[i + c]! << 8) | fine[i + c]!;
  return { width, height, rgb };
}

/** How large it will be, turned to be seen. */
export function developedSize(frame: RawFrame, size: 1 | 2 | 4): { width: number; height: number } {
  const { width, height } = frame.userCrop ?? frame.crop ?? frame;
  const [across, down] = [width, height].map((side) => Math.max(1, Math.floor(side / size)));
  return turnOf(frame) >= 5 ? { width: down!, height: across! } : { width: across!, height: down! };
}

function turnOf({ orientation }: RawFrame): Turn {
  return isTurn(orientation) ? orientation : 1;
}

function developedBy(part: RawFrame, developer: Developer, size: 1 | 2 | 4): Developed {
  const stored = {
    width: Math.max(1, Math.floor(part.width / size)),
    height: Math.max(1, Math.floor(part.height / size)),
  };
  let rgba: Uint8ClampedArray<ArrayBuffer>;
  if (size === 1) {
    rgba = new Uint8ClampedArray(4 * part.width * part.height);
    developRegion(part, developer, { x: 0, y: 0, ...stored }, rgba);
  } else
    rgba = developReduced(part, stored.width, stored.height, developer) as Uint8ClampedArray<ArrayBuffer>;
  return { ...developedSize(part, size), rgba: turned(rgba, stored, turnOf(part)) };
}
