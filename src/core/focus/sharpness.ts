// How sharp a piece of a frame is: the mean square of its Sobel gradients in green, at two sizes of detail, less what noise alone
// gives (Tenengrad: Pertuz, Puig & García, "Analysis of focus measure operators for shape-from-focus", Pattern Recognition 46, 2013).
// Gradients are taken of a root of the signal whose noise is the same everywhere (Anscombe 1948), so that an edge in the light counts
// hardly more than one in the shade. Places count by a bell about the middle, so that what lies there is what is measured.
import { blackOf, cfaIndex, clipLevel, type Mosaic, type NoiseModel } from '../sensor/raw-frame';

export interface Sharpness {
  /** Energy of detail of about four sites, and of about sixteen; noise is taken off, so that a plain surface has none. */
  readonly fine: Energy;
  readonly coarse: Energy;
  /** Signal to noise of one cell of 2×2 sites, dB; −Infinity without light. */
  readonly snrDb: number;
  /** Mean signal of a cell, in the frame's numbers. */
  readonly mean: number;
  /** Share of the cells that are clipped: of them nothing is known. */
  readonly clipped: number;
}

export interface Energy {
  /** Mean square gradient, in variances of a cell's noise; about 0 where there is nothing to see, by chance a little below. */
  readonly value: number;
  /** How far chance alone moves it, one standard deviation. */
  readonly error: number;
}

/** Sobel's weights squared and summed, in both directions: what independent noise of variance 1 gives. */
const OF_NOISE = 2 * 12;
/** Neighbouring gradients share samples: so many of them are worth one that is independent (measured on noise alone). */
const SHARED = 4;
/** Width of the bell about the middle, as a share of the side. */
const BELL = 0.25;
/** Cells that are put together for the coarse measure, across and down. */
const COARSE = 4;

type Frame = Pick<Mosaic, 'width' | 'height' | 'phase' | 'data' | 'black' | 'blacks' | 'white'>;

/** @param noise of a single number of the frame */
export function sharpnessOf(frame: Frame, noise: NoiseModel): Sharpness {
  const cells = greenCells(frame, noise);
  const { mean, clipped } = cells;
  // Two greens make a cell.
  const variance = Math.max(1e-9, noise.shot * mean + noise.read) / 2;
  return {
    fine: energyOf(cells, 1),
    coarse: energyOf(binned(cells), 1 / (COARSE * COARSE)),
    snrDb: mean > 0 ? 20 * Math.log10(mean / Math.sqrt(variance)) : -Infinity,
    ...{ mean, clipped },
  };
}

interface Cells {
  readonly width: number;
  readonly height: number;
  /** Numbers with noise of the same size in all; NaN where nothing is known. */
  readonly data: Float32Array;
}

/** The mean of both greens of each 2×2 cell, as a root whose noise has variance 1. */
function greenCells(frame: Frame, noise: NoiseModel): Cells & Pick<Sharpness, 'mean' | 'clipped'> {
  const { phase: [px, py] = [0, 0], data } = frame;
  const [width, height] = [frame.width >> 1, frame.height >> 1];
  const out = new Float32Array(width * height);
  // Which two places of a cell are green does not change from cell to cell.
  const [a, b] = [0, 1, 2, 3]
    .map((i) => ({ at: (i >> 1) * frame.width + (i & 1), colour: cfaIndex(px + (i & 1), py + (i >> 1)) }))
    .filter(({ colour }) => colour === 1 || colour === 2) as [Green, Green];
  const black = (blackOf(frame, a.colour) + blackOf(frame, b.colour)) / 2;
  const clip = clipLevel(frame);
  const shot = Math.max(1e-6, noise.shot);
  let [sum, clipped] = [0, 0];
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0, from = 2 * y * frame.width; x < width; x++, from += 2, i++) {
      const [one, two] = [data[from + a.at]!, data[from + b.at]!];
      const signal = (one + two) / 2 - black;
      sum += signal;
      if (one >= clip || two >= clip) {
        out[i] = NaN;
        clipped++;
        continue;
      }
      // Variance of the mean is (shot·s + read)/2: twice the root of (s + read/shot)·2/shot has variance 1.
      out[i] = 2 * Math.sqrt(Math.max(0, (2 * (signal + noise.read / shot)) / shot));
    }
  const count = Math.max(1, width * height);
  return { width, height, data: out, mean: sum / count, clipped: clipped / count };
}

