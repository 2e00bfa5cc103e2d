// PNG (W3C Recommendation, third edition): R, G, B of 8 or 16 bits with a colour profile, Exif and XMP. Rows are filtered by Paeth's predictor; the
// platform's own deflate.
import { zlibDeflated } from '../platform/deflate';
import { joinedBytes } from './bytes';
import { crc32 } from './crc32';

export interface PngFacts {
  /** An ICC profile. */
  readonly profile: Uint8Array;
  /** A TIFF file of directories only. */
  readonly exif: Uint8Array;
  readonly xmp: Uint8Array;
}

export interface PngPicture {
  readonly width: number;
  readonly height: number;
  readonly bits: 8 | 16;
  /** R, G, B by rows; samples of 16 bits with their high byte first. */
  readonly rgb: Uint8Array;
}

const SIGNATURE = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a);
const TRUECOLOUR = 2;
const PAETH = 4;

/** @throws RangeError when the samples do not fit the size */
export async function writePng(
  { width, height, bits, rgb }: PngPicture,
  facts: PngFacts,
): Promise<Uint8Array> {
  const pixel = (3 * bits) / 8;
  if (width < 1 || height < 1 || rgb.length !== width * height * pixel)
    throw new RangeError(`A picture of ${width}×${height} with ${rgb.length} bytes`);
  const head = new Uint8Array(13);
  const view = new DataView(head.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  head.set([bits, TRUECOLOUR, 0, 0, 0], 8);
  const [profile, pixels] = await Promise.all([
    zlibDeflated(facts.profile),
    zlibDeflated(filtered(rgb, width * pixel, pixel)),
  ]);
  const text = (value: string) => new TextEncoder().encode(value);
  return joinedBytes([
    SIGNATURE,
    chunk('IHDR', head),
    chunk('iCCP', joinedBytes([text('sRGB\0\0'), profile])),
    chunk('eXIf', facts.exif),
    // Keyword, not compressed, no language, no translation.
    chunk('iTXt', joinedBytes([text('XML:com.adobe.xmp\0\0\0\0\0'), facts.xmp])),
    chunk('IDAT', pixels),
    chunk('IEND', new Uint8Array(0)),
  ]);
}

/** Each row with its filter's number before it. */
function filtered(rgb: Uint8Array, stride: number, pixel: number): Uint8Array {
  const rows = rgb.length / stride;
  const out = new Uint8Array(rows * (stride + 1));
  for (let y = 0, o = 0; y < rows; y++) {
    const row = y * stride;
    out[o++] = PAETH;
    for (let x = 0; x < stride; x++) {
      const left = x < pixel ? 0 : rgb[row + x - pixel]!;
      const up = y === 0 ? 0 : rgb[row + x - stride]!;
      const corner = x < pixel || y === 0 ? 0 : rgb[row + x - stride - pixel]!;
      const toLeft = Math.abs(up - corner);
      const toUp = Math.abs(left - corner);
      const toCorner = Math.abs(left + up - 2 * corner);
      const predicted = toLeft <= toUp && toLeft <= toCorner ? left : toUp <= toCorner ? up : corner;
      out[o++] = rgb[row + x]! - predicted;
    }
  }
  return out;
}

function chunk(type: string, data: Uint8Array): Uint8Array {
  const out = new Uint8Array(12 + data.length);
  const view = new DataView(out.buffer);
  view.setUint32(0, data.length);
  out.set(new TextEncoder().encode(type), 4);
  out.set(data, 8);
  view.setUint32(8 + data.length, crc32(out.subarray(4, 8 + data.length)));
  return out;
}
