// What is said of two frames, against frames that were made with just that difference; numbers by brute force; phase correlation to a tenth of a site.
import * as fc from 'fast-check';
import { LONG } from '../../../tests/sweep';
import { nextUint32, randomFrom } from '../numeric/random';
import type { BayerPhase, NoiseModel } from '../sensor/raw-frame';
import { isUnknown } from '../units/known';
import { lightBetween, movedBetween, noiseOf, numbersBetween, placeFigures, steeper } from './difference';
import { greenPlane } from './green-plane';

const NOISE: NoiseModel = { shot: 0.4, read: 4 };
const [BLACK, WHITE] = [256, 4095];

interface Made {
  readonly dx?: number;
  readonly dy?: number;
  readonly gain?: number;
  /** Width of a bell that blurs, sites. */
  readonly blur?: number;
  readonly seed?: number;
  readonly noise?: NoiseModel | null;
  readonly phase?: BayerPhase;
  readonly side?: number;
  /** Another number is a picture of something else. */
  readonly thing?: number;
  /** Discs of light that clip, blurred as the rest is. */
  readonly glare?: boolean;
}

/** Bells of light on an even ground, under a bell of blur: their shift and their blur are known exactly. */
function frame({
  dx = 0,
  dy = 0,
  gain = 1,
  blur = 0,
  seed = 1,
  noise = NOISE,
  phase = [0, 0],
  side = 384,
  thing = 99,
  glare = false,
}: Made) {
  const shape = randomFrom(thing);
  const uniform = () => nextUint32(shape) / 2 ** 32;
  const light = new Float32Array(side * side).fill(400);
  for (let n = 0; n < 500; n++) {
    const [cx, cy] = [(1.2 * uniform() - 0.1) * side + dx, (1.2 * uniform() - 0.1) * side + dy];
    const own = (2 + 10 * uniform() ** 2) ** 2;
    const wide = own + blur * blur;
    const height = (500 * uniform() ** 2 * own) / wide;
    const reach = 4 * Math.sqrt(wide);
    const [left, right] = [Math.max(0, Math.ceil(cx - reach)), Math.min(side, cx + reach)];
    const across = Array.from({ length: Math.max(0, Math.ceil(right - left)) }, (_, i) =>
      Math.exp(-((left + i - cx) ** 2) / (2 * wide)),
    );
    for (let y = Math.max(0, Math.ceil(cy - reach)); y < Math.min(side, cy + reach); y++) {
      const here = height * Math.exp(-((y - cy) ** 2) / (2 * wide));
      for (let i = 0; i < across.length; i++) light[y * side + left + i]! += here * across[i]!;
    }
  }
  if (glare)
    for (const [cx, cy, radius] of [
      [150, 160, 9],
      [230, 205, 4],
      [180, 250, 14],
    ] as const)
      for (let i = 0; i < light.length; i++) {
        const away = Math.hypot((i % side) - cx - dx, Math.floor(i / side) - cy - dy) - radius;
        // The flank of a wide disc under a bell: its integral, by a logistic curve within 1 % (its constant is from memory).
        light[i]! += 40_000 / (1 + Math.exp((1.702 * away) / Math.hypot(0.7, blur)));
      }
  const chance = randomFrom(seed, 5);
  const draw = () => (nextUint32(chance) + 0.5) / 2 ** 32;
  const normal = () => Math.sqrt(-2 * Math.log(draw())) * Math.cos(2 * Math.PI * draw());
  const data = new Uint16Array(side * side);
  for (let i = 0; i < data.length; i++) {
    const signal = Math.max(0, gain * light[i]!);
    const spread = noise ? Math.sqrt(noise.shot * signal + noise.read) : 0;
    data[i] = Math.max(0, Math.min(WHITE, Math.round(BLACK + signal + spread * normal())));
  }
  return {
    layout: 'cfa' as const,
    width: side,
    height: side,
    phase,
    data,
    black: BLACK,
    white: WHITE,
    noise,
  };
}

const MIDDLE = { x: 192, y: 192 };
const known = <T>(value: T) => value as Exclude<T, { unknown: string }>;

