// The record of a capture: everything the sheet and the frame view show without opening the raw file, and enough
// to make the capture again.
import type { ChannelFigures } from '../raw/statistics';
import { PATTERN_IDS, type PatternId } from '../meter/pattern';
import type { Forecast } from '../scopes/levels';
import { CFA_NAMES, type RawFrame } from '../sensor/raw-frame';
import type { CaptureFacts } from '../dng/write';
import { OPENING, SUPPORTS, type Outside } from '../scene/outside';
import { WHEEL_SPEEDS } from '../scene/scene';
import { LENS_IDS, type LensId } from '../sensor/simulated-camera';

export const RECORD_VERSION = 2;

export interface ChannelShares {
  readonly name: string;
  readonly clippedShare: number;
  readonly belowFloorShare: number;
}

/** Shares and headroom of a frame, predicted or measured. */
export interface RawFigures {
  readonly channels: readonly ChannelShares[];
  /** null when the frame is black. */
  readonly headroomEv: number | null;
}

export interface FrameRecord {
  readonly version: typeof RECORD_VERSION;
  readonly id: string;
  readonly timeMs: number;
  readonly offsetMinutes: number;
  readonly width: number;
  readonly height: number;
  readonly camera: string;
  readonly lens: string;
  readonly scene: string;
  readonly seed: number;
  readonly lensId: LensId;
  /** Distance the lens was focused at, m; null is infinity. */
  readonly focusM: number | null;
  /** The world outside and its clock, as they were: with the seed, the capture can be made again. */
  readonly outside: Outside;
  readonly clockS: number;
  readonly shutterS: number;
  readonly iso: number;
  readonly apertureN: number;
  readonly compensationEv: number;
  readonly shutterAuto: boolean;
  readonly isoAuto: boolean;
  /** Absent for a lens without an iris. */
  readonly apertureAuto?: boolean;
  /** Absent without a filter. */
  readonly filterStops?: number;
  readonly pattern: PatternId;
  readonly kelvin: number;
  readonly forecast: RawFigures;
  readonly result: RawFigures;
  /** Bytes of the DNG. */
  readonly bytes: number;
  /** Where the DNG is: in this browser's store, or served beside the demo. */
  readonly place: { readonly kind: 'stored' } | { readonly kind: 'served'; readonly url: string };
}

/** How far a forecast may be off: a tenth of what there is, or this share of the frame, whichever is larger. */
const FORECAST_RELATIVE = 0.1;
const FORECAST_SHARE = 0.0002;
/** Of the frame's sites, that each CFA channel has. */
const CHANNEL_SHARE = 0.25;

/** What a file was found to hold; null below the floor where it does not tell its noise. */
export interface FoundShares {
  readonly clippedShare: number;
  readonly belowFloorShare: number | null;
}

/** Did the finder tell the truth? Channel by channel, for what is clipped and what is below the floor. */
export function forecastHeld(forecast: readonly ChannelShares[], result: readonly FoundShares[]): boolean {
  const near = (told: number, found: number | null) =>
    found === null ||
    Math.abs(told - found) <= Math.max(FORECAST_RELATIVE * found, FORECAST_SHARE / CHANNEL_SHARE);
  return result.every((found, c) => {
    const told = forecast[c];
    return (
      told !== undefined &&
      near(told.clippedShare, found.clippedShare) &&
      near(told.belowFloorShare, found.belowFloorShare)
    );
  });
}

/** 31 December 9999, in any time zone: what Exif can write and a date can show. */
const LAST_MS = 253402214400000;
const TEXT = { type: 'string', maxLength: 200 } as const;

