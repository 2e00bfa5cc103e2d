// What a DNG tells of how it was made, and of its colour. What it does not say is unknown, with the reason.
import { neutralOfWhite, whiteOfNeutral, type Calibrated, type CameraMatrices } from '../colour/calibrated';
import { whiteOfXy, type WhitePoint } from '../colour/temperature';
import { multiply3, scaleRows, type Mat3, type Vec3 } from '../numeric/matrix';
import { isUnknown, type Known } from '../units/known';
import { momentOfExif } from './exif-time';
import { D65_CODE, KELVIN_OF } from './illuminants';
import type { DngMetadata } from './read';

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
  readonly matrices: Known<CameraMatrices>;
  readonly asShotNeutral: Known<Vec3>;
  /** The light that its white was made for. */
  readonly white: Known<WhitePoint>;
}

export function factsOf(m: DngMetadata): FileFacts {
  const asShotNeutral = neutralOf(m);
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
    matrices: matricesOf(m),
    asShotNeutral,
    white: whiteOf(m, asShotNeutral),
  };
}

function said<T>(value: T | undefined, name: string): Known<T> {
  return value === undefined || value === '' ? { unknown: `The file has no ${name}` } : value;
}

function positive(value: number | undefined, name: string): Known<number> {
  if (value !== undefined && !(value > 0)) return { unknown: `The file's ${name} is ${value}` };
  return said(value, name);
}

function mat3Of(values: readonly number[] | undefined): Mat3 | null {
  if (values?.length !== 9 || !values.every(Number.isFinite)) return null;
  const row = (i: number): Vec3 => [values[i]!, values[i + 1]!, values[i + 2]!];
  return [row(0), row(3), row(6)];
}

/**
 * The file's calibrations: both where both lights have a temperature, else the one for light like D65, or its only one. What single camera and its
 * gains add to its kind (CameraCalibration, AnalogBalance) is in the matrices.
 */
export function matricesOf(m: DngMetadata): Known<CameraMatrices> {
  if (!m.colorMatrix1) return { unknown: 'The file has no ColorMatrix1' };
  const of = (kelvin: number, one: 1 | 2): Calibrated | null => {
    const matrix = mat3Of(m[`colorMatrix${one}`]);
    if (!matrix) return null;
    const own = ownOf(m, m[`cameraCalibration${one}`]);
    const forward = mat3Of(m[`forwardMatrix${one}`]);
    // A ForwardMatrix begins with balanced values: gains are out of them, and what mixes channels could not be taken out here.
    return { kelvin, matrix: multiply3(own, matrix), ...(forward && isDiagonal(own) && { forward }) };
  };
  const [code1, code2] = [m.calibrationIlluminant1, m.calibrationIlluminant2];
  const [kelvin1, kelvin2] = [KELVIN_OF[code1 ?? -1], KELVIN_OF[code2 ?? -1]];
  const one = of(kelvin1 ?? KELVIN_OF[D65_CODE]!, 1);
  const two = of(kelvin2 ?? KELVIN_OF[D65_CODE]!, 2);
  if (one && two && kelvin1 && kelvin2) return [one, two];
  const taken = two && code2 === D65_CODE && code1 !== D65_CODE ? two : one;
  return taken ? [taken] : { unknown: 'Its ColorMatrix is not one of 3×3' };
}

/** AnalogBalance · CameraCalibration; the unit matrix where the file has neither. */
function ownOf({ analogBalance }: DngMetadata, calibration: readonly number[] | undefined): Mat3 {
  const gains = analogBalance?.length === 3 && analogBalance.every((v) => v > 0) ? analogBalance : [1, 1, 1];
  return scaleRows(mat3Of(calibration) ?? UNIT, [gains[0]!, gains[1]!, gains[2]!]);
}

const UNIT: Mat3 = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

function isDiagonal(m: Mat3): boolean {
  return m.every((row, i) => row.every((v, j) => i === j || v === 0));
}

function whiteOf(m: DngMetadata, neutral: Known<Vec3>): Known<WhitePoint> {
  const { asShotWhiteXY: told } = m;
  const sound = (v: number) => v > 0 && v < 1;
  if (!m.asShotNeutral && told?.length === 2 && told.every(sound)) return whiteOfXy([told[0]!, told[1]!]);
  const matrices = matricesOf(m);
  if (isUnknown(matrices)) return matrices;
  if (isUnknown(neutral)) return neutral;
  const xy = whiteOfNeutral(matrices, neutral);
  return xy ? whiteOfXy(xy) : { unknown: 'Its AsShotNeutral is the colour of no light' };
}

function neutralOf(m: DngMetadata): Known<Vec3> {
  const { asShotNeutral: n, asShotWhiteXY: xy } = m;
  const matrices = matricesOf(m);
  const sound = (v: number) => v > 0 && Number.isFinite(v);
  if (n?.length === 3 && n.every(sound)) return [n[0]!, n[1]!, n[2]!];
  if (xy?.length === 2 && xy.every(sound) && !isUnknown(matrices)) {
    const neutral = neutralOfWhite(matrices, [xy[0]!, xy[1]!]);
    if (neutral.every(sound)) return neutral;
  }
  return { unknown: 'The file has no AsShotNeutral' };
}
