// A scene through a lens as the finder's source: samples that stand for about 40 sites each. The light is projected once for a view,
// defocused once for a setting of the lens, and only what moves is made anew for each frame.
import { colourOfNeutral } from '../colour/camera';
import { lightPassing } from '../exposure/settings';
import { halfDepthDpt, handHeldLimitS, hyperfocalM, lensQ } from '../optics/lens';
import type { Source } from '../finder/source';
import type { FocusDrive, FocusSource } from '../focus/follow';
import { ev100OfLuminance } from '../light/apex';
import { meanAt } from '../meter/pins';
import { exposePreview, PREVIEW_LONG_SIDE } from './capture';
import { depthSensed } from './depth-sensor';
import { lookShare, lookThrough } from './focus-look';
import { previewStage, type PreviewLight, type PreviewStage } from './light-rows';
import { markedSites } from './marked-sites';
import { peakingOf } from './peaking';
import { previewExposer, type PreviewExposer } from './preview-light';
import type { Support } from './outside';
import { heldFocusM, type SceneView } from './view';

/** Entries of the blur kernel at most: what keeps a frame inside its time. */
const MOST_KERNEL = 8;

/** Longest time that is held, s: by hand the usual limit, null on a tripod. */
export function steadyTimeS(equivalentMm: number, support: Support): number | null {
  return support === 'tripod' ? null : handHeldLimitS(equivalentMm);
}

/** Read-outs of a small piece of the sensor follow one another so fast, s. */
const READ_OUT_S = 1 / 120;
/** Looks have noise of their own. */
const LOOK_SEED = 7919;

/** The lens of a view for whoever focuses it by looking. */
export function focusSourceOf(view: SceneView, seed = 1): FocusSource {
  const { camera, space, sight } = view;
  const { lens, sensor } = camera;
  const drive: FocusDrive | null =
    lens.fixedFocusM === undefined
      ? {
          nearDpt: 1 / lens.closestM,
          halfDepthDpt: halfDepthDpt(lens, sensor),
          travelS: lens.travelS,
          readOutS: READ_OUT_S,
          restM: hyperfocalM(lens, sensor),
        }
      : null;
  return {
    sight,
    drive,
    held: (wantedM) => heldFocusM(camera, wantedM),
    lookShare: (wide) => lookShare(sensor, wide),
    look: ({ at, wide, focusM, lessEv, number, timeS }) => {
      // The first look at a scene, at half the detail, is sharp at every distance: there is nothing to be seen by it.
      if (!space) return null;
      // Exposed for what lies there.
      const ev100 = lessEv + ev100OfLuminance(Math.max(sight.range.floor, meanAt(sight.luminance, at)));
      return lookThrough(view, { at, wide, focusM, ev100, seed: seed * LOOK_SEED + number, clockS: timeS });
    },
  };
}

/** Stage, exposer and light that figures are counted from. */
interface Counting {
  readonly stage: PreviewStage;
  readonly exposer: PreviewExposer;
  readonly light: Float32Array;
  /** Single points through the lens as it is set. */
  from?: { readonly key: string; readonly light: PreviewLight };
}

export function viewSource(view: SceneView, seed = 1, longSide = PREVIEW_LONG_SIDE): Source {
  const { camera, outside } = view;
  const stage = previewStage(view, longSide);
  const { width, height } = stage;
  const marks = markedSites(view, width, height);
  const exposer = previewExposer(marks, MOST_KERNEL);
  const light = new Float32Array(width * height);
  let points: Counting | undefined;
  /** Figures know nothing of how small the frames are made. */
  const countingStage = (): Counting => {
    const own = longSide >= PREVIEW_LONG_SIDE;
    const counted = own ? stage : previewStage(view, PREVIEW_LONG_SIDE);
    const sites = own ? marks : markedSites(view, counted.width, counted.height);
    return {
      stage: counted,
      exposer: previewExposer(sites, MOST_KERNEL),
      light: new Float32Array(counted.width * counted.height),
    };
  };
  const data = new Uint16Array(width * height);
  let focused: { key: string; light: PreviewLight } | undefined;
  return {
    width,
    height,
    ...focusSourceOf(view, seed),
    sight: view.sight,
    lens: camera.lens,
    steadyS: steadyTimeS(camera.equivalentMm, outside.support),
    sensor: camera.sensor,
    matrices: camera.matrices,
    depth: depthSensed(view),
    peaks: peakingOf(view, width, height),
    observe: ({ settings, focusM, number, moment, colour }) => {
      const key = `${focusM} ${settings.apertureN} ${lightPassing(settings)}`;
      const refocused = focused?.key !== key;
      if (refocused) focused = { key, light: stage.focused(focusM, settings) };
      const lens = focused!.light;
      const steadiness = { support: outside.support, press: 0, sinceTouchS: moment.sinceTouchS };
      const opening = {
        startS: moment.timeS,
        durationS: settings.shutterS,
        seed: seed + number,
        steadiness,
      };
      exposer.expose(lens, opening, light);
      return {
        light,
        refocused,
        points: (again) => {
          points ??= countingStage();
          const { stage: counted, exposer, light, from } = points;
          if (from?.key !== key) {
            const through = counted === stage ? lens : counted.focused(focusM, settings);
            points.from = { key, light: through.points() };
          }
          return exposer.expose(points.from!.light, opening, light) || again
            ? { light, width: counted.width }
            : null;
        },
        luxOf: (level) => {
          const set = lens.view.camera.lens;
          return (level * lensQ(set)) / (set.apertureN * set.apertureN);
        },
        expose: () => {
          const daylight = colourOfNeutral(camera.matrices, [1, 1, 1]);
          const order = {
            settings,
            colour: colour ?? daylight,
            seed: seed + number,
            timeMs: 0,
            offsetMinutes: 0,
            clockS: moment.timeS,
          };
          return exposePreview(lens, order, light, data);
        },
      };
    },
  };
}