/** JSON schema of a record, for what comes back from storage or over the wire. Every number is bounded by what can be shown of it. */
export const RECORD_SCHEMA = {
  type: 'object',
  required: [
    ...[
      'version',
      'id',
      'timeMs',
      'offsetMinutes',
      'width',
      'height',
      'camera',
      'lens',
      'scene',
      'seed',
      'lensId',
      'focusM',
      'outside',
      'clockS',
      'shutterS',
    ],
    ...[
      'iso',
      'apertureN',
      'compensationEv',
      'shutterAuto',
      'isoAuto',
      'pattern',
      'kelvin',
      'forecast',
      'result',
    ],
    ...['bytes', 'place'],
  ],
  properties: {
    version: { const: RECORD_VERSION },
    id: { type: 'string', pattern: '^[0-9a-f]{32}$' },
    timeMs: { type: 'number', minimum: -62135510400000, maximum: LAST_MS },
    offsetMinutes: { type: 'integer', minimum: -900, maximum: 900 },
    width: { type: 'integer', minimum: 2, maximum: 65535 },
    height: { type: 'integer', minimum: 2, maximum: 65535 },
    camera: TEXT,
    lens: TEXT,
    scene: TEXT,
    seed: { type: 'integer', minimum: -9007199254740991, maximum: 9007199254740991 },
    lensId: { enum: LENS_IDS },
    focusM: { type: ['number', 'null'], exclusiveMinimum: 0, maximum: 1e9 },
    clockS: { type: 'number', minimum: -1e9, maximum: 1e9 },
    outside: {
      type: 'object',
      required: ['levels', 'support', 'wheel'],
      properties: {
        levels: { type: 'object', additionalProperties: { type: 'number', minimum: 0, maximum: 1 } },
        support: { enum: SUPPORTS },
        wheel: { enum: WHEEL_SPEEDS },
      },
    },
    shutterS: { type: 'number', minimum: 1e-9, maximum: 1e6 },
    iso: { type: 'number', minimum: 1e-3, maximum: 1e8 },
    apertureN: { type: 'number', minimum: 0.1, maximum: 1000 },
    compensationEv: { type: 'number', minimum: -5, maximum: 5 },
    shutterAuto: { type: 'boolean' },
    isoAuto: { type: 'boolean' },
    pattern: { enum: PATTERN_IDS },
    filterStops: { type: 'number', minimum: 0, maximum: 40 },
    apertureAuto: { type: 'boolean' },
    kelvin: { type: 'number', minimum: 100, maximum: 1e6 },
    forecast: { $ref: '#/$defs/outlook' },
    result: { $ref: '#/$defs/outlook' },
    bytes: { type: 'integer', minimum: 1, maximum: 1099511627776 },
    place: {
      oneOf: [
        { type: 'object', required: ['kind'], properties: { kind: { const: 'stored' } } },
        {
          type: 'object',
          required: ['kind', 'url'],
          properties: { kind: { const: 'served' }, url: { type: 'string', maxLength: 2000 } },
        },
      ],
    },
  },
  $defs: {
    outlook: {
      type: 'object',
      required: ['channels', 'headroomEv'],
      properties: {
        headroomEv: { type: ['number', 'null'], minimum: -100, maximum: 100 },
        channels: {
          type: 'array',
          maxItems: 16,
          items: {
            type: 'object',
            required: ['name', 'clippedShare', 'belowFloorShare'],
            properties: {
              name: TEXT,
              clippedShare: { type: 'number', minimum: 0, maximum: 1 },
              belowFloorShare: { type: 'number', minimum: 0, maximum: 1 },
            },
          },
        },
      },
    },
  },
} as const;

/** A record of an earlier version brought forward; anything else as it is. */
export function broughtForward(value: unknown): unknown {
  const record = value as { version?: unknown } | null;
  if (record?.version !== 1) return value;
  return { ...record, version: RECORD_VERSION, lensId: 'wide', focusM: null, outside: OPENING, clockS: 0 };
}

export function rawFiguresOf(figures: readonly ChannelFigures[], headroomEv: number): RawFigures {
  return {
    channels: figures.map(({ name, sites, clipped, belowFloor }) => ({
      name,
      clippedShare: sites > 0 ? clipped / sites : 0,
      belowFloorShare: sites > 0 ? belowFloor / sites : 0,
    })),
    headroomEv: Number.isFinite(headroomEv) ? headroomEv : null,
  };
}

/** A forecast in the terms of a record. @param headroomEv as it will be read from the file; Infinity without light */
export function forecastFigures({ clipped, belowFloor }: Forecast, headroomEv: number): RawFigures {
  return {
    channels: CFA_NAMES.map((name, c) => ({
      name,
      clippedShare: clipped[c]!,
      belowFloorShare: belowFloor[c]!,
    })),
    headroomEv: Number.isFinite(headroomEv) ? headroomEv : null,
  };
}

/** What is known of a capture before its file is written; it is kept in the file, so that the record can be made from that again. */
export type CaptureNote = Omit<FrameRecord, 'result' | 'bytes' | 'place'>;

export function captureNote(
  frame: RawFrame,
  { lensId, outside, clockS }: Pick<FrameRecord, 'lensId' | 'outside' | 'clockS'>,
  facts: CaptureFacts,
  forecast: RawFigures,
): CaptureNote {
  const { settings, source } = frame;
  return {
    version: RECORD_VERSION,
    id: facts.uniqueId,
    timeMs: frame.timeMs,
    offsetMinutes: frame.offsetMinutes,
    width: frame.width,
    height: frame.height,
    camera: source.camera,
    lens: source.lens,
    scene: source.scene ?? '',
    seed: source.seed ?? 0,
    lensId,
    focusM: Number.isFinite(source.focusM) ? source.focusM! : null,
    outside,
    clockS,
    ...settings,
    shutterAuto: facts.shutterAuto,
    isoAuto: facts.isoAuto,
    ...(facts.apertureAuto === undefined ? null : { apertureAuto: facts.apertureAuto }),
    pattern: facts.pattern,
    kelvin: frame.colour.kelvin,
    forecast,
  };
}
