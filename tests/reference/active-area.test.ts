// From which corner a mosaic's colours are counted: from that of the active area. The DNG text leaves it open; two independent readers agree,
// and so do we.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { rawFrameOf } from '../../src/core/dng/file-frame';
import { readDng } from '../../src/core/dng/read';
import { pictureReduced } from '../../src/core/raw/develop-image';
import { LONG, MAIN, mosaicTags, plainBlock, SHORT, tiffOf } from './dng-layouts';
import { runTool } from './run-tool';

const folder = mkdtempSync(join(tmpdir(), 'velmo-corner-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const [W, H] = [64, 48];

/** Only sites are lit that are red when counted from the corner of the active area. */
function redFrom(top: number, left: number): Uint8Array {
  const data = Uint16Array.from({ length: W * H }, (_, i) => {
    const [x, y] = [(i % W) - left, Math.floor(i / W) - top];
    return (x & 1) === 0 && (y & 1) === 0 ? 900 : 64;
  });
  const tags = mosaicTags(W, H, [
    [50713, SHORT, 1, 1],
    [50714, SHORT, 64],
    [50829, LONG, top, left, H, W],
  ]);
  return tiffOf('II', MAIN, tags, [plainBlock(data, 'II')]);
}

describe.each([
  [0, 1],
  [1, 0],
  [1, 1],
])('an active area that begins at row %d, column %d', (top, left) => {
  const bytes = redFrom(top, left);

  it.each([
    ['dcraw', ['-c', '-4']],
    ['dcraw_emu', ['-4', '-Z', '-']],
  ])('%s finds nothing but red in it', (tool, flags) => {
    const file = join(folder, `corner-${top}${left}.dng`);
    writeFileSync(file, bytes);
    const plain = ['-r', '1', '1', '1', '1', '-o', '0', '-t', '0'];
    const { stdout } = runTool(tool, [...flags, ...plain, file], folder);
    const head = /^P6\s+\d+\s+\d+\s+65535\s/.exec(stdout.subarray(0, 40).toString('latin1'))![0].length;
    const sums = [0, 0, 0];
    for (let i = 0; head + 2 * i + 1 < stdout.length; i++)
      sums[i % 3] = sums[i % 3]! + stdout.readUInt16BE(head + 2 * i);
    expect(sums[0]).toBeGreaterThan(0);
    expect(sums.slice(1)).toEqual([0, 0]);
  });

  it('so do we', () => {
    const picture = pictureReduced(rawFrameOf(readDng(bytes)), 8, 6);
    for (let i = 0; i < picture.length; i += 4)
      expect(picture[i]! > 200 && picture[i]! > picture[i + 1]!).toBe(true);
  });
});
