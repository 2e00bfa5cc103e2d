// The part of an image that is to be seen, turned as its file says (TIFF 6.0 Orientation). The eight ways are checked against a letter that has no
// symmetry, drawn as the standard names its rows and columns.
import { colourOfNeutral } from '../colour/camera';
import { SIM_COLOUR } from '../sensor/sim-colour';
import {
  MAIN,
  mosaicTags,
  plainBlock,
  SHORT,
  tiffOf,
  type Tag,
  RATIONAL,
  LONG,
} from '../../../tests/reference/dng-layouts';
import { rawFrameOf } from '../dng/file-frame';
import { readDng } from '../dng/read';
import { cfaIndex, type Mosaic, type Seen } from '../sensor/raw-frame';
import type { LinearImage } from '../sensor/rgb-image';
import { pictureOfRegion, pictureReduced } from './develop-image';
import { cropped, seenSize, storedFor, storedOf, turned, type Turn } from './shown';

/** F, as rows of a picture: nothing in it repeats when it is turned. */
const F = ['##', '# ', '##', '# '];
/** How F is seen in each orientation: the stored top row and left column become what TIFF 6.0 says they are. */
const SEEN: Readonly<Record<Turn, readonly string[]>> = {
  1: ['##', '# ', '##', '# '],
  2: ['##', ' #', '##', ' #'],
  3: [' #', '##', ' #', '##'],
  4: ['# ', '##', '# ', '##'],
  5: ['####', '# # '],
  6: ['####', ' # #'],
  7: [' # #', '####'],
  8: ['# # ', '####'],
};
const pixelsOf = (rows: readonly string[]) =>
  new Uint8ClampedArray(
    rows.flatMap((row) => [...row].flatMap((c) => (c === '#' ? [0, 0, 0, 255] : [255, 255, 255, 255]))),
  );

describe.each([1, 2, 3, 4, 5, 6, 7, 8] as Turn[])('orientation %d', (turn) => {
  it('is seen as the standard says', () => {
    expect(turned(pixelsOf(F), { width: 2, height: 4 }, turn)).toEqual(pixelsOf(SEEN[turn]));
  });

  it('a region of what is seen is the same as the region of the whole picture', () => {
    const [width, height] = [12, 8];
    const image: LinearImage = {
      layout: 'rgb',
      ...{ width, height, black: 0, white: 65535, noise: null, baselineEv: 0, orientation: turn },
      data: Uint16Array.from({ length: 3 * width * height }, (_, i) => (i * 977) % 65536),
      colour: colourOfNeutral(SIM_COLOUR.matrices, [0.5, 1, 0.7]),
      crop: { x: 1, y: 2, width: 9, height: 5 },
    };
    const seen = seenSize(image);
    expect([seen.width, seen.height]).toEqual(turn >= 5 ? [5, 9] : [9, 5]);
    const whole = pictureOfRegion(image, { x: 0, y: 0, ...seen });
    expect(pictureReduced(image, seen.width, seen.height)).toEqual(whole);
    const region = { x: 1, y: 2, width: 3, height: 2 };
    const piece = pictureOfRegion(image, region);
    for (let y = 0; y < region.height; y++)
      for (let x = 0; x < region.width; x++) {
        const at = 4 * ((y + region.y) * seen.width + x + region.x);
        expect([...piece.slice(4 * (y * region.width + x), 4 * (y * region.width + x) + 4)]).toEqual([
          ...whole.slice(at, at + 4),
        ]);
      }
    expect(storedOf({ x: 0, y: 0, ...seen }, { width: 9, height: 5 }, turn)).toEqual({
      x: 0,
      y: 0,
      width: 9,
      height: 5,
    });
    expect(() => pictureOfRegion(image, { ...region, x: seen.width - 2 })).toThrow(/leaves the picture/);
  });
});

describe('the crop of a file', () => {
  const [W, H] = [12, 10];
  const samples = Uint16Array.from({ length: W * H }, (_, i) => 64 + ((i * 37) % 900));
  const read = (over: readonly Tag[], main: readonly Tag[] = MAIN) =>
    rawFrameOf(readDng(tiffOf('II', main, mosaicTags(W, H, over), [plainBlock(samples, 'II')])));

  it('keeps all numbers, counts and shows the part: a crop between the colours begins in another phase', () => {
    const image = read([
      [50719, LONG, 3, 1],
      [50720, LONG, 6, 8],
    ]);
    expect(image.data).toEqual(samples);
    expect(seenSize(image)).toEqual({ width: 6, height: 8 });
    const inside = cropped(image);
    if (inside.layout !== 'cfa') throw new Error('a mosaic');
    expect([inside.phase, inside.data[0]]).toEqual([[1, 1], samples[W + 3]]);
    // The same pixels as those of the whole, away from the crop's own edge.
    const whole = pictureOfRegion({ ...image, crop: undefined }, { x: 4, y: 2, width: 4, height: 6 });
    expect(pictureOfRegion(image, { x: 1, y: 1, width: 4, height: 6 })).toEqual(whole);
  });

  it.each([
    [
      'outside',
      [
        [50719, LONG, 8, 0],
        [50720, LONG, 6, 8],
      ],
    ],
    ['of nothing', [[50720, LONG, 0, 0]]],
    [
      'of all',
      [
        [50719, RATIONAL, 0, 1, 0, 1],
        [50720, LONG, W, H],
      ],
    ],
  ] as [string, Tag[]][])('%s is all that there is', (_, tags) => {
    expect(seenSize(read(tags))).toEqual({ width: W, height: H });
  });

  it('its orientation is that of the main directory; one that is none counts as 1', () => {
    expect(seenSize(read([], [...MAIN, [274, SHORT, 6]]))).toEqual({ width: H, height: W });
    expect(read([], [...MAIN, [274, SHORT, 9]]).orientation).toBe(1);
  });
});

describe.each([1, 2, 3, 4, 5, 6, 7, 8] as Turn[])('a mosaic that is stored for orientation %d', (turn) => {
  it.each([
    [6, 4, [0, 0]],
    [5, 3, [1, 0]],
    [4, 7, [0, 1]],
    [3, 3, [1, 1]],
  ] as const)(
    'of %d × %d in phase %j is seen as it was: numbers, colours and blacks',
    (width, height, phase) => {
      const seen = {
        ...{ width, height, phase, black: 12, white: 4095 },
        blacks: [10, 11, 12, 15] as const,
        data: Uint16Array.from({ length: width * height }, (_, i) => 100 + i),
      };
      const stored = storedFor<Mosaic & Seen & typeof seen>(seen, turn);
      expect(stored.orientation ?? 1).toBe(turn);
      expect(seenSize({ ...stored, layout: 'cfa' } as LinearImage)).toEqual({ width, height });
      const nameAt = (m: typeof seen, x: number, y: number) =>
        cfaIndex((m.phase[0] + x) & 1, (m.phase[1] + y) & 1);
      for (let y = 0; y < height; y++)
        for (let x = 0; x < width; x++) {
          const at = storedOf({ x, y, width: 1, height: 1 }, stored, turn);
          expect(stored.data[at.y * stored.width + at.x]).toBe(seen.data[y * width + x]);
          const [was, is] = [nameAt(seen, x, y), nameAt(stored as typeof seen, at.x, at.y)];
          // The two greens change names where rows become columns; red and blue are what they were.
          expect([0, 1, 1, 2][is]).toBe([0, 1, 1, 2][was]);
          expect(stored.blacks[is]).toBe(seen.blacks[was]);
        }
    },
  );
});
