// An open frame as it is looked at: a region of it as pixels, developed or one channel of raw, with marks where raw or picture is clipped.
import { colourOfWhite } from '../colour/camera';
import type { WhitePoint } from '../colour/temperature';
import { pictureOfRegion, pictureReduced } from '../raw/develop-image';
import { printed } from '../raw/printed';
import { reframed, type Reframe } from '../raw/reframe';
import { framingOf, reachOf, storedIn } from '../raw/framing';
import { seenSize, type Rectangle } from '../raw/shown';
import { countImage } from '../raw/statistics';
import { drawMarks, markPicture, type MarkColours } from '../scopes/marks';
import { pictureHistogram, type PictureHistogram } from '../scopes/picture-histogram';
import { stopline, type Stopline } from '../scopes/stopline';
import type { LinearImage } from '../sensor/rgb-image';
import type { Print } from '../setting/print';
import { channelImage, sitesAPixel } from './channel-image';
import { markClipped, type View } from './clip-marks';

/** How an open frame is looked at. */
export interface Look {
  /** Another white than its file's; null for that. */
  readonly white: WhitePoint | null;
  readonly print: Print | null;
  /** Another framing than its file's; null for that. */
  readonly reframe: Reframe | null;
  /** True for all that the image holds, whatever its crop and its lines. */
  readonly whole: boolean;
  /** Index of a channel, shown as grey; null for the picture. */
  readonly channel: number | null;
}

export const PLAINLY: Look = { white: null, print: null, reframe: null, whole: false, channel: null };

/** What is marked in a view. */
export interface Clipping {
  readonly raw: boolean;
  readonly picture: boolean;
}

/** The image that is developed for a look. */
export function lookedAt(image: LinearImage, { white, print, reframe, whole, channel }: Look): LinearImage {
  const own = white ? { ...image, colour: colourOfWhite(image.colour.matrices, white) } : image;
  const framed = whole
    ? { ...own, crop: undefined, userCrop: undefined, tiltDeg: undefined }
    : reframed(own, reframe);
  return channel === null ? printed(framed, print) : channelImage(framed, channel);
}

export interface ViewPixels {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  /** Of the pixels without marks, where it was asked for. */
  readonly histogram: PictureHistogram | null;
}

/**
 * Pixels of a view, marks included.
 * @param image as it is looked at; of a channel its own image
 * @param from the image that the look was taken of, for marks of what is clipped in any channel
 * @param tones true for their histogram too
 * @param view in columns and rows of what is seen of `from`: as many pixels as the region has, or half of that at most
 */
export function viewPixels(
  image: LinearImage,
  from: LinearImage,
  { region, width, height }: View,
  clipping: Clipping,
  colours: MarkColours,
  tones = false,
): ViewPixels {
  const by = image === from || image.width === from.width ? 1 : sitesAPixel(from);
  const whole = seenSize(image);
  const part = {
    x: Math.min(whole.width - 1, Math.floor(region.x / by)),
    y: Math.min(whole.height - 1, Math.floor(region.y / by)),
  };
  const own = {
    ...part,
    width: Math.max(1, Math.min(whole.width - part.x, Math.floor(region.width / by))),
    height: Math.max(1, Math.min(whole.height - part.y, Math.floor(region.height / by))),
  };
  const size = { width: Math.min(width, own.width), height: Math.min(height, own.height) };
  const rgba =
    size.width === own.width && size.height === own.height
      ? pictureOfRegion(image, own)
      : regionReduced(image, own, size);
  // Before anything is drawn over it.
  const histogram = tones ? pictureHistogram(rgba) : null;
  if (clipping.raw || clipping.picture) {
    const mask = new Uint16Array(size.width * size.height);
    if (clipping.picture) markPicture(rgba, { white: true, black: false }, mask);
    if (clipping.raw) markClipped(image, { region: own, ...size }, mask);
    drawMarks(rgba, mask, size.width, colours);
  }
  return { ...size, rgba, histogram };
}

/** A region of what is seen, averaged in linear light. */
function regionReduced(
  image: LinearImage,
  region: Rectangle,
  { width, height }: { width: number; height: number },
): Uint8ClampedArray<ArrayBuffer> {
  const whole = seenSize(image);
  const isAll = region.width === whole.width && region.height === whole.height;
  return pictureReduced(isAll ? image : onlyRegion(image, region), width, height);
}

/** The image with its lines about a region of what is seen. */
function onlyRegion(image: LinearImage, region: Rectangle): LinearImage {
  const framing = framingOf(image);
  const { lines } = framing;
  const level = storedIn(framing, region);
  if (!image.tiltDeg) return { ...image, userCrop: level };
  // The middle of a part of turned lines lies turned about theirs.
  const angle = (image.tiltDeg * Math.PI) / 180;
  const [u, v] = [
    level.x + level.width / 2 - lines.x - lines.width / 2,
    level.y + level.height / 2 - lines.y - lines.height / 2,
  ];
  const [cx, cy] = [
    lines.x + lines.width / 2 + u * Math.cos(angle) - v * Math.sin(angle),
    lines.y + lines.height / 2 + u * Math.sin(angle) + v * Math.cos(angle),
  ];
  return { ...image, userCrop: { ...level, x: cx - level.width / 2, y: cy - level.height / 2 } };
}

export interface ViewFigures {
  readonly stopline: Stopline;
  readonly histogram: PictureHistogram;
}

/** Pixels that a histogram of the picture is counted on, at most. */
const MOST_COUNTED = 1_500_000;

/** Raw by stops, and the picture's tones, of a region of what is seen. */
export function viewFigures(image: LinearImage, region: Rectangle): ViewFigures {
  return { stopline: stopline(countImage(rawOf(image, region))), histogram: tonesOf(image, region) };
}

/** Numbers under a region; of turned lines those of the rectangle around it. */
function rawOf(image: LinearImage, region: Rectangle): LinearImage {
  const crop = reachOf(framingOf(onlyRegion(image, region)));
  return { ...image, crop, userCrop: undefined, tiltDeg: undefined };
}

function tonesOf(image: LinearImage, region: Rectangle): PictureHistogram {
  const pixels = region.width * region.height;
  if (pixels <= MOST_COUNTED) return pictureHistogram(pictureOfRegion(image, region));
  const by = Math.max(2, Math.sqrt(pixels / MOST_COUNTED));
  const size = { width: Math.floor(region.width / by), height: Math.floor(region.height / by) };
  return pictureHistogram(regionReduced(image, region, size));
}
