// Light on the sensor before the shutter: rows of camera channels for a frame of any size, with fall-off and defocus.
// H = q·L·t/N² (ISO 12232) with cos⁴θ; time comes later, when the sensor exposes.
import { cos4, lensQ } from '../optics/lens';
import type { PlatePart } from './plate';
import { defocus } from './defocus';
import { cutOut, type LightPlanes } from './detail';
import type { LightGrid, FrameWindow } from './light-grid';
import type { Channels } from './gather';
import { fallOffRows, rowSampler } from './light-kernel';
import { horizontalPass, tapsFor, verticalPass, type Taps } from './resample';
import { surfaceRows } from './surface-rows';
import {
  asSet,
  discsOf,
  finestGround,
  withoutDetail,
  type Ground,
  type LensSetting,
  type SceneView,
} from './view';
import { cropOf, frameSize } from './framing';

export interface LightRows extends LightGrid {
  /** Fills out[at …] with a row of one channel of one group, in cd/m² before fall-off. */
  row(group: number, channel: number, y: number, out: Float32Array, at: number): void;
  /** Fills `out` with a row of a mosaic: its even columns of one channel, its odd ones of another. */
  mosaicRow(group: number, channels: Channels, y: number, out: Float32Array): void;
  /** cos⁴θ·q/N² along row `y`. */
  fallOff(y: number, out: Float32Array): void;
}

/**
 * A binned site averages neighbours of its own colour, which lie two sites apart: it gathers light from more than its
 * own place. Two would be the whole reach; 1.6 keeps the finder crisp and still free of false colour.
 */
const BINNED_FOOTPRINT = 1.6;

function lightOf({ camera: { lens } }: Ground): number {
  return lensQ(lens) / (lens.apertureN * lens.apertureN);
}

function gridOf(view: Ground, longSide: number, footprint: number, window?: FrameWindow) {
  const { camera, size, orientation } = view;
  const whole = frameSize(camera, orientation, longSide);
  const { x, y, width, height } = window ?? { x: 0, y: 0, ...whole };
  if ((x | y) & 1 || x < 0 || y < 0 || x + width > whole.width || y + height > whole.height)
    throw new RangeError('The window leaves the frame, or begins between its colours');
  const crop = cropOf(size, orientation);
  const siteMm = (camera.sensor.pitchMm * camera.sensor.width) / longSide;
  const { lens } = camera;
  const lux = lightOf(view);
  const across = (column: number) => crop.x + (column * crop.width) / whole.width;
  const down = (row: number) => crop.y + (row * crop.height) / whole.height;
  return {
    width,
    height,
    x0: x,
    y0: y,
    wholeWidth: whole.width,
    wholeHeight: whole.height,
    longSide,
    siteMm,
    // Samples finer than sites show the same site again.
    sitesPerSample: Math.max(1, camera.sensor.width / longSide) ** 2,
    down: tapsFor(height, down(y), down(y + height), size, footprint),
    across: tapsFor(width, across(x), across(x + width), size, footprint),
    fallOff: fallOffOf(lens.focalLengthMm, lux, {
      x: Float64Array.from({ length: width }, (_, i) => (x + i + 0.5 - whole.width / 2) * siteMm),
      y: (row) => (y + row + 0.5 - whole.height / 2) * siteMm,
    }),
  };
}

/** @param sites where columns and rows lie from the axis, mm */
function fallOffOf(
  focalLengthMm: number,
  lux: number,
  { x, y }: { x: Float64Array; y: (row: number) => number },
): (row: number, out: Float32Array) => void {
  const fast = fallOffRows(focalLengthMm, lux, x);
  return (row, out) => {
    const yMm = y(row);
    if (fast) fast(yMm, out);
    else for (let i = 0; i < x.length; i++) out[i] = lux * cos4(focalLengthMm, x[i]!, yMm);
  };
}

/** The plates as a lens set so draws them: plain data that other threads may work on as well, its numbers in memory that they share. */
export interface DrawnPlates {
  readonly view: Ground;
  readonly focusM: number;
  /** The part of the plates that is drawn; light from farther outside is that of its edge. */
  readonly part: PlatePart;
  /** Light with the lens's defocus, of that part, group by group in channels R, G, B. */
  readonly groups: readonly (readonly Float32Array[])[];
}

/**
 * Defocus is made once, in all the detail that the plates have.
 * @param part of the plates at their finest when no more is wanted
 */
export function drawnPlates(
  wideOpen: SceneView,
  focusM: number,
  setting: LensSetting = wideOpen.camera.lens,
  part: PlatePart = framePart(wideOpen),
): DrawnPlates {
  const view = asSet(finestGround(wideOpen), setting);
  const { size, space } = view;
  const disc = space && discsOf(view, focusM, cutOut(space.distance, size, part), size);
  return {
    view,
    focusM,
    part,
    groups: defocused(wideOpen.detail.planes(part), part.width, part.height, disc),
  };
}

