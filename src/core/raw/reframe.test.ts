// Another framing: turned, mirrored, set level. Pictures are checked against a surface of light whose value anywhere is known, in all eight orientations.
import * as fc from 'fast-check';
import { colourOfNeutral } from '../colour/camera';
import { invert3 } from '../numeric/matrix';
import { XYZ_FROM_SRGB } from '../colour/srgb';
import type { RgbImage } from '../sensor/rgb-image';
import { developOut, developOut16 } from './develop-out';
import { pictureOfRegion, pictureReduced } from './develop-image';
import {
  fitted,
  ownReframe,
  holds,
  largest,
  levelled,
  linesSeen,
  linesStored,
  mirrored,
  reframed,
  turnedQuarter,
  type Reframe,
} from './reframe';
import { seenSize, type Turn } from './shown';

const TURNS = [1, 2, 3, 4, 5, 6, 7, 8] as const;
const [WIDTH, HEIGHT] = [96, 64];
const COLOUR = colourOfNeutral([{ kelvin: 6504, matrix: invert3(XYZ_FROM_SRGB) }], [1, 1, 1]);

/** Red grows to the right, green downwards: a pixel says where it comes from, in columns and rows as stored. */
const place: RgbImage = {
  ...{ layout: 'rgb', width: WIDTH, height: HEIGHT, black: 0, white: 65535, noise: null, baselineEv: 0 },
  colour: COLOUR,
  data: Uint16Array.from({ length: 3 * WIDTH * HEIGHT }, (_, i) => {
    const pixel = Math.floor(i / 3);
    const [x, y] = [pixel % WIDTH, Math.floor(pixel / WIDTH)];
    return i % 3 === 0 ? 200 * (x + 0.5) : i % 3 === 1 ? 200 * (y + 0.5) : 0;
  }),
};
/** Where a pixel of 16 bits says that it comes from: the tones are turned back by the picture of a level frame. */
const tones = new Map<number, number>();
{
  const { rgb, width } = developOut16({ ...place, width: WIDTH }, 1);
  for (let x = 0; x < width; x++) tones.set(x + 0.5, rgb[3 * x]!);
}
const columnOf = (code: number, codes: readonly (readonly [number, number])[]) => {
  for (let i = 1; i < codes.length; i++) {
    const [[x0, c0], [x1, c1]] = [codes[i - 1]!, codes[i]!];
    if (code <= c1) return x0 + ((x1 - x0) * (code - c0)) / (c1 - c0);
  }
  return codes[codes.length - 1]![0];
};
const CODES = [...tones].map(([x, code]) => [x, code] as const);

const LINES = { x: 30, y: 20, width: 36, height: 24 };
const MIDDLE = [48, 32] as const;

describe.each(TURNS)('turned lines seen through orientation %i', (orientation) => {
  it.each([-30, -7.5, 3, 21])('show what lies under them, %f degrees', (tiltDeg) => {
    const image = reframed(place, { lines: LINES, orientation, tiltDeg });
    const { rgb, width, height } = developOut16(image, 1);
    expect([width, height]).toEqual(orientation >= 5 ? [24, 36] : [36, 24]);
    const angle = (tiltDeg * Math.PI) / 180;
    // A step to the right and one down, as they lie in the stored image by TIFF's table of orientations.
    const [right, down] = {
      1: [[1, 0], [0, 1]],
      2: [[-1, 0], [0, 1]],
      3: [[-1, 0], [0, -1]],
      4: [[1, 0], [0, -1]],
      5: [[0, 1], [1, 0]],
      6: [[0, -1], [1, 0]],
      7: [[0, -1], [-1, 0]],
      8: [[0, 1], [-1, 0]],
    }[orientation] as [[number, number], [number, number]]; // prettier-ignore
    for (const [x, y] of [
      [0, 0],
      [width - 1, 3],
      [5, height - 1],
      [width >> 1, height >> 1],
    ] as const) {
      const [u, v] = [x + 0.5 - width / 2, y + 0.5 - height / 2];
      const [a, b] = [u * right[0] + v * down[0], u * right[1] + v * down[1]];
      const expected = [
        MIDDLE[0] + a * Math.cos(angle) - b * Math.sin(angle),
        MIDDLE[1] + a * Math.sin(angle) + b * Math.cos(angle),
      ];
      const pixel = 3 * (y * width + x);
      expect(Math.abs(columnOf(rgb[pixel]!, CODES) - expected[0]!)).toBeLessThan(0.3);
      expect(Math.abs(columnOf(rgb[pixel + 1]!, CODES) - expected[1]!)).toBeLessThan(0.3);
    }
  });

  it('show the same in a part as in the whole, and about the same made smaller', () => {
    const image = reframed(place, { lines: LINES, orientation, tiltDeg: 11 });
    const { width, height, rgba } = developOut(image, 1);
    const region = { x: 5, y: 7, width: 12, height: 9 };
    const part = pictureOfRegion(image, region);
    for (let y = 0; y < region.height; y++)
      for (let x = 0; x < 4 * region.width; x++)
        expect(
          Math.abs(part[4 * y * region.width + x]! - rgba[4 * ((y + region.y) * width + region.x) + x]!),
        ).toBeLessThanOrEqual(1);
    const small = pictureReduced(image, width / 2, height / 2);
    const [sx, sy] = [4, 4];
    const [near, far] = [4 * (sy * (width / 2) + sx), 4 * (2 * sy * width + 2 * sx)];
    for (let c = 0; c < 2; c++) expect(Math.abs(small[near + c]! - rgba[far + c]!)).toBeLessThan(6);
  });

  it('a quarter turn is one, four are none; a mirror twice is none', () => {
    const start: Reframe = { lines: LINES, orientation, tiltDeg: 0 };
    const [before, after] = [start, turnedQuarter(start)].map((r) => developOut(reframed(place, r), 1)) as [
      ReturnType<typeof developOut>,
      ReturnType<typeof developOut>,
    ];
    expect([after.width, after.height]).toEqual([before.height, before.width]);
    // Clockwise: what was at the left below is at the left above.
    const pixel = (of: typeof before, x: number, y: number) => [
      ...of.rgba.subarray(4 * (y * of.width + x), 4 * (y * of.width + x) + 3),
    ];
    expect(pixel(after, 0, 0)).toEqual(pixel(before, 0, before.height - 1));
    expect(pixel(after, after.width - 1, 0)).toEqual(pixel(before, 0, 0));
    const flipped = developOut(reframed(place, mirrored(start)), 1);
    expect(pixel(flipped, 0, 0)).toEqual(pixel(before, before.width - 1, 0));
    let turned = start;
    for (let i = 0; i < 4; i++) turned = turnedQuarter(turned);
    expect([turned, mirrored(mirrored(start))]).toEqual([start, start]);
  });

  it('lines are where they were after they were seen and stored again', () => {
    const part = { x: 4, y: 6, width: 80, height: 50 };
    const start: Reframe = { lines: LINES, orientation, tiltDeg: 0 };
    expect(linesStored(part, linesSeen(part, start), orientation)).toEqual(LINES);
  });

  it('a line that was drawn comes out level', () => {
    for (const deg of [-20, -3, 8, 30, 75, 95, 185]) {
      const angle = (deg * Math.PI) / 180;
      const tilt = levelled(
        [
          { x: 10, y: 10 },
          { x: 10 + 50 * Math.cos(angle), y: 10 + 50 * Math.sin(angle) },
        ],
        orientation,
      );
      // Lines turned as the seen line lies make it level: seen, they are turned by the same angle, modulo a quarter.
      const seen = [2, 4, 5, 7].includes(orientation) ? -tilt : tilt;
      expect(((((deg - seen) % 90) + 135) % 90) - 45).toBeCloseTo(0, 9);
      expect(Math.abs(tilt)).toBeLessThanOrEqual(45);
    }
  });
});

