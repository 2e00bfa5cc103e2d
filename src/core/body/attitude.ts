// How a camera is held against the plumb line: rolled and pitched. From the device's own angles (W3C Device Orientation Event), and where the
// horizon lies in the picture for it.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';

export const ATTITUDE = Type.Object({
  /** Degrees turned clockwise as seen from behind: the right side is lower. */
  rollDeg: Type.Number({ minimum: -180, maximum: 180 }),
  /** Degrees that it looks up; −90 straight down. */
  pitchDeg: Type.Number({ minimum: -90, maximum: 90 }),
});
export type Attitude = Readonly<Static<typeof ATTITUDE>>;

export const LEVEL: Attitude = { rollDeg: 0, pitchDeg: 0 };

const RAD = Math.PI / 180;

/** A hand that is as near as this holds level, degrees (the house's). */
export const LEVEL_WITHIN_DEG = 0.5;
/** Looking down more steeply than this, a horizon says nothing: the plumb line does. */
const STEEP_DEG = 60;

/**
 * From the angles of a device: Z by alpha, then X by beta, then Y by gamma, x to the right of the screen, y to its top, z out of it, degrees. The
 * heading, alpha, does not matter. @param screenDeg how far what is shown is turned against the device (Screen Orientation, angle)
 * @returns null where the device tells no angles
 */
export function attitudeOfDevice(
  betaDeg: number | null,
  gammaDeg: number | null,
  screenDeg: number,
): Attitude | null {
  if (betaDeg === null || gammaDeg === null || !Number.isFinite(betaDeg + gammaDeg + screenDeg)) return null;
  const [b, g, s] = [betaDeg * RAD, gammaDeg * RAD, screenDeg * RAD];
  // Straight down, in the device's axes: the earth's −z through the transpose of Z·X·Y.
  const [dx, dy, dz] = [Math.cos(b) * Math.sin(g), -Math.sin(b), -Math.cos(b) * Math.cos(g)];
  const x = dx * Math.cos(s) - dy * Math.sin(s);
  const y = dx * Math.sin(s) + dy * Math.cos(s);
  return {
    // A camera that looks straight up or down is rolled by nothing that could be told.
    rollDeg: Math.hypot(x, y) < 1e-9 ? 0 : Math.atan2(x, -y) / RAD,
    pitchDeg: Math.asin(Math.max(-1, Math.min(1, dz))) / RAD,
  };
}

/** What a level shows: the horizon, or looking steeply down how far off the plumb line the camera points. */
export type LevelView =
  | {
      readonly kind: 'horizon';
      readonly rollDeg: number;
      /** How far above (+) the middle of the picture the horizon lies, of the focal length. */
      readonly above: number;
    }
  | { readonly kind: 'down'; readonly rightDeg: number; readonly aheadDeg: number };

export function levelView({ rollDeg, pitchDeg }: Attitude): LevelView {
  if (pitchDeg < -STEEP_DEG) {
    const off = 90 + pitchDeg;
    return {
      kind: 'down',
      rightDeg: off * Math.sin(rollDeg * RAD),
      aheadDeg: off * Math.cos(rollDeg * RAD),
    };
  }
  return { kind: 'horizon', rollDeg, above: -Math.tan(Math.max(-89, Math.min(89, pitchDeg)) * RAD) };
}

/** True where a hand can hold it no more level. */
export function isLevel(attitude: Attitude): boolean {
  const view = levelView(attitude);
  return view.kind === 'down'
    ? Math.hypot(view.rightDeg, view.aheadDeg) < LEVEL_WITHIN_DEG
    : Math.abs(view.rollDeg) < LEVEL_WITHIN_DEG;
}

/** "2.1° clockwise", or "level": how the camera is turned as seen from behind. The horizon that it sees turns against it. */
export function rollWords({ rollDeg }: Attitude): string {
  if (Math.abs(rollDeg) < LEVEL_WITHIN_DEG) return 'level';
  return `${Math.abs(rollDeg).toFixed(1)}° ${rollDeg > 0 ? 'clockwise' : 'counter-clockwise'}`;
}
