// The record of a frame: everything that sheet and frame view show without opening a file, and for a simulated frame enough to make
// the capture again. What a camera could not know is unknown, with the reason.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { partsOf, type Parts } from '../raw/cut';
import { UNCUT } from '../setting/cut';
import { PRINT_OR_PLAIN, type Print } from '../setting/print';
import { REFRAME, type Reframe } from '../raw/reframe';
import type { ChannelFigures } from '../raw/statistics';
import { patternForward, PATTERN_IDS, type PatternId } from '../meter/pattern';
import type { Forecast } from '../scopes/levels';
import { CFA_NAMES, type RawFrame } from '../sensor/raw-frame';
import { IDENTITY, picked, SAID, type Facts } from '../facts/facts';
import { LENS_IDS, type LensId } from '../sensor/simulated-optic';
import type { SettingValues } from '../setting/settings';
import { initialValues, partialSchema, settingsForward } from '../setting/values';
import type { Known } from '../units/known';
import { knownSchema } from '../units/known-schema';
import { CLOCK_S, OUTSIDE, RAW_FIGURES, TEXT, type ChannelShares, type RawFigures } from './record-parts';
import { FORMATS, type Format } from '../setting/files';

export const RECORD_VERSION = 3;
export const VERDICTS = ['kept', 'dropped'] as const;
export type Verdict = (typeof VERDICTS)[number];

const HASH = Type.String({ pattern: '^[0-9a-f]{64}$' });

const FILE = Type.Object({
  format: Type.Unsafe<Format>({ enum: FORMATS }),
  bytes: Type.Integer({ minimum: 1, maximum: 1099511627776 }),
  /** SHA-256 (FIPS 180-4) in hexadecimal digits; unknown of frames that were taken before it was kept. */
  sha256: knownSchema(HASH),
});
/** A file of a frame as its record tells of it. */
export type FileEntry = Readonly<Static<typeof FILE>>;

/** How a frame came to be, with what is known of that alone. */
const MADE = Type.Union([
  Type.Object({
    kind: Type.Literal('simulated'),
    scene: TEXT,
    seed: Type.Integer({ minimum: -9007199254740991, maximum: 9007199254740991 }),
    lensId: Type.Unsafe<LensId>({ enum: LENS_IDS }),
    /** The world outside and its clock, as they were: with the seed, the capture can be made again. */
    outside: OUTSIDE,
    clockS: CLOCK_S,
  }),
  Type.Object({
    kind: Type.Literal('browser'),
    /** The device as the browser names it. */
    device: TEXT,
    /** Pictures that were averaged into the frame. */
    pictures: Type.Integer({ minimum: 1, maximum: 64 }),
  }),
  Type.Object({ kind: Type.Literal('imported'), file: TEXT }),
]);
export type FrameOrigin = Readonly<Static<typeof MADE>>;

const SHUTTER_S = Type.Number({ minimum: 1e-9, maximum: 1e6 });
const ISO = Type.Number({ minimum: 1e-3, maximum: 1e8 });
const APERTURE_N = Type.Number({ minimum: 0.1, maximum: 1000 });

/** JSON schema of a record, for what comes back from storage or over the wire. Every number is bounded by what can be shown of it. */
export function recordSchema() {
  return Type.Object({
    version: Type.Literal(RECORD_VERSION),
    ...IDENTITY,
    image: Type.Object({
      width: Type.Integer({ minimum: 2, maximum: 65535 }),
      height: Type.Integer({ minimum: 2, maximum: 65535 }),
      /** Numbers of a sensor behind its colour filters, or three components made from a picture. */
      kind: Type.Unsafe<'mosaic' | 'rgb'>({ enum: ['mosaic', 'rgb'] }),
    }),
    camera: TEXT,
    lens: TEXT,
    exposure: Type.Object({
      shutterS: knownSchema(SHUTTER_S),
      iso: knownSchema(ISO),
      apertureN: knownSchema(APERTURE_N),
      /** The person's habit included. */
      /** Of a frame of a bracket with its place in it. */
      compensationEv: Type.Number({ minimum: -20, maximum: 20 }),
    }),
    /** Distance the lens was focused at, m; null is infinity. */
    focusM: knownSchema(Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 1e9 }), Type.Null()])),
    /** All settings as the person had them; of earlier versions what they kept. */
    set: Type.Unsafe<Partial<SettingValues>>(partialSchema()),
    metered: Type.Object({
      pattern: Type.Unsafe<PatternId>({ enum: PATTERN_IDS }),
      ev100: knownSchema(Type.Number({ minimum: -100, maximum: 100 })),
    }),
    kelvin: knownSchema(Type.Number({ minimum: 100, maximum: 1e6 })),
    /** Not kept by earlier versions, nor told by devices. */
    tint: Type.Optional(Type.Number({ minimum: -1000, maximum: 1000 })),
    ...SAID,
    /** White that the person gave it afterwards; the files stay as they were. */
    rewhite: Type.Optional(
      Type.Object({
        kelvin: Type.Number({ minimum: 1000, maximum: 1e6 }),
        tint: Type.Number({ minimum: -1000, maximum: 1000 }),
      }),
    ),
    /** What the person thinks of it; neither where nothing was said. */
    verdict: Type.Optional(Type.Unsafe<Verdict>({ enum: VERDICTS })),
    /** 1 … 5; absent without one. */
    rating: Type.Optional(Type.Integer({ minimum: 1, maximum: 5 })),
    /** How it is developed since; null for plainly. Absent for as it was taken. */
    print: Type.Optional(Type.Unsafe<Print | null>(PRINT_OR_PLAIN)),
    /** Another framing; the files stay as they were. */
    reframe: Type.Optional(Type.Unsafe<Reframe>(REFRAME)),
    /** Blur of the hand that was likely before the press, pixels. */
    shakePx: Type.Optional(Type.Number({ minimum: 0, maximum: 1e6 })),
    /** What the finder said of raw before the press, if it could say anything. */
    forecast: Type.Optional(RAW_FIGURES),
    result: knownSchema(RAW_FIGURES),
    files: Type.Unsafe<readonly FileEntry[]>(Type.Array(FILE, { minItems: 1, maxItems: 8 })),
    /** Where the files are: in this browser's store, or served beside the demo. */
    place: Type.Union([
      Type.Object({ kind: Type.Literal('stored') }),
      Type.Object({ kind: Type.Literal('served'), url: Type.String({ maxLength: 2000 }) }),
    ]),
    made: MADE,
  });
}

