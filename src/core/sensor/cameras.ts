// The simulated cameras by name, and every optic of theirs by its id.
import type { Body, Optic, Span } from '../body/body';
import { hyperfocalM } from '../optics/lens';
import {
  COMPENSATION_LADDER,
  CUT_LADDER,
  FAR_M,
  ISO_LADDER,
  SHUTTER_LADDER,
  WHITE_LADDER,
  type Ladder,
} from '../units/ladders';
import { SIM_IRIS } from './sim-iris';
import { SIM_ONE } from './sim-one';
import { SIM_SMALL } from './sim-small';
import {
  CAMERA_IDS,
  LENS_IDS,
  OFFERED_CAMERA_IDS,
  PLATE_IDS,
  SMALL_IDS,
  ZOOM_IDS,
  type CameraId,
  type LensId,
  type SimulatedOptic,
} from './simulated-optic';

export const OPTICS: Readonly<Record<LensId, SimulatedOptic>> = {
  ...SIM_ONE,
  ...SIM_IRIS,
  ...SIM_SMALL,
};

const LENSES: Readonly<Record<CameraId, readonly LensId[]>> = {
  'sim-one': PLATE_IDS,
  'sim-iris': ZOOM_IDS,
  'sim-small': SMALL_IDS,
};

/** Optics of a camera from the widest to the longest. */
export function opticsOf(id: CameraId): readonly SimulatedOptic[] {
  return LENSES[id].map((lens) => OPTICS[lens]);
}

export function isLensId(value: unknown): value is LensId {
  return LENS_IDS.includes(value as LensId);
}

const SAYS: Readonly<Record<CameraId, string>> = {
  'sim-one': 'A phone: three lenses, each with one aperture.',
  'sim-iris': 'A compact camera: one zoom lens with an iris, f/2.8 to f/8, and a larger sensor.',
  'sim-small': 'For tests: the phone with a sixteenth of its sites.',
};
/** Frames that one press gives at most, as a bracket and as a burst. */
const MOST_BRACKETED = 9;
const MOST_IN_BURST = 30;
/** A usual DNG with its small pictures. */
const TYPICAL_FRAME_BYTES = 15_500_000;

function span(ladder: Ladder): Span {
  const ends = [ladder[0]!.exact, ladder[ladder.length - 1]!.exact];
  return { low: Math.min(...ends), high: Math.max(...ends) };
}

/** An optic as the program knows it. */
export function opticOfCamera(camera: SimulatedOptic): Optic {
  const { lensId, lens, sensor, equivalentMm, depthSensor, matrices } = camera;
  const { apertureN, narrowestN, closestM, fixedFocusM } = lens;
  return {
    id: lensId,
    name: narrowestN === undefined ? lens.name : `${equivalentMm} mm f/2.8–${narrowestN}`,
    apertureN,
    equivalentMm,
    geometry: { focalLengthMm: lens.focalLengthMm, sensor },
    hyperfocalM: hyperfocalM(lens, sensor),
    ...(fixedFocusM === undefined ? null : { fixedFocusM }),
    seesDepth: depthSensor,
    matrices,
    can: {
      shutter: span(SHUTTER_LADDER),
      iso: span(ISO_LADDER),
      compensationEv: span(COMPENSATION_LADDER),
      white: span(WHITE_LADDER),
      cut: span(CUT_LADDER),
      bracket: { low: 1, high: MOST_BRACKETED },
      burst: { low: 1, high: MOST_IN_BURST },
      // Which, is the setting's to say.
      files: { low: 1, high: 1 },
      print: { low: 0, high: 1 },
      ...(narrowestN === undefined ? null : { aperture: { low: apertureN, high: narrowestN } }),
      ...(fixedFocusM === undefined ? { focus: { low: closestM, high: FAR_M } } : null),
    },
  };
}

/** The simulated cameras as the program knows bodies. */
export function simulatedBodies(): readonly Body[] {
  return CAMERA_IDS.map((id) => {
    const optics = opticsOf(id);
    const { name, sensor } = optics[0]!;
    const offered = (OFFERED_CAMERA_IDS as readonly string[]).includes(id);
    return {
      id,
      name,
      says: SAYS[id],
      optics: optics.map(opticOfCamera),
      evidence: 'raw',
      megapixels: Math.round((sensor.width * sensor.height) / 1e6),
      typicalFrameBytes: TYPICAL_FRAME_BYTES,
      arrangedWorld: true,
      ...(!offered && { offered }),
    };
  });
}
