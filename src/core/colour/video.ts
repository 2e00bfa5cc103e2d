// Video pictures as sRGB code values: planes of Y′CbCr by their matrix and range, or packed R′G′B′ in either order.
// Matrices: ITU-R BT.601-7, BT.709-6, BT.2020-2; ranges: limited 16 … 235 (chroma 16 … 240), or full.

/** Weights of red and blue in luma. */
const MATRICES = {
  bt601: { kr: 0.299, kb: 0.114 },
  bt709: { kr: 0.2126, kb: 0.0722 },
  bt2020: { kr: 0.2627, kb: 0.0593 },
} as const;
export type VideoMatrix = keyof typeof MATRICES;

/** Layouts that are read here, by their WebCodecs names. */
export const VIDEO_FORMATS = ['I420', 'I422', 'I444', 'NV12', 'RGBA', 'RGBX', 'BGRA', 'BGRX'] as const;
export type VideoFormat = (typeof VIDEO_FORMATS)[number];

export interface VideoPlane {
  readonly offset: number;
  readonly stride: number;
}

export interface VideoPicture {
  readonly format: VideoFormat;
  readonly width: number;
  readonly height: number;
  readonly bytes: Uint8Array;
  readonly planes: readonly VideoPlane[];
  readonly matrix: VideoMatrix;
  readonly fullRange: boolean;
}

export function isVideoFormat(format: string | null): format is VideoFormat {
  return (VIDEO_FORMATS as readonly (string | null)[]).includes(format);
}

/**
 * The matrix that a browser names (WebCodecs VideoColorSpace). Where it names none, as is common for cameras, BT.601 for up to 576 lines and
 * BT.709 above (common practice).
 */
export function videoMatrixOf(name: string | null | undefined, height: number): VideoMatrix {
  if (name === 'bt709') return 'bt709';
  if (name === 'smpte170m' || name === 'bt470bg') return 'bt601';
  if (name === 'bt2020-ncl') return 'bt2020';
  return height > 576 ? 'bt709' : 'bt601';
}

/** Columns and rows of a picture at every `step`-th pixel. */
export function sampledSize(
  { width, height }: Pick<VideoPicture, 'width' | 'height'>,
  step: number,
): { width: number; height: number } {
  return { width: Math.floor((width + step - 1) / step), height: Math.floor((height + step - 1) / step) };
}

/** Luma of a picture: bytes `step` apart, rows `stride` apart, from `offset`. */
export interface Luma {
  readonly bytes: Uint8Array;
  readonly offset: number;
  readonly step: number;
  readonly stride: number;
  readonly width: number;
  readonly height: number;
  /** Levels of black and of white. */
  readonly ends: readonly [number, number];
}

/** Luma of a picture, or its green, which is most of it. */
export function lumaOf({ format, width, height, bytes, planes, fullRange }: VideoPicture): Luma {
  const [{ offset, stride } = { offset: 0, stride: width }] = planes;
  const rgb = format === 'RGBA' || format === 'RGBX' || format === 'BGRA' || format === 'BGRX';
  return rgb
    ? { bytes, offset: offset + 1, step: 4, stride, width, height, ends: [0, 255] }
    : { bytes, offset, step: 1, stride, width, height, ends: fullRange ? [0, 255] : [16, 235] };
}

/** The smallest step at which the long side has at most `most` samples. */
export function stepFor({ width, height }: Pick<VideoPicture, 'width' | 'height'>, most: number): number {
  return Math.max(1, Math.ceil(Math.max(width, height) / most));
}

/** Fixed-point bits of the sums. */
const BITS = 14;

/** R′, G′, B′ of limited or full range Y′CbCr as sums of five tables, in 1/2^BITS of a code value. */
function tablesOf(matrix: VideoMatrix, fullRange: boolean) {
  const { kr, kb } = MATRICES[matrix];
  const kg = 1 - kr - kb;
  const luma = fullRange ? 1 : 255 / 219;
  const chroma = fullRange ? 255 / 127.5 / 2 : 255 / 224;
  const table = (of: (code: number) => number) =>
    Int32Array.from({ length: 256 }, (_, code) => Math.round(of(code) * 2 ** BITS));
  const c = (gain: number) => table((code) => (code - 128) * chroma * gain);
  return {
    // Half a code is added once, so that the shift rounds.
    y: table((code) => (fullRange ? code : code - 16) * luma + 0.5),
    rOfCr: c(2 * (1 - kr)),
    gOfCb: c((-2 * (1 - kb) * kb) / kg),
    gOfCr: c((-2 * (1 - kr) * kr) / kg),
    bOfCb: c(2 * (1 - kb)),
  };
}