interface Green {
  readonly at: number;
  readonly colour: number;
}

function binned({ width, height, data }: Cells): Cells {
  const [w, h] = [Math.floor(width / COARSE), Math.floor(height / COARSE)];
  const out = new Float32Array(w * h);
  for (let y = 0; y < h * COARSE; y++)
    for (let x = 0; x < w * COARSE; x++)
      out[Math.floor(y / COARSE) * w + Math.floor(x / COARSE)]! += data[y * width + x]! / (COARSE * COARSE);
  return { width: w, height: h, data: out };
}

/**
 * Mean square of the Sobel gradients of a plane, less what its noise alone gives. Where anything is not known there is no gradient to be had.
 * @param variance of the noise of each number
 */
export function energyOf(cells: Cells, variance: number): Energy {
  const { sum, weights, squares } = gradientsOf(cells, cells.width, cells.height)[0]!;
  if (weights === 0) return { value: 0, error: Infinity };
  const independent = (weights * weights) / squares / SHARED;
  return {
    value: sum / weights - OF_NOISE * variance,
    error: (OF_NOISE * variance) / Math.sqrt(independent),
  };
}

/** The gradients of a part of a plane. */
export interface Gradients {
  /** Their squares, each by its weight under the bell; noise is in them. */
  readonly sum: number;
  /** Of the gradients that are known: their weights, and the squares of these. */
  readonly weights: number;
  readonly squares: number;
  /** Weights of all, known or not. */
  readonly all: number;
}

/** The gradients of a plane by parts of so many columns and rows, in rows of parts; the last ones are smaller where they do not divide it. */
export function gradientsOf({ width, height, data }: Cells, columns: number, rows: number): Gradients[] {
  const [across, down] = [bell(width), bell(height)];
  const parts: Gradients[] = [];
  for (let top = 0; top < height; top += rows)
    for (let left = 0; left < width; left += columns) {
      let [sum, weights, squares, all] = [0, 0, 0, 0];
      const [fromX, toX] = [Math.max(1, left), Math.min(width - 1, left + columns)];
      const toY = Math.min(height - 1, top + rows);
      for (let y = Math.max(1, top); y < toY; y++)
        for (let x = fromX, i = y * width + fromX; x < toX; x++, i++) {
          const [a, b, c] = [data[i - width - 1]!, data[i - width]!, data[i - width + 1]!];
          const [d, f] = [data[i - 1]!, data[i + 1]!];
          const [g, h, k] = [data[i + width - 1]!, data[i + width]!, data[i + width + 1]!];
          const gx = c + 2 * f + k - a - 2 * d - g;
          const gy = g + 2 * h + k - a - 2 * b - c;
          const square = gx * gx + gy * gy;
          const weight = across[x]! * down[y]!;
          all += weight;
          if (Number.isNaN(square)) continue;
          sum += weight * square;
          weights += weight;
          squares += weight * weight;
        }
      parts.push({ sum, weights, squares, all });
    }
  return parts.length > 0 ? parts : [{ sum: 0, weights: 0, squares: 0, all: 0 }];
}

/** What a gradient has by noise alone, on average: of a plane each of whose numbers has noise of this variance. */
export function gradientOfNoise(variance: number): number {
  return OF_NOISE * variance;
}

function bell(size: number): Float64Array {
  return Float64Array.from({ length: size }, (_, i) =>
    Math.exp(-(((i + 0.5) / size - 0.5) ** 2) / (2 * BELL * BELL)),
  );
}
