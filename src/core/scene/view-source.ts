// A scene through a lens as the finder's source: samples that stand for about 40 sites each. The light is projected once for a view,
// defocused once for a setting of the lens, and only what moves is made anew for each frame.
import { colourOfNeutral } from '../colour/camera';
import { lightPassing } from '../exposure/settings';
import { handHeldLimitS, lensQ } from '../optics/lens';
import type { Source } from '../finder/source';
import type { FramePoint } from '../meter/luminance-map';
import { exposePreview, PREVIEW_LONG_SIDE } from './capture';
import { previewStage, type PreviewLight } from './light-rows';
import { markedSites } from './marked-sites';
import { previewExposer } from './preview-light';
import type { Support } from './outside';
import { automaticFocusM, heldFocusM, type SceneView } from './view';

/** Entries of the blur kernel at most: what keeps a frame inside its time. */
const MOST_KERNEL = 8;

/** Longest time that is held, s: by hand the usual limit, null on a tripod. */
export function steadyTimeS(equivalentMm: number, support: Support): number | null {
  return support === 'tripod' ? null : handHeldLimitS(equivalentMm);
}

/** Where the lens is set: by hand (m), or with null on what lies at a place. */
export function focusOf(view: SceneView, wantedM: number | null, at: FramePoint): number {
  return wantedM === null ? automaticFocusM(view, at) : heldFocusM(view.camera, wantedM);
}

export function viewSource(view: SceneView, seed = 1, longSide = PREVIEW_LONG_SIDE): Source {
  const { camera, outside } = view;
  const stage = previewStage(view, longSide);
  const { width, height } = stage;
  const exposer = previewExposer(markedSites(view, width, height), MOST_KERNEL);
  const pointExposer = previewExposer(markedSites(view, width, height), MOST_KERNEL);
  const light = new Float32Array(width * height);
  const pointLight = new Float32Array(width * height);
  const data = new Uint16Array(width * height);
  let focused: { key: string; light: PreviewLight } | undefined;
  return {
    width,
    height,
    sight: view.sight,
    lens: camera.lens,
    steadyS: steadyTimeS(camera.equivalentMm, outside.support),
    sensor: camera.sensor,
    matrices: camera.matrices,
    focus: (wantedM, at) => focusOf(view, wantedM, at),
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
        points: (again) =>
          pointExposer.expose(lens.points(), opening, pointLight) || again ? pointLight : null,
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
