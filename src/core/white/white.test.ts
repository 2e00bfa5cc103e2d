// White from the sensor's numbers: a grid of colours, the automatic and how it follows, a ring on a thing, two lights in a frame.
import { neutralOfWhite } from '../colour/calibrated';
import { colourOfNeutral, colourOfWhite } from '../colour/camera';
import { answer, spectrumOfLight, type LightKind } from '../colour/spectra';
import { xyOfWhite, type WhitePoint } from '../colour/temperature';
import type { Vec3 } from '../numeric/matrix';
import { SIM_COLOUR } from '../sensor/sim-colour';
import { automaticWhite } from './automatic';
import { colourGrid } from './colour-grid';
import { whiteFollower } from './follow';
import { board, DAYLIGHT, FILAMENT, madeFrame, QUIET, type Place } from './made-frame';
import { mixedLight } from './mixed';
import { readRing, RING_RADII, type RingReading } from './ring';

const { matrices, sensitivities } = SIM_COLOUR;
const GREY: Vec3 = [0.5, 0.5, 0.5];

/** What a white surface in that light is to the camera. */
function truth(light: LightKind): WhitePoint {
  const power = spectrumOfLight(light);
  return colourOfNeutral(matrices, sensitivities.map((site) => answer(site, power)) as unknown as Vec3).white;
}
const off = (a: WhitePoint, b: WhitePoint) => Math.abs(1e6 / a.kelvin - 1e6 / b.kelvin);
const automatic = (place: Place, options?: Parameters<typeof madeFrame>[1]) => {
  const frame = madeFrame(place, options);
  return automaticWhite(matrices, colourGrid(frame, QUIET));
};

describe('the grid of colours', () => {
  it('is the same whichever site the mosaic begins with', () => {
    const [a, b] = (
      [
        [0, 0],
        [1, 1],
      ] as const
    ).map((phase) => colourGrid(madeFrame(board(DAYLIGHT), { phase, width: 96, height: 72 }), QUIET));
    expect([a!.width, a!.height]).toEqual([48, 36]);
    for (const c of ['red', 'green', 'blue'] as const)
      a![c].forEach((v, i) => expect(Math.abs(v - b![c][i]!)).toBeLessThan(2));
  });

  it('leaves out what is clipped, and what is not clear of the noise', () => {
    const frame = madeFrame((x) => ({
      surface: GREY,
      light: DAYLIGHT,
      level: x < 0.25 ? 4 : x < 0.5 ? 0.0005 : 1,
    }));
    const { good, width } = colourGrid(frame, { shot: 0.35, read: 9 });
    const at = (x: number) => good[Math.floor(x * width) + 10 * width];
    expect([at(0.1), at(0.4), at(0.9)]).toEqual([0, 0, 1]);
  });

  it('of a tiny frame is what there is', () => {
    const { width, height, good } = colourGrid(madeFrame(board(DAYLIGHT), { width: 4, height: 2 }), QUIET);
    expect([width, height, good.length]).toEqual([2, 1, 2]);
  });
});

describe('the automatic', () => {
  it.each([
    ['daylight', DAYLIGHT],
    ['shade', { kind: 'daylight', kelvin: 9000 }],
    ['a filament', FILAMENT],
    ['a tube', { kind: 'F2' }],
    ['evening sun', { kind: 'daylight', kelvin: 4600 }],
  ] as const)('finds %s within 12 mired and 5 of tint where grey things are, and is sure', (_, light) => {
    const { colour, sure } = automatic(board(light));
    expect(off(colour.white, truth(light))).toBeLessThan(12);
    expect(Math.abs(colour.white.tint - truth(light).tint)).toBeLessThan(5);
    expect(sure).toBe(true);
  });

  it('does not care how bright it is', () => {
    const [bright, dark] = [1.2, 0.1].map((level) =>
      automatic((x, y) => ({ ...board(FILAMENT)(x, y), level })),
    );
    expect(off(bright!.colour.white, dark!.colour.white)).toBeLessThan(4);
  });

  it('guesses where nothing is grey, and takes no green meadow for a light', () => {
    const { colour, sure } = automatic((x) => ({
      surface: x < 0.5 ? [0.05, 0.3, 0.02] : [0.1, 0.5, 0.05],
      light: DAYLIGHT,
    }));
    expect(sure).toBe(false);
    expect(Math.abs(colour.white.tint)).toBeLessThan(60);
  });

  it.each([
    ['black', 0],
    ['burnt all over', 50],
  ])('of a frame that is %s guesses daylight', (_, level) => {
    const { colour, sure } = automatic(() => ({ surface: GREY, light: FILAMENT, level }));
    expect([Math.round(colour.white.kelvin), sure]).toEqual([5500, false]);
  });
});

