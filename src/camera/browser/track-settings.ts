// What a video track can be set to, in the program's terms, and back (W3C Image Capture, Media Capture and Streams). Exposure times of
// tracks are in units of 100 µs, distances in metres, temperatures in kelvin.
import type { Capabilities, Optic, Span } from '../../core/body/body';
import type { Control } from '../../core/exposure/control';
import type { ToldExposure } from '../../core/meter/calibration';
import { SETTINGS, type SettingValues } from '../../core/setting/settings';
import { stepsOn } from '../../core/setting/ladder';
import { WHITE_SPAN } from '../../core/setting/white';
import { LEAST_ON_PICTURE_K, PICTURE_MATRICES } from '../../core/white/on-picture';
import { MOST_PICTURES } from '../../core/combine/average';
import { at, CUT_LADDER, FAR_M } from '../../core/units/ladders';
import type { Standing } from '../report';

interface Range {
  readonly min?: number;
  readonly max?: number;
  readonly step?: number;
}

/** Of a track's `getCapabilities()`, what is read here. */
export interface TrackCapabilities {
  readonly exposureMode?: readonly string[];
  readonly focusMode?: readonly string[];
  readonly whiteBalanceMode?: readonly string[];
  readonly exposureTime?: Range;
  readonly iso?: Range;
  readonly exposureCompensation?: Range;
  readonly focusDistance?: Range;
  readonly colorTemperature?: Range;
  readonly zoom?: Range;
  readonly torch?: boolean;
}

/** Of a track's `getSettings()`, what is read here. */
export interface TrackSettings {
  readonly exposureTime?: number;
  readonly iso?: number;
  readonly exposureCompensation?: number;
  readonly focusDistance?: number;
  readonly colorTemperature?: number;
  readonly zoom?: number;
}

/** One set of constraints. */
export type TrackConstraints = Readonly<Record<string, string | number | boolean>>;

const UNITS_PER_S = 1e4;
/** Nearer than this a distance is no distance. */
const NEAREST_M = 0.01;

const isRange = (range: Range | undefined): range is { min: number; max: number; step?: number } =>
  range?.min !== undefined && range.max !== undefined && range.max > range.min;

function spanOf(range: Range | undefined, unit = 1, least = -Infinity): Span | undefined {
  if (!isRange(range)) return undefined;
  const low = Math.max(least, range.min / unit);
  const high = range.max / unit;
  return high > low ? { low, high } : undefined;
}

/** What can be set by hand on a track; a range without a step of its ladder is left out. */
export function capabilitiesOf(can: TrackCapabilities): Capabilities {
  const manual = (modes?: readonly string[]) => modes?.includes('manual') === true;
  const exposes = manual(can.exposureMode);
  const zoom =
    isRange(can.zoom) && can.zoom.min > 0 ? { low: 1, high: can.zoom.max / can.zoom.min } : undefined;
  const spans: Record<string, Span | undefined> = {
    shutter: exposes ? spanOf(can.exposureTime, UNITS_PER_S, 1e-6) : undefined,
    iso: exposes ? spanOf(can.iso, 1, 1) : undefined,
    compensationEv: spanOf(can.exposureCompensation),
    focus: manual(can.focusMode) ? spanOf(can.focusDistance, 1, NEAREST_M) : undefined,
    white: manual(can.whiteBalanceMode) ? spanOf(can.colorTemperature, 1, 1) : undefined,
    zoom,
  };
  const found = Object.entries(spans).filter((entry): entry is [keyof SettingValues, Span] => {
    const [key, span] = entry as [keyof SettingValues, Span | undefined];
    const ladder = SETTINGS[key].ladder;
    return (
      span !== undefined &&
      ladder !== undefined &&
      stepsOn(ladder, key, { can: { [key]: span } }).ladder.length > 1
    );
  });
  return {
    ...Object.fromEntries(found),
    ...(can.torch ? { torch: { low: 0, high: 1 } } : null),
    pictures: { low: 0, high: MOST_PICTURES },
    // Its pictures are cut as anybody's are.
    cut: { low: at(CUT_LADDER, 0).exact, high: at(CUT_LADDER, CUT_LADDER.length).exact },
  };
}

