// What the simulated camera sees while it focuses: a small window at full size about the place that is focused on, exposed as its meter
// asks for, the lens standing wherever the search has moved it. The lens looks through its widest aperture, and without a filter: a person
// screws it on after focusing.
import { colourOfNeutral } from '../colour/camera';
import type { FramePoint } from '../meter/luminance-map';
import type { SensorSize } from '../optics/lens';
import type { RawFrame } from '../sensor/raw-frame';
import { captureWindow } from './capture';
import { frameSize, windowAbout } from './framing';
import { focusedPlates, partFor } from './light-rows';
import type { SceneView } from './view';

/** Samples across and down that are looked at, a site each: about a thirtieth of the frame. */
export const LOOK_SITES = 128;
/** Looked at more widely, a sample averages so many sites across and down. */
const WIDE_BIN = 3;
/** Margin of light around the window, as a share of the plate: what is blurred more widely than that is out of focus for certain. */
const MOST_MARGIN_SHARE = 0.02;
/** Exposure of a look, s: no longer than a hand and a moving thing allow, no shorter than a line takes. */
const LONGEST_S = 1 / 30;
const SHORTEST_S = 1 / 4000;
const [LEAST_ISO, MOST_ISO] = [100, 6400] as const;

/** How wide a look is, in shares of the sensor's longer side. */
export function lookShare({ width }: Pick<SensorSize, 'width'>, wide: boolean): number {
  return (LOOK_SITES * (wide ? WIDE_BIN : 1)) / width;
}

export interface LookAsk {
  readonly at: FramePoint;
  /** True for three times the width, at a third of the detail. */
  readonly wide: boolean;
  /** Distance, m; Infinity is allowed. */
  readonly focusM: number;
  /** EV at ISO 100 that it is exposed for: through a filter, what is left behind it. */
  readonly ev100: number;
  readonly seed: number;
  /** Moment on the scene's own clock, s. */
  readonly clockS: number;
}

/** Shutter and ISO of a look: mid-grey lies as the meter has it, in the time that there is. */
export function lookExposure(
  apertureN: number,
  ev100: number,
): { readonly shutterS: number; readonly iso: number } {
  const atBase = (apertureN * apertureN) / 2 ** ev100;
  const shutterS = Math.min(LONGEST_S, Math.max(SHORTEST_S, atBase));
  return { shutterS, iso: Math.min(MOST_ISO, Math.max(LEAST_ISO, (LEAST_ISO * atBase) / shutterS)) };
}

/** The frame of a look. */
export function lookThrough(view: SceneView, { at, wide, focusM, ev100, seed, clockS }: LookAsk): RawFrame {
  const { camera, orientation, outside } = view;
  const longSide = wide ? Math.round(camera.sensor.width / WIDE_BIN) : camera.sensor.width;
  const whole = frameSize(camera, orientation, longSide);
  const window = windowAbout(at, LOOK_SITES, LOOK_SITES, whole);
  const { apertureN } = camera.lens;
  const settings = { ...lookExposure(apertureN, ev100), apertureN, compensationEv: 0 };
  const plates = focusedPlates(
    view,
    focusM,
    settings,
    partFor(view, window, whole, focusM, MOST_MARGIN_SHARE),
  );
  const order = {
    ...{ settings, seed, clockS },
    colour: colourOfNeutral(camera.matrices, [1, 1, 1]),
    ...{ timeMs: 0, offsetMinutes: 0 },
  };
  const steadiness = { support: outside.support, press: 0, sinceTouchS: Infinity };
  return captureWindow(plates, longSide, window, order, steadiness);
}
