// One channel of an image as a grey image of its own: what the sites behind one colour of filter counted, with nothing guessed between them.
import type { CameraColour } from '../colour/camera';
import { XYZ_FROM_SRGB } from '../colour/srgb';
import { invert3 } from '../numeric/matrix';
import { blackOf, cfaIndex } from '../sensor/raw-frame';
import type { LinearImage, RgbImage } from '../sensor/rgb-image';
import type { Rectangle } from '../raw/shown';

/** Colours as they are stored: equal numbers are grey. */
const AS_STORED: CameraColour = {
  matrices: [{ kelvin: 6504, matrix: invert3(XYZ_FROM_SRGB) }],
  asShotNeutral: [1, 1, 1],
  white: { kelvin: 6504, tint: 0 },
};

/** Columns and rows of an image that a pixel of its channel's stands for. */
export function sitesAPixel({ layout }: Pick<LinearImage, 'layout'>): 1 | 2 {
  return layout === 'cfa' ? 2 : 1;
}

/**
 * @param channel index into `CFA_NAMES` of a mosaic, or into `RGB_NAMES`
 * @returns an image of half a mosaic's size, as bright as its picture, without white balance
 * @throws RangeError for a channel that it does not have
 */
export function channelImage(image: LinearImage, channel: number): RgbImage {
  const cfa = image.layout === 'cfa';
  if (!Number.isInteger(channel) || channel < 0 || channel >= (cfa ? 4 : 3))
    throw new RangeError(`No channel ${channel}`);
  const sites = sitesAPixel(image);
  const [width, height] = [Math.floor(image.width / sites), Math.floor(image.height / sites)];
  const data = new Uint16Array(3 * width * height);
  const [from, step] = cfa ? [placeOf(image.phase ?? [0, 0], channel, image.width), 2] : [channel, 3];
  const row = cfa ? 2 * image.width : 3 * image.width;
  for (let y = 0, o = 0; y < height; y++)
    for (let x = 0, i = y * row + from; x < width; x++, i += step, o += 3)
      data[o] = data[o + 1] = data[o + 2] = image.data[i]!;
  const smaller = (part: Rectangle | undefined) => part && halved(part, sites, width, height);
  return {
    layout: 'rgb',
    ...{ width, height, data },
    black: cfa ? blackOf(image, channel) : image.black,
    white: image.white,
    colour: AS_STORED,
    noise: image.noise,
    baselineEv: image.baselineEv,
    crop: smaller(image.crop),
    userCrop: smaller(image.userCrop),
    orientation: image.orientation,
    tiltDeg: image.tiltDeg,
  };
}

/** Where in a cell of even columns and rows the site of that name lies. */
function placeOf([px, py]: readonly [number, number], channel: number, width: number): number {
  const at = [0, 1, 2, 3].find((i) => cfaIndex(px + (i & 1), py + (i >> 1)) === channel)!;
  return (at >> 1) * width + (at & 1);
}

function halved({ x, y, width, height }: Rectangle, by: number, most: number, mostDown: number): Rectangle {
  const [left, top] = [Math.floor(x / by), Math.floor(y / by)];
  return {
    ...{ x: left, y: top },
    width: Math.max(1, Math.min(most - left, Math.floor(width / by))),
    height: Math.max(1, Math.min(mostDown - top, Math.floor(height / by))),
  };
}
