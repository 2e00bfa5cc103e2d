// Where raw is clipped, on the pixels of a view: each site that is clipped is looked for in the image and marked where it is seen.
import { CLIP_B, CLIP_G, CLIP_R } from '../scopes/mark-bits';
import { cfaIndex, clipLevel } from '../sensor/raw-frame';
import type { LinearImage } from '../sensor/rgb-image';
import { framingOf, seenIn, storedIn, type Framing } from '../raw/framing';
import type { Rectangle } from '../raw/shown';
import { boundsOf, placeInTilted } from '../raw/tilt';

/** A region of what is seen of an image, as width × height pixels. */
export interface View {
  readonly region: Rectangle;
  readonly width: number;
  readonly height: number;
}

const BIT_OF_SITE = [CLIP_R, CLIP_G, CLIP_G, CLIP_B] as const;
const BIT_OF_COMPONENT = [CLIP_R, CLIP_G, CLIP_B] as const;

/** Sets the bits of the colours that are clipped anywhere in what a pixel stands for; of a mosaic in all of a cell of 2×2 sites. @param mask one number a pixel of the view */
export function markClipped(image: LinearImage, view: View, mask: Uint16Array): void {
  const { region, width, height } = view;
  const framing = framingOf(image);
  const { seen: size, seenTiltDeg: tilt } = framing;
  const middle = { x: size.width / 2, y: size.height / 2 };
  const [across, down] = [width / region.width, height / region.height];
  const mark = (column: number, row: number, bits: number) => {
    const at = seenIn(framing, { x: column, y: row, width: 1, height: 1 });
    const centre = { x: at.x + 0.5, y: at.y + 0.5 };
    const place = tilt === 0 ? centre : placeInTilted(centre, middle, middle, -tilt);
    const x = Math.floor((place.x - region.x) * across);
    const y = Math.floor((place.y - region.y) * down);
    if (x >= 0 && y >= 0 && x < width && y < height) mask[y * width + x]! |= bits;
  };
  forClipped(image, shownBy(framing, region), mark);
}

/** Columns and rows of the image that a region may show. */
function shownBy(framing: Framing, region: Rectangle): Rectangle {
  const { stored: image, seen: size, seenTiltDeg: tilt } = framing;
  let around = region;
  if (tilt !== 0) {
    // About the middle of all that is seen, as the lines are turned.
    const far = {
      x: Math.min(region.x, size.width - region.x - region.width),
      y: Math.min(region.y, size.height - region.y - region.height),
    };
    around = boundsOf({ ...far, width: size.width - 2 * far.x, height: size.height - 2 * far.y }, tilt);
  }
  const stored = storedIn(framing, around);
  const [x, y] = [Math.max(0, stored.x - 2), Math.max(0, stored.y - 2)];
  return {
    ...{ x, y },
    width: Math.min(image.width, stored.x + stored.width + 2) - x,
    height: Math.min(image.height, stored.y + stored.height + 2) - y,
  };
}

function forClipped(
  image: LinearImage,
  { x: left, y: top, width, height }: Rectangle,
  mark: (column: number, row: number, bits: number) => void,
): void {
  const clip = clipLevel(image);
  const { data } = image;
  if (image.layout === 'rgb') {
    for (let y = top; y < top + height; y++)
      for (let x = left, i = 3 * (y * image.width + left); x < left + width; x++, i += 3) {
        let bits = 0;
        for (let c = 0; c < 3; c++) if (data[i + c]! >= clip) bits |= BIT_OF_COMPONENT[c]!;
        if (bits !== 0) mark(x, y, bits);
      }
    return;
  }
  const [px, py] = image.phase ?? [0, 0];
  const bit = [0, 1, 2, 3].map((i) => BIT_OF_SITE[cfaIndex(px + (i & 1), py + (i >> 1))]!);
  for (let y = top & ~1; y + 1 < top + height; y += 2)
    for (let x = left & ~1, i = y * image.width + x; x + 1 < left + width; x += 2, i += 2) {
      const bits =
        (data[i]! >= clip ? bit[0]! : 0) |
        (data[i + 1]! >= clip ? bit[1]! : 0) |
        (data[i + image.width]! >= clip ? bit[2]! : 0) |
        (data[i + image.width + 1]! >= clip ? bit[3]! : 0);
      if (bits === 0) continue;
      for (let n = 0; n < 4; n++) mark(x + (n & 1), y + (n >> 1), bits);
    }
}
