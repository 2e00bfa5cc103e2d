// A DNG that was read, as an image to look at and the facts that it tells. What the file says is kept exactly; what it does not
// say is unknown, with the reason.
import { neutralOfXy, type DevelopColour } from '../colour/camera';
import { XYZ_FROM_SRGB } from '../colour/srgb';
import { invert3, type Mat3, type Vec3 } from '../numeric/matrix';
import type { RawImage } from '../sensor/raw-frame';
import { isUnknown, type Known } from '../units/known';
import { noiseOf } from './check';
import { momentOfExif } from './exif-time';
import type { DngMetadata, DngRaw } from './read';

export interface FileFacts {
  readonly make: Known<string>;
  readonly camera: Known<string>;
  readonly lens: Known<string>;
  readonly shutterS: Known<number>;
  readonly iso: Known<number>;
  readonly apertureN: Known<number>;
  readonly compensationEv: Known<number>;
  readonly focalLengthMm: Known<number>;
  readonly equivalentMm: Known<number>;
  /** Infinity is allowed. */
  readonly focusM: Known<number>;
  /** ms since 1970 UTC. */
  readonly timeMs: Known<number>;
  readonly offsetMinutes: Known<number>;
  /** XYZ → camera for light like D65, or the file's only one. */
  readonly colorMatrix: Known<Mat3>;
  readonly asShotNeutral: Known<Vec3>;
}

export interface FileFrame extends RawImage {
  readonly facts: FileFacts;
}

/** A camera that sees as sRGB does: colours are shown as they are stored. */
const PLAIN_MATRIX: Mat3 = invert3(XYZ_FROM_SRGB);

export function rawFrameOf(raw: DngRaw): FileFrame {
  const facts = factsOf(raw.metadata);
  const { colorMatrix, asShotNeutral } = facts;
  const colour: DevelopColour = {
    colorMatrix: isUnknown(colorMatrix) ? PLAIN_MATRIX : colorMatrix,
    asShotNeutral: isUnknown(asShotNeutral) ? [1, 1, 1] : asShotNeutral,
  };
  const { width, height, phase, data, black, blacks, white, metadata } = raw;
  return {
    width,
    height,
    layout: 'cfa',
    phase,
    data,
    black,
    ...(blacks && { blacks }),
    white,
    colour,
    noise: noiseOf(raw),
    // DNG: 0 when it is not there.
    baselineEv: metadata.baselineExposureEv ?? 0,
    facts,
  };
}

export function factsOf(m: DngMetadata): FileFacts {
  const colorMatrix = matrixOf(m);
  const moment = momentOfExif(m.dateTimeOriginal, m.subSecTimeOriginal, m.offsetTime);
  return {
    make: said(m.make, 'Make'),
    camera: said(m.model, 'Model'),
    lens: said(m.lens, 'LensModel'),
    shutterS: positive(m.exposureTimeS, 'ExposureTime'),
    iso: positive(m.iso, 'PhotographicSensitivity'),
    apertureN: positive(m.fNumber, 'FNumber'),
    compensationEv: said(m.exposureBiasEv, 'ExposureBiasValue'),
    focalLengthMm: positive(m.focalLengthMm, 'FocalLength'),
    equivalentMm: positive(m.focalLength35mm, 'FocalLengthIn35mmFilm'),
    focusM: said(m.subjectDistanceM, 'SubjectDistance'),
    timeMs: said(moment?.timeMs, 'DateTimeOriginal with its offset'),
    offsetMinutes: said(moment?.offsetMinutes, 'OffsetTimeOriginal'),
    colorMatrix,
    asShotNeutral: neutralOf(m, colorMatrix),
  };
}

function said<T>(value: T | undefined, name: string): Known<T> {
  return value === undefined || value === '' ? { unknown: `The file has no ${name}` } : value;
}

function positive(value: number | undefined, name: string): Known<number> {
  if (value !== undefined && !(value > 0)) return { unknown: `The file's ${name} is ${value}` };
  return said(value, name);
}

/** CalibrationIlluminant code of D65 (Exif LightSource). */
const D65_CODE = 21;

function matrixOf(m: DngMetadata): Known<Mat3> {
  const second = m.calibrationIlluminant2 === D65_CODE && m.calibrationIlluminant1 !== D65_CODE;
  const values = (second && m.colorMatrix2) || m.colorMatrix1;
  if (!values) return { unknown: 'The file has no ColorMatrix1' };
  if (values.length !== 9 || !values.every(Number.isFinite))
    return { unknown: 'Its ColorMatrix is not one of 3×3' };
  const row = (i: number): Vec3 => [values[i]!, values[i + 1]!, values[i + 2]!];
  return [row(0), row(3), row(6)];
}

function neutralOf({ asShotNeutral: n, asShotWhiteXY: xy }: DngMetadata, matrix: Known<Mat3>): Known<Vec3> {
  const sound = (v: number) => v > 0 && Number.isFinite(v);
  if (n?.length === 3 && n.every(sound)) return [n[0]!, n[1]!, n[2]!];
  if (xy?.length === 2 && xy.every(sound) && !isUnknown(matrix)) {
    const neutral = neutralOfXy(matrix, [xy[0]!, xy[1]!]);
    if (neutral.every(sound)) return neutral;
  }
  return { unknown: 'The file has no AsShotNeutral' };
}
