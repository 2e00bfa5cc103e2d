// From numbers as they are stored to the picture as it is to be seen: the part that the file says counts (DNG DefaultCrop), and of that
// what its frame lines leave (DefaultUserCrop), turned and mirrored as it says (TIFF 6.0 Orientation).
import type { ImageNumbers, LinearImage } from '../sensor/rgb-image';
import type { BayerPhase, Mosaic, PerSite, Seen } from '../sensor/raw-frame';

export interface Rectangle {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** TIFF's Orientation: 1 as stored, 2 mirrored, 3 upside down, 4 both, 5 … 8 with rows and columns exchanged. */
export type Turn = NonNullable<Seen['orientation']>;

export function isTurn(value: number | undefined): value is Turn {
  return value !== undefined && Number.isInteger(value) && value >= 1 && value <= 8;
}

/** Width and height as the picture is seen. */
export function seenSize({
  width,
  height,
  crop,
  userCrop,
  orientation = 1,
}: Pick<LinearImage, 'width' | 'height' | 'crop' | 'userCrop' | 'orientation'>): {
  width: number;
  height: number;
} {
  const stored = userCrop ?? crop ?? { width, height };
  return orientation >= 5
    ? { width: stored.height, height: stored.width }
    : { width: stored.width, height: stored.height };
}

/**
 * Where something seen is stored, of a stored picture of width × height: flips of the stored axes, after an exchange of both.
 * Orientation 6, a camera held upright with its left side up, is seen a quarter turn clockwise.
 */
const TURNS: Readonly<
  Record<Turn, { readonly swap: boolean; readonly flipX: boolean; readonly flipY: boolean }>
> = {
  1: { swap: false, flipX: false, flipY: false },
  2: { swap: false, flipX: true, flipY: false },
  3: { swap: false, flipX: true, flipY: true },
  4: { swap: false, flipX: false, flipY: true },
  5: { swap: true, flipX: false, flipY: false },
  6: { swap: true, flipX: false, flipY: true },
  7: { swap: true, flipX: true, flipY: true },
  8: { swap: true, flipX: true, flipY: false },
};

/** The stored rectangle of one that is seen. @param stored size of the whole, as stored */
export function storedOf(seen: Rectangle, stored: { width: number; height: number }, turn: Turn): Rectangle {
  const { swap, flipX, flipY } = TURNS[turn];
  const { x, y, width, height } = swap
    ? { x: seen.y, y: seen.x, width: seen.height, height: seen.width }
    : seen;
  return {
    x: flipX ? stored.width - x - width : x,
    y: flipY ? stored.height - y - height : y,
    width,
    height,
  };
}

/** The turn that undoes a turn. */
export const BACK: Readonly<Record<Turn, Turn>> = { 1: 1, 2: 2, 3: 3, 4: 4, 5: 5, 6: 8, 7: 7, 8: 6 };

/** The seen rectangle of one that is stored. @param stored size of the whole, as stored */
export function seenRectangle(
  rectangle: Rectangle,
  stored: { width: number; height: number },
  turn: Turn,
): Rectangle {
  const whole = turn >= 5 ? { width: stored.height, height: stored.width } : stored;
  return storedOf(rectangle, whole, BACK[turn]);
}

/** A step in columns and rows as they are stored, as it is seen. */
export function seenStep([dx, dy]: readonly [number, number], turn: Turn): [number, number] {
  const { swap, flipX, flipY } = TURNS[turn];
  const [x, y] = [flipX ? -dx : dx, flipY ? -dy : dy];
  return swap ? [y, x] : [x, y];
}

/** Pixels of a stored rectangle, turned to be seen. @param rgba four bytes a pixel, stored order */
export function turned(
  rgba: Uint8ClampedArray<ArrayBuffer>,
  stored: { width: number; height: number },
  turn: Turn,
): Uint8ClampedArray<ArrayBuffer> {
  if (turn === 1) return rgba;
  const { swap, flipX, flipY } = TURNS[turn];
  const from = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  const to = new Uint32Array(from.length);
  const [width, height] = swap ? [stored.height, stored.width] : [stored.width, stored.height];
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      const [sx, sy] = swap ? [y, x] : [x, y];
      const [column, row] = [flipX ? stored.width - 1 - sx : sx, flipY ? stored.height - 1 - sy : sy];
      to[i] = from[row * stored.width + column]!;
    }
  return new Uint8ClampedArray(to.buffer);
}

