// A read DNG as a RawFrame, so that everything downstream can take it. What the file does not say gets a plain default.
import { SIM_ONE_COLOR_MATRIX } from '../colour/camera';
import type { Mat3, Vec3 } from '../numeric/matrix';
import { ISO_LADDER, SHUTTER_LADDER, stepOf } from '../units/ladders';
import type { RawFrame } from '../sensor/raw-frame';
import { noiseOf } from './check';
import type { DngRaw } from './read';

export function rawFrameOf(raw: DngRaw): RawFrame {
  const m = raw.metadata;
  const positive = (v: number | undefined, fallback: number) =>
    v !== undefined && v > 0 && Number.isFinite(v) ? v : fallback;
  return {
    width: raw.width,
    height: raw.height,
    layout: 'cfa',
    data: raw.data,
    black: raw.black,
    white: raw.white,
    colour: {
      colorMatrix: matrixOf(m.colorMatrix1) ?? SIM_ONE_COLOR_MATRIX,
      asShotNeutral: neutralOf(m.asShotNeutral) ?? [1, 1, 1],
      kelvin: 0,
    },
    noise: noiseOf(raw),
    settings: {
      shutterS: stepOf(SHUTTER_LADDER, positive(m.exposureTimeS, 1 / 128)).exact,
      iso: stepOf(ISO_LADDER, positive(m.iso, 100)).exact,
      apertureN: positive(m.fNumber, 1),
      compensationEv: m.exposureBiasEv ?? 0,
    },
    timeMs: 0,
    offsetMinutes: 0,
    source: {
      make: m.make ?? '',
      camera: m.model ?? '',
      lens: m.lens ?? '',
      focalLengthMm: m.focalLengthMm ?? 0,
      equivalentMm: m.focalLength35mm ?? 0,
      ...(m.subjectDistanceM === undefined ? {} : { focusM: m.subjectDistanceM }),
    },
  };
}

function matrixOf(values: number[] | undefined): Mat3 | undefined {
  if (values?.length !== 9 || !values.every(Number.isFinite)) return undefined;
  const row = (i: number): Vec3 => [values[i]!, values[i + 1]!, values[i + 2]!];
  return [row(0), row(3), row(6)];
}

function neutralOf(values: number[] | undefined): Vec3 | undefined {
  if (values?.length !== 3 || !values.every((v) => v > 0 && Number.isFinite(v))) return undefined;
  return [values[0]!, values[1]!, values[2]!];
}
