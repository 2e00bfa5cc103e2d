// Places on the screens that people hold: every part inside the room, none over another, each as large as a thumb needs, and the picture as large as
// that allows.
import fc from 'fast-check';
import { placesFor, type Places, type Rect, type Wish } from './places';

const UPRIGHT = [
  [320, 568],
  [360, 640],
  [390, 844],
  [430, 932],
  [820, 1180],
] as const;
const SIDEWAYS = [
  [568, 320],
  [667, 375],
  [844, 390],
  [932, 430],
] as const;
const WIDE = [
  [1180, 820],
  [1280, 800],
  [1920, 1080],
  [2560, 1440],
] as const;
const SIZES = [...UPRIGHT, ...SIDEWAYS, ...WIDE];

const at = ([width, height]: readonly [number, number], rest: Partial<Wish> = {}): Places =>
  placesFor({
    room: { width, height },
    aspect: width > height ? 4 / 3 : 3 / 4,
    faders: 4,
    panel: null,
    ...rest,
  });

/** The parts that stand there, by name. */
function partsOf(places: Places): [string, Rect][] {
  return Object.entries(places).filter(
    (part): part is [string, Rect] => typeof part[1] === 'object' && part[1] !== null,
  );
}

const overlap = (a: Rect, b: Rect) =>
  Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x) > 0.01 &&
  Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y) > 0.01;

/** What is wrong with places: what lies outside, what lies over what. */
function troubles(places: Places, { width, height }: Wish['room']): string[] {
  const parts = partsOf(places);
  const found = parts
    .filter(
      ([, { x, y, ...size }]) =>
        x < -0.01 || y < -0.01 || x + size.width > width + 0.01 || y + size.height > height + 0.01,
    )
    .map(([name]) => `${name} lies outside`);
  for (const [i, [name, a]] of parts.entries())
    for (const [other, b] of parts.slice(i + 1)) {
      const meant =
        name === 'picture' &&
        ((other === 'stopline' && places.over) || (other === 'tools' && places.tools?.of === 'foot'));
      if (!meant && overlap(a, b)) found.push(`${name} and ${other} lie over one another`);
    }
  return found;
}

describe.each(SIZES)('at %d × %d', (width, height) => {
  it.each([4, 5, 6, 7])('%d faders, with and without a panel, for either hand', (faders) => {
    for (const panel of [null, 'desk', 'picture'] as const)
      for (const hand of ['right', 'left'] as const) {
        const places = at([width, height], { faders, panel, hand });
        expect(troubles(places, { width, height })).toEqual([]);
        const { rows, ...box } = places.faders;
        const inRow = Math.ceil(faders / rows);
        // A value of 18 px is whole in 46, under it a track of 44 px and more.
        expect((box.width - 4 * (inRow - 1)) / inRow).toBeGreaterThanOrEqual(46);
        expect((box.height - 4 * (rows - 1)) / rows - 66).toBeGreaterThanOrEqual(44);
        expect(places.release.height).toBeGreaterThanOrEqual(68);
        expect(places.stopline.height).toBeGreaterThanOrEqual(60);
        if (panel) expect(places.panel!.height).toBeGreaterThanOrEqual(faders > 5 ? 130 : 170);
        if (panel) expect(places.panel!.width).toBeGreaterThanOrEqual(faders > 5 ? 200 : 280);
      }
  });

  it('the picture is as wide or as high as the parts beside it let it be', () => {
    const { kind, picture, head, release, stopline, faders } = at([width, height]);
    if (kind === 'sideways')
      expect(picture.height >= height - 1 || picture.width >= release.x - 9).toBe(true);
    else if (kind === 'wide')
      expect(picture.height + 136 + 28 > height - 2 || picture.width + release.width + 36 > width - 2).toBe(
        true,
      );
    // What is not the picture's is no more than its parts need.
    else if (picture.width < width)
      expect(height - picture.height).toBeLessThan(
        head.height + stopline.height + faders.height + release.height + 16,
      );
  });
});

it('at 390 × 844 the picture spans the width', () => {
  expect(at([390, 844]).picture).toEqual({ x: 0, y: 28, width: 390, height: 520 });
});

it('at 844 × 390 it spans the height, with the stopline on its foot and the desk beside it', () => {
  const { kind, picture, over, release } = at([844, 390]);
  expect({ kind, over, picture }).toEqual({
    kind: 'sideways',
    over: true,
    picture: { x: 0, y: 0, width: 520, height: 390 },
  });
  expect(release.x).toBeGreaterThanOrEqual(520);
  // For the left hand all of it stands the other way round.
  const left = at([844, 390], { hand: 'left' });
  expect(left.picture.x).toBe(844 - 520);
  expect(left.release.x + left.release.width).toBeLessThanOrEqual(844 - 520);
});

it('a picture of another shape has its own, and what it leaves free is put to use', () => {
  const lying = at([390, 844], { aspect: 16 / 9 });
  expect(lying.picture).toMatchObject({ width: 390, height: 219 });
  expect(lying.tools?.of).toBe('row');
});

it('seven faders on a small phone stand in two rows', () => {
  expect(at([320, 568], { faders: 7 }).faders.rows).toBe(2);
  expect(at([390, 844], { faders: 7 }).faders.rows).toBe(1);
});

it('with text twice as large all parts are there, larger', () => {
  const room = { width: 390, height: 844 };
  const usual = at([390, 844]);
  const large = at([390, 844], { text: 2 });
  expect(troubles(large, room)).toEqual([]);
  expect(large.head).toMatchObject({ lines: 2, height: 4 * usual.head.height });
  expect(large.faders.height).toBeGreaterThan(usual.faders.height);
  expect(large.picture.height).toBeGreaterThan(140);
});

it('holds for any room from the smallest phone on', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 320, max: 2560 }),
      fc.integer({ min: 320, max: 1600 }),
      fc.integer({ min: 1, max: 7 }),
      fc.constantFrom(3 / 4, 1, 4 / 3, 16 / 9, 9 / 16),
      fc.constantFrom(null, 'desk', 'picture'),
      (width, height, faders, aspect, panel) => {
        // A room that is lower than it is wide, or higher than a small phone.
        fc.pre(width > height ? width >= 560 : height >= 560);
        expect(troubles(at([width, height], { aspect, faders, panel }), { width, height })).toEqual([]);
      },
    ),
    { numRuns: 400 },
  );
});
