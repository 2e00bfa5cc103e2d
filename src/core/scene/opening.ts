// One opening of the shutter: what varies over it, and how its blur gathers light. Capture and finder share it.
import { cfaIndex } from '../sensor/raw-frame';
import type { LightGrid } from './light-grid';
import { meanFactor } from './outside';
import { kernelOf, shakePath, type Steadiness } from './shake';
import { drawStars, type AddLight } from './star-light';

/** When and how steadily the shutter is open. */
export interface Opening {
  readonly startS: number;
  readonly durationS: number;
  readonly seed: number;
  readonly steadiness: Steadiness;
}

/** Time from the first row's start to the last one's, s. */
const READOUT_S = 1 / 60;

/** What varies over an exposure: the blur of the hand, lamps line by line, the turn of what turns, the stars. */
export function varying(
  grid: LightGrid,
  { startS, durationS, seed, steadiness }: Opening,
  mostKernel: number,
) {
  const { view, width, height, x0, y0, wholeWidth, wholeHeight } = grid;
  const shake = shakePath(seed, steadiness, durationS);
  const landscape = view.orientation === 'landscape';
  const rate = view.description.spin?.turnsPerS[view.outside.wheel] ?? 0;
  // The sensor is read along its short side: row by row in landscape, column by column in portrait.
  const lines = landscape ? height : width;
  const firstLine = landscape ? y0 : x0;
  const allLines = landscape ? wholeHeight : wholeWidth;
  const startOf = (line: number) => startS + (READOUT_S * (firstLine + line)) / allLines;
  const kernel = kernelOf(shake, view.camera.lens.focalLengthMm / grid.siteMm, mostKernel);
  return {
    kernel,
    drawStars: (add: AddLight) => drawStars(grid, startS, durationS, kernel.reach === 0 ? null : shake, add),
    landscape,
    arc: rate * durationS,
    turnOf: (y: number) => rate * (landscape ? startOf(y) : startS + READOUT_S / 2),
    /** Factor of each line for each group of lamps; null for steady ones. */
    factors: view.groups.map(({ flicker }) =>
      flicker
        ? Float32Array.from({ length: lines }, (_, i) => meanFactor(flicker, startOf(i), durationS))
        : null,
    ),
  };
}

/** Channel R, G, B of a site. */
export function channelAt(x: number, y: number): number {
  const site = cfaIndex(x, y);
  return site === 0 ? 0 : site === 3 ? 2 : 1;
}
