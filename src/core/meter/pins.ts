// Pins: places that the person keeps an eye on. Each tells where it lands from mid-grey, and of raw how far it is from clipping there.
// Zone system (Adams): one step is one stop, 18 % grey is the middle. ISO 12232: saturation is 9.6 times a metered field.
import { analogueIso, ev100RightFor, type ExposureSettings } from '../exposure/settings';
import { ev100OfLuminance, luminanceOfEv100 } from '../light/apex';
import { SATURATION_OVER_METERED } from './highlight';
import type { FramePoint, LuminanceMap, MeterSight } from './luminance-map';
import { discCells, SPOT_SHARES } from './spot';

export const PIN_LETTERS = ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'] as const;
export type PinLetter = (typeof PIN_LETTERS)[number];

export interface Pin extends FramePoint {
  readonly letter: PinLetter;
}

export interface PinReading {
  readonly letter: PinLetter;
  readonly luminance: number;
  readonly ev100: number;
  /** Stops over (+) or under (−) mid-grey with the present settings; −Infinity in total darkness. */
  readonly fromGreyEv: number;
  /** Stops until raw clips there in its first channel; negative when it does; null for a camera that shows no raw. */
  readonly toClipEv: number | null;
  /** Of a place at an end of a picture's tones: it is at least, or at most, this bright. */
  readonly bound?: 'least' | 'most' | null;
}

/** Steps that a pin can be placed on. */
export const PIN_STEPS = [-5, -4, -3, -2, -1, 0, 1, 2, 3, 4, 5] as const;

/** The next free letter; undefined when all are in use. */
export function freeLetter(pins: readonly Pin[]): PinLetter | undefined {
  return PIN_LETTERS.find((letter) => pins.every((pin) => pin.letter !== letter));
}

export function readPin(sight: MeterSight, pin: Pin, settings: ExposureSettings): PinReading {
  const luminance = meanAt(sight.luminance, pin);
  const ev100 = ev100OfLuminance(luminance);
  const raw = luminanceOfEv100(ev100RightFor({ ...settings, iso: analogueIso(settings.iso) }));
  return {
    letter: pin.letter,
    luminance,
    ev100,
    fromGreyEv: ev100 - ev100RightFor(settings),
    toClipEv: Math.log2((raw * SATURATION_OVER_METERED) / meanAt(sight.peak(), pin)),
  };
}

/** Mean over the smallest spot at a place. */
export function meanAt(map: LuminanceMap, at: FramePoint): number {
  const cells = discCells(map, at, SPOT_SHARES[0]);
  return cells.reduce((sum, i) => sum + map.data[i]!, 0) / cells.length;
}

/** Contrast of two luminances: stops, and the ratio of the brighter to the darker. */
export function contrastOf(a: number, b: number): { stops: number; ratio: number } {
  const [low, high] = a < b ? [a, b] : [b, a];
  const ratio = high === low ? 1 : high / low;
  return { stops: Math.log2(ratio), ratio };
}