/** The same in memory that threads share. @throws ReferenceError where memory cannot be shared */
export function sharedPlates({ view, groups, ...plates }: DrawnPlates): DrawnPlates {
  const { space } = view;
  return {
    ...plates,
    view: space
      ? {
          ...view,
          space: { ...space, distance: shared(space.distance), surface: sharedBytes(space.surface) },
        }
      : view,
    groups: groups.map((planes) => planes.map(shared)),
  };
}

function shared(of: Float32Array): Float32Array {
  const copy = new Float32Array(new SharedArrayBuffer(of.byteLength));
  copy.set(of);
  return copy;
}

function sharedBytes(of: Uint8Array): Uint8Array {
  const copy = new Uint8Array(new SharedArrayBuffer(of.byteLength));
  copy.set(of);
  return copy;
}

/** Rows of a frame, or of a window of it. */
export function rowsOf(
  { view, focusM, part, groups }: DrawnPlates,
  longSide: number,
  window?: FrameWindow,
): LightRows {
  const { x: left, y: top, width: wide, height: high } = part;
  const { down: allDown, across: allAcross, ...grid } = gridOf(view, longSide, BINNED_FOOTPRINT, window);
  const [down, across] = [within(allDown, top, high), within(allAcross, left, wide)];
  const fast = rowSampler(wide, down, across, grid.width, 3 * groups.length);
  if (fast) {
    const plane = (group: number, channel: number) =>
      [3 * group + channel, groups[group]![channel]!] as const;
    return {
      ...grid,
      view,
      focusM,
      row: (group, channel, y, out, at) => fast.row(plane(group, channel), y, out, at),
      mosaicRow: (group, [even, odd], y, out) => fast.mosaic(plane(group, even), plane(group, odd), y, out),
    };
  }
  // The vertical pass of a row is kept for each group and channel while that row is asked for.
  const kept = groups.map((planes) => planes.map(() => ({ y: -1, row: new Float32Array(wide) })));
  const between = (group: number, channel: number, y: number) => {
    const line = kept[group]![channel]!;
    if (line.y !== y) {
      verticalPass(groups[group]![channel]!, wide, down, y, line.row);
      line.y = y;
    }
    return line.row;
  };
  return {
    ...grid,
    view,
    focusM,
    row: (group, channel, y, out, at) =>
      horizontalPass(between(group, channel, y), across, grid.width, out, at),
    mosaicRow: (group, channels, y, out) =>
      channels.forEach((channel, phase) =>
        horizontalPass(between(group, channel, y), across, grid.width, out, 0, phase, 2),
      ),
  };
}

/** Rows of frames of any size and of windows of them, all from plates that were drawn once. */
export interface FocusedPlates {
  rows(longSide: number, window?: FrameWindow): LightRows;
}

/** @param part as for `drawnPlates` */
export function focusedPlates(
  wideOpen: SceneView,
  focusM: number,
  setting?: LensSetting,
  part?: PlatePart,
): FocusedPlates {
  const plates = drawnPlates(wideOpen, focusM, setting, part);
  return { rows: (longSide, window) => rowsOf(plates, longSide, window) };
}

/** Margin of light around a frame that blur may bring in, as a share of the plate. */
const FRAME_MARGIN_SHARE = 1 / 32;
/** Least margin around a frame, pixels of the plate. */
const LEAST_MARGIN = 4;

/** The part of the plates that a frame needs. */
function framePart({ detail: { size }, orientation }: SceneView): PlatePart {
  return around(cropOf(size, orientation), FRAME_MARGIN_SHARE * size, size);
}

/** A stretch and what lies about it, held on the plates; with even corners. */
function around({ x, y, width, height }: PlatePart, margin: number, size: number): PlatePart {
  const hold = (v: number) => Math.min(size, Math.max(0, v));
  const [left, top] = [hold(Math.floor(x - margin)) & ~1, hold(Math.floor(y - margin)) & ~1];
  return {
    x: left,
    y: top,
    width: hold(Math.ceil(x + width + margin)) - left,
    height: hold(Math.ceil(y + height + margin)) - top,
  };
}

/**
 * The part of the plates, at their finest, that a window of a frame needs: with as much around it as the discs there reach.
 * @param mostShare of the plates' side beside the window at most: what is blurred more widely is cut there
 */
export function partFor(
  { camera, orientation, detail: { size, space } }: SceneView,
  window: FrameWindow,
  whole: { width: number; height: number },
  focusM: number,
  mostShare: number,
): PlatePart {
  const crop = cropOf(size, orientation);
  const [scaleX, scaleY] = [crop.width / whole.width, crop.height / whole.height];
  const seen = {
    x: crop.x + window.x * scaleX,
    y: crop.y + window.y * scaleY,
    width: window.width * scaleX,
    height: window.height * scaleY,
  };
  if (!space) return around(seen, LEAST_MARGIN, size);
  // Along the middle of the window.
  const middle = Math.min(size - 1, Math.floor(seen.y + seen.height / 2)) * size;
  const line = space.distance.subarray(middle + Math.floor(seen.x), middle + Math.ceil(seen.x + seen.width));
  const widest = discsOf({ camera }, focusM, line, size).reduce((most, d) => Math.max(most, Math.abs(d)), 0);
  return around(seen, Math.min(mostShare * size, LEAST_MARGIN + widest / 2), size);
}

