// Raw → picture: black, white balance, bilinear demosaic, camera matrix, a plain tone curve, sRGB. The picture's
// brightness follows DNG BaselineExposure, so extended low ISO comes out darker from the same raw numbers.
import { balanceGains, srgbFromBalanced } from '../colour/camera';
import { contrasted, MOST_REACH, PLAIN, reachOf, withColours } from '../colour/rendering';
import { encodeSrgb } from '../colour/srgb';
import { blackOf, cfaIndex, type PerSite, type RawImage } from '../sensor/raw-frame';
import { MOST_WIDE, rowDeveloper, type RowDeveloper } from './develop-kernel';
import { toneCurve } from './tone';

/** Linear light 1 (raw clip) in whole numbers: in the shadows one step is a third of a code value. */
const ONE = 16384;
/** Colour of each of the four sites of a cell: 0 red, 1 green, 2 blue. */
const COLOUR: PerSite<number> = [0, 1, 1, 2];
/** Fixed-point bits of the matrix. */
const MATRIX_BITS = 12;
/** The tone table reaches this many times ONE below zero and above one, so that no pixel needs a comparison. */
const BELOW = 3;
const ABOVE = MOST_REACH;

/** Everything about a development that does not depend on the pixel, tabulated; whole numbers throughout, for speed. */
export interface Developer {
  /** Balanced linear value, ONE = raw clip, of each 16-bit DN (all over white like white): a table for R, G1, G2, B. */
  readonly linear: PerSite<Int16Array>;
  /** Camera → linear sRGB, row by row, times 2^MATRIX_BITS. */
  readonly matrix: Int32Array;
  /** Code value 0 … 255 of linear values from −BELOW·ONE. */
  readonly tone: Uint8Array;
}

type Developable = Pick<RawImage, 'black' | 'white' | 'colour' | 'baselineEv'> &
  Partial<Pick<RawImage, 'blacks' | 'rendering'>>;

/** @throws RangeError for a camera matrix so strong that its colours leave the tone table */
export function developerFor(frame: Developable): Developer {
  return { ...linearOf(frame), tone: toneOf(frame, 'code') };
}

/** Two developments that give code values of 16 bits, their high bytes and their low ones. @throws RangeError likewise */
export function developersOf16(frame: Developable): { readonly high: Developer; readonly low: Developer } {
  const linear = linearOf(frame);
  return {
    high: { ...linear, tone: toneOf(frame, 'high') },
    low: { ...linear, tone: toneOf(frame, 'low') },
  };
}

/** Bytes of a code value 0 … 1: its only one in 8 bits, its high and its low one in 16. */
const BYTES = {
  code: (code: number) => Math.round(255 * code),
  high: (code: number) => Math.round(65535 * code) >> 8,
  low: (code: number) => Math.round(65535 * code) & 255,
};

/** Table of one byte of the code values for linear values from −BELOW·ONE on, kept by baseline and contrast: white moves from frame to frame, these stay. */
function toneOf({ baselineEv, rendering }: Developable, wanted: keyof typeof BYTES): Uint8Array {
  const { contrast } = rendering ?? PLAIN;
  const key = `${wanted} ${baselineEv} ${contrast}`;
  const known = tones.get(key);
  if (known) return known;
  const byte = BYTES[wanted];
  const clipAt = 2 ** baselineEv;
  // What is burnt stays white, whatever the contrast.
  const top = contrasted(clipAt, contrast);
  const tone = new Uint8Array((BELOW + ABOVE) * ONE + 1);
  for (let i = 0; i < tone.length; i++)
    tone[i] = byte(encodeSrgb(toneCurve(contrasted((i / ONE - BELOW) * clipAt, contrast), top)));
  for (const oldest of tones.keys()) if (tones.size >= MOST_TONES) tones.delete(oldest);
  tones.set(key, tone);
  return tone;
}
/** Tables of the last few developments; nobody writes into them. */
const tones = new Map<string, Uint8Array>();
const MOST_TONES = 4;

