// What a meter sees of a finished picture: linear luminance by the inverse of the sRGB curve (IEC 61966-2-1), scaled so that the picture's
// mid-grey stands for the light that its exposure puts there. A tone curve of the device's own is not known and not undone.
import { decodeSrgb, LUMA_709 } from '../colour/srgb';
import { luminanceOfEv100 } from '../light/apex';
import type { LuminanceMap, MeterSight } from './luminance-map';

/** Linear value of the picture that a correct exposure gives to 18 % grey. */
export const MID_GREY = 0.18;

/** Code values at and under which, and at and over which, a picture does not tell how dark or how bright it is. */
const DARKEST = 2;
const BRIGHTEST = 254;

const LINEAR = Float32Array.from({ length: 256 }, (_, code) => decodeSrgb(code / 255));

/** Pixels across and down that a place of the meter's maps stands for: a meter needs no finer ones. */
export const CELL = 2;

/**
 * @param rgba sRGB code values, four bytes a pixel; must stay as they are while the sight is in use
 * @param greyEv100 EV at ISO 100 of light that lies on mid-grey
 * @throws RangeError for a picture smaller than a cell
 */
export function pictureSight(
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
  greyEv100: number,
): MeterSight {
  const scale = luminanceOfEv100(greyEv100) / MID_GREY;
  const [wr, wg, wb] = LUMA_709.map((w) => w * scale) as [number, number, number];
  // What is left over at the right and at the foot is less than a cell.
  const size = { width: Math.floor(width / CELL), height: Math.floor(height / CELL) };
  if (size.width < 1 || size.height < 1)
    throw new RangeError(`A picture of ${width}×${height} is too small to meter`);
  /** The mean of a cell's pixels. */
  const mapOf = (of: (o: number) => number): LuminanceMap => {
    const data = new Float32Array(size.width * size.height);
    for (let y = 0, i = 0; y < size.height; y++)
      for (let x = 0; x < size.width; x++, i++) {
        const top = 4 * CELL * (y * width + x);
        const below = top + 4 * width;
        data[i] = (of(top) + of(top + 4) + of(below) + of(below + 4)) / (CELL * CELL);
      }
    return { ...size, data };
  };
  let peak: LuminanceMap | undefined;
  return {
    luminance: mapOf((o) => wr * LINEAR[rgba[o]!]! + wg * LINEAR[rgba[o + 1]!]! + wb * LINEAR[rgba[o + 2]!]!),
    peak: () => (peak ??= mapOf((o) => scale * LINEAR[Math.max(rgba[o]!, rgba[o + 1]!, rgba[o + 2]!)]!)),
    brightest: (share) => scale * LINEAR[codeOfTopShare(rgba, share)]!,
    range: { floor: scale * LINEAR[DARKEST]!, clip: scale * LINEAR[BRIGHTEST]! },
  };
}

/** The greatest code value that at least this share of the pixels reaches in some channel. */
function codeOfTopShare(rgba: Uint8ClampedArray, share: number): number {
  const counts = new Uint32Array(256);
  for (let o = 0; o < rgba.length; o += 4) counts[Math.max(rgba[o]!, rgba[o + 1]!, rgba[o + 2]!)]!++;
  const wanted = Math.max(1, Math.ceil((rgba.length / 4) * share));
  let above = 0;
  for (let code = 255; code > 0; code--) if ((above += counts[code]!) >= wanted) return code;
  return 0;
}
