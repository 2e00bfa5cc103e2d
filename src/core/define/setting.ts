// What a setting is: one object that says all that desk, order, setups, memory, terminal, record and Exif need of it. To add a setting
// is to write one such object, name it in `settings.ts`, and show it on a screen.
import type { TSchema } from '@sinclair/typebox';
import type { Optic } from '../body/body';
import type { ExposureSettings } from '../exposure/settings';
import type { Ladder } from '../units/ladders';

/** A number of Exif as numerator and denominator. */
export type Rational = readonly [number, number];

/** What Exif (CIPA DC-008) says of a setting, by the names of its tags; `comment` goes into the description in words. */
export interface ExifFacts {
  readonly ExposureTime?: Rational;
  readonly ShutterSpeedValue?: number;
  readonly FNumber?: number;
  readonly ApertureValue?: number;
  readonly PhotographicSensitivity?: number;
  readonly ExposureBiasValue?: Rational;
  readonly MeteringMode?: number;
  readonly WhiteBalance?: number;
  readonly LightSource?: number;
  readonly SubjectDistance?: number | Rational;
  readonly DigitalZoomRatio?: Rational;
  readonly comment?: string;
}

/** What is known of an exposure that was made. */
export type Made = Partial<ExposureSettings> & { readonly focusM?: number };

/** A flag of the terminal that sets a setting, or a part of it. */
export interface CommandOption<T> {
  readonly flag: string;
  /** Stands for the value in the help: METRES|inf. */
  readonly placeholder: string;
  /** @throws RangeError that says what is allowed */
  parse(text: string, now: T, optic: Optic): T;
}

export interface Setting<T> {
  readonly name: string;
  readonly schema: TSchema;
  /** What a new desk opens with. */
  readonly initial: T;
  /** A value in words, as lists and changes show it. */
  words(value: T): string;
  /** What a line of state says of it while it is not as usual; null while it is. */
  badge?(value: T): string | null;
  /** True when setups can hold it. */
  readonly inSetups: boolean;
  /** Its steps, where it has some. Which of them an optic offers is the optic's to say (`stepsOn`). */
  readonly ladder?: Ladder;
  /** False for an optic that lacks it; absent where every one has it. */
  on?(optic: Optic): boolean;
  /** The nearest value that a person could set: what a file lets through may lie between two clicks. */
  settled?(value: T): T;
  /** What an earlier version kept, as it is kept now; anything else as it is. It must still pass the schema. */
  forward?(kept: unknown): unknown;
  /** What is wrong with a value that the schema lets through. */
  troubleOf?(value: T): { readonly field: string; readonly why: string } | null;
  readonly options?: readonly CommandOption<T>[];
  /** @param value as it was set; undefined where nobody knows */
  exif?(value: T | undefined, made: Made): ExifFacts;
}