function linearOf(frame: Developable): Omit<Developer, 'tone'> {
  const { white, colour } = frame;
  // A balanced channel is cut at the level of the weakest one: what is burnt becomes white, not magenta.
  const table = (gain: number, channel: number) => {
    const black = blackOf(frame, channel);
    const linear = new Int16Array(65536);
    const of = (dn: number) => Math.min(1, Math.max(-0.02, (dn - black) / (white - black)) * gain);
    for (let dn = 0; dn < white; dn++) linear[dn] = Math.round(ONE * of(dn));
    return linear.fill(Math.round(ONE * of(white)), white);
  };
  const [r, g, b] = balanceGains(colour);
  const rows = withColours(srgbFromBalanced(colour), frame.rendering ?? PLAIN, ABOVE);
  if (!(reachOf(rows) < ABOVE)) throw new RangeError('The camera matrix is too strong to be developed');
  const green = table(g, 1);
  return {
    linear: [table(r, 0), green, frame.blacks ? table(g, 2) : green, table(b, 3)],
    matrix: Int32Array.from(rows.flat(), (v) => Math.round(v * 2 ** MATRIX_BITS)),
  };
}

/** Code value of the picture's R, G or B (`row` 0 … 2) for balanced linear values, ONE = clip. */
export function pictureCode(
  { matrix, tone }: Developer,
  row: number,
  red: number,
  green: number,
  blue: number,
): number {
  const sum = matrix[3 * row]! * red + matrix[3 * row + 1]! * green + matrix[3 * row + 2]! * blue;
  return tone[BELOW * ONE + Math.floor(sum / 2 ** MATRIX_BITS)]!;
}

