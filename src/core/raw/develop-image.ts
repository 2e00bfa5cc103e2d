// Development of an image of either kind, as it is to be seen: the part inside its frame lines, turned, mirrored, set upright.
import type { LinearImage } from '../sensor/rgb-image';
import { developerFor, developReduced, developRegion, type Developer } from './develop';
import { developRgbReduced, developRgbRegion } from './develop-rgb';
import { framingOf, reachOf, seenIn } from './framing';
import { framed, seenSize, storedOf, turned, type Rectangle } from './shown';
import { placeInTilted, upright } from './tilt';

/** Parts inside the frame lines by the image that they are of, kept for as long as that is. */
const insides = new WeakMap<LinearImage, LinearImage>();

function insideOf(image: LinearImage): LinearImage {
  let inside = insides.get(image);
  if (!inside) insides.set(image, (inside = framed(image)));
  return inside;
}

/** Images in which lines that are turned have been laid level: the rectangle around them. */
const levels = new WeakMap<LinearImage, LinearImage>();

/** The image with all that turned lines reach over, level; itself where they are level. */
function levelOf(image: LinearImage): LinearImage {
  if (!image.tiltDeg) return image;
  let level = levels.get(image);
  if (!level)
    levels.set(image, (level = { ...image, userCrop: reachOf(framingOf(image)), tiltDeg: undefined }));
  return level;
}

/** An image without its tilt, and what sets its turned frame lines upright: their middle in that image as it is seen, and the tilt as seen, degrees. */
export function levelled(image: LinearImage) {
  const { lines, seenTiltDeg } = framingOf(image);
  const level = levelOf(image);
  const middle = { x: lines.x + lines.width / 2, y: lines.y + lines.height / 2, width: 0, height: 0 };
  // A place without extent is turned as a rectangle is.
  return { level, about: seenIn(framingOf(level), middle), tiltDeg: seenTiltDeg };
}

/** A region of what is seen, at one picture pixel a site or pixel. @throws RangeError when it leaves the picture */
export function pictureOfRegion(
  image: LinearImage,
  region: Rectangle,
  developer: Developer = developerFor(image),
): Uint8ClampedArray<ArrayBuffer> {
  const seen = seenSize(image);
  if (
    region.x < 0 ||
    region.y < 0 ||
    region.x + region.width > seen.width ||
    region.y + region.height > seen.height
  )
    throw new RangeError('The region leaves the picture');
  if (image.tiltDeg) return tiltedRegion(image, region, developer);
  const inside = insideOf(image);
  const turn = image.orientation ?? 1;
  const stored = storedOf(region, inside, turn);
  const rgba = new Uint8ClampedArray(stored.width * stored.height * 4);
  if (inside.layout === 'cfa') developRegion(inside, developer, stored, rgba);
  else developRgbRegion(inside, developer, stored, rgba);
  return turned(rgba, stored, turn);
}

function tiltedRegion(
  image: LinearImage,
  region: Rectangle,
  developer: Developer,
): Uint8ClampedArray<ArrayBuffer> {
  const { level, about, tiltDeg } = levelled(image);
  const [of, whole] = [seenSize(image), seenSize(level)];
  const middle = { x: of.width / 2, y: of.height / 2 };
  const corners = [0, 1, 2, 3].map((i) =>
    placeInTilted(
      { x: region.x + (i & 1) * region.width, y: region.y + (i >> 1) * region.height },
      middle,
      about,
      tiltDeg,
    ),
  );
  const span = (places: number[], size: number) => {
    const from = Math.max(0, Math.min(size - 1, Math.floor(Math.min(...places)) - 1));
    return [from, Math.max(from + 1, Math.min(size, Math.ceil(Math.max(...places)) + 1))] as const;
  };
  const [left, right] = span(
    corners.map(({ x }) => x),
    whole.width,
  );
  const [top, bottom] = span(
    corners.map(({ y }) => y),
    whole.height,
  );
  const around = { x: left, y: top, width: right - left, height: bottom - top };
  return upright(
    region,
    of,
    {
      ...{ width: around.width, height: around.height },
      data: pictureOfRegion(level, around, developer),
      about: { x: about.x - left, y: about.y - top },
    },
    tiltDeg,
    4,
    new Uint8ClampedArray(4 * region.width * region.height),
  );
}

/**
 * All that is seen, averaged in linear light down to width × height: at most half of a mosaic's size, or all of that of three components.
 */
export function pictureReduced(
  image: LinearImage,
  width: number,
  height: number,
  developer: Developer = developerFor(image),
): Uint8ClampedArray<ArrayBuffer> {
  if (image.tiltDeg) return tiltedReduced(image, width, height, developer);
  const inside = insideOf(image);
  const turn = image.orientation ?? 1;
  const stored = turn >= 5 ? { width: height, height: width } : { width, height };
  const reduced =
    inside.layout === 'cfa'
      ? developReduced(inside, stored.width, stored.height, developer)
      : developRgbReduced(inside, stored.width, stored.height, developer);
  return turned(reduced as Uint8ClampedArray<ArrayBuffer>, stored, turn);
}

function tiltedReduced(
  image: LinearImage,
  width: number,
  height: number,
  developer: Developer,
): Uint8ClampedArray<ArrayBuffer> {
  const { level, about, tiltDeg } = levelled(image);
  const [of, whole] = [seenSize(image), seenSize(level)];
  const [across, down] = [width / of.width, height / of.height];
  const size = {
    width: Math.max(1, Math.round(whole.width * across)),
    height: Math.max(1, Math.round(whole.height * down)),
  };
  return upright(
    { x: 0, y: 0, width, height },
    { width, height },
    {
      ...size,
      data: pictureReduced(level, size.width, size.height, developer),
      about: { x: (about.x * size.width) / whole.width, y: (about.y * size.height) / whole.height },
    },
    tiltDeg,
    4,
    new Uint8ClampedArray(4 * width * height),
  );
}
