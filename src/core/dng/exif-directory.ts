// What Exif says of a capture (CIPA DC-008): the settings' own facts, the lens, the light, the time.
import type { Facts } from '../facts/facts';
import { framingOf, storedIn } from '../raw/framing';
import { driveOf } from '../sequence/in-use';
import type { RawFrame } from '../sensor/raw-frame';
import type { ExifFacts } from '../define/setting';
import { exifOf } from '../setting/values';
import { isUnknown, type Known } from '../units/known';
import { exifDateTime, exifOffset, exifSubSec } from './exif-time';
import { EXIF } from './tags';
import { ascii, long, rational, short, srational, undefinedBytes, type Field } from './tiff-writer';

/** When it was taken. */
export function timeFields({ timeMs, offsetMinutes }: { timeMs: number; offsetMinutes: number }): Field[] {
  const time = exifDateTime(timeMs, offsetMinutes);
  const offset = exifOffset(offsetMinutes);
  const subSec = exifSubSec(timeMs);
  return [
    ascii(EXIF.DateTimeOriginal, time),
    ascii(EXIF.DateTimeDigitized, time),
    ascii(EXIF.OffsetTime, offset),
    ascii(EXIF.OffsetTimeOriginal, offset),
    ascii(EXIF.OffsetTimeDigitized, offset),
    ascii(EXIF.SubSecTime, subSec),
    ascii(EXIF.SubSecTimeOriginal, subSec),
    ascii(EXIF.SubSecTimeDigitized, subSec),
  ];
}

/** Exif 2.32. */
export const EXIF_VERSION = undefinedBytes(EXIF.ExifVersion, 0x30, 0x32, 0x33, 0x32);

/**
 * The Exif directory: what was set, what the lens is, when.
 * @param developed true for a developed picture, turned and in sRGB; false for raw
 */
export function exifDirectory(frame: RawFrame, facts: Facts, developed = false): Field[] {
  const { source } = frame;
  const told = settingFacts(frame, facts);
  const program = exposureProgram(facts);
  return [
    ...settingFields(told),
    short(EXIF.ExposureProgram, program),
    EXIF_VERSION,
    ...timeFields(frame),
    // In columns and rows of what is stored: a picture is turned, cut and made smaller.
    ...(developed ? [] : subjectFields(frame, facts)),
    ...heldFields(facts),
    srational(EXIF.BrightnessValue, brightness(facts.meteredEv100)),
    rational(EXIF.MaxApertureValue, 2 * Math.log2(source.widestN)),
    short(EXIF.LightSource, told.LightSource ?? 0),
    short(EXIF.Flash, 0x20),
    rational(EXIF.FocalLength, source.focalLengthMm),
    short(EXIF.ColorSpace, developed ? SRGB : UNCALIBRATED),
    short(EXIF.SensingMethod, 2),
    undefinedBytes(EXIF.FileSource, 3),
    undefinedBytes(EXIF.SceneType, 1),
    short(EXIF.CustomRendered, 0),
    short(EXIF.ExposureMode, modeOfGroup(facts) ?? (program === MANUAL ? 1 : 0)),
    short(EXIF.WhiteBalance, told.WhiteBalance ?? 0),
    short(EXIF.FocalLengthIn35mmFilm, source.equivalentMm),
    short(EXIF.SceneCaptureType, 0),
    ascii(EXIF.ImageUniqueID, facts.id),
    rational(
      EXIF.LensSpecification,
      ...(source.lensRange ?? fixedLens(source.focalLengthMm, source.widestN)),
    ),
    ascii(EXIF.LensMake, source.make),
    ascii(EXIF.LensModel, `${source.camera} ${source.lensModel}`),
  ];
}

/** What ColorSpace says of numbers in sRGB, and of others. */
const SRGB = 1;
const UNCALIBRATED = 0xffff;

/** ExposureMode of one of several frames, where its drive has one of its own. */
function modeOfGroup({ group, set }: Facts): number | undefined {
  return group && driveOf(set).exposureMode;
}