/** Taps of a whole plate as taps of a stretch of it, held at its ends. */
function within(taps: Taps, from: number, length: number): Taps {
  return {
    ...taps,
    index: taps.index.map((i) => Math.min(length - 1, Math.max(0, i - from))),
    ...(taps.first && { first: taps.first.map((i) => Math.min(length - 1, Math.max(-3, i - from))) }),
  };
}

/** Plates for a whole capture; a small one is not finer than what the view works with. */
export function platesFor(
  wideOpen: SceneView,
  longSide: number,
  focusM: number,
  setting: LensSetting = wideOpen.camera.lens,
): DrawnPlates {
  const view = longSide > wideOpen.size ? wideOpen : withoutDetail(wideOpen);
  return drawnPlates(view, focusM, setting);
}

/** Rows straight from the plates, for a whole capture. */
export function plateRows(
  wideOpen: SceneView,
  longSide: number,
  focusM: number,
  setting: LensSetting = wideOpen.camera.lens,
): LightRows {
  return rowsOf(platesFor(wideOpen, longSide, focusM, setting), longSide);
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
  /**
   * The same at single points and with the grain of single sites, as if every so-manieth site of a capture were taken: what is
   * counted of it is counted of the capture, while the averages that are shown have lost the smallest lights and darks.
   */
  points(): PreviewLight;
}

export function previewStage(view: SceneView, longSide: number): PreviewStage {
  const averaged = gridOf(view, longSide, BINNED_FOOTPRINT);
  const { down, across, fallOff, ...grid } = averaged;
  const { size, space, orientation } = view;
  const { width, height } = grid;
  const row = new Float32Array(size);
  const falling = new Float32Array(width);
  const fallingOff = (plane: Float32Array) => {
    for (let y = 0; y < height; y++) {
      fallOff(y, falling);
      for (let x = 0; x < width; x++) plane[y * width + x] = plane[y * width + x]! * falling[x]!;
    }
    return plane;
  };
  const fast = rowSampler(size, down, across, width, 3 * view.groups.length);
  const sampled = (plane: Float32Array, slot: number) => {
    const out = new Float32Array(width * height);
    for (let y = 0; y < height; y++)
      if (fast) fast.row([slot, plane], y, out, y * width);
      else {
        verticalPass(plane, size, down, y, row);
        horizontalPass(row, across, width, out, y * width);
      }
    return fallingOff(out);
  };
  const crop = cropOf(size, orientation);
  let averaging: readonly (readonly Float32Array[])[] | undefined;
  const averages = () =>
    (averaging ??= view.groups.map(({ planes }, g) => planes.map((plane, c) => sampled(plane, 3 * g + c))));
  let points: readonly LightPlanes[] | undefined;
  const pointGroups = () =>
    (points ??= view.detail.points(cropOf(view.detail.size, orientation), width, height).map((planes) => {
      planes.forEach(fallingOff);
      return planes;
    }));
  let grain: Float32Array | undefined;
  /** Grain as a full-size site sees it. Where the lens was first focused: out of focus it fades, which matters little to a count. */
  const grainAt = (focusM: number) => {
    if (grain) return grain;
    const { pitchMm } = view.camera.sensor;
    const surface = surfaceRows({ ...averaged, view, focusM, siteMm: pitchMm }, { plain: true });
    grain = new Float32Array(width * height).fill(1);
    for (let y = 0; y < height; y++) surface?.apply(y, 0, 0, grain.subarray(y * width, (y + 1) * width));
    return grain;
  };
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
      const through = (of: readonly (readonly Float32Array[])[]) =>
        defocused(of, width, height, disc).map((planes) => planes.map(dimmed));
      const light = { ...grid, view: set, focusM };
      let points: PreviewLight | undefined;
      let groups: PreviewLight['groups'] | undefined;
      const own: PreviewLight = {
        ...light,
        // Made when first asked for: counting takes `points` alone.
        get groups() {
          return (groups ??= through(averages()));
        },
        points: () =>
          (points ??= {
            ...light,
            groups: through(pointGroups()).map((planes) => grained(planes, grainAt(focusM))),
            points: () => points!,
          }),
      };
      return own;
    },
  };
}

/** All planes of all groups at once: they share their discs. */
function defocused(
  groups: readonly (readonly Float32Array[])[],
  width: number,
  height: number,
  disc: Float32Array | undefined,
): readonly (readonly Float32Array[])[] {
  if (!disc) return groups;
  const { planes } = defocus({ width, height, planes: groups.flat() }, disc);
  let taken = 0;
  return groups.map((group) => planes.slice(taken, (taken += group.length)));
}

function grained(planes: readonly Float32Array[], grain: Float32Array): Float32Array[] {
  return planes.map((plane) => {
    const out = new Float32Array(plane.length);
    for (let i = 0; i < out.length; i++) out[i] = plane[i]! * grain[i]!;
    return out;
  });
}
