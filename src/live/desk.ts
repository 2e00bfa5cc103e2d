// The live desk: what is set, what is automatic, what the camera reports. One store, selected in small slices.
import { create } from 'zustand';
import type { CaptureStage } from '../workers/darkroom.worker';
import type { FinderOrder, FinderReport, SceneStatus } from '../workers/finder-protocol';
import type { Control, ExposureControls } from '../core/exposure/automatic';
import { carrierOf } from '../core/exposure/automatic';
import type { FramePoint } from '../core/meter/luminance-map';
import type { PatternId } from '../core/meter/pattern';
import { PATTERNS } from '../core/meter/read';
import { OPENING, type Outside } from '../core/scene/outside';
import type { Orientation } from '../core/scene/view';
import type { LensId } from '../core/sensor/sim-one';
import {
  at,
  COMPENSATION_LADDER,
  FAR_M,
  FOCUS_LADDER,
  ISO_LADDER,
  nearestStep,
  SHUTTER_LADDER,
  stepOf,
  type Ladder,
} from '../core/units/ladders';

export type FaderId = 'shutter' | 'iso' | 'compensation' | 'focus';
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

/** The scene that the desk opens with. */
export const OPENING_SCENE = 'wheel-bench';

export interface Desk {
  readonly controls: ExposureControls;
  readonly focus: Control;
  readonly lens: LensId;
  /** The stand-in for the world: which scene, and how it is arranged. */
  readonly scene: string;
  readonly outside: Outside;
  readonly sceneStatus: SceneStatus;
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
  setLens(lens: LensId): void;
  setScene(scene: string): void;
  arrange(change: Partial<Outside>): void;
  setSceneStatus(status: SceneStatus): void;
  setReport(report: FinderReport): void;
  setCamera(camera: CameraState): void;
  setCapture(capture: CaptureState): void;
  restore(kept: Partial<KeptDesk>): void;
}

/** What returns after a reload. */
export type KeptDesk = Pick<
  Desk,
  'controls' | 'focus' | 'lens' | 'scene' | 'outside' | 'pattern' | 'spot' | 'clipMarks' | 'scope'
>;

export const LADDERS: Record<FaderId, Ladder> = {
  shutter: SHUTTER_LADDER,
  iso: ISO_LADDER,
  compensation: COMPENSATION_LADDER,
  focus: FOCUS_LADDER,
};

const AUTOMATIC: ExposureControls = {
  shutter: { auto: true, exact: stepOf(SHUTTER_LADDER, 1 / 128).exact },
  iso: { auto: true, exact: 100 },
  compensationEv: 0,
};

const FOCUS_AUTOMATIC: Control = { auto: true, exact: 1.5 };

export const useDesk = create<Desk>()((set, get) => ({
  controls: AUTOMATIC,
  focus: FOCUS_AUTOMATIC,
  lens: 'wide',
  scene: OPENING_SCENE,
  outside: OPENING,
  sceneStatus: { kind: 'loading', scene: OPENING_SCENE, share: 0 },
  pattern: 'evaluative',
  spot: { x: 0.5, y: 0.5 },
  lockedEv100: null,
  clipMarks: true,
  scope: 'raw',
  orientation: 'portrait',
  report: null,
  camera: { kind: 'starting' },
  capture: { kind: 'idle' },

  set: (fader, index) =>
    set(({ controls }) =>
      fader === 'focus'
        ? { focus: { auto: false, exact: at(FOCUS_LADDER, index).exact } }
        : { controls: withStep(controls, fader, index) },
    ),
  setAutomatic: (fader) =>
    set(({ controls, focus }) => {
      if (fader === 'focus') return { focus: { ...focus, auto: true } };
      if (fader === 'compensation') return { controls: { ...controls, compensationEv: 0 } };
      return { controls: { ...controls, [fader]: { ...controls[fader], auto: true } } };
    }),
  setAllAutomatic: () => set({ controls: AUTOMATIC, focus: FOCUS_AUTOMATIC, lockedEv100: null }),
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
  setLens: (lens) => set({ lens }),
  // Lamps have other names there; what the person holds in hand stays.
  setScene: (scene) => set(({ outside }) => ({ scene, outside: { ...outside, levels: {} } })),
  arrange: (change) => set(({ outside }) => ({ outside: { ...outside, ...change } })),
  setSceneStatus: (sceneStatus) => set({ sceneStatus }),
  setReport: (report) =>
    set(({ controls, focus }) => ({
      report,
      controls: followed(controls, report),
      focus: followedFocus(focus, report),
    })),
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

function followedFocus(focus: Control, { focusM }: FinderReport): Control {
  const exact = Math.min(FAR_M, focusM);
  return !focus.auto || focus.exact === exact ? focus : { auto: true, exact };
}

type ExposureFader = Exclude<FaderId, 'focus'>;

/** What stands on a fader. */
export function exactOf({ controls, focus }: Pick<Desk, 'controls' | 'focus'>, fader: FaderId): number {
  if (fader === 'focus') return focus.exact;
  return fader === 'compensation' ? controls.compensationEv : controls[fader].exact;
}

/** Does a fader move by itself? Compensation counts as automatic at zero. */
export function isAuto({ controls, focus }: Pick<Desk, 'controls' | 'focus'>, fader: FaderId): boolean {
  if (fader === 'focus') return focus.auto;
  return fader === 'compensation' ? controls.compensationEv === 0 : controls[fader].auto;
}

function withStep(controls: ExposureControls, fader: ExposureFader, index: number): ExposureControls {
  const { exact } = at(LADDERS[fader], index);
  return fader === 'compensation'
    ? { ...controls, compensationEv: exact }
    : { ...controls, [fader]: { auto: false, exact } };
}

function clamp(share: number): number {
  return Math.min(1, Math.max(0, share));
}

export function orderOf(desk: Desk, running: boolean): FinderOrder {
  const { controls, focus, lens, scene, outside, pattern, spot, lockedEv100, orientation, clipMarks, scope } =
    desk;
  return {
    controls,
    pattern,
    spot,
    lockedEv100,
    orientation,
    lens,
    focusM: focus.auto ? null : focus.exact,
    scene,
    outside,
    clipMarks,
    pictureHistogram: scope === 'picture' || orientation === 'landscape',
    running,
  };
}
