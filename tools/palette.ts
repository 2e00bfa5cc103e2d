// Pictures of the documents in a palette, by pngquant (Debian: pngquant): a quarter of the bytes, and at most what a picture may have.
import { spawnSync } from 'node:child_process';

/** Bytes of a picture in docs/ at most; `tools/weight.mjs` checks it. */
const MOST_BYTES = 500_000;
/** As many colours as it may have, the most first. */
const COLOURS = [256, 128, 64, 32];

/** @param png a PNG of any kind. @throws Error where pngquant is not there, or no palette is small enough */
export function inPalette(png: Uint8Array): Uint8Array {
  for (const colours of COLOURS) {
    const { stdout, error, status } = spawnSync(
      'pngquant',
      ['--speed', '1', '--nofs', String(colours), '-'],
      {
        input: png,
        maxBuffer: 1 << 28,
      },
    );
    if (error || status !== 0) throw new Error('Pictures are put in a palette by pngquant: install it');
    if (stdout.length <= MOST_BYTES) return stdout;
  }
  throw new Error(`The picture is over ${MOST_BYTES} bytes in ${COLOURS.at(-1)} colours: show less in it`);
}