/** What can be set on the camera as a whole: white that the track does not let be set is put on its picture. */
export function withPictureWhite(can: Capabilities): Pick<Optic, 'can' | 'whiteOnPicture' | 'matrices'> {
  if (can.white) return { can };
  const white = { low: LEAST_ON_PICTURE_K, high: WHITE_SPAN.high };
  return { can: { ...can, white }, whiteOnPicture: true, matrices: PICTURE_MATRICES };
}

/** A value held inside a range, on its steps. */
function inside(value: number, range: Range | undefined): number {
  if (!isRange(range)) return value;
  const { min, max, step } = range;
  const held = Math.min(max, Math.max(min, value));
  return step && step > 0 ? Math.min(max, min + Math.round((held - min) / step) * step) : held;
}

/**
 * The constraints that settings ask of a track. A device exposes by itself, or shutter and ISO are both held: what is not set by hand then
 * stays where it is.
 * @param held true to hold the exposure where it is
 */
export function constraintsOf(
  settings: SettingValues,
  capabilities: TrackCapabilities,
  held: boolean,
  now: TrackSettings,
): TrackConstraints {
  const can = capabilitiesOf(capabilities);
  const { shutter, iso, focus, white, compensationEv, zoom, torch } = settings;
  const byHand = (key: string, control: Pick<Control, 'auto'>) => can[key] !== undefined && !control.auto;
  const asked: Record<string, string | number | boolean | undefined> = {};
  if (can.shutter || can.iso) {
    const manual = held || byHand('shutter', shutter) || byHand('iso', iso);
    asked.exposureMode = manual ? 'manual' : usual(capabilities.exposureMode);
    if (manual) {
      if (can.shutter)
        asked.exposureTime = byHand('shutter', shutter)
          ? inside(shutter.exact * UNITS_PER_S, capabilities.exposureTime)
          : now.exposureTime;
      if (can.iso) asked.iso = byHand('iso', iso) ? inside(iso.exact, capabilities.iso) : now.iso;
    }
  }
  if (can.compensationEv)
    asked.exposureCompensation = inside(compensationEv, capabilities.exposureCompensation);
  if (can.focus) {
    asked.focusMode = focus.auto ? usual(capabilities.focusMode) : 'manual';
    if (!focus.auto) asked.focusDistance = inside(focus.exact, capabilities.focusDistance);
  }
  if (can.white) {
    asked.whiteBalanceMode = white.auto ? usual(capabilities.whiteBalanceMode) : 'manual';
    if (!white.auto) asked.colorTemperature = inside(white.exact, capabilities.colorTemperature);
  }
  if (can.zoom) asked.zoom = inside(zoom * (capabilities.zoom?.min ?? 1), capabilities.zoom);
  if (can.torch) asked.torch = torch;
  return Object.fromEntries(Object.entries(asked).filter(([, v]) => v !== undefined)) as TrackConstraints;
}

/** The mode in which a device goes on by itself. */
function usual(modes: readonly string[] | undefined): string | undefined {
  return ['continuous', 'single-shot'].find((mode) => modes?.includes(mode));
}

/** Where a track stands by its own account. */
export function standingOf(now: TrackSettings, { zoom }: TrackCapabilities): Standing {
  const { shutterS, iso } = exposureOf(now);
  const widest = zoom?.min;
  const found: Record<keyof Standing, number | undefined> = {
    shutter: shutterS,
    iso,
    aperture: undefined,
    compensationEv: now.exposureCompensation,
    focus: positive(now.focusDistance) && Math.min(FAR_M, now.focusDistance!),
    white: positive(now.colorTemperature),
    zoom: widest && positive(now.zoom) && Math.max(1, now.zoom! / widest),
  };
  return Object.fromEntries(Object.entries(found).filter(([, v]) => v !== undefined)) as Standing;
}

/** What a track tells of its exposure. */
export function exposureOf({ exposureTime, iso }: TrackSettings): ToldExposure {
  const time = positive(exposureTime);
  const speed = positive(iso);
  return {
    ...(time === undefined ? null : { shutterS: time / UNITS_PER_S }),
    ...(speed === undefined ? null : { iso: speed }),
  };
}

function positive(value: number | undefined): number | undefined {
  return value !== undefined && value > 0 && Number.isFinite(value) ? value : undefined;
}