describe('the finder’s white', () => {
  const AUTO = { auto: true, exact: 5503, tint: 10 };
  const day = madeFrame(board(DAYLIGHT));
  const warm = madeFrame(board(FILAMENT));
  const frame = (of: typeof day) => of as unknown as Parameters<ReturnType<typeof whiteFollower>['next']>[0];

  it('by hand is what was set, and the same colour for as long as it is', () => {
    const follower = whiteFollower(matrices);
    const set = { auto: false, exact: 3300, tint: -7 };
    const one = follower.next(frame(day), set, false);
    expect([one.by, one.colour.white]).toEqual(['hand', { kelvin: 3300, tint: -7 }]);
    expect(follower.next(frame(day), set, false).colour).toBe(one.colour);
    expect(off(one.measured!, truth(DAYLIGHT))).toBeLessThan(12);
  });

  it('is there with the first frame, follows another light in under a second, and then rests', () => {
    const follower = whiteFollower(matrices);
    const first = follower.next(frame(day), AUTO, false);
    expect(off(first.colour.white, truth(DAYLIGHT))).toBeLessThan(12);
    const course = Array.from({ length: 48 }, () => follower.next(frame(warm), AUTO, false).colour);
    const mireds = course.map(({ white }) => 1e6 / white.kelvin);
    // It comes from one side and does not hunt.
    mireds.forEach((m, i) => expect(i === 0 || m >= mireds[i - 1]! - 1e-9).toBe(true));
    expect(off(course[23]!.white, truth(FILAMENT))).toBeLessThan(12);
    expect(new Set(course.slice(30)).size).toBe(1);
  });

  it('stays where it is while the exposure is locked', () => {
    const follower = whiteFollower(matrices);
    const before = follower.next(frame(day), AUTO, false).colour;
    const held = Array.from({ length: 20 }, () => follower.next(frame(warm), AUTO, true));
    expect(held.every(({ colour, by }) => colour === before && by === 'held')).toBe(true);
    expect(follower.next(frame(warm), AUTO, false).by).not.toBe('held');
  });
});

