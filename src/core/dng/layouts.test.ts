// Files of other hands: what the reader honours (tables, active areas, byte orders), and what it refuses by the name of its tag (TIFF 6.0,
// DNG 1.4 chapter 4).
import {
  BYTE,
  FLOAT,
  LONG,
  MAIN,
  mosaicTags,
  plainBlock,
  RATIONAL,
  SHORT,
  SLONG,
  SRATIONAL,
  tiffOf,
  type Order,
  type Tag,
} from '../../../tests/reference/dng-layouts';
import { developerFor } from '../raw/develop';
import { checkDng } from './check';
import { rawFrameOf } from './file-frame';
import { readDng } from './read';

const [W, H] = [12, 10];
const samples = Uint16Array.from({ length: W * H }, (_, i) => 64 + ((i * 37) % 900));
const file = (over: readonly Tag[] = [], order: Order = 'II', main: readonly Tag[] = MAIN) =>
  tiffOf(order, main, mosaicTags(W, H, over), [plainBlock(samples, order)]);

describe('a mosaic of another hand', () => {
  it.each(['II', 'MM'] as Order[])('is read in the byte order %s', (order) => {
    expect(readDng(file([], order)).data).toEqual(samples);
  });

  it('is made linear by its table; numbers beyond it take its last entry', () => {
    const table = Array.from({ length: 600 }, (_, i) => Math.min(65535, i * i));
    const back = readDng(
      file([
        [50712, SHORT, ...table],
        [50717, LONG, 65535],
      ]),
    );
    expect(back.data).toEqual(samples.map((v) => table[Math.min(599, v)]!));
  });

  it('is read inside an active area at any corner; its colours are counted from there', () => {
    const back = readDng(file([[50829, LONG, 1, 3, H, W]]));
    if (back.layout !== 'cfa') throw new Error('a mosaic');
    expect([back.width, back.height, back.phase, back.data[0]]).toEqual([
      W - 3,
      H - 1,
      [0, 0],
      samples[W + 3],
    ]);
  });

  it('is read inside its active area; masked borders beside it are left out', () => {
    const back = readDng(
      file([
        [50829, LONG, 2, 4, H, W],
        [50830, LONG, 0, 0, 2, W],
      ]),
    );
    expect([back.width, back.height]).toEqual([W - 4, H - 2]);
    for (let y = 0; y < H - 2; y++)
      for (let x = 0; x < W - 4; x++) expect(back.data[y * (W - 4) + x]).toBe(samples[(y + 2) * W + x + 4]);
  });

  it('may state one black for each site of a cell, as long as it is the same', () => {
    expect(
      readDng(
        file([
          [50713, SHORT, 2, 2],
          [50714, SHORT, 64, 64, 64, 64],
        ]),
      ).black,
    ).toBe(64);
    expect(readDng(file([[50714, RATIONAL, 128, 2]])).black).toBe(64);
  });

  it.each([
    [[2, 2], [64, 65, 66, 67], 'RGGB', [64, 65, 66, 67]],
    [[2, 1], [64, 66], 'RGGB', [64, 64, 66, 66]],
    [[1, 2], [64, 66], 'GRBG', [66, 64, 66, 64]],
    [[2, 2], [64, 65, 66, 67], 'BGGR', [67, 66, 65, 64]],
  ])('has black by site, %j: %j of %s', (repeat, black, pattern, blacks) => {
    const cfa = [...pattern].map((letter) => 'RGB'.indexOf(letter));
    const over: Tag[] = [
      [50713, SHORT, ...repeat],
      [50714, SHORT, ...black],
      [33422, BYTE, ...cfa],
    ];
    const report = checkDng(tiffOf('II', MAIN, mosaicTags(W, H, over), [plainBlock(samples)]));
    expect(report).toMatchObject({ ok: true, blacks, layout: expect.stringContaining(pattern) });
  });

  it.each<[string, Tag, RegExp]>([
    [
      'black by site',
      [50714, SHORT, ...Array.from({ length: 9 }, (_, i) => 64 + i)],
      /BlackLevel of 3×3 sites/,
    ],
    [
      'black by column',
      [50715, SRATIONAL, ...Array.from({ length: W }, () => [1, 2]).flat()],
      /BlackLevelDeltaH/,
    ],
    ['a fractional black', [50714, RATIONAL, 129, 2], /BlackLevel of 64.5/],
    ['black to be measured on borders', [50830, LONG, 0, 0, 2, W], /MaskedAreas/],
    ['floating-point samples', [339, SHORT, 3], /SampleFormat 3/],
    ['another layout of sites', [50711, SHORT, 2], /CFALayout 2/],
    ['other colours', [50710, BYTE, 0, 1, 3], /CFAPlaneColor 0 1 3/],
    ['interleaved rows', [50975, LONG, 2], /RowInterleaveFactor 2/],
    ['another pattern', [33422, BYTE, 0, 1, 2, 1], /colour pattern 0 1 2 1/],
  ])('is refused by name: %s', (what, tag, message) => {
    const over: Tag[] = [tag];
    if (what === 'black by site') over.push([50713, SHORT, 3, 3]);
    const tags = mosaicTags(W, H, over).filter(
      ([t]) => what !== 'black to be measured on borders' || t !== 50714,
    );
    const report = checkDng(tiffOf('II', MAIN, tags, [plainBlock(samples)]));
    expect(report).toMatchObject({ ok: false, code: 'unsupported' });
    if (!report.ok) expect(report.message).toMatch(message);
  });

  it.each<[string, Tag, RegExp]>([
    ['a fractional height', [257, RATIONAL, 21, 2], /ImageLength must hold whole numbers.*RATIONAL/],
    ['a floating-point width', [256, FLOAT, 12], /ImageWidth must hold whole numbers.*FLOAT/],
    ['a fractional white', [50717, RATIONAL, 2047, 2], /WhiteLevel must hold whole numbers/],
    ['a signed offset', [273, SLONG, -1], /StripOffsets must hold whole numbers.*SLONG/],
    ['an active area outside', [50829, LONG, 0, 0, H + 1, W], /ActiveArea/],
    ['masked borders in the light', [50830, LONG, 0, 0, 2, W], /MaskedAreas lie in the light/],
    ['a table of one', [50712, SHORT, 5], /LinearizationTable/],
    ['more blacks than sites', [50714, SHORT, 64, 64], /2 BlackLevel values for 1×1/],
    ['a repeat of one number', [50713, SHORT, 4095], /BlackLevelRepeatDim of 1 number/],
  ])('is refused as wrong: %s', (_, tag, message) => {
    const report = checkDng(file([tag]));
    expect(report).toMatchObject({ ok: false, code: 'bad-tag' });
    if (!report.ok) expect(report.message).toMatch(message);
  });

  it.each<[string, Tag]>([
    ['ColorMatrix1', [50721, SRATIONAL, ...Array.from({ length: 9 }, (_, i) => [i, i === 4 ? 0 : 1]).flat()]],
    ['ColorMatrix1', [50721, FLOAT, 1, 0, 0, 0, NaN, 0, 0, 0, 1]],
    ['AsShotNeutral', [50728, RATIONAL, 1, 1, 0, 0, 1, 1]],
    ['AsShotNeutral', [50728, FLOAT, 1, Infinity, 1]],
  ])('is refused where a number of its colours is none: %s %j', (name, tag) => {
    const report = checkDng(file([], 'II', [...MAIN.filter(([t]) => t !== tag[0]), tag]));
    expect(report).toMatchObject({ ok: false, code: 'bad-tag', message: expect.stringContaining(name) });
  });

  it.each([
    ['too strong', [9, -8, 8, -8, 9, -8, 8, -8, 9]],
    ['of one colour', [1, 1, 1, 1, 1, 1, 1, 1, 1]],
    ['of none', [0, 0, 0, 0, 0, 0, 0, 0, 0]],
  ])('whose ColorMatrix is %s is sound, shown in the camera’s own colours, and that is told', (_, matrix) => {
    const tags: Tag[] = [
      [50721, SRATIONAL, ...matrix.flatMap((v) => [v, 100])],
      [50728, RATIONAL, 1, 2, 1, 1, 2, 3],
    ];
    const bytes = file([], 'II', [...MAIN, ...tags]);
    expect(checkDng(bytes).ok).toBe(true);
    const frame = rawFrameOf(readDng(bytes));
    expect(frame.facts.matrices).toEqual({ unknown: expect.stringContaining('ColorMatrix') });
    expect(() => developerFor(frame)).not.toThrow();
    expect(frame.colour.asShotNeutral).toEqual([1 / 2, 1, 2 / 3]);
  });

  it('is refused where directories are pointed at by fractions', () => {
    for (const type of [RATIONAL, FLOAT, SRATIONAL]) {
      const bytes = file();
      const view = new DataView(bytes.buffer);
      const first = view.getUint32(4, true);
      for (let i = 0; i < view.getUint16(first, true); i++)
        if (view.getUint16(first + 2 + i * 12, true) === 330) view.setUint16(first + 4 + i * 12, type, true);
      expect(checkDng(bytes)).toMatchObject({ ok: false });
    }
  });

  it('is not worked through again and again: blocks that lie over each other are refused at once', () => {
    const rows = 5;
    const over: Tag[] = [
      [273, LONG, ...Array.from({ length: H / rows }, () => -1)],
      [278, LONG, rows],
      [279, LONG, ...Array.from({ length: H / rows }, () => W * rows * 2)],
    ];
    const report = checkDng(file(over));
    expect(report).toMatchObject({
      ok: false,
      code: 'bad-tag',
      message: expect.stringMatching(/lies over another/),
    });
  });

  it('over 100 megapixels is refused before any memory is asked for', () => {
    expect(
      checkDng(
        file([
          [256, LONG, 20000],
          [257, LONG, 20000],
        ]),
      ),
    ).toMatchObject({ ok: false, code: 'absurd' });
  });
});
