// Development of an image of either kind, as it is to be seen.
import type { LinearImage } from '../sensor/rgb-image';
import { developerFor, developReduced, developRegion } from './develop';
import { developRgbReduced, developRgbRegion } from './develop-rgb';
import { framed, seenSize, storedOf, turned, type Rectangle } from './shown';

/** What of an image is seen, kept for as long as the image is. */
const insides = new WeakMap<LinearImage, LinearImage>();

function insideOf(image: LinearImage): LinearImage {
  let inside = insides.get(image);
  if (!inside) insides.set(image, (inside = framed(image)));
  return inside;
}

/** A region of what is seen, at one picture pixel a site or pixel. @throws RangeError when it leaves the picture */
export function pictureOfRegion(image: LinearImage, region: Rectangle): Uint8ClampedArray<ArrayBuffer> {
  const seen = seenSize(image);
  if (
    region.x < 0 ||
    region.y < 0 ||
    region.x + region.width > seen.width ||
    region.y + region.height > seen.height
  )
    throw new RangeError('The region leaves the picture');
  const inside = insideOf(image);
  const turn = image.orientation ?? 1;
  const stored = storedOf(region, inside, turn);
  const rgba = new Uint8ClampedArray(stored.width * stored.height * 4);
  const developer = developerFor(inside);
  if (inside.layout === 'cfa') developRegion(inside, developer, stored, rgba);
  else developRgbRegion(inside, developer, stored, rgba);
  return turned(rgba, stored, turn);
}

/**
 * All that is seen, averaged in linear light down to width × height: at most half of a mosaic's size, or all of that of three components.
 */
export function pictureReduced(
  image: LinearImage,
  width: number,
  height: number,
): Uint8ClampedArray<ArrayBuffer> {
  const inside = insideOf(image);
  const turn = image.orientation ?? 1;
  const stored = turn >= 5 ? { width: height, height: width } : { width, height };
  const reduced =
    inside.layout === 'cfa'
      ? developReduced(inside, stored.width, stored.height)
      : developRgbReduced(inside, stored.width, stored.height);
  return turned(reduced as Uint8ClampedArray<ArrayBuffer>, stored, turn);
}
