// Where the cut of a frame lies: the part that a digital zoom leaves, and frame lines in it. Rectangles begin and end on even columns and rows, so
// that colours lie in a part as in the whole.
import { ratioOf, type Cut } from '../setting/cut';
import type { Seen } from '../sensor/raw-frame';
import type { Rectangle } from './shown';

/** Two rectangles of a frame: what the zoom leaves of it, and what is inside the frame lines. */
export interface Parts {
  readonly part: Rectangle;
  readonly lines: Rectangle;
}

interface Size {
  readonly width: number;
  readonly height: number;
}

/** The largest even number that is not above `v` by more than rounding, and at least 2. */
function even(v: number): number {
  return Math.max(2, 2 * Math.floor((v + 1e-6) / 2));
}

/** The nearest even number, and at least 2. */
function nearestEven(v: number): number {
  return Math.max(2, 2 * Math.round(v / 2));
}

/** Size of the middle of a frame that is so many times narrower. */
export function zoomedSize({ width, height }: Size, times: number): Size {
  if (!(times >= 1)) throw new RangeError(`A cut cannot widen: ${times}`);
  return { width: nearestEven(width / times), height: nearestEven(height / times) };
}

function middleOf(whole: Rectangle, { width, height }: Size): Rectangle {
  const from = (start: number, all: number, part: number) => start + 2 * Math.floor((all - part) / 4);
  return { x: from(whole.x, whole.width, width), y: from(whole.y, whole.height, height), width, height };
}

/** The part of a frame that a digital zoom leaves. @param frame its size as it is seen */
export function zoomedPart(frame: Size, times: number): Rectangle {
  return middleOf({ x: 0, y: 0, ...frame }, zoomedSize(frame, times));
}

/** Size of the largest rectangle of a shape in another; a shape stands upright in what is upright. */
export function linesSize({ width, height }: Size, aspect: Cut['aspect']): Size {
  const ratio = ratioOf(aspect);
  if (ratio === null) return { width, height };
  const wanted = width >= height ? ratio : 1 / ratio;
  return width / height > wanted ? { width: height * wanted, height } : { width, height: width / wanted };
}

/** What is inside frame lines that are laid over a part. */
export function linesIn(part: Rectangle, aspect: Cut['aspect']): Rectangle {
  const { width, height } = linesSize(part, aspect);
  return middleOf(part, { width: even(width), height: even(height) });
}

/** @param frame its size as it is seen */
export function partsOf(frame: Size, { times, aspect }: Cut): Parts {
  const part = zoomedPart(frame, times);
  return { part, lines: linesIn(part, aspect) };
}

/** What an image of that size tells of its cut: the part that counts and what is inside the frame lines; neither where that is all of it. */
export function cutOf(frame: Size, cut: Cut): Pick<Seen, 'crop' | 'userCrop'> {
  const { part, lines } = partsOf(frame, cut);
  return {
    ...(cut.times > 1 && { crop: part }),
    ...((lines.width < part.width || lines.height < part.height) && { userCrop: lines }),
  };
}
