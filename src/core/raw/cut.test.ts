import { ASPECT_IDS, cut, UNCUT } from '../setting/cut';
import { readDng } from '../dng/read';
import { rawFrameOf } from '../dng/file-frame';
import {
  mosaicTags,
  MAIN,
  plainBlock,
  RATIONAL,
  LONG,
  tiffOf,
  type Tag,
} from '../../../tests/reference/dng-layouts';
import { linesIn, partsOf, zoomedPart, zoomedSize } from './cut';
import { pictureOfRegion } from './develop-image';
import { cropped, framed, seenSize, storedFor } from './shown';
import { countImage } from './statistics';

const FRAME = { width: 4032, height: 3024 };

describe('the part that a digital zoom leaves', () => {
  it.each([1, 1.3, 2, 2.83, 5, 8])('at %d× it lies in the middle and begins between no colours', (times) => {
    const part = zoomedPart(FRAME, times);
    expect(part.width / FRAME.width).toBeCloseTo(1 / times, 3);
    expect(part.height / FRAME.height).toBeCloseTo(1 / times, 3);
    for (const v of Object.values(part)) expect(v % 2).toBe(0);
    expect(Math.abs(2 * part.x + part.width - FRAME.width)).toBeLessThanOrEqual(2);
    expect(Math.abs(2 * part.y + part.height - FRAME.height)).toBeLessThanOrEqual(2);
  });

  it('is all of it at 1, leaves a quarter of the sites at 2, and never nothing', () => {
    expect(zoomedPart(FRAME, 1)).toEqual({ x: 0, y: 0, ...FRAME });
    const { width, height } = zoomedSize(FRAME, 2);
    expect(width * height * 4).toBe(FRAME.width * FRAME.height);
    expect(zoomedSize({ width: 2, height: 2 }, 8)).toEqual({ width: 2, height: 2 });
  });

  it.each([0, -2, 0.5, NaN])('%d times is no zoom', (times) => {
    expect(() => zoomedSize(FRAME, times)).toThrow(RangeError);
  });
});

describe.each([
  ['lying', FRAME],
  ['upright', { width: FRAME.height, height: FRAME.width }],
])('frame lines, %s', (_, frame) => {
  const whole = { x: 0, y: 0, ...frame };

  it.each(ASPECT_IDS.filter((id) => id !== 'whole'))(
    '%s: as large as it can be, inside, in the middle',
    (aspect) => {
      const lines = linesIn(whole, aspect);
      const [long, short] = aspect.split(':').map(Number) as [number, number];
      const wanted = frame.width > frame.height ? long / short : short / long;
      expect(Math.abs(lines.width / lines.height / wanted - 1)).toBeLessThan(0.003);
      expect(lines.width === frame.width || lines.height === frame.height).toBe(true);
      expect([lines.x, lines.y, lines.width, lines.height].every((v) => v >= 0 && v % 2 === 0)).toBe(true);
      expect(lines.x + lines.width).toBeLessThanOrEqual(frame.width);
      expect(lines.y + lines.height).toBeLessThanOrEqual(frame.height);
    },
  );

  it('without a shape they are the frame, and over a zoom they lie in its part', () => {
    expect(linesIn(whole, 'whole')).toEqual(whole);
    const { part, lines } = partsOf(frame, { aspect: '1:1', times: 3 });
    expect(lines.x).toBeGreaterThanOrEqual(part.x);
    expect(lines.y).toBeGreaterThanOrEqual(part.y);
    expect(Math.max(lines.width, lines.height)).toBe(Math.min(part.width, part.height));
  });
});

describe('of a file that tells a part and frame lines in it (DNG 1.4, DefaultCrop and DefaultUserCrop)', () => {
  const [W, H] = [16, 12];
  const samples = Uint16Array.from({ length: W * H }, (_, i) => 64 + ((i * 37) % 900));
  const read = (over: readonly Tag[]) =>
    rawFrameOf(readDng(tiffOf('II', MAIN, mosaicTags(W, H, over), [plainBlock(samples, 'II')])));
  const PART: Tag[] = [
    [50719, LONG, 4, 2],
    [50720, LONG, 8, 8],
  ];
  // Top, left, bottom, right: shares of the part.
  const lines = (...shares: number[]): Tag => [51125, RATIONAL, ...shares.flatMap((share) => [share, 4])];

  it('figures are of the part, the picture is of what the lines leave, the numbers are all there', () => {
    const image = read([...PART, lines(1, 0, 3, 4)]);
    expect(image.data).toEqual(samples);
    expect(countImage(image).sites).toBe(64);
    expect(cropped(image)).toMatchObject({ width: 8, height: 8 });
    expect(seenSize(image)).toEqual({ width: 8, height: 4 });
    expect([...framed(image).data.slice(0, 3)]).toEqual([...samples.slice(4 * W + 4, 4 * W + 7)]);
    expect(() => pictureOfRegion(image, { x: 0, y: 0, width: 8, height: 5 })).toThrow(/leaves the picture/);
  });

  it.each([
    ['outside', [0, 0, 5, 4]],
    ['the wrong way round', [3, 0, 1, 4]],
    ['of all', [0, 0, 4, 4]],
    ['too few', [0, 0, 4]],
  ])('lines %s are none', (_, shares) => {
    expect(seenSize(read([...PART, lines(...shares)]))).toEqual({ width: 8, height: 8 });
  });

  it('a frame that is held upright keeps its part and its lines where they were seen', () => {
    const seen = {
      ...{ layout: 'cfa' as const, width: 12, height: 16, black: 64, white: 1023 },
      data: Uint16Array.from({ length: 192 }, (_, i) => i),
      crop: { x: 2, y: 4, width: 8, height: 8 },
      userCrop: { x: 4, y: 4, width: 4, height: 8 },
    };
    const stored = storedFor(seen, 6);
    const inside = (data: Uint16Array) => [...data].sort((a, b) => a - b);
    expect(inside(framed(stored).data)).toEqual(inside(framed(seen).data));
    expect(inside(cropped(stored).data)).toEqual(inside(cropped(seen).data));
  });
});

describe('the setting', () => {
  const optic = {} as never;
  const [zoom, crop] = cut.options!;

  it('is set from the terminal, part by part', () => {
    expect(crop!.parse('16:9', zoom!.parse('2.5', UNCUT, optic), optic)).toEqual({
      aspect: '16:9',
      times: 2.5,
    });
    for (const text of ['0', '9', '', 'x', '-1', 'NaN'])
      expect(() => zoom!.parse(text, UNCUT, optic)).toThrow(RangeError);
    expect(() => crop!.parse('5:4', UNCUT, optic)).toThrow(/4:3 or 3:2/);
  });

  it('says in Exif how far it zoomed, and in words to what shape it is cut', () => {
    expect(cut.exif!({ aspect: 'whole', times: 2.5 }, {}).DigitalZoomRatio).toEqual([250, 100]);
    expect(cut.exif!(UNCUT, {}).comment).toBeUndefined();
    expect(cut.exif!({ aspect: '1:1', times: 1 }, {}).comment).toMatch(/1:1/);
  });
});