describe('a ring', () => {
  const RING = { at: { x: 0.5, y: 0.5 }, radius: 0.05 };
  const read = (place: Place, ring = RING, full = 2400): RingReading =>
    readRing(madeFrame(place, { full }), matrices, ring, { shot: 0.35, read: 3 });
  const on =
    (surface: Vec3, light: LightKind, level = 1): Place =>
    () => ({ surface, light, level });

  it.each([
    ['a grey card by day', GREY, DAYLIGHT],
    ['white paper under a filament', [0.9, 0.9, 0.9], FILAMENT],
    ['a grey card under a tube', GREY, { kind: 'F2' }],
  ] as const)('on %s gives the white of its light', (_, surface, light) => {
    const reading = read(on(surface, light));
    expect(reading).toMatchObject({ kind: 'white', warnings: [] });
    if (reading.kind !== 'white') return;
    expect(off(reading.white, truth(light))).toBeLessThan(1);
    expect(reading.spread).toBeLessThan(0.5);
  });

  it('refuses what is clipped, and says which channel', () => {
    expect(read(on(GREY, DAYLIGHT, 4))).toEqual({
      kind: 'refused',
      why: expect.stringMatching(/^Green( and blue)? (is|are) clipped/),
    });
    expect(read(on(GREY, FILAMENT, 50))).toEqual({
      kind: 'refused',
      why: 'Red, green and blue are clipped there',
    });
  });

  it('refuses what is too dark, and says which channel', () => {
    expect(read(on(GREY, FILAMENT, 0.08))).toEqual({ kind: 'refused', why: 'Too dark: blue is under 20 dB' });
    expect(read(on(GREY, FILAMENT, 0))).toEqual({
      kind: 'refused',
      why: expect.stringMatching(/Too dark: red and green and blue/),
    });
  });

  it('warns of an area of several colours, not of light and shade', () => {
    const two: Place = (x) => ({ surface: x < 0.5 ? [0.5, 0.45, 0.4] : [0.4, 0.45, 0.5], light: DAYLIGHT });
    expect(read(two)).toMatchObject({
      kind: 'white',
      warnings: [expect.stringMatching(/Not of one colour/)],
    });
    const shade: Place = (x) => ({ surface: GREY, light: DAYLIGHT, level: x < 0.5 ? 1 : 0.5 });
    expect(read(shade)).toMatchObject({ kind: 'white', warnings: [] });
  });

  it('warns of what lies off any usual light, and refuses the colour of none', () => {
    expect(read(on([0.35, 0.5, 0.35], DAYLIGHT))).toMatchObject({
      kind: 'white',
      warnings: [expect.stringMatching(/Off any usual light: green, Duv 0\.0/)],
    });
    expect(read(on([0.05, 0.6, 0.02], DAYLIGHT))).toMatchObject({
      kind: 'refused',
      why: expect.stringMatching(/no light/),
    });
  });

  it('at the edge reads what is inside, and outside of the picture nothing', () => {
    expect(read(on(GREY, DAYLIGHT), { at: { x: 0, y: 1 }, radius: 0.05 })).toMatchObject({ kind: 'white' });
    expect(read(on(GREY, DAYLIGHT), { at: { x: 3, y: 3 }, radius: RING_RADII.least })).toEqual({
      kind: 'refused',
      why: 'The ring lies outside of the picture',
    });
  });
});

describe('two lights', () => {
  const lit =
    (share: number): Place =>
    (x, y) =>
      board(x < share ? FILAMENT : DAYLIGHT, 40)(x, y);
  const mixed = (place: Place) => mixedLight(matrices, colourGrid(madeFrame(place), QUIET));

  it('are told with their temperatures and shares, and where each is', () => {
    const found = mixed(lit(0.4))!;
    expect(off(found.warmer, truth(FILAMENT))).toBeLessThan(20);
    expect(off(found.cooler, truth(DAYLIGHT))).toBeLessThan(20);
    expect(Math.abs(found.warmerShare - 0.4)).toBeLessThan(0.12);
    const right = found.fields.filter((_, i) => i % found.across > found.across / 2);
    expect(right.filter((field) => field === 1).length / right.length).toBeGreaterThan(0.9);
  });

  it.each([
    ['one light', () => board(DAYLIGHT)],
    ['a second light on less than a tenth', () => lit(0.06)],
    [
      'lights nearer than 40 mired',
      (): Place => (x, y) => board({ kind: 'daylight', kelvin: x < 0.5 ? 6000 : 6800 })(x, y),
    ],
    [
      'a dark brown bench in the lower half',
      (): Place => (x, y) =>
        y < 0.6
          ? board(DAYLIGHT, 40)(x, y)
          : {
              surface: y * 40 - Math.floor(y * 40) < 0.5 ? [0.2, 0.12, 0.07] : [0.16, 0.1, 0.06],
              light: DAYLIGHT,
            },
    ],
    ['nothing to be seen', (): Place => () => ({ surface: GREY, light: DAYLIGHT, level: 0 })],
  ])('are not told of %s', (_, place) => expect(mixed(place())).toBeNull());
});

it('white by hand is the neutral of its light by the camera’s matrices', () => {
  const white = { kelvin: 4100, tint: 12 };
  expect(colourOfWhite(matrices, white).asShotNeutral).toEqual(neutralOfWhite(matrices, xyOfWhite(white)));
});