describe('numbers', () => {
  it('are counted as brute force counts them', () => {
    fc.assert(
      fc.property(
        fc.uint16Array({ minLength: 16, maxLength: 16 }),
        fc.uint16Array({ minLength: 16, maxLength: 16 }),
        (one, two) => {
          const of = (data: Uint16Array) => ({ ...frame({ side: 2 }), width: 4, height: 4, data });
          const by = [...one].map((v, i) => Math.abs(v - two[i]!));
          expect(numbersBetween(of(one), of(two))).toEqual({
            differ: by.filter((v) => v !== 0).length,
            of: 16,
            most: Math.max(...by),
          });
        },
      ),
    );
  });

  it('of frames of other sizes or kinds are not compared', () => {
    const [a, b] = [frame({ side: 16 }), frame({ side: 18 })];
    expect(numbersBetween(a, b)).toEqual({ unknown: expect.stringContaining('16 × 16 and 18 × 18') });
    const rgb = {
      layout: 'rgb' as const,
      width: 16,
      height: 16,
      data: new Uint16Array(768),
      black: 0,
      white: 255,
    };
    expect(isUnknown(numbersBetween(a, rgb))).toBe(true);
  });
});

describe('the shift of the framing', () => {
  it.each([
    [0, 0],
    [0.4, -1.3],
    [7.25, 3.6],
    [-31.2, 18.75],
  ])('of %f, %f sites is found to a tenth, in noise, at another exposure', (dx, dy) => {
    found({ dx, dy });
  });

  it.each([
    [1, 0],
    [0, 1],
    [1, 1],
  ] as const)('is found in a mosaic of phase %i %i', (...phase) => {
    found({ phase, dx: 7.25, dy: 3.6, side: 256 });
  });

  function found({ dx, dy, ...rest }: Made & { dx: number; dy: number }) {
    const moved = known(movedBetween(frame(rest), frame({ ...rest, dx, dy, gain: 2, seed: 2 }), MIDDLE));
    expect(Math.abs(moved.dx - dx)).toBeLessThan(0.1);
    expect(Math.abs(moved.dy - dy)).toBeLessThan(0.1);
  }

  it('is not known of pictures of two things, however strong their edges', () => {
    for (const other of [3, 4, 5])
      expect(isUnknown(movedBetween(frame({}), frame({ thing: other }), MIDDLE))).toBe(true);
  });

  it('is not known of two frames without anything, or of other sizes', () => {
    const dark = { ...frame({ side: 64 }), data: new Uint16Array(64 * 64).fill(BLACK) };
    expect(isUnknown(movedBetween(dark, dark, { x: 32, y: 32 }))).toBe(true);
    expect(isUnknown(movedBetween(frame({ side: 64 }), frame({ side: 66 }), { x: 0, y: 0 }))).toBe(true);
  });
});

describe('light', () => {
  it.each([-2, -1 / 3, 0, 1, 2])('of %f EV more is told within a fiftieth of a stop', (ev) => {
    const [a, b] = [frame({}), frame({ gain: 2 ** ev, seed: 3, dx: 6, dy: -4 })];
    expect(known(lightBetween(a, b, movedBetween(a, b, MIDDLE)))).toBeCloseTo(ev, 1.7);
    const [one, two] = [placeFigures(a, MIDDLE), placeFigures(b, MIDDLE)].map(known);
    expect(two!.lightEv - one!.lightEv).toBeCloseTo(ev, 1);
  });

  it('is not told of what is clipped or black', () => {
    const white = { ...frame({ side: 64 }), data: new Uint16Array(64 * 64).fill(WHITE) };
    expect(isUnknown(lightBetween(white, white, { dx: 0, dy: 0 }))).toBe(true);
    expect(placeFigures(white, { x: 32, y: 32 })).toEqual({ unknown: 'the place is clipped' });
    const black = { ...frame({ side: 64 }), data: new Uint16Array(64 * 64).fill(BLACK) };
    expect(known(placeFigures(black, { x: 32, y: 32 }))).toMatchObject({
      lightEv: -Infinity,
      snrDb: -Infinity,
    });
  });
});

