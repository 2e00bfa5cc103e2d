// Lamps in time, the hand, what turns, and the sky: against what their definitions and the handbooks of the field say.
import { PLAIN_LAMP } from '../sensor/sensitivities';
import fc from 'fast-check';
import { FAR_M } from '../units/ladders';
import { noise3, octavesFor } from './grain';
import { levelsOf, meanFactor, OPENING } from './outside';
import { kernelOf, shakePath, type Steadiness } from './shake';
import { shakeSize } from './shake-size';
import { plateShareOf, poseOf } from './space';
import { decodeSpace, encodeSpace } from './space-codec';
import { meanOverArc, meanOverDisc, spinMarks, spinRow } from './spin';
import { SIDEREAL_RAD_S, skyAxes, starDirection, starsOf } from './stars';
import { heldFocusM } from './view';
import { SIM_ONE } from '../sensor/sim-one';
import { OPEN_SKY_M } from './scene';

describe('a lamp on the mains', () => {
  const tube = { kind: 'mains', hz: 100, depth: 0.5 } as const;
  it('gives its mean over whole periods, whenever they begin', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 50, noNaN: true }),
        fc.integer({ min: 1, max: 40 }),
        (start, n) => {
          expect(meanFactor(tube, start, n / 100)).toBeCloseTo(1, 6);
        },
      ),
    );
  });
  it('varies by its depth over a time far shorter than a period', () => {
    expect(meanFactor(tube, 0, 1e-5)).toBeCloseTo(1.5, 3);
    expect(meanFactor(tube, 0.005, 1e-5)).toBeCloseTo(0.5, 3);
  });
  it('is the mean of its moments', () => {
    const parts = Array.from({ length: 500 }, (_, i) =>
      meanFactor(tube, 0.3 + ((i + 0.5) / 500) * 0.0033, 1e-7),
    );
    const mean = parts.reduce((a, b) => a + b) / parts.length;
    expect(meanFactor(tube, 0.3, 0.0033)).toBeCloseTo(mean, 3);
  });
});

describe('a flame', () => {
  const fire = { kind: 'flame', depth: 0.2 } as const;
  it('never goes out, varies by its depth in the long run, and is steadier the longer one looks', () => {
    const spread = (durationS: number) => {
      const values = Array.from({ length: 2000 }, (_, i) => meanFactor(fire, i * 0.37, durationS));
      expect(Math.min(...values)).toBeGreaterThan(0);
      const mean = values.reduce((a, b) => a + b) / values.length;
      expect(mean).toBeCloseTo(1, 1);
      return Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / values.length);
    };
    expect(spread(1e-4)).toBeCloseTo(0.2, 1);
    expect(spread(2)).toBeLessThan(spread(1e-4) / 3);
  });
});

describe('lamps', () => {
  const lamps = [
    { ...PLAIN_LAMP, id: 'a', name: 'A', level: 0.5 },
    { ...PLAIN_LAMP, id: 'b', name: 'B', level: 1 },
  ];
  it('burn at their opening level unless arranged, and never beyond', () => {
    expect(levelsOf({ lamps }, OPENING)).toEqual([0.5, 1]);
    expect(levelsOf({ lamps }, { levels: { a: 0, b: 7 } })).toEqual([0, 1]);
    expect(levelsOf({ lamps }, { levels: { a: NaN, b: -1 } })).toEqual([0, 0]);
  });
});

const hand: Steadiness = { support: 'hand', press: 0, sinceTouchS: 60 };
const extent = (a: Float64Array) => Math.max(...a) - Math.min(...a);

