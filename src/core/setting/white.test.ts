// White as a setting: its steps, its words in the terminal, what Exif says of it, what an earlier version kept.
import { opticOfCamera } from '../sensor/cameras';
import { SIM_ONE_WIDE } from '../sensor/sim-one';
import { nearestStep, WHITE_LADDER } from '../units/ladders';
import { USUAL_LIGHTS, usualLightOf, white, whiteByHand } from './white';

const optic = opticOfCamera(SIM_ONE_WIDE);
const parse = (text: string) => white.options![0]!.parse(text, white.initial, optic);

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
