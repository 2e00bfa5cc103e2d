// What a capture is made with. Exact values; nominal values are a matter of printing.
import { ev100OfSettings } from '../light/apex';

/** The three that share the light between them. */
export const SETTING_IDS = ['shutter', 'aperture', 'iso'] as const;
export type SettingId = (typeof SETTING_IDS)[number];

export interface ExposureSettings {
  readonly shutterS: number;
  readonly iso: number;
  readonly apertureN: number;
  /** Compensation, EV: what the person asked for beside the meter. */
  readonly compensationEv: number;
  /** Neutral-density filter in front of the lens, stops; absent without one. */
  readonly filterStops?: number;
}

/** EV100 of a reading that these settings expose right. */
export function ev100RightFor({
  apertureN,
  shutterS,
  iso,
  filterStops = 0,
}: Omit<ExposureSettings, 'compensationEv'>): number {
  return ev100OfSettings(apertureN, shutterS, iso) + filterStops;
}

/** Share of the light that passes what is in front of the lens. */
export function lightPassing({ filterStops = 0 }: Pick<ExposureSettings, 'filterStops'>): number {
  return 2 ** -filterStops;
}

/** ISO below the sensor's base is base-ISO data with a darker picture (extended low ISO). */
export const BASE_ISO = 100;

/** Stops that the picture is pulled darker than the raw numbers say: 1 for ISO 50, 0 from base ISO up. */
export function extendedStops(iso: number): number {
  return Math.max(0, Math.log2(BASE_ISO / iso));
}

/** The ISO that sets the analogue gain. */
export function analogueIso(iso: number): number {
  return Math.max(BASE_ISO, iso);
}
