// Three linear components → picture: black, white balance, the camera's matrix, the same plain tone curve as for raw. Nothing has to
// be guessed between sites, so a pixel depends on itself alone.
import type { RgbImage } from '../sensor/rgb-image';
import { developerFor, pictureCode, type Developer, type Region } from './develop';

/** Develops a region pixel by pixel. @throws RangeError when the region leaves the image */
export function developRgbRegion(
  { width, height, data }: Pick<RgbImage, 'width' | 'height' | 'data'>,
  developer: Developer,
  region: Region,
  rgba: Uint8ClampedArray,
): void {
  if (region.x < 0 || region.y < 0 || region.x + region.width > width || region.y + region.height > height)
    throw new RangeError('The region leaves the image');
  const [red, green, , blue] = developer.linear;
  let o = 0;
  for (let y = region.y; y < region.y + region.height; y++) {
    let i = 3 * (y * width + region.x);
    for (let x = 0; x < region.width; x++, i += 3, o += 4)
      put(developer, red[data[i]!]!, green[data[i + 1]!]!, blue[data[i + 2]!]!, rgba, o);
  }
}

/** A smaller developed picture: pixels are averaged in linear light, then developed. */
export function developRgbReduced(
  image: RgbImage,
  width: number,
  height: number,
  developer: Developer = developerFor(image),
): Uint8ClampedArray {
  const [red, green, , blue] = developer.linear;
  const rgba = new Uint8ClampedArray(width * height * 4);
  for (let y = 0, o = 0; y < height; y++) {
    const [y0, y1] = spanOf(y, height, image.height);
    for (let x = 0; x < width; x++, o += 4) {
      const [x0, x1] = spanOf(x, width, image.width);
      let [r, g, b] = [0, 0, 0];
      for (let sy = y0; sy < y1; sy++)
        for (let i = 3 * (sy * image.width + x0), end = i + 3 * (x1 - x0); i < end; i += 3) {
          r += red[image.data[i]!]!;
          g += green[image.data[i + 1]!]!;
          b += blue[image.data[i + 2]!]!;
        }
      const n = (y1 - y0) * (x1 - x0);
      put(developer, r / n, g / n, b / n, rgba, o);
    }
  }
  return rgba;
}

/** First index of the `size` that an index of a smaller size stands for, and the one after the last. */
function spanOf(index: number, of: number, size: number): readonly [number, number] {
  const from = Math.floor((index * size) / of);
  return [from, Math.max(from + 1, Math.floor(((index + 1) * size) / of))];
}

function put(
  developer: Developer,
  red: number,
  green: number,
  blue: number,
  rgba: Uint8ClampedArray,
  o: number,
): void {
  for (let row = 0; row < 3; row++) rgba[o + row] = pictureCode(developer, row, red, green, blue);
  rgba[o + 3] = 255;
}