describe('a hand', () => {
  /** Mean extent of both axes over many presses, rad. */
  const shake = (steadiness: Steadiness, durationS: number) => {
    let sum = 0;
    for (let seed = 0; seed < 40; seed++) {
      const { x, y } = shakePath(seed, steadiness, durationS);
      sum += Math.hypot(extent(x), extent(y)) / 40;
    }
    return sum;
  };
  it('moves the wide lens by several sites in 1/8 s, less than two at 1/125 (practice)', () => {
    const perRad = 6.9 / 0.00244;
    expect(shake(hand, 1 / 8) * perRad).toBeGreaterThan(4);
    expect(shake(hand, 1 / 8) * perRad).toBeLessThan(16);
    expect(shake(hand, 1 / 125) * perRad).toBeLessThan(2);
  });
  it('shakes more the longer and the harder one presses', () => {
    expect(shake(hand, 1 / 4)).toBeGreaterThan(shake(hand, 1 / 30) * 2);
    expect(shake({ ...hand, press: 1 }, 1 / 15)).toBeGreaterThan(shake(hand, 1 / 15) * 1.2);
  });
  it('on a tripod is still two seconds after the last touch, and before that a little unrest', () => {
    const tripod: Steadiness = { support: 'tripod', press: 0.5, sinceTouchS: 2 };
    expect(shake(tripod, 4)).toBe(0);
    const touched = shake({ ...tripod, sinceTouchS: 0 }, 1 / 4);
    expect(touched).toBeGreaterThan(0);
    expect(touched).toBeLessThan(shake(hand, 1 / 4) / 3);
  });
  it('repeats itself for a seed, and is centred', () => {
    const path = shakePath(5, hand, 0.2);
    expect(shakePath(5, hand, 0.2)).toEqual(path);
    expect(shakePath(6, hand, 0.2)).not.toEqual(path);
    expect(path.x.reduce((a, b) => a + b)).toBeCloseTo(0, 9);
  });
});

describe('a blur kernel', () => {
  it('adds up to 1, keeps the mean place and, within a third and part of a sample, the spread of its path', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 999 }),
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        (seed, t) => {
          const path = shakePath(seed, hand, t);
          const kernel = kernelOf(path, 2800, 400);
          let [sum, mx, sxx] = [0, 0, 0];
          kernel.weight.forEach((w, i) => {
            sum += w;
            mx += w * kernel.dx[i]!;
            sxx += w * (kernel.dx[i]! ** 2 + kernel.dy[i]! ** 2);
          });
          expect(sum).toBeCloseTo(1, 4);
          expect(Math.abs(mx)).toBeLessThan(0.4);
          const truth = path.x.reduce((s, v, i) => s + v * v + path.y[i]! ** 2, 0) / path.x.length;
          const spread = truth * 2800 * 2800;
          // A sample is the finest a kernel knows: for small blurs it is off by part of one.
          expect(Math.abs(sxx - spread)).toBeLessThan(0.34 * spread + 0.7);
        },
      ),
      { numRuns: 40 },
    );
  });
  it('is a single place when nothing moves, and holds its size when much does', () => {
    const still = kernelOf({ x: new Float64Array(9), y: new Float64Array(9) }, 2800, 10);
    expect([...still.dx, ...still.dy, ...still.weight]).toEqual([0, 0, 1]);
    expect(kernelOf(shakePath(3, hand, 30), 9000, 60).weight.length).toBeLessThanOrEqual(60);
  });
});

describe('the size of a hand’s blur', () => {
  const wide = 6.9 / 0.00244;
  const pressed: Steadiness = { ...hand, press: 0.5 };
  it('is what half of many presses stay under, with the middle eight tenths beside it', () => {
    const { likely, range } = shakeSize(pressed, 1);
    // By other seeds than its own.
    const sizes = Array.from({ length: 400 }, (_, i) => {
      const { x, y } = shakePath(5000 + i, pressed, 1);
      return Math.max(extent(x), extent(y));
    });
    const under = (limit: number) => sizes.filter((s) => s < limit).length / sizes.length;
    expect(Math.abs(under(likely) - 0.5)).toBeLessThan(0.08);
    expect(Math.abs(under(range[0]) - 0.1)).toBeLessThan(0.08);
    expect(Math.abs(under(range[1]) - 0.9)).toBeLessThan(0.08);
    expect(likely * wide).toBeGreaterThan(24);
    expect(likely * wide).toBeLessThan(31);
  });
  it('grows with time without a step, also between whole stops', () => {
    const sizes = Array.from({ length: 40 }, (_, i) => shakeSize(pressed, 2 ** (-8 + i / 4)).likely);
    sizes.slice(1).forEach((size, i) => {
      expect(size).toBeGreaterThan(sizes[i]!);
      expect(size / sizes[i]!).toBeLessThan(1.35);
    });
  });
  it('is nothing on a tripod that has come to rest', () =>
    expect(shakeSize({ support: 'tripod', press: 0, sinceTouchS: 2 }, 0.3)).toEqual({
      likely: 0,
      range: [0, 0],
    }));
});

