// What a drive is: one object that says all of what a press takes. Press, release, terminal, line of state, setups, keys, Exif and record read the list
// of them (`drives`); to add one is to write its object, name it there, and give it a part of the panel.
import type { Setting } from '../define/setting';
import type { ExposureSettings } from '../exposure/settings';
import type { Known } from '../units/known';

/** What the person saw when the release was pressed. */
export interface AsShown {
  readonly settings: Known<ExposureSettings>;
  /** Where the lens stood, m; Infinity is allowed. */
  readonly focusM: Known<number>;
}

/** One exposure of a press: light and focus may differ from one to the next. */
export interface PlannedShot extends AsShown {
  /** Seconds from the beginning of the first exposure to that of this one. */
  readonly atS: number;
}

export type Planned =
  | { readonly kind: 'fits'; readonly shots: readonly PlannedShot[] }
  /** What is asked for lies beyond what the camera has: in words, with the ways out that there are. */
  | { readonly kind: 'beyond'; readonly says: string };

/** A drive whose value is a setting of the desk, as any other setting is. */
export interface Drive<K extends string, T> {
  /** Key of its setting, and what a group of its frames is called. */
  readonly id: K;
  readonly setting: Setting<T>;
  /** How a choice of drives calls it. */
  readonly choice: string;
  /** Whether a press goes by it: false while its value stands at one frame. */
  asks(value: T): boolean;
  /** A value by which a press goes, all else being as it was. */
  begun(value: T): T;
  /** A value by which none does, all else being as it was. */
  ended(value: T): T;
  /** Frames that a press takes, or at most where it goes on for as long as the release is held. */
  frames(value: T): number;
  /** Whether it goes on for as long as the release is held; absent where it never does. */
  whileHeld?(value: T): boolean;
  plan(value: T, seen: AsShown): Planned;
  /** How much more light each frame gets than the exposure that stands, thirds of a stop, rising; absent where all get the same. */
  lightThirds?(value: T): readonly number[];
  /** What Exif says of how its frames were exposed (ExposureMode of CIPA DC-008), where not what it says of a single one. */
  readonly exposureMode?: number;
}
