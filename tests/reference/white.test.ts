// The tile board under each lamp, developed from the file by its tags alone with a white measured from its white tile: by us, by dcraw, and by the
// matrices as the DNG specification (chapter 6) means them. CIEDE2000 against the tiles' stated reflectances under D65.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { encodeJpeg } from '../../cli/jpeg';
import { loadScene, sceneList } from '../../cli/scene-files';
import { matrixAt } from '../../src/core/colour/calibrated';
import { balanceGains, colourOfNeutral, srgbFromBalanced } from '../../src/core/colour/camera';
import { adaptation, D65, xyzOfXy } from '../../src/core/colour/chromaticity';
import { deltaE2000, labOf } from '../../src/core/colour/lab';
import { spectrumFrom, spectrumOfLight, xyzOfSpectrum } from '../../src/core/colour/spectra';
import { XYZ_FROM_SRGB } from '../../src/core/colour/srgb';
import { xyOfWhite } from '../../src/core/colour/temperature';
import { rawFrameOf } from '../../src/core/dng/file-frame';
import { readDng } from '../../src/core/dng/read';
import { captureDng } from '../../src/core/dng/capture';
import { apply3, invert3, multiply3, type Mat3, type Vec3 } from '../../src/core/numeric/matrix';
import type { RawFrame } from '../../src/core/sensor/raw-frame';
import type { ScenePatch } from '../../src/core/scene/scene';
import { blockInDocs, blocks, median, openingLights, whiteErrors } from '../../tools/white-table';
import { partOf } from '../sweep';
import { runTool } from './run-tool';
import { asReflectances, boardUnder, eachSite, LAMPS, rawMean, type LampId } from './tile-board';
import { someFacts } from '../facts';

