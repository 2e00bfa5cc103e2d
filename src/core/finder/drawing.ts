// How a finder draws what it marks, whatever it looks at.

/** Clip magenta and below-floor cyan of the house, and its guide mint. */
export const MARK_COLOURS = { burnt: [255, 111, 174], dark: [88, 199, 232] } as const;
export const SHARP_COLOUR = [143, 214, 192] as const;
/** Share of the level that the highlight pattern reads from which on a sample is marked as read. */
export const READ_FROM = 0.8;

const DOT_PERIOD = 4;
const WHITE = 0xffffffff;
const BLACK = 0xff000000;

/** Dots RGBA pixels where something is so; white and black dots in turn are seen on anything. */
export function dotted(
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
  isSo: (index: number) => boolean,
): void {
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      if ((x + y) % DOT_PERIOD !== 0 || !isSo(i)) continue;
      pixels[i] = (x + 2 * y) % (2 * DOT_PERIOD) < DOT_PERIOD ? WHITE : BLACK;
    }
}
