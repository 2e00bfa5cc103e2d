// Another framing of a frame that was taken: what of it is inside the lines, how it is turned, how it is set level. All in columns and rows as the
// image is stored, as DNG has DefaultUserCrop and Orientation, so that turning does not move the lines over the picture.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import type { LinearImage } from '../sensor/rgb-image';
import { framingOf, type Framed } from './framing';
import { seenRectangle, storedOf, type Rectangle, type Turn } from './shown';
import { seenTilt } from './tilt';

/** As far as lines may be turned, degrees. */
export const MOST_TILT = 45;

const COLUMN = Type.Integer({ minimum: 0, maximum: 65535 });
const SIDE = Type.Integer({ minimum: 1, maximum: 65535 });

export const REFRAME = Type.Object(
  {
    /** What is inside the lines. */
    lines: Type.Object({ x: COLUMN, y: COLUMN, width: SIDE, height: SIDE }),
    orientation: Type.Unsafe<Turn>({ enum: [1, 2, 3, 4, 5, 6, 7, 8] }),
    /** Degrees that the lines are turned clockwise about their middle. */
    tiltDeg: Type.Number({ minimum: -MOST_TILT, maximum: MOST_TILT }),
  },
  { additionalProperties: false },
);
export type Reframe = Readonly<Static<typeof REFRAME>>;

/** The framing that an image has by itself. */
export function ownReframe(image: Framed): Reframe {
  const { lines, turn, tiltDeg } = framingOf(image);
  return { lines, orientation: turn, tiltDeg };
}

/** @param reframe null for its own. @throws RangeError for lines that leave the image: they are of another one */
export function reframed<T extends LinearImage>(image: T, reframe: Reframe | null): T {
  if (!reframe) return image;
  const { lines, orientation, tiltDeg } = reframe;
  if (lines.x + lines.width > image.width || lines.y + lines.height > image.height)
    throw new RangeError('The framing is of a larger frame');
  return {
    ...image,
    userCrop: lines,
    orientation,
    ...(tiltDeg !== 0 ? { tiltDeg } : { tiltDeg: undefined }),
  };
}

/** A picture seen so, turned a quarter clockwise. */
const QUARTER: Readonly<Record<Turn, Turn>> = { 1: 6, 2: 7, 3: 8, 4: 5, 5: 2, 6: 3, 7: 4, 8: 1 };
/** A picture seen so, in a mirror that stands beside it. */
const MIRRORED: Readonly<Record<Turn, Turn>> = { 1: 2, 2: 1, 3: 4, 4: 3, 5: 6, 6: 5, 7: 8, 8: 7 };

export function turnedQuarter(reframe: Reframe): Reframe {
  return { ...reframe, orientation: QUARTER[reframe.orientation] };
}

export function mirrored(reframe: Reframe): Reframe {
  return { ...reframe, orientation: MIRRORED[reframe.orientation] };
}

/** True where lines turned by that angle stay in the part, to half a site. */
export function holds(part: Rectangle, lines: Rectangle, tiltDeg: number): boolean {
  const around = extentOf(lines, tiltDeg);
  const slack = 0.75;
  return (
    around.x >= part.x - slack &&
    around.y >= part.y - slack &&
    around.x + around.width <= part.x + part.width + slack &&
    around.y + around.height <= part.y + part.height + slack
  );
}

function extentOf({ x, y, width, height }: Rectangle, tiltDeg: number): Rectangle {
  const angle = (tiltDeg * Math.PI) / 180;
  const [cos, sin] = [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];
  const [across, down] = [width * cos + height * sin, width * sin + height * cos];
  return { x: x + (width - across) / 2, y: y + (height - down) / 2, width: across, height: down };
}

/** Lines of less have nothing in them that is worth a picture. */
export const LEAST_SIDE = 16;

/**
 * The nearest lines that the part holds: as large as they are wanted where there is room, else smaller in their own shape; moved as little as
 * need be. Whole numbers.
 */
export function fitted(part: Rectangle, wanted: Rectangle, tiltDeg: number): Rectangle {
  const width = Math.max(LEAST_SIDE, wanted.width);
  const height = Math.max(LEAST_SIDE, wanted.height);
  const extent = extentOf({ x: 0, y: 0, width, height }, tiltDeg);
  // Level lines of that size stay inside too: they are what a file can tell.
  const [across, down] = [Math.max(width, extent.width), Math.max(height, extent.height)];
  const scale = Math.min(1, part.width / across, part.height / down);
  const [w, h] = [
    Math.max(1, Math.floor(width * scale + 1e-6)),
    Math.max(1, Math.floor(height * scale + 1e-6)),
  ];
  const reach = extentOf({ x: 0, y: 0, width: w, height: h }, tiltDeg);
  const middle = (from: number, size: number, low: number, all: number, across: number) => {
    const [least, most] = [low + across / 2, low + all - across / 2];
    return Math.min(Math.max(from + size / 2, least), Math.max(least, most));
  };
  const cx = middle(wanted.x, wanted.width, part.x, part.width, reach.width);
  const cy = middle(wanted.y, wanted.height, part.y, part.height, reach.height);
  const place = (centre: number, size: number, low: number, all: number) =>
    Math.round(Math.min(Math.max(centre - size / 2, low), low + all - size));
  return { x: place(cx, w, part.x, part.width), y: place(cy, h, part.y, part.height), width: w, height: h };
}

/** The largest lines of a shape about the middle of others. @param ratio width over height as they are stored; null keeps theirs */
export function largest(part: Rectangle, about: Rectangle, ratio: number | null, tiltDeg: number): Rectangle {
  const shape = ratio ?? about.width / about.height;
  const big = 2 * Math.max(part.width, part.height);
  const [width, height] = shape >= 1 ? [big, big / shape] : [big * shape, big];
  const [cx, cy] = [about.x + about.width / 2, about.y + about.height / 2];
  // About the very middle first; where that leaves little, wherever they fit.
  return fitted(part, { x: cx - width / 2, y: cy - height / 2, width, height }, tiltDeg);
}

/**
 * The tilt that makes a line of the picture level, or upright where it is nearer to that.
 * @param line from and to, as it is seen through the orientation, with the lines level
 */
export function levelled(
  line: readonly [{ x: number; y: number }, { x: number; y: number }],
  orientation: Turn,
): number {
  const [from, to] = line;
  let deg = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
  // A line has no direction; the nearest of level and upright is meant.
  deg -= 90 * Math.round(deg / 90);
  return seenTilt(deg, orientation);
}

/** Lines as they are seen through an orientation, in the part that is seen whole. */
export function linesSeen(part: Rectangle, { lines, orientation }: Reframe): Rectangle {
  return seenRectangle({ ...lines, x: lines.x - part.x, y: lines.y - part.y }, part, orientation);
}

/** And back again. */
export function linesStored(part: Rectangle, seen: Rectangle, orientation: Turn): Rectangle {
  const inPart = storedOf(seen, part, orientation);
  return { ...inPart, x: inPart.x + part.x, y: inPart.y + part.y };
}