describe('what turns', () => {
  const marks = spinMarks();
  it('is over a whole turn as bright as the plate says, in every row', () => {
    for (let height = 0.7; height < 1.2; height += 0.013)
      expect(meanOverArc(marks, spinRow(height, 0.05), 0.3, 1)).toBeCloseTo(1, 4);
  });
  const row = spinRow(1.0, 0.12);
  it('over whole turns shows its mean, whatever the start', () => {
    const mean = meanOverArc(marks, row, 0, 1);
    for (const turn of [0.1, 0.77, -3.2]) expect(meanOverArc(marks, row, turn, 2)).toBeCloseTo(mean, 5);
  });
  it('over an arc shows the mean of its moments; a full turn later it is the same', () => {
    const parts = Array.from({ length: 400 }, (_, i) =>
      meanOverArc(marks, row, 0.3 + (i / 400) * 0.25, 0.25 / 400),
    );
    const mean = parts.reduce((a, b) => a + b) / parts.length;
    expect(meanOverArc(marks, row, 0.3, 0.25)).toBeCloseTo(mean, 2);
    expect(meanOverArc(marks, row, 5.3, 0)).toBeCloseTo(meanOverArc(marks, row, 0.3, 0), 5);
  });
  it('are the mean over the disc of a lens out of focus: along the turn, and up and down', () => {
    const [radius, row, disc] = [0.06, 250.4, 0.012];
    // A box with the disc's variance, 12/16 of its width squared, by many places.
    const broad = disc * Math.sqrt(12 / 16);
    const [turns, rows] = [broad / (2 * Math.PI * radius), broad / ((1.04 - 0.7) / 383)];
    for (const middle of [0.12, 0.5, 0.998]) {
      let sum = 0;
      for (let i = 0; i < 200; i++)
        sum += meanOverArc(
          marks,
          Math.round(row - rows / 2 + ((i + 0.5) * rows) / 200),
          middle - turns / 2,
          turns,
        );
      expect(Math.abs(meanOverDisc(marks, row, middle, 0, disc, radius) - sum / 200)).toBeLessThan(0.01);
    }
    // In focus it is the arc alone.
    expect(meanOverDisc(marks, row, 0.4, 0.02, 0, radius)).toBeCloseTo(
      meanOverArc(marks, row, 0.39, 0.02),
      6,
    );
    const spread = (of: number) => {
      const values = Array.from({ length: 512 }, (_, i) => meanOverDisc(marks, row, i / 512, 0, of, radius));
      expect(values.reduce((a, b) => a + b) / 512).toBeCloseTo(1, 2);
      return Math.max(...values) - Math.min(...values);
    };
    expect(spread(0.004)).toBeLessThan(spread(0));
    expect(spread(0.03)).toBeLessThan(0.5 * spread(0));
    // At the axis, and wider than the table.
    expect(Math.abs(meanOverDisc(marks, 3, 0.2, 0, 5, 0) - 1)).toBeLessThan(0.1);
  });

  it('has contrast when still that a turn wipes out', () => {
    const contrast = (arc: number) => {
      const values = Array.from({ length: 64 }, (_, i) => meanOverArc(marks, row, i / 64, arc));
      return Math.max(...values) - Math.min(...values);
    };
    expect(contrast(0)).toBeGreaterThan(0.1);
    expect(contrast(1)).toBeLessThan(1e-5);
  });
});

