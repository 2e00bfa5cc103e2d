// The live desk: what is set, what is automatic, what the camera reports. One store, selected in small slices.
import { create } from 'zustand';
import type { CaptureStage } from '../workers/darkroom.worker';
import type { FinderOrder, FinderReport } from '../workers/finder-protocol';
import type { ExposureControls } from '../core/exposure/automatic';
import { carrierOf } from '../core/exposure/automatic';
import type { FramePoint } from '../core/meter/luminance-map';
import type { PatternId } from '../core/meter/pattern';
import { PATTERNS } from '../core/meter/read';
import type { Orientation } from '../core/scene/view';
import {
  at,
  COMPENSATION_LADDER,
  ISO_LADDER,
  nearestStep,
  SHUTTER_LADDER,
  stepOf,
  type Ladder,
} from '../core/units/ladders';

export type FaderId = 'shutter' | 'iso' | 'compensation';
export type Scope = 'raw' | 'picture';

export type CaptureState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'busy'; readonly stage: CaptureStage; readonly share: number }
  | { readonly kind: 'failed'; readonly message: string; readonly rescue?: UnsavedFile };

/** A frame that was taken but that the store would not have: to be downloaded before it is gone. */
export interface UnsavedFile {
  readonly name: string;
  readonly dng: Uint8Array;
}

export type CameraState =
  | { readonly kind: 'starting' }
  | { readonly kind: 'live' }
  | { readonly kind: 'failed'; readonly message: string };

export interface Desk {
  readonly controls: ExposureControls;
  readonly pattern: PatternId;
  readonly spot: FramePoint;
  readonly lockedEv100: number | null;
  readonly clipMarks: boolean;
  readonly scope: Scope;
  readonly orientation: Orientation;
  readonly report: FinderReport | null;
  readonly camera: CameraState;
  readonly capture: CaptureState;

  /** Sets a fader to a ladder step and so makes it manual. */
  set(fader: FaderId, index: number): void;
  setAutomatic(fader: FaderId): void;
  setAllAutomatic(): void;
  /** Moves exposure by thirds through the setting that carries it. */
  nudge(thirds: number): void;
  setPattern(pattern: PatternId): void;
  nextPattern(): void;
  setSpot(spot: FramePoint): void;
  toggleLock(): void;
  toggleClipMarks(): void;
  toggleScope(): void;
  setOrientation(orientation: Orientation): void;
  setReport(report: FinderReport): void;
  setCamera(camera: CameraState): void;
  setCapture(capture: CaptureState): void;
  restore(kept: Partial<KeptDesk>): void;
}

/** What returns after a reload. */
export type KeptDesk = Pick<Desk, 'controls' | 'pattern' | 'spot' | 'clipMarks' | 'scope'>;

export const LADDERS: Record<FaderId, Ladder> = {
  shutter: SHUTTER_LADDER,
  iso: ISO_LADDER,
  compensation: COMPENSATION_LADDER,
};

const AUTOMATIC: ExposureControls = {
  shutter: { auto: true, exact: stepOf(SHUTTER_LADDER, 1 / 128).exact },
  iso: { auto: true, exact: 100 },
  compensationEv: 0,
};

export const useDesk = create<Desk>()((set, get) => ({
  controls: AUTOMATIC,
  pattern: 'evaluative',
  spot: { x: 0.5, y: 0.5 },
  lockedEv100: null,
  clipMarks: true,
  scope: 'raw',
  orientation: 'portrait',
  report: null,
  camera: { kind: 'starting' },
  capture: { kind: 'idle' },

  set: (fader, index) => set(({ controls }) => ({ controls: withStep(controls, fader, index) })),
  setAutomatic: (fader) =>
    set(({ controls }) => ({
      controls:
        fader === 'compensation'
          ? { ...controls, compensationEv: 0 }
          : { ...controls, [fader]: { ...controls[fader], auto: true } },
    })),
  setAllAutomatic: () => set({ controls: AUTOMATIC, lockedEv100: null }),
  nudge: (thirds) => {
    const { controls } = get();
    const fader = carrierOf(controls);
    const current = fader === 'shutter' ? controls.shutter.exact : controls.compensationEv;
    get().set(fader, nearestStep(LADDERS[fader], current) + thirds);
  },
  setPattern: (pattern) => set({ pattern }),
  nextPattern: () => {
    const ids = PATTERNS.map((p) => p.id);
    set({ pattern: ids[(ids.indexOf(get().pattern) + 1) % ids.length]! });
  },
  setSpot: ({ x, y }) => set({ spot: { x: clamp(x), y: clamp(y) }, pattern: 'spot' }),
  toggleLock: () =>
    set(({ lockedEv100, report }) => ({
      lockedEv100: lockedEv100 === null ? (report?.ev100 ?? null) : null,
    })),
  toggleClipMarks: () => set(({ clipMarks }) => ({ clipMarks: !clipMarks })),
  toggleScope: () => set(({ scope }) => ({ scope: scope === 'raw' ? 'picture' : 'raw' })),
  setOrientation: (orientation) => set({ orientation }),
  setReport: (report) => set(({ controls }) => ({ report, controls: followed(controls, report) })),
  setCamera: (camera) => set({ camera }),
  setCapture: (capture) => set({ capture }),
  restore: (kept) => set(kept),
}));

/** A setting taken over by hand starts from where the automatic stood, so the store follows the automatic's values. */
function followed(controls: ExposureControls, { settings }: FinderReport): ExposureControls {
  const { shutter, iso } = controls;
  const same =
    (shutter.auto ? shutter.exact === settings.shutterS : true) &&
    (iso.auto ? iso.exact === settings.iso : true);
  if (same) return controls;
  return {
    ...controls,
    shutter: shutter.auto ? { auto: true, exact: settings.shutterS } : shutter,
    iso: iso.auto ? { auto: true, exact: settings.iso } : iso,
  };
}

function withStep(controls: ExposureControls, fader: FaderId, index: number): ExposureControls {
  const { exact } = at(LADDERS[fader], index);
  return fader === 'compensation'
    ? { ...controls, compensationEv: exact }
    : { ...controls, [fader]: { auto: false, exact } };
}

function clamp(share: number): number {
  return Math.min(1, Math.max(0, share));
}

export function orderOf(desk: Desk, running: boolean): FinderOrder {
  const { controls, pattern, spot, lockedEv100, orientation, clipMarks, scope } = desk;
  return {
    controls,
    pattern,
    spot,
    lockedEv100,
    orientation,
    clipMarks,
    pictureHistogram: scope === 'picture' || orientation === 'landscape',
    running,
  };
}