/** Side of the squares that a picture is turned by. */
const SQUARE = 32;

/**
 * A mosaic as a sensor stores it that is held turned: seen through `turn` it is the one that was given. Its phase and its blacks by site are
 * those of the turned sites.
 */
export function storedFor<T extends Mosaic & Seen>(seen: T, turn: Turn): T {
  if (turn === 1) return seen;
  const { swap, flipX, flipY } = TURNS[turn];
  const { width, height, data, phase: [px, py] = [0, 0], blacks, crop, userCrop } = seen;
  const size = swap ? { width: height, height: width } : { width, height };
  const out = new Uint16Array(data.length);
  const place = (x: number, y: number): readonly [number, number] => {
    const [column, row] = swap ? [y, x] : [x, y];
    return [flipX ? size.width - 1 - column : column, flipY ? size.height - 1 - row : row];
  };
  // Square by square: rows that become columns are apart in memory.
  const at = (x: number, y: number) => {
    const [column, row] = place(x, y);
    return row * size.width + column;
  };
  const [first, right, down] = [at(0, 0), at(1, 0) - at(0, 0), at(0, 1) - at(0, 0)];
  for (let top = 0; top < height; top += SQUARE)
    for (let left = 0; left < width; left += SQUARE) {
      const [bottom, end] = [Math.min(height, top + SQUARE), Math.min(width, left + SQUARE)];
      for (let y = top; y < bottom; y++)
        for (let x = left, to = first + y * down + left * right; x < end; x++, to += right)
          out[to] = data[y * width + x]!;
    }
  // Where a red site comes to lie, and of which name each of the four sites was.
  const [redColumn, redRow] = place(px, py);
  const phase = [redColumn & 1, redRow & 1] as unknown as BayerPhase;
  const named = swap ? ([0, 2, 1, 3] as const) : ([0, 1, 2, 3] as const);
  return {
    ...seen,
    ...size,
    data: out,
    phase,
    ...(crop && { crop: storedOf(crop, size, turn) }),
    ...(userCrop && { userCrop: storedOf(userCrop, size, turn) }),
    ...(blacks && { blacks: named.map((of) => blacks[of]) as unknown as PerSite<number> }),
    orientation: turn,
  };
}

/** The image with only the part that counts, whatever its frame lines; itself where that is all. */
export function cropped<T extends ImageNumbers>(image: T): T {
  return onlyPart(image, image.crop);
}

/** The image with only the part that is to be seen; itself where that is all. */
export function framed<T extends ImageNumbers>(image: T): T {
  return onlyPart(image, image.userCrop ?? image.crop);
}

function onlyPart<T extends ImageNumbers>(image: T, crop: Rectangle | undefined): T {
  const { width, height, data } = image;
  if (!crop || (crop.width === width && crop.height === height)) return image;
  const samples = image.layout === 'cfa' ? 1 : 3;
  const inside = new Uint16Array(crop.width * crop.height * samples);
  for (let y = 0; y < crop.height; y++) {
    const from = ((crop.y + y) * width + crop.x) * samples;
    inside.set(data.subarray(from, from + crop.width * samples), y * crop.width * samples);
  }
  const whole = { crop: undefined, userCrop: undefined };
  const size = { width: crop.width, height: crop.height, data: inside, ...whole };
  if (image.layout === 'rgb') return { ...image, ...size };
  const [px, py] = image.phase ?? [0, 0];
  // A crop that begins between the colours begins in another phase.
  const phase = [(px + crop.x) & 1, (py + crop.y) & 1] as unknown as BayerPhase;
  return { ...image, ...size, phase };
}
