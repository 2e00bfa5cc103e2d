// Surfaces with a stated reflectance, where the smooth one of their colour is not what they have: what a camera makes of a lamp's light on them
// differs from what it makes of their colour by a factor a channel. Worked out for the squares that show them when a view is made.
import { spectrumFrom } from '../colour/spectra';
import { answerTimes, type LampLight, type Sensitivities } from '../sensor/sensitivities';
import type { PlatePart } from './plate';
import type { StatedSurface } from './scene';

/** A square of the square plate, shares, and what is to be made of each channel's light there. */
export interface OwnAnswer {
  readonly x: number;
  readonly y: number;
  readonly half: number;
  /** Factors, one for each colour plane. */
  readonly times: readonly number[];
}

/** Factors that turn what a camera makes of the colours of stated surfaces in a lamp's light into what it makes of their reflectances. */
export function ownAnswers(
  surfaces: readonly StatedSurface[],
  sensitivities: Sensitivities,
  lamp: LampLight,
): readonly OwnAnswer[] {
  return surfaces.map(({ x, y, half, reflectance, spectrum }) => ({
    ...{ x, y, half },
    times: answerTimes(sensitivities, lamp.light, reflectance, spectrumFrom(spectrum)),
  }));
}

/**
 * Adds to planes of a part what surfaces make of a lamp's light beyond what is there already.
 * @param size side of the plate in pixels
 * @param light the lamp's light of a smaller part with even corners, as it was added to the planes; one plane for each
 */
export function addOwnAnswers(
  planes: readonly Float32Array[],
  part: PlatePart,
  size: number,
  answers: readonly OwnAnswer[],
  light: (part: PlatePart) => readonly Float32Array[],
): void {
  for (const { x, y, half, times } of answers) {
    const across = covered(size * (x - half), size * (x + half), part.x, part.x + part.width);
    const down = covered(size * (y - half), size * (y + half), part.y, part.y + part.height);
    if (across.shares.length === 0 || down.shares.length === 0) continue;
    const [width, height] = [across.shares.length, down.shares.length];
    const lit = light({ x: across.from, y: down.from, width, height });
    planes.forEach((plane, c) => {
      for (let row = 0; row < height; row++) {
        const more = (times[c]! - 1) * down.shares[row]!;
        const o = (down.from + row - part.y) * part.width + across.from - part.x;
        for (let i = 0; i < width; i++)
          plane[o + i] = plane[o + i]! + more * across.shares[i]! * lit[c]![row * width + i]!;
      }
    });
  }
}

/** What becomes of light at a point of the plate: a factor for each plane. @param x and `y`: shares */
export function timesAt(answers: readonly OwnAnswer[], x: number, y: number): readonly number[] | undefined {
  return answers.find((a) => Math.abs(x - a.x) < a.half && Math.abs(y - a.y) < a.half)?.times;
}

/** Shares of pixels that a stretch covers, from an even pixel on, of those between two. */
function covered(from: number, to: number, first: number, end: number): { from: number; shares: number[] } {
  const start = Math.max(first, 2 * Math.floor(from / 2));
  const shares: number[] = [];
  for (let i = start; i < Math.min(end, Math.ceil(to)); i++)
    shares.push(Math.max(0, Math.min(i + 1, to) - Math.max(i, from)));
  return { from: start, shares };
}