export type FrameRecord = Readonly<Static<ReturnType<typeof recordSchema>>>;

/** What is said of a frame after it was taken; its files know nothing of it. */
export type Afterthoughts = Pick<FrameRecord, 'verdict' | 'rating' | 'rewhite' | 'print' | 'reframe'>;

/** How a frame is developed: as it was taken, or as was chosen since. Null for plainly. */
export function printOf({ print, set }: Pick<FrameRecord, 'print' | 'set'>): Print | null {
  return print === undefined ? (set.print ?? null) : print;
}

/** XMP's own rating: −1 for what is dropped, 0 without one. */
export function xmpRating({ verdict, rating }: Pick<FrameRecord, 'verdict' | 'rating'>): number {
  return verdict === 'dropped' ? -1 : (rating ?? 0);
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

/** A record, or the note in a file, with settings under the names that they have by now; anything else as it is. It must still pass the schema. */
export function broughtForward(value: unknown): unknown {
  const record = value as { set?: unknown; metered?: { pattern?: unknown } } | null;
  if (typeof record !== 'object' || !record?.metered) return value;
  return {
    ...record,
    set: settingsForward(record.set),
    metered: { ...record.metered, pattern: patternForward(record.metered.pattern) },
  };
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
export type CaptureNote = Omit<FrameRecord, 'result' | 'files' | 'place' | keyof Afterthoughts>;

/** A note as files carry it. The place stands in their standard tags alone, so that it can be taken out of them. */
export function noteText({ position: _, ...note }: CaptureNote): string {
  return JSON.stringify(note);
}

/** @param told what the finder told of it before the press; undefined where it told nothing */
export function captureNote(
  frame: RawFrame,
  made: FrameOrigin,
  facts: Facts,
  { forecast, shakePx }: { readonly forecast?: RawFigures; readonly shakePx?: number },
): CaptureNote {
  const { settings, source } = frame;
  const { shutterS, iso, apertureN, compensationEv } = settings;
  return {
    version: RECORD_VERSION,
    ...picked(IDENTITY, facts),
    image: { width: frame.width, height: frame.height, kind: 'mosaic' },
    camera: source.camera,
    lens: source.lens,
    exposure: { shutterS, iso, apertureN, compensationEv },
    focusM: focusOf(source.focusM),
    set: facts.set,
    metered: { pattern: facts.set.meter.pattern, ev100: facts.meteredEv100 },
    kelvin: frame.colour.white.kelvin,
    tint: frame.colour.white.tint,
    ...picked(SAID, facts),
    ...(shakePx !== undefined && { shakePx }),
    ...(forecast ? { forecast } : null),
    made,
  };
}

/** What of a frame counts and what is shown of it, in columns and rows of the whole as it is seen. */
export function partsOfFrame({ image, set }: Pick<FrameRecord, 'image' | 'set'>): Parts {
  return partsOf(image, image.kind === 'mosaic' ? (set.cut ?? UNCUT) : UNCUT);
}

function focusOf(focusM: number | undefined): Known<number | null> {
  if (focusM === undefined) return { unknown: 'the camera does not tell where it is focused' };
  return Number.isFinite(focusM) ? focusM : null;
}

/** The facts that a record holds; of what only the file was told nothing is known any more. */
export function factsOfRecord(record: FrameRecord): Facts {
  const { set, metered } = record;
  return {
    ...picked(IDENTITY, record),
    set: { ...set, meter: set.meter ?? initialValues().meter },
    meteredEv100: metered.ev100,
    ...picked(SAID, record),
  };
}
