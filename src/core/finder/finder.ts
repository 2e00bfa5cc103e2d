// The finder's frame from end to end: expose → scopes → meter → automatic → develop → marks. Buffers are made once; the
// worker only adds the canvas and the clock.
import type { CameraColour } from '../colour/camera';
import { resolveExposure, type ExposureControls, type Resolved } from '../exposure/automatic';
import type { ExposureSettings } from '../exposure/settings';
import type { FramePoint } from '../meter/luminance-map';
import type { PatternId } from '../meter/pattern';
import { readMeter, type Reading } from '../meter/read';
import { handHeldLimitS } from '../optics/lens';
import { baselineExposureEv, developerFor, developRegion, type Developer } from '../raw/develop';
import {
  channelFigures,
  countSites,
  headroomEv,
  MEANINGFUL_SHARE,
  type ChannelFigures,
  type SiteCounts,
} from '../raw/statistics';
import { captureFrame, PREVIEW_LONG_SIDE, whiteFromCounts } from '../scene/capture';
import { projectorFor, type SceneView } from '../scene/view';
import { clipMask, drawClipMarks } from '../scopes/clipping';
import { cfaIndex, clipLevel, floorSignal, type RawFrame } from '../sensor/raw-frame';
import { electronsPerLxS, gainDnPerE } from '../sensor/sensor';

/** Clip magenta of the house. */
const CLIP_COLOUR = [255, 111, 174] as const;
/** The white follows only when it is off by more than this, so that noise does not make the picture shimmer. */
const WHITE_STEP_KELVIN = 80;

export interface FinderAsk {
  readonly controls: ExposureControls;
  readonly pattern: PatternId;
  readonly spot: FramePoint;
  readonly lockedEv100: number | null;
}

export interface FinderFrame {
  readonly frame: RawFrame;
  readonly counted: SiteCounts;
  readonly figures: readonly ChannelFigures[];
  readonly reading: Reading;
  readonly resolved: Resolved;
  readonly headroomEv: number;
  readonly floorEv: number;
  readonly midGreyEv: number;
}

export interface Finder {
  readonly width: number;
  readonly height: number;
  /** Developed picture, RGBA, of the last frame. */
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  /** Exposes, counts and meters a frame. `lap` is called with the name of each stage as it ends. */
  measure(ask: FinderAsk, number: number, lap?: (stage: 'meter' | 'expose' | 'scopes') => void): FinderFrame;
  /** Develops the measured frame into `rgba`. */
  develop(frame: FinderFrame): void;
  /** Hatches `rgba` where raw is clipped. */
  markClipping(frame: FinderFrame): void;
}

export function finderFor(view: SceneView, seed = 1, longSide = PREVIEW_LONG_SIDE): Finder {
  const { camera } = view;
  const projector = projectorFor(view, longSide);
  const { width, height } = projector;
  const light = new Float32Array(width * height);
  projector.project(0, height, light);
  const brightest = brightestLux(light, width, height);
  const data = new Uint16Array(width * height);
  const rgba = new Uint8ClampedArray(width * height * 4);
  const mask = new Uint8Array(width * height);
  const limits = { apertureN: camera.lens.apertureN, handHeldS: handHeldLimitS(camera.equivalentMm) };
  let previous: ExposureSettings | undefined;
  let colour: CameraColour | undefined;
  let counts: SiteCounts | undefined;
  let developer: { key: string; developer: Developer } | undefined;

  return {
    width,
    height,
    rgba,
    measure: (ask, number, lap) => {
      const reading = readMeter(view.luminance, ask.pattern, ask.spot);
      const resolved = resolveExposure(ask.controls, ask.lockedEv100 ?? reading.ev100, limits, previous);
      previous = resolved.settings;
      lap?.('meter');
      const order = {
        settings: resolved.settings,
        colour: colour ?? { colorMatrix: camera.colorMatrix, asShotNeutral: [1, 1, 1] as const, kelvin: 0 },
        seed: seed + number,
        timeMs: 0,
        offsetMinutes: 0,
        scene: '',
      };
      const exposed = captureFrame(camera, projector, order, { light, data });
      lap?.('expose');
      const counted = countSites(exposed, counts);
      counts = counted;
      const white = whiteFromCounts(counted, exposed.noise, camera.colorMatrix);
      if (!colour || Math.abs(white.kelvin - colour.kelvin) > WHITE_STEP_KELVIN) colour = white;
      const frame = { ...exposed, colour };
      const figures = channelFigures(counted, frame.noise);
      const { shutterS, iso } = resolved.settings;
      const toDn = electronsPerLxS(camera.sensor) * shutterS * gainDnPerE(camera.sensor, iso);
      const room = headroomEv(counted);
      const clip = clipLevel(frame) - frame.black;
      const measured: FinderFrame = {
        frame,
        counted,
        figures,
        reading,
        resolved,
        // Past clip the numbers say nothing more: there the light itself does.
        headroomEv: room > 0 ? room : Math.min(0, Math.log2(clip / (brightest * toDn))),
        floorEv: Math.log2(floorSignal(frame.noise) / (frame.white - frame.black)),
        midGreyEv: Math.log2(0.18) - baselineExposureEv(resolved.settings),
      };
      lap?.('scopes');
      return measured;
    },
    develop: ({ frame }) => {
      const key = `${frame.settings.iso < 100 ? frame.settings.iso : 100} ${frame.colour.kelvin}`;
      if (developer?.key !== key) developer = { key, developer: developerFor(frame) };
      developRegion(frame, developer.developer, { x: 0, y: 0, width, height }, rgba);
    },
    markClipping: ({ frame }) => {
      clipMask(frame, mask);
      drawClipMarks(rgba, mask, width, CLIP_COLOUR);
    },
  };
}

const LOG_FROM = -20;
const LOG_STEPS = 96;
const LOG_BINS = 44 * LOG_STEPS;

/** Light, lx, that the brightest 0.1 % of the sites of the most exposed channel reach, to 1/96 stop. */
function brightestLux(light: Float32Array, width: number, height: number): number {
  const counts = [0, 1, 2, 3].map(() => new Uint32Array(LOG_BINS));
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const bin = ((Math.log2(light[y * width + x]! + 1e-6) - LOG_FROM) * LOG_STEPS) | 0;
      counts[cfaIndex(x, y)]![Math.min(LOG_BINS - 1, Math.max(0, bin))]!++;
    }
  }
  const sites = (width * height) / 4;
  let top = 0;
  for (const channel of counts) {
    let above = 0;
    for (let bin = LOG_BINS - 1; bin > top; bin--) {
      above += channel[bin]!;
      if (above >= sites * MEANINGFUL_SHARE) top = bin;
    }
  }
  return 2 ** (LOG_FROM + (top + 0.5) / LOG_STEPS);
}
