// White as a setting: its steps, its words in the terminal, what Exif says of it, what an earlier version kept.
import { opticOfCamera } from '../sensor/cameras';
import { SIM_ONE_WIDE } from '../sensor/sim-one';
import { nearestStep, WHITE_LADDER } from '../units/ladders';
import { tintsOn, USUAL_LIGHTS, usualLightOf, white, whiteByHand, whiteOn, whiteStepsOn } from './white';

const optic = opticOfCamera(SIM_ONE_WIDE);
const parse = (text: string) => white.options![0]!.parse(text, white.initial, optic);

const messageOf = (act: () => unknown): string => {
  try {
    return `none: ${JSON.stringify(act())}`;
  } catch (error) {
    return (error as Error).message;
  }
};

describe('its ladder', () => {
  it('goes from 2000 to 12 000 K in steps that are even in mired', () => {
    const mireds = WHITE_LADDER.map(({ exact }) => 1e6 / exact);
    expect([WHITE_LADDER[0]!.exact, Math.round(WHITE_LADDER.at(-1)!.exact)]).toEqual([2000, 12000]);
    mireds.slice(1).forEach((m, i) => expect(mireds[i]! - m).toBeCloseTo(25 / 3, 9));
    expect(new Set(WHITE_LADDER.map(({ label }) => label)).size).toBe(WHITE_LADDER.length);
  });
  it('finds the nearest in mired, and its ends beyond them', () => {
    WHITE_LADDER.forEach(({ exact }, i) => expect(nearestStep(WHITE_LADDER, exact)).toBe(i));
    expect([nearestStep(WHITE_LADDER, 900), nearestStep(WHITE_LADDER, 90000)]).toEqual([
      0,
      WHITE_LADDER.length - 1,
    ]);
  });
});

it('an optic offers what it can be balanced for: tints by the temperature, temperatures by the tint', () => {
  expect(whiteStepsOn(optic, 10)).toEqual({ ladder: WHITE_LADDER, skipped: 0 });
  const { ladder, skipped } = whiteStepsOn(optic, 60);
  expect(skipped).toBeGreaterThan(0);
  expect(ladder).toEqual(WHITE_LADDER.slice(skipped));
  const kelvin = ladder[0]!.exact;
  expect(tintsOn(optic, kelvin).high).toBeGreaterThanOrEqual(60);
  expect(tintsOn(optic, WHITE_LADDER[skipped - 1]!.exact).high).toBeLessThan(60);
  expect(whiteOn(optic, { kelvin: 2000, tint: 60 })).toEqual({
    auto: false,
    exact: 2000,
    tint: tintsOn(optic, 2000).high,
  });
  // One that does not tell its colours offers all.
  expect(tintsOn({}, 2000)).toEqual({ low: -150, high: 150 });
});

describe('in the terminal', () => {
  it.each([
    ['5200,+3', { auto: false, exact: 5200, tint: 3 }],
    ['5200,-3', { auto: false, exact: 5200, tint: -3 }],
    ['5200K', { auto: false, exact: 5200, tint: 0 }],
    ['tungsten', { auto: false, exact: 2856, tint: 0 }],
    ['auto', { ...white.initial, auto: true }],
  ])('%s', (text, value) => expect(parse(text)).toEqual(value));
  it.each(['', '1999', '12001', '5200,151', '5200,x', 'NaN', '-5200', 'candle'])('is not %j', (text) => {
    expect(() => parse(text)).toThrow(/--white is auto, tungsten/);
  });
  it.each(['2000,+60', '2300,+80', '2500,+150', '2856,+150'])(
    'is not %s, of which the sensor makes no grey: the tints that it may be are told',
    (text) => {
      const [, high] = /at \d+ K the tint may be -150 to (\d+)/.exec(messageOf(() => parse(text))) ?? [];
      expect(parse(text.replace(/,.*/, `,+${high}`)).tint).toBe(Number(high));
    },
  );
});

describe('in Exif (CIPA DC-008)', () => {
  it('is automatic or by hand, with the code of a usual light', () => {
    expect(white.exif!(white.initial, {})).toEqual({ WhiteBalance: 0 });
    expect(USUAL_LIGHTS.map((light) => white.exif!(whiteByHand(light), {}).LightSource)).toEqual([
      3, 2, 1, 4, 10, 11,
    ]);
    expect(white.exif!({ auto: false, exact: 5200, tint: 3 }, {})).toEqual({
      WhiteBalance: 1,
      LightSource: 255,
    });
    expect(white.exif!(undefined, {})).toEqual({});
  });
  it('a light is the usual one only at its own temperature and tint', () => {
    expect(usualLightOf({ exact: 5503, tint: 10 })?.id).toBe('daylight');
    expect(usualLightOf({ exact: 5503, tint: 20 })).toBeUndefined();
  });
});

it('says in words what was set, and keeps what an earlier version kept', () => {
  expect(white.words({ auto: false, exact: 5200, tint: -3 })).toBe('5200 K, tint −3');
  expect(white.words(white.initial)).toBe('automatic');
  expect(white.forward!({ auto: true, exact: 5300 })).toEqual({ auto: true, exact: 5300, tint: 0 });
  expect(white.forward!('x')).toBe('x');
  expect(white.settled!({ auto: false, exact: 500, tint: 999 })).toEqual({
    auto: false,
    exact: 2000,
    tint: 150,
  });
});