export interface Region {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * Develops a region of a mosaic at one picture pixel a site.
 * @param rgba receives region.width × region.height opaque pixels
 * @throws RangeError when the region leaves the frame
 */
export function developRegion(
  frame: Mosaic,
  developer: Developer,
  region: Region,
  rgba: Uint8ClampedArray,
): void {
  const { width, height } = frame;
  if (region.x < 0 || region.y < 0 || region.x + region.width > width || region.y + region.height > height) {
    throw new RangeError('The region leaves the frame');
  }
  if (width < 2 || height < 2) throw new RangeError('A mosaic needs two rows and two columns');
  const rows = region.width <= MOST_WIDE ? rowDeveloper(developer) : null;
  if (rows) developRows(frame, rows, region, rgba);
  else developPlainly(frame, developer, region, rgba);
}

type Mosaic = Pick<RawImage, 'width' | 'height' | 'phase' | 'data'>;

function developRows(
  { width, height, phase = [0, 0], data }: Mosaic,
  rows: RowDeveloper,
  region: Region,
  rgba: Uint8ClampedArray,
): void {
  const [px, py] = phase;
  const across = region.width;
  const oddFirst = ((region.x - 1) & 1) === 1;
  const balance = (y: number) => {
    // Mirrored at the frame's edges, so that neighbours keep their colours.
    const at = y < 0 ? 1 : y >= height ? height - 2 : y;
    const row = at * width;
    rows.data[0] = data[row + (region.x > 0 ? region.x - 1 : 1)]!;
    rows.data.set(data.subarray(row + region.x, row + region.x + across), 1);
    rows.data[across + 1] = data[row + (region.x + across < width ? region.x + across : width - 2)]!;
    const [even, odd] = [cfaIndex(px, at + py), cfaIndex(px + 1, at + py)];
    rows.balance(across + 2, even, odd, oddFirst, (y - region.y + 1) % 3);
  };
  balance(region.y - 1);
  balance(region.y);
  const bytes = rows.pixels.subarray(0, 4 * across);
  for (let i = 0; i < region.height; i++) {
    const y = region.y + i;
    balance(y + 1);
    const oddRow = ((y + py) & 1) === 1;
    const chromaFirst = ((region.x + px) & 1) === Number(oddRow);
    rows.row(i % 3, (i + 1) % 3, (i + 2) % 3, across, chromaFirst, oddRow);
    rgba.set(bytes, 4 * i * across);
  }
}

/** Twin of the kernel. */
function developPlainly(frame: Mosaic, developer: Developer, region: Region, rgba: Uint8ClampedArray): void {
  const { height, phase = [0, 0] } = frame;
  const m = developer.matrix;
  const m0 = m[0]!, m1 = m[1]!, m2 = m[2]!, m3 = m[3]!, m4 = m[4]!, m5 = m[5]!, m6 = m[6]!, m7 = m[7]!, m8 = m[8]!; // prettier-ignore
  const tone = developer.tone;
  const zero = BELOW * ONE;
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  // Three balanced rows with a neighbour on either side, reused in turn: each site is looked up once a row.
  const rows = [0, 1, 2].map(() => new Int32Array(region.width + 2));
  const mirrored = (y: number) => (y < 0 ? 1 : y >= height ? height - 2 : y);
  balanceRow(frame, developer, region, mirrored(region.y - 1), rows[0]!);
  balanceRow(frame, developer, region, region.y, rows[1]!);
  let o = 0;
  for (let y = region.y; y < region.y + region.height; y++) {
    const up = rows[(y - region.y) % 3]!;
    const here = rows[(y - region.y + 1) % 3]!;
    const down = rows[(y - region.y + 2) % 3]!;
    balanceRow(frame, developer, region, mirrored(y + 1), down);
    const oddRow = (y + phase[1]) & 1;
    const first = region.x + phase[0];
    for (let x = 1; x <= region.width; x++, o++) {
      const beside = here[x - 1]! + here[x + 1]!;
      const vertical = up[x]! + down[x]!;
      let red: number;
      let green: number;
      let blue: number;
      if (((x - 1 + first) & 1) === oddRow) {
        // A red site (even row) or a blue one (odd row): green beside it, the other colour at the corners.
        green = (beside + vertical) >> 2;
        const corners = (up[x - 1]! + up[x + 1]! + down[x - 1]! + down[x + 1]!) >> 2;
        red = oddRow ? corners : here[x]!;
        blue = oddRow ? here[x]! : corners;
      } else {
        green = here[x]!;
        red = (oddRow ? vertical : beside) >> 1;
        blue = (oddRow ? beside : vertical) >> 1;
      }
      const rc = tone[zero + ((m0 * red + m1 * green + m2 * blue) >> MATRIX_BITS)]!;
      const gc = tone[zero + ((m3 * red + m4 * green + m5 * blue) >> MATRIX_BITS)]!;
      const bc = tone[zero + ((m6 * red + m7 * green + m8 * blue) >> MATRIX_BITS)]!;
      pixels[o] = rc | (gc << 8) | (bc << 16) | 0xff000000;
    }
  }
}

/** One row of the mosaic, balanced, from one column before the region to one after it; mirrored at the frame's edge. */
function balanceRow(
  { width, data, phase: [px, py] = [0, 0] }: Pick<RawImage, 'width' | 'data' | 'phase'>,
  { linear }: Developer,
  region: Region,
  y: number,
  out: Int32Array,
): void {
  // Tables of the sites in even and odd columns of the frame.
  const even = linear[cfaIndex(px, y + py)]!;
  const odd = linear[cfaIndex(px + 1, y + py)]!;
  const row = y * width;
  for (let x = 0; x < region.width; x++) {
    const dn = data[row + region.x + x]!;
    out[x + 1] = (region.x + x) & 1 ? odd[dn]! : even[dn]!;
  }
  const edge = (x: number, mirror: number) => {
    const at = x < 0 || x >= width ? mirror : x;
    return (at & 1 ? odd : even)[data[row + at]!]!;
  };
  out[0] = edge(region.x - 1, 1);
  out[region.width + 1] = edge(region.x + region.width, width - 2);
}

/**
 * A smaller developed picture: the mosaic is averaged cell by cell to `width` × `height`, then developed. For
 * previews and thumbnails.
 */
export function developReduced(
  frame: RawImage,
  width: number,
  height: number,
  developer: Developer = developerFor(frame),
): Uint8ClampedArray {
  const { phase: [px, py] = [0, 0] } = frame;
  // Where a cell begins its four sites may stand in any order; each has its table.
  const sites = [0, 1, 2, 3].map((i) => cfaIndex(px + (i & 1), py + (i >> 1))) as unknown as PerSite<number>;
  const [red, blue] = [0, 2].map((c) => sites.findIndex((site) => COLOUR[site] === c)) as [number, number];
  const [green, other] = [0, 1, 2, 3].filter((i) => COLOUR[sites[i]!] === 1) as [number, number];
  const rgba = new Uint8ClampedArray(width * height * 4);
  const cellsX = frame.width >> 1;
  const cellsY = frame.height >> 1;
  const bounds = new Int32Array(2 * width);
  for (let x = 0; x < width; x++) {
    const x0 = Math.floor((x * cellsX) / width);
    bounds[2 * x] = 2 * x0;
    bounds[2 * x + 1] = 2 * Math.max(x0 + 1, Math.floor(((x + 1) * cellsX) / width));
  }
  const fits = frame.width <= MOST_WIDE && width <= MOST_WIDE;
  const rows = fits ? rowDeveloper(developer) : null;
  rows?.bounds.set(bounds);
  const sumsOf = rows ? kernelSums(frame, rows, sites, width) : plainSums(frame, developer, sites, bounds);
  for (let y = 0; y < height; y++) {
    const y0 = Math.floor((y * cellsY) / height);
    const y1 = Math.max(y0 + 1, Math.floor(((y + 1) * cellsY) / height));
    const of = sumsOf(y0, y1);
    for (let x = 0; x < width; x++) {
      const n = ((y1 - y0) * (bounds[2 * x + 1]! - bounds[2 * x]!)) / 2;
      const r = of[4 * x + red]! / n;
      const g = (of[4 * x + green]! + of[4 * x + other]!) / (2 * n);
      const b = of[4 * x + blue]! / n;
      const o = (y * width + x) * 4;
      rgba[o] = pictureCode(developer, 0, r, g, b);
      rgba[o + 1] = pictureCode(developer, 1, r, g, b);
      rgba[o + 2] = pictureCode(developer, 2, r, g, b);
      rgba[o + 3] = 255;
    }
  }
  return rgba;
}

/** Sums of balanced numbers over the cells of one row of a smaller picture, four for each cell. @param y0 … y1: rows of 2×2 sites */
type CellSums = (y0: number, y1: number) => Int32Array;

function kernelSums(
  { width: across, data }: RawImage,
  rows: RowDeveloper,
  sites: PerSite<number>,
  width: number,
): CellSums {
  return (y0, y1) => {
    rows.sums.fill(0, 0, 4 * width);
    for (let cy = y0; cy < y1; cy++) {
      const from = 2 * cy * across;
      rows.top.set(data.subarray(from, from + across));
      rows.bottom.set(data.subarray(from + across, from + 2 * across));
      rows.reduce(width, sites);
    }
    return rows.sums;
  };
}

/** Twin of the kernel. */
function plainSums(
  { width: across, data }: RawImage,
  { linear }: Developer,
  sites: PerSite<number>,
  bounds: Int32Array,
): CellSums {
  const [l0, l1, l2, l3] = sites.map((site) => linear[site]!) as unknown as PerSite<Int16Array>;
  const sums = new Int32Array(2 * bounds.length);
  return (y0, y1) => {
    for (let x = 0; 2 * x < bounds.length; x++) {
      let [s0, s1, s2, s3] = [0, 0, 0, 0];
      for (let cy = y0; cy < y1; cy++) {
        const from = 2 * cy * across;
        for (let i = from + bounds[2 * x]!, end = from + bounds[2 * x + 1]!; i < end; i += 2) {
          s0 += l0[data[i]!]!;
          s1 += l1[data[i + 1]!]!;
          s2 += l2[data[i + across]!]!;
          s3 += l3[data[i + across + 1]!]!;
        }
      }
      sums.set([s0, s1, s2, s3], 4 * x);
    }
    return sums;
  };
}
