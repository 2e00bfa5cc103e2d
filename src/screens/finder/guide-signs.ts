// Where the labels of the guide stand: near what they point at, inside the window, none over another.

export interface Sign {
  /** What it points at, and where in it, shares of its width and height. */
  readonly target: string;
  /** A part of it, by the name of its element. */
  readonly part?: string;
  readonly at: readonly [number, number];
  readonly says: string;
}

/** Of a label, pixels, with text of the usual size. */
const WIDTH = 196;
const HEIGHT = 46;
const GAP = 6;
const EDGE = 8;
/** What stands at the head of the screen is left free where it can be. */
const HEAD = 56;
/** How far above its place a label stands where there is room. */
const LIFT = 26;

/** A label's size with text so many times as large; never wider than the window. */
export function signSize(text: number, window: { readonly width: number }) {
  return { width: Math.min(WIDTH * text, window.width - 2 * EDGE), height: HEIGHT * text };
}

export interface Placed extends Sign {
  readonly x: number;
  readonly y: number;
  readonly left: number;
  readonly top: number;
}

/**
 * Labels near their places, inside the window, none over another.
 * @param signs from the top of the screen to its foot
 */
export function placeSigns(
  signs: readonly (Sign & { readonly x: number; readonly y: number })[],
  window: { readonly width: number; readonly height: number },
  text = 1,
): Placed[] {
  const { width, height } = signSize(text, window);
  const lefts = signs.map(({ x }) => Math.min(window.width - width - EDGE, Math.max(EDGE, x - width / 2)));
  // Above its place; under it where there is no room above.
  const tops = signs.map(({ y }) => (y - LIFT - height >= HEAD ? y - LIFT - height : y + LIFT));
  const over = (i: number, j: number) => Math.abs(lefts[i]! - lefts[j]!) < width + GAP;
  const step = height + GAP;
  // Down from those above; then up again from the foot of the window.
  for (let i = 0; i < signs.length; i++)
    for (let j = 0; j < i; j++) if (over(i, j)) tops[i] = Math.max(tops[i]!, tops[j]! + step);
  for (let i = signs.length - 1; i >= 0; i--) {
    tops[i] = Math.min(tops[i]!, window.height - height - EDGE);
    for (let j = i + 1; j < signs.length; j++) if (over(i, j)) tops[i] = Math.min(tops[i]!, tops[j]! - step);
  }
  return signs.map((sign, i) => ({ ...sign, left: lefts[i]!, top: tops[i]! }));
}
