// Light on the sensor before the shutter: rows of camera channels for a frame of any size, with fall-off and defocus.
// H = q·L·t/N² (ISO 12232) with cos⁴θ; time comes later, when the sensor exposes.
import { cos4, lensQ } from '../optics/lens';
import { defocus } from './defocus';
import { horizontalPass, tapsFor, verticalPass } from './resample';
import { asSet, discsOf, type LensSetting, type SceneView } from './view';
import { cropOf, frameSize } from './framing';

/** The grid of sites, or of a preview's samples, that light falls on. */
export interface LightGrid {
  readonly view: SceneView;
  readonly focusM: number;
  readonly width: number;
  readonly height: number;
  readonly longSide: number;
  /** Sites of the full sensor that each sample stands for. */
  readonly sitesPerSample: number;
  readonly siteMm: number;
}

export interface LightRows extends LightGrid {
  /**
   * Fills out[at …] with a row of one channel of one group, in cd/m² before fall-off: every sample, or every second from `first`.
   */
  row(
    group: number,
    channel: number,
    y: number,
    out: Float32Array,
    at: number,
    first?: number,
    step?: number,
  ): void;
  /** cos⁴θ·q/N² along row `y`. */
  fallOff(y: number, out: Float32Array): void;
}

/**
 * A binned site averages neighbours of its own colour, which lie two sites apart: it gathers light from more than its
 * own place. Two would be the whole reach; 1.6 keeps the finder crisp and still free of false colour.
 */
const BINNED_FOOTPRINT = 1.6;

function lightOf({ camera: { lens } }: SceneView): number {
  return lensQ(lens) / (lens.apertureN * lens.apertureN);
}

function gridOf(view: SceneView, longSide: number) {
  const { camera, size, orientation } = view;
  const { width, height } = frameSize(camera, orientation, longSide);
  const crop = cropOf(size, orientation);
  const siteMm = (camera.sensor.pitchMm * camera.sensor.width) / longSide;
  const { lens } = camera;
  const lux = lightOf(view);
  return {
    width,
    height,
    longSide,
    siteMm,
    sitesPerSample: (camera.sensor.width / longSide) ** 2,
    down: tapsFor(height, crop.y, crop.y + crop.height, size, BINNED_FOOTPRINT),
    across: tapsFor(width, crop.x, crop.x + crop.width, size, BINNED_FOOTPRINT),
    fallOff: (y: number, out: Float32Array) => {
      const yMm = (y + 0.5 - height / 2) * siteMm;
      for (let x = 0; x < width; x++) {
        out[x] = lux * cos4(lens.focalLengthMm, (x + 0.5 - width / 2) * siteMm, yMm);
      }
    },
  };
}

/** Rows straight from the plates, for a capture: defocus is made once at the plates' size. */
export function plateRows(
  wideOpen: SceneView,
  longSide: number,
  focusM: number,
  setting: LensSetting = wideOpen.camera.lens,
): LightRows {
  const view = asSet(wideOpen, setting);
  const { down, across, ...grid } = gridOf(view, longSide);
  const { size, space } = view;
  const disc = space && discsOf(view, focusM, space.distance, size);
  const groups = view.groups.map(({ planes }) =>
    disc ? defocus({ width: size, height: size, planes }, disc).planes : planes,
  );
  // The vertical pass of a row is kept for each group and channel while that row is asked for.
  const kept = groups.map((planes) => planes.map(() => ({ y: -1, row: new Float32Array(size) })));
  return {
    ...grid,
    view,
    focusM,
    row: (group, channel, y, out, at, first = 0, step = 1) => {
      const line = kept[group]![channel]!;
      if (line.y !== y) {
        verticalPass(groups[group]![channel]!, size, down, y, line.row);
        line.y = y;
      }
      horizontalPass(line.row, across, grid.width, out, at, first, step);
    },
  };
}

/** Everything of a view at a preview's size, to be focused and exposed many times. */
export interface PreviewStage {
  readonly width: number;
  readonly height: number;
  focused(focusM: number, setting?: LensSetting): PreviewLight;
}

/** Light of a preview in whole planes, lx with fall-off, by group and channel. */
export interface PreviewLight extends LightGrid {
  readonly groups: readonly (readonly Float32Array[])[];
}

export function previewStage(view: SceneView, longSide: number): PreviewStage {
  const { down, across, fallOff, ...grid } = gridOf(view, longSide);
  const { size, space, orientation } = view;
  const { width, height } = grid;
  const row = new Float32Array(size);
  const falling = new Float32Array(width);
  const sample = (plane: Float32Array) => {
    const out = new Float32Array(width * height);
    for (let y = 0; y < height; y++) {
      verticalPass(plane, size, down, y, row);
      horizontalPass(row, across, width, out, y * width);
      fallOff(y, falling);
      for (let x = 0; x < width; x++) out[y * width + x] = out[y * width + x]! * falling[x]!;
    }
    return out;
  };
  const groups = view.groups.map(({ planes }) => planes.map(sample));
  const crop = cropOf(size, orientation);
  const distance =
    space &&
    Float32Array.from({ length: width * height }, (_, i) => {
      const x = Math.floor(crop.x + (((i % width) + 0.5) * crop.width) / width);
      const y = Math.floor(crop.y + ((Math.floor(i / width) + 0.5) * crop.height) / height);
      return space.distance[y * size + x]!;
    });
  return {
    width,
    height,
    focused: (focusM, setting = view.camera.lens) => {
      const set = asSet(view, setting);
      const disc = distance && discsOf(set, focusM, distance, longSide);
      // The planes hold the light of the open lens: H ∝ T/N².
      const share = lightOf(set) / lightOf(view);
      const dimmed = (plane: Float32Array) => (share === 1 ? plane : plane.map((v) => v * share));
      return {
        ...grid,
        view: set,
        focusM,
        groups: groups.map((planes) =>
          (disc ? defocus({ width, height, planes }, disc).planes : planes).map(dimmed),
        ),
      };
    },
  };
}