describe('lines that fit', () => {
  const part = fc.record({
    x: fc.integer({ min: 0, max: 50 }),
    y: fc.integer({ min: 0, max: 50 }),
    width: fc.integer({ min: 64, max: 4000 }),
    height: fc.integer({ min: 64, max: 4000 }),
  });
  const tilt = fc.double({ min: -45, max: 45, noNaN: true });

  it('are inside, whatever was wanted, and what fits stays as it is', () => {
    const wanted = fc.record({
      x: fc.integer({ min: -5000, max: 5000 }),
      y: fc.integer({ min: -5000, max: 5000 }),
      width: fc.integer({ min: 1, max: 9000 }),
      height: fc.integer({ min: 1, max: 9000 }),
    });
    fc.assert(
      fc.property(part, wanted, tilt, (whole, lines, deg) => {
        const found = fitted(whole, lines, deg);
        expect(holds(whole, found, deg)).toBe(true);
        expect(found.width >= 1 && found.height >= 1).toBe(true);
        if (holds(whole, lines, deg) && Math.min(lines.width, lines.height) >= 16 && deg === 0)
          expect(found).toEqual(lines);
      }),
    );
  });

  it('of a shape are as large as the part lets them be', () => {
    fc.assert(
      fc.property(part, fc.constantFrom(1, 4 / 3, 3 / 4, 16 / 9, 65 / 24), tilt, (whole, ratio, deg) => {
        const found = largest(whole, whole, ratio, deg);
        expect(holds(whole, found, deg)).toBe(true);
        expect(Math.abs(found.width - found.height * ratio)).toBeLessThan(1 + ratio);
        const larger = { width: found.width * 1.1 + 4, height: found.height * 1.1 + 4 };
        const about = {
          x: found.x - (larger.width - found.width) / 2,
          y: found.y - (larger.height - found.height) / 2,
          ...larger,
        };
        const within = larger.width <= whole.width && larger.height <= whole.height;
        expect(within && holds(whole, about, deg)).toBe(false);
      }),
    );
  });
});

it('is none: the frame as it is; and one of a larger frame is refused', () => {
  expect(reframed(place, null)).toBe(place);
  expect(ownReframe(place)).toEqual({
    lines: { x: 0, y: 0, width: WIDTH, height: HEIGHT },
    orientation: 1 as Turn,
    tiltDeg: 0,
  });
  expect(() =>
    reframed(place, { lines: { x: 80, y: 0, width: 40, height: 10 }, orientation: 1, tiltDeg: 0 }),
  ).toThrow(RangeError);
  expect(seenSize(reframed(place, { lines: LINES, orientation: 6, tiltDeg: 0 }))).toEqual({
    width: 24,
    height: 36,
  });
});
