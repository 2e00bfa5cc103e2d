// How a picture of anyone's was taken, by its Exif (CIPA DC-008): JPEG, PNG, TIFF and what is built on it.
import { EXIF, TAG } from '../dng/tags';
import { DngError } from '../dng/errors';
import {
  finiteNumber,
  fractionAt,
  number,
  openTiff,
  readDirectory,
  text,
  wholeNumber,
} from '../dng/tiff-reader';
import type { Taken } from '../setup/as-taken';
import { USUAL_LIGHTS } from '../setting/white';
import { exifOfJpeg } from './jpeg';

export interface TakenOfFile extends Taken {
  /** As the file names it. */
  readonly camera?: string;
}

/** Exif: all ones mean infinity. */
const INFINITE = 0xffffffff;
/** Exif WhiteBalance: by hand. */
const BY_HAND = 1;

/** @throws Error in words for people for a file without Exif, or one that is broken */
export function takenOfFile(bytes: Uint8Array): TakenOfFile {
  const tiff = tiffOf(bytes);
  if (!tiff) throw new Error('This file tells nothing of how it was taken: it has no Exif');
  try {
    return readTaken(tiff);
  } catch (error) {
    if (error instanceof DngError) throw new Error(`The Exif of this file is broken: ${error.message}`);
    throw error;
  }
}

function readTaken(tiff: Uint8Array): TakenOfFile {
  const file = openTiff(tiff);
  const visited = new Set<number>();
  const main = readDirectory(file, file.firstDirectory, visited);
  const at = wholeNumber(file, main, TAG.ExifIFD);
  if (at === undefined) throw new Error('This file tells nothing of how it was taken: it has no Exif');
  const exif = readDirectory(file, at, visited);
  const positive = (value: number | undefined) =>
    value !== undefined && value > 0 && Number.isFinite(value) ? value : undefined;
  const time = fractionAt(file, exif, EXIF.ExposureTime);
  const far = number(file, exif, EXIF.SubjectDistance);
  const light = USUAL_LIGHTS.find(({ code }) => code === finiteNumber(file, exif, EXIF.LightSource));
  const byHand = finiteNumber(file, exif, EXIF.WhiteBalance) === BY_HAND;
  const camera = text(file, main, TAG.Model);
  const found = {
    shutterS: time && time[1] > 0 ? positive(time[0] / time[1]) : undefined,
    iso: positive(finiteNumber(file, exif, EXIF.PhotographicSensitivity)),
    apertureN: positive(finiteNumber(file, exif, EXIF.FNumber)),
    compensationEv: finiteNumber(file, exif, EXIF.ExposureBiasValue),
    focusM: far !== undefined && far >= INFINITE ? Infinity : positive(far),
    white: byHand && light ? { kelvin: light.kelvin, tint: light.tint } : undefined,
    camera: camera === '' ? undefined : camera,
  };
  return Object.fromEntries(Object.entries(found).filter(([, value]) => value !== undefined));
}

const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];

/** The TIFF file that holds the Exif of another; undefined where there is none. */
function tiffOf(bytes: Uint8Array): Uint8Array | undefined {
  const starts = (head: readonly number[]) => head.every((v, i) => bytes[i] === v);
  if (starts([0x49, 0x49, 42, 0]) || starts([0x4d, 0x4d, 0, 42])) return bytes;
  if (starts(PNG)) return chunkOf(bytes, 'eXIf');
  if (!starts([0xff, 0xd8])) throw new Error('This is no JPEG, PNG, TIFF or DNG');
  let part;
  try {
    part = exifOfJpeg(bytes);
  } catch (error) {
    throw new Error(`This JPEG is broken: ${(error as Error).message}`);
  }
  return part && bytes.subarray(part.from, part.to);
}

/** The data of the first chunk of that kind in a PNG (ISO/IEC 15948). */
function chunkOf(bytes: Uint8Array, kind: string): Uint8Array | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = PNG.length; at + 12 <= bytes.length;) {
    const length = view.getUint32(at);
    if (at + 12 + length > bytes.length) return undefined;
    if (String.fromCharCode(...bytes.subarray(at + 4, at + 8)) === kind)
      return bytes.subarray(at + 8, at + 8 + length);
    at += 12 + length;
  }
  return undefined;
}
