// A camera body as the program knows it, simulated or real: its optics, what can be set by hand on each, and what kind of evidence
// it gives. A camera tells only what it could know of itself; the rest is unknown, with the reason.
import type { CameraMatrices } from '../colour/calibrated';
import type { PlanLens } from '../optics/depth-plan';
import type { Known } from '../units/known';

/** Exact values of a setting from the lowest to the highest, both included. */
export interface Span {
  readonly low: number;
  readonly high: number;
}

/** What can be set by hand, by the setting's name in `core/setting`; what is not named is not there. */
export type Capabilities = Readonly<Record<string, Span>>;

export interface Optic {
  /** Unique among the optics of all bodies. */
  readonly id: string;
  readonly name: string;
  /** Its widest f-number, and of a lens without an iris the only one. */
  readonly apertureN: Known<number>;
  readonly equivalentMm: Known<number>;
  /** What a plan of depth needs. */
  readonly geometry: Known<Pick<PlanLens, 'focalLengthMm' | 'sensor'>>;
  /** m; at the widest aperture. */
  readonly hyperfocalM: Known<number>;
  /** Of a lens without a focus drive: the one distance that it is set to, m. */
  readonly fixedFocusM?: number;
  /** True where a depth sensor tells distances over the frame. */
  readonly seesDepth?: boolean;
  /** True where shutter and ISO move by themselves together or not at all: set by hand, one holds the other. */
  readonly exposesWhole?: boolean;
  /** True where white set by hand is put on the finished picture, for the device does not let its own be set. */
  readonly whiteOnPicture?: boolean;
  /** The colours that it sees, where anybody knows: not every white can be set on them. */
  readonly matrices?: CameraMatrices;
  readonly can: Capabilities;
}

/** What frames of a body prove: numbers of the sensor, or a finished picture only. */
export type Evidence = 'raw' | 'picture';

export interface Body {
  readonly id: string;
  readonly name: string;
  /** What it is, in few words. */
  readonly says: string;
  /** From the widest to the longest; at least one. */
  readonly optics: readonly Optic[];
  readonly evidence: Evidence;
  readonly megapixels: Known<number>;
  /** A usual frame of this body with all its files, bytes: to tell how many are left. */
  readonly typicalFrameBytes: number;
  /** True when the world in front of the body is simulated too and can be arranged. */
  readonly arrangedWorld: boolean;
  /** False for a body that nobody is shown, though a desk may stand on it. */
  readonly offered?: false;
}

/** The body that an optic belongs to. @throws RangeError when there is none */
export function bodyOf(bodies: readonly Body[], optic: string): Body {
  const found = bodies.find(({ optics }) => optics.some(({ id }) => id === optic));
  if (!found) throw new RangeError(`No optic ${optic}`);
  return found;
}

/** The optic of that id. @throws RangeError when there is none */
export function opticOf(bodies: readonly Body[], id: string): Optic {
  return bodyOf(bodies, id).optics.find((optic) => optic.id === id)!;
}

/** True for an optic whose aperture can be set. */
export function hasIris({ can }: Pick<Optic, 'can'>): boolean {
  return can.aperture !== undefined;
}

/** The optic of a body that sees most nearly the same as another; its first where nobody knows. */
export function nearestOptic({ optics }: Body, from: Optic): Optic {
  const away = ({ equivalentMm: mm }: Optic) =>
    typeof mm === 'number' && typeof from.equivalentMm === 'number'
      ? Math.abs(Math.log2(mm / from.equivalentMm))
      : Infinity;
  return optics.reduce((best, optic) => (away(optic) < away(best) ? optic : best));
}