describe('edges', () => {
  const at = (made: Made) => known(placeFigures(frame(made), MIDDLE));
  /** Where both show them. */
  const both = (one: Made, two: Made) => {
    const [a, b] = [one, two].map((made) => ({ image: frame(made), at: MIDDLE }));
    const [of, than] = [placeFigures(a!.image, MIDDLE, b), placeFigures(b!.image, MIDDLE, a)].map(known);
    return known(steeper(of!, than!));
  };

  it('are as steep at any exposure, and less so the wider the blur', () => {
    const sharp = at({});
    for (const gain of [0.25, 0.5, 2, 4]) {
      const { times, error } = both({}, { gain, seed: 4 });
      expect(Math.abs(times - 1)).toBeLessThan(4 * error + 0.02);
    }
    const blurred = [1, 2, 4, 8].map((blur) => known(steeper(sharp, at({ blur, seed: 5 }))).times);
    for (const [i, times] of blurred.entries()) expect(times).toBeLessThan(blurred[i - 1] ?? 1);
  });

  it('lose by a bell of blur what the same picture without noise loses', () => {
    const slope = (blur: number) => known(placeFigures(frame({ blur, noise: null }), MIDDLE)).edges.value;
    for (const blur of [2, 4]) {
      const told = known(steeper(at({}), at({ blur, seed: 6 })));
      expect(Math.abs(told.times - Math.sqrt(slope(blur) / slope(0)))).toBeLessThan(4 * told.error + 0.03);
    }
  });

  it.each([1, 2, 4])(
    'beside what is clipped are as much less steep under a bell of %d sites as without it',
    (blur) => {
      const plain = both({}, { blur, seed: 6 });
      const beside = both({ glare: true }, { glare: true, blur, seed: 7 });
      // What is left is another part of the place: the error says how far that may be off.
      expect(Math.abs(beside.times - plain.times)).toBeLessThan(3 * Math.hypot(beside.error, plain.error));
      // What is left is less, and so is what is known by it.
      expect(beside.error).toBeGreaterThan(plain.error);
    },
  );

  it('of an even ground are none, however bright what lies beside what is clipped', () => {
    const made = frame({ blur: 1e3 });
    const side = made.width;
    for (let y = 90; y < side - 60; y += 60)
      for (let x = 90; x < side - 60; x += 60)
        for (let v = -13; v <= 13; v++)
          for (let u = -13; u <= 13; u++) {
            const away = Math.hypot(u, v);
            if (away < 13) made.data[(y + v) * side + x + u] = away < 4 ? WHITE : 3500 + ((u + 13 * v) % 40);
          }
    for (const image of [made, { ...made, noise: null }]) {
      const { edges } = known(placeFigures(image, MIDDLE));
      expect(edges.error).toBeLessThan(Infinity);
      expect(Math.abs(edges.value)).toBeLessThan(5 * edges.error);
    }
  });

  it('are not told where chance is all there is', () => {
    const flat = (seed: number) => {
      const made = frame({ seed, side: 300, blur: 1e3 });
      return known(placeFigures(made, MIDDLE));
    };
    for (let seed = 1; seed < (LONG ? 12 : 3); seed++)
      expect(isUnknown(steeper(flat(seed), flat(seed + 50)))).toBe(true);
  });
});

describe('noise', () => {
  it('of a place is the file’s own, or as measured where that does not tell', () => {
    const made = frame({ side: 300, blur: 1e3 });
    const told = known(placeFigures(made, MIDDLE));
    const measured = known(placeFigures({ ...made, noise: null }, MIDDLE));
    expect([told.noise, measured.noise]).toEqual(['told', 'measured']);
    // 400 DN of signal and a little: 20·log10(400 / √(0.4·400 + 4)) = 29.9 dB.
    expect(Math.abs(told.snrDb - 29.9)).toBeLessThan(1);
    expect(measured.snrDb).toBeCloseTo(told.snrDb, 0);
    expect(noiseOf(greenPlane(made, { x: 0, y: 0, width: 300, height: 300 })) * (WHITE - BLACK)).toBeCloseTo(
      Math.sqrt((NOISE.shot * 400 + NOISE.read) / 2),
      0,
    );
  });
});