const folder = mkdtempSync(join(tmpdir(), 'velmo-white-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const WHITE = apply3(XYZ_FROM_SRGB, [1, 1, 1]);
const lab = (rgb: Vec3) => labOf(apply3(XYZ_FROM_SRGB, rgb), WHITE);

interface Errors {
  readonly mean: number;
  /** Mean of the neutral row. */
  readonly neutral: number;
  readonly worst: string;
}

function errorsOf(tiles: readonly ScenePatch[], developed: readonly Vec3[]): Errors {
  const seen = asReflectances(tiles, developed);
  const off = tiles.map((tile, i) => deltaE2000(lab(seen[i]!), lab(tile.reflectance!)));
  const mean = (of: readonly number[]) => of.reduce((a, b) => a + b, 0) / of.length;
  const greys = off.filter((_, i) => new Set(tiles[i]!.reflectance!).size === 1);
  expect(greys).toHaveLength(6);
  const worst = [...tiles.keys()].sort((a, b) => off[b]! - off[a]!).slice(0, 3);
  return {
    mean: mean(off),
    neutral: mean(greys),
    worst: worst.map((i) => `${tiles[i]!.name} ${off[i]!.toFixed(1)}`).join(', '),
  };
}

function byMatrix(toSrgb: Mat3, frame: RawFrame, tiles: readonly ScenePatch[]): readonly Vec3[] {
  return tiles.map((tile) => apply3(toSrgb, rawMean(frame, tile)));
}

/** Linear Rec. 709 by dcraw, with the white of the file, brightened by nothing. */
function byDcraw(file: string, tiles: readonly ScenePatch[]): readonly Vec3[] {
  const bytes = runTool('dcraw', ['-w', '-W', '-o', '1', '-g', '1', '1', '-4', '-c', file], folder).stdout;
  const [head, w, h] = /^P6\s+(\d+)\s+(\d+)\s+65535\s/.exec(bytes.subarray(0, 60).toString('latin1'))!;
  const [width, height] = [Number(w), Number(h)];
  return tiles.map((tile) => {
    const sums = [0, 0, 0];
    let n = 0;
    eachSite({ width, height }, tile, (x, y) => {
      n++;
      for (let c = 0; c < 3; c++) sums[c]! += bytes.readUInt16BE(head.length + 2 * (3 * (y * width + x) + c));
    });
    return sums.map((s) => s / n) as unknown as Vec3;
  });
}

it('the stated reflectances of the tiles have their stated colours under D65, and none is over 1', async () => {
  const { description } = await loadScene('tile-board');
  expect(description.surfaces).toHaveLength(24);
  const light = spectrumOfLight({ kind: 'daylight', kelvin: 6504 });
  const y = xyzOfSpectrum(light)[1];
  for (const { name, reflectance, spectrum } of description.surfaces!) {
    expect([name, Math.min(...spectrum) >= 0, Math.max(...spectrum) <= 1]).toEqual([name, true, true]);
    const xyz = xyzOfSpectrum(light, spectrumFrom(spectrum)).map((v) => v / y) as unknown as Vec3;
    expect([name, deltaE2000(labOf(xyz, WHITE), lab(reflectance)) < 0.1]).toEqual([name, true]);
  }
});

const LIMITS: Readonly<Record<LampId, number>> = { day: 2.5, tungsten: 2.5, cool: 4 };
const told: string[] = [];
afterAll(() => process.stderr.write(`\nTile board, mean CIEDE2000 (neutral row)\n${told.join('\n')}\n`));

describe.each(partOf(LAMPS, 2))('the tile board under %s', (lamp) => {
  it('comes out as it is from the file by its tags alone', async () => {
    const { frame: exposed, tiles } = await boardUnder(lamp);
    const white = tiles.find(({ name }) => name === 'White')!;
    const frame = {
      ...exposed,
      colour: colourOfNeutral(exposed.colour.matrices, rawMean(exposed, white)),
    };
    const rgba = new Uint8ClampedArray(16 * 12 * 4).fill(120);
    const file = join(folder, `${lamp}.dng`);
    const dng = captureDng(frame, {
      compression: 'none',
      thumbnail: { width: 16, height: 12, rgba },
      previewJpeg: encodeJpeg(rgba, 16, 12),
      facts: someFacts(),
      note: '{}',
    });
    writeFileSync(file, dng);
    const read = rawFrameOf(readDng(dng));
    const { colour } = read;
    const balance = (m: Mat3): Mat3 => {
      const [r, g, b] = balanceGains(colour);
      return m.map((row) => [row[0] * r, row[1] * g, row[2] * b]) as unknown as Mat3;
    };
    const ours = errorsOf(tiles, byMatrix(balance(srgbFromBalanced(colour)), frame, tiles));
    // ColorMatrix inverted at the white's temperature, then adapted from that white (DNG specification, without ForwardMatrix).
    const xyz = invert3(matrixAt(colour.matrices, colour.white.kelvin));
    const adapted = multiply3(adaptation(xyzOfXy(xyOfWhite(colour.white)), xyzOfXy(D65)), xyz);
    const spec = errorsOf(tiles, byMatrix(multiply3(invert3(XYZ_FROM_SRGB), adapted), frame, tiles));
    const dcraw = errorsOf(tiles, byDcraw(file, tiles));
    const figures = ({ mean, neutral, worst }: Errors) =>
      `${mean.toFixed(2)} (${neutral.toFixed(2)}; ${worst})`;
    told.push(
      `  ${lamp}: ours ${figures(ours)}; ColorMatrix ${figures(spec)}; dcraw ${figures(dcraw)}; white ${Math.round(colour.white.kelvin)} K, tint ${colour.white.tint.toFixed(1)}`,
    );
    expect(ours.mean).toBeLessThan(LIMITS[lamp]);
    expect(ours.neutral).toBeLessThan(1);
    // Another hand with the same tags is not far off.
    expect(dcraw.mean).toBeLessThan(6);
    expect(dcraw.neutral).toBeLessThan(1);
  });
});

describe('the automatic white on every scene under each lamp alone', () => {
  it('stands in the docs, is sure where grey things are, and is near there', async () => {
    // The board, whose greys are stated, is always there.
    const apart = sceneList().filter(({ id }) => id === 'tile-board');
    const others = sceneList().filter(({ id }) => id !== 'tile-board');
    const errors = await whiteErrors([...partOf(others, 1), ...apart]);
    const { table, ...made } = await blocks(errors);
    for (const [block, text] of Object.entries(made))
      expect(blockInDocs(block as keyof typeof made)).toBe(text);
    const rows = blockInDocs('table').split('\n');
    expect(rows).toHaveLength(2 + sceneList().reduce((sum, { lamps }) => sum + lamps.length, 0));
    expect(rows).toEqual(expect.arrayContaining(table.split('\n')));
    const sure = errors.filter((e) => e.sure);
    expect(sure.length).toBeGreaterThan(errors.length / 3);
    expect(median(sure.map(({ mired }) => Math.abs(mired)))).toBeLessThan(12);
    expect(median(sure.map(({ tint }) => Math.abs(tint)))).toBeLessThan(5);
    // One lamp alone is told to be one light; the scenes that open with two are told to have two.
    expect(errors.filter(({ mixed }) => mixed).map(({ scene, lamp }) => `${scene}, ${lamp}`)).toEqual([]);
    // Where there are tiles of stated grey it is sure, and none of them is far off.
    const board = errors.filter(({ scene }) => scene === 'Tile board');
    expect(board).toHaveLength(3);
    for (const e of board)
      expect([e.sure, Math.abs(e.mired) < 16, Math.abs(e.tint) < 5]).toEqual([true, true, true]);
  });
});

it('two lights are told where the opening scene has a window and a lamp', async () => {
  const mixed = await openingLights('wheel-bench');
  expect(mixed!.warmer.kelvin).toBeLessThan(4100);
  expect(mixed!.cooler.kelvin).toBeGreaterThan(5000);
});