describe('grain', () => {
  it('is smooth noise about zero that repeats itself', () => {
    let [sum, square] = [0, 0];
    for (let i = 0; i < 4000; i++) {
      const v = noise3(i * 0.37, i * 0.11, i * 0.23);
      expect(Math.abs(v)).toBeLessThanOrEqual(1);
      sum += v;
      square += v * v;
    }
    expect(Math.abs(sum / 4000)).toBeLessThan(0.05);
    expect(square / 4000).toBeGreaterThan(0.03);
    expect(noise3(1.5, 2.5, 3.5)).toBe(noise3(65.5, 66.5, 67.5));
    expect(Math.abs(noise3(4, 5, 6) - noise3(4.001, 5, 6))).toBeLessThan(0.01);
  });
  it('lies between what a site resolves and what the plate holds, in octaves that do not move with the zoom', () => {
    const site = 0.0004;
    const { inverse, weight } = octavesFor(site);
    inverse.forEach((f, k) => {
      expect(Math.log2(1000 / f) % 1).toBeCloseTo(0, 9);
      if (weight[k]! > 0.05) expect(1 / f / site).toBeGreaterThan(2.2);
    });
    expect(Math.max(...weight)).toBeGreaterThan(0.3);
    // Out of focus by ten times the grain, nothing of it is left.
    expect(Math.max(...octavesFor(site, 0.02).weight)).toBeLessThan(0.05);
  });
});

describe('stars', () => {
  it('turn at 15.041″ a second about the pole (sidereal rate)', () => {
    const axes = skyAxes({ poleElevationDeg: 40, poleAzimuthDeg: 6 });
    const star = { declination: 0, hour: 1, lux: 1, colour: [1, 1, 1] as const };
    const [a, b] = [starDirection(axes, star, 0), starDirection(axes, star, 1000)];
    const angle = Math.acos(a[0] * b[0] + a[1] * b[1] + a[2] * b[2]);
    expect(((angle / 1000) * 180 * 3600) / Math.PI).toBeCloseTo(15.041, 2);
    const pole = { ...star, declination: Math.PI / 2 };
    expect(starDirection(axes, pole, 0)).toEqual(
      starDirection(axes, pole, 5000).map((v) => expect.closeTo(v, 9)),
    );
    expect(SIDEREAL_RAD_S * 86164).toBeCloseTo(2 * Math.PI, 3);
  });
  it('are as many as on the real sky: several thousand to magnitude 6.5, a few dozen to 2 (from memory)', () => {
    const list = starsOf({ seed: 3 });
    const brighter = (m: number) => list.filter((s) => s.lux > 2.54e-6 * 10 ** (-0.4 * m)).length;
    expect(brighter(6.5)).toBeGreaterThan(5000);
    expect(brighter(6.5)).toBeLessThan(12000);
    expect(brighter(2)).toBeGreaterThan(20);
    expect(brighter(2)).toBeLessThan(100);
  });
});

describe('space', () => {
  it('puts the aim in the middle of the plate, right to the right, up to the top, nothing behind', () => {
    const pose = poseOf({ eye: [1, 2, 3], aim: [2, 2.5, 5], fieldDeg: 60 });
    expect(plateShareOf(pose, [1, 0.5, 2])).toEqual({ x: expect.closeTo(0.5, 9), y: expect.closeTo(0.5, 9) });
    expect(plateShareOf(pose, [1.4, 0.5, 1.8])!.x).toBeGreaterThan(0.5);
    expect(plateShareOf(pose, [1, 0.7, 2])!.y).toBeLessThan(0.5);
    expect(plateShareOf(pose, [-1, 0, -2])).toBeNull();
  });
  it('comes back from its packing within 0.1 %, open sky and kinds exactly', async () => {
    const size = 32;
    const distance = Float32Array.from({ length: size * size }, (_, i) =>
      i % 97 === 0 ? OPEN_SKY_M : 0.06 + ((i * 7919) % 9000) / 90,
    );
    const surface = Uint8Array.from({ length: size * size }, (_, i) => i);
    const { header, bytes } = encodeSpace({ distance, surface }, size);
    const back = await decodeSpace(header, bytes);
    back.distance.forEach((d, i) => expect(Math.abs(d / distance[i]! - 1)).toBeLessThan(0.001));
    expect(back.surface).toEqual(surface);
    await expect(decodeSpace({ ...header, size: 64 }, bytes)).rejects.toThrow(RangeError);
  });
  it('holds the focus between the closest distance and infinity; a fixed lens stays', () => {
    expect(heldFocusM(SIM_ONE.wide, 0.01)).toBe(0.12);
    expect(heldFocusM(SIM_ONE.wide, FAR_M)).toBe(Infinity);
    expect(heldFocusM(SIM_ONE['ultra-wide'], 5)).toBe(SIM_ONE['ultra-wide'].lens.fixedFocusM);
  });
});
