// JPEG previews outside the browser.
import { encode } from 'jpeg-js';

const QUALITY = 88;

export function encodeJpeg(
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
  quality = QUALITY,
): Uint8Array {
  return new Uint8Array(encode({ data: rgba, width, height }, quality).data);
}