const tables = new Map<string, ReturnType<typeof tablesOf>>();

/**
 * Every `step`-th pixel of every `step`-th row as sRGB code values: samples keep the picture's own values, so that what is counted on them
 * is true of the picture.
 * @param rgba receives the samples, opaque; its size is that of `sampledSize`
 * @throws RangeError when the bytes do not hold the picture
 */
export function sampleVideo(picture: VideoPicture, step: number, rgba: Uint8ClampedArray): void {
  const { width, height } = sampledSize(picture, step);
  if (rgba.length !== width * height * 4) throw new RangeError('The samples do not fit');
  checkPlanes(picture);
  const { format } = picture;
  if (format === 'RGBA' || format === 'RGBX') samplePacked(picture, step, rgba, 0, 2);
  else if (format === 'BGRA' || format === 'BGRX') samplePacked(picture, step, rgba, 2, 0);
  else samplePlanar(picture, step, rgba);
}

function samplePacked(
  { bytes, planes, width, height }: VideoPicture,
  step: number,
  rgba: Uint8ClampedArray,
  red: number,
  blue: number,
): void {
  const { offset, stride } = planes[0]!;
  for (let y = 0, o = 0; y < height; y += step)
    for (let x = 0, i = offset + y * stride; x < width; x += step, i += 4 * step, o += 4) {
      rgba[o] = bytes[i + red]!;
      rgba[o + 1] = bytes[i + 1]!;
      rgba[o + 2] = bytes[i + blue]!;
      rgba[o + 3] = 255;
    }
}

/** Bits that a place is shifted by, and bytes from one value to the next, in the planes of chroma. */
function chromaOf(format: VideoFormat): { across: number; down: number; pair: number } {
  return {
    across: format === 'I444' ? 0 : 1,
    down: format === 'I420' || format === 'NV12' ? 1 : 0,
    pair: format === 'NV12' ? 2 : 1,
  };
}

function samplePlanar(picture: VideoPicture, step: number, rgba: Uint8ClampedArray): void {
  const { bytes, planes, width, height, format, matrix, fullRange } = picture;
  const key = `${matrix} ${fullRange}`;
  let found = tables.get(key);
  if (!found) tables.set(key, (found = tablesOf(matrix, fullRange)));
  const { y: ofY, rOfCr, gOfCb, gOfCr, bOfCb } = found;
  const { across, down, pair } = chromaOf(format);
  const [luma, cbPlane] = [planes[0]!, planes[1]!];
  const crPlane = format === 'NV12' ? { ...cbPlane, offset: cbPlane.offset + 1 } : planes[2]!;
  for (let y = 0, o = 0; y < height; y += step) {
    const row = luma.offset + y * luma.stride;
    const cbRow = cbPlane.offset + (y >> down) * cbPlane.stride;
    const crRow = crPlane.offset + (y >> down) * crPlane.stride;
    for (let x = 0; x < width; x += step, o += 4) {
      const l = ofY[bytes[row + x]!]!;
      const cb = bytes[cbRow + (x >> across) * pair]!;
      const cr = bytes[crRow + (x >> across) * pair]!;
      rgba[o] = (l + rOfCr[cr]!) >> BITS;
      rgba[o + 1] = (l + gOfCb[cb]! + gOfCr[cr]!) >> BITS;
      rgba[o + 2] = (l + bOfCb[cb]!) >> BITS;
      rgba[o + 3] = 255;
    }
  }
}

function checkPlanes({ format, width, height, bytes, planes }: VideoPicture): void {
  const packed = format.startsWith('RGB') || format.startsWith('BGR');
  const { across, down, pair } = chromaOf(format);
  const chroma = {
    columns: ((width + (1 << across) - 1) >> across) * pair,
    rows: (height + (1 << down) - 1) >> down,
  };
  const wanted = packed
    ? [{ columns: 4 * width, rows: height }]
    : [{ columns: width, rows: height }, chroma, ...(format === 'NV12' ? [] : [chroma])];
  const fit = wanted.every(({ columns, rows }, i) => {
    const plane = planes[i];
    return (
      plane && plane.stride >= columns && plane.offset + (rows - 1) * plane.stride + columns <= bytes.length
    );
  });
  if (!(width > 0 && height > 0) || !fit)
    throw new RangeError(`The bytes do not hold ${width}×${height} ${format}`);
}