/** Exif 2.31: how high the camera looked, degrees. It has no tag for a roll. */
export function heldFields({ held }: Pick<Facts, 'held'>): Field[] {
  return held ? [srational(EXIF.CameraElevationAngle, held.pitchDeg)] : [];
}

/** Where nobody knows how wide the automatic focus looked, as a share of the longer side. */
const USUAL_LOOK = 1 / 32;

/** Where it was focused, in columns and rows of the stored image, as Exif counts them: before it is turned. */
function subjectFields(frame: RawFrame, { focusedAt }: Facts): Field[] {
  if (!focusedAt) return [];
  // Shares of the part that counts, whatever lines lie in it.
  const framing = framingOf({ ...frame, userCrop: undefined });
  const { part, seen } = framing;
  const at = { x: focusedAt.x * seen.width, y: focusedAt.y * seen.height, width: 0, height: 0 };
  const { x, y } = storedIn(framing, at);
  const looked = Math.round((focusedAt.side ?? USUAL_LOOK) * Math.max(frame.width, frame.height));
  const side = Math.min(Math.max(1, looked), part.width, part.height);
  return [short(EXIF.SubjectArea, Math.round(x), Math.round(y), side, side)];
}

/** Shortest and longest focal length, mm, and the widest f-number at each. */
function fixedLens(mm: number, n: number): readonly number[] {
  return [mm, mm, n, n];
}

/** APEX: at ISO 100 Sv is 5, so Bv = EV100 − 5. Exif's numerator of all ones is unknown. */
function brightness(meteredEv100: Known<number>): number | [number, number] {
  return isUnknown(meteredEv100) ? [-1, 1] : meteredEv100 - SV_OF_ISO_100;
}
const SV_OF_ISO_100 = Math.log2(100 / 3.125);

/** What the settings say of themselves. */
export function settingFacts({ settings, source }: RawFrame, { set }: Facts): ExifFacts {
  return exifOf(set, {
    ...settings,
    ...(source.focusM === undefined ? null : { focusM: source.focusM }),
  });
}

/** The settings' facts as fields of their types. */
export function settingFields(told: ExifFacts): Field[] {
  const { ExposureTime, FNumber, PhotographicSensitivity: iso, SubjectDistance } = told;
  const { DigitalZoomRatio } = told;
  const { ShutterSpeedValue, ApertureValue, ExposureBiasValue, MeteringMode } = told;
  return [
    ...(ExposureTime ? [rational(EXIF.ExposureTime, [...ExposureTime])] : []),
    ...(FNumber === undefined ? [] : [rational(EXIF.FNumber, FNumber)]),
    ...(iso === undefined
      ? []
      : [
          short(EXIF.PhotographicSensitivity, iso),
          short(EXIF.SensitivityType, 1),
          long(EXIF.StandardOutputSensitivity, iso),
        ]),
    ...(ShutterSpeedValue === undefined ? [] : [srational(EXIF.ShutterSpeedValue, ShutterSpeedValue)]),
    ...(ApertureValue === undefined ? [] : [rational(EXIF.ApertureValue, ApertureValue)]),
    ...(ExposureBiasValue ? [srational(EXIF.ExposureBiasValue, [...ExposureBiasValue])] : []),
    ...(MeteringMode === undefined ? [] : [short(EXIF.MeteringMode, MeteringMode)]),
    ...(DigitalZoomRatio ? [rational(EXIF.DigitalZoomRatio, [...DigitalZoomRatio])] : []),
    ...(SubjectDistance === undefined
      ? []
      : [
          rational(
            EXIF.SubjectDistance,
            typeof SubjectDistance === 'number' ? SubjectDistance : [...SubjectDistance],
          ),
        ]),
  ];
}

const MANUAL = 1;

/**
 * 1 manual, 2 programme, 3 aperture priority, 4 shutter priority. Automatic ISO alone leaves a held time and a fixed
 * aperture: shutter priority.
 */
function exposureProgram({ set: { shutter, iso, aperture } }: Facts): number {
  if (!shutter?.auto && !iso?.auto && !aperture?.auto) return MANUAL;
  if (shutter?.auto) return aperture?.auto === false ? 3 : 2;
  return 4;
}
