import { fileName } from '../../library/file-name';
import {
  countWords,
  headroomWords,
  luminanceWords,
  percentWords,
  rangeWords,
  shareWords,
  valueWords,
} from './format';
import { evPerPixel, heightOf, outline, WHOLE_AXIS, xOfEv, zoomed } from './stopline-path';
import { HEIGHTS } from '../../live/check-settings';

describe('figures as words', () => {
  it.each([
    [0, '0 %'],
    [0.00001, '< 0.01 %'],
    [0.0042, '0.42 %'],
    [0.013, '1.3 %'],
    [0.5, '50 %'],
  ])('share %f is %s', (share, words) => expect(percentWords(share)).toBe(words));
  it('tells room from what is over', () => {
    expect(headroomWords(0.84)).toBe('headroom +0.8 EV');
    expect(headroomWords(-1.26)).toBe('over by 1.3 EV');
    expect(headroomWords(Infinity)).toBe('black');
  });
  it('rounds luminance to what a meter can know', () => {
    expect([0, 0.034, 59.7, 413, 5472].map(luminanceWords)).toEqual([
      '0 cd/m²',
      '0.034 cd/m²',
      '60 cd/m²',
      '413 cd/m²',
      '5470 cd/m²',
    ]);
  });
  it('names values as their ladders do', () => {
    expect(valueWords('shutter', 2 ** -7)).toBe('1/125');
    expect(valueWords('iso', 100)).toBe('100');
    expect(valueWords('compensation', -2 / 3)).toBe('−⅔');
  });
  it('names a file by its local time', () => {
    expect(
      fileName(
        {
          timeMs: Date.UTC(2031, 3, 9, 23, 30, 5),
          offsetMinutes: 60,
          id: '0123456789ab' + 'cdef'.repeat(5),
        },
        'dng',
      ),
    ).toBe('velmo-20310410-003005-cdef.dng');
  });
});

describe('the stopline’s geometry', () => {
  it('is linear in stops, so that a drag moves the distribution with the finger, however it is zoomed', () => {
    for (const axis of [WHOLE_AXIS, zoomed(WHOLE_AXIS, 3, 0.8)]) {
      expect(xOfEv(-2, 300, axis) - xOfEv(-3, 300, axis)).toBeCloseTo(1 / evPerPixel(300, axis), 9);
      expect(xOfEv(axis.toEv, 300, axis)).toBeCloseTo(300, 9);
    }
  });
  it('zooms about the finger, and never past its ends', () => {
    const near = zoomed(WHOLE_AXIS, 2, 0.5);
    expect(xOfEv(near.fromEv + (near.toEv - near.fromEv) / 2, 100, WHOLE_AXIS)).toBeCloseTo(50, 9);
    expect(near.toEv - near.fromEv).toBeCloseTo((WHOLE_AXIS.toEv - WHOLE_AXIS.fromEv) / 2, 9);
    const back = zoomed(near, 0.01, 0.2);
    expect([back.fromEv, back.toEv]).toEqual([WHOLE_AXIS.fromEv, expect.closeTo(WHOLE_AXIS.toEv, 9)]);
    for (const about of [0, 0.5, 1]) {
      const closest = zoomed(WHOLE_AXIS, 1e6, about);
      expect(closest.toEv - closest.fromEv).toBeCloseTo(3, 9);
      expect(closest.fromEv).toBeGreaterThanOrEqual(WHOLE_AXIS.fromEv);
      expect(closest.toEv).toBeLessThanOrEqual(WHOLE_AXIS.toEv + 1e-9);
    }
  });
  it.each(HEIGHTS)('closes its outline and holds it inside the box, with %s heights', (heights) => {
    const d = outline(new Float32Array(169).fill(5), 5, 100, 40, WHOLE_AXIS, heights);
    expect(d).toMatch(/^M0 40L.*Z$/);
    for (const [, y] of d.matchAll(/L[\d.]+ (-?[\d.]+)/g)) expect(Number(y)).toBeGreaterThanOrEqual(0);
  });
  it('raises small counts by the root, and more by the logarithm', () => {
    const of = (heights: (typeof HEIGHTS)[number]) => heightOf(1, 100, heights);
    expect([of('linear'), of('root'), of('log')]).toEqual([0.01, 0.1, 0.5]);
    expect(HEIGHTS.map((h) => [heightOf(0, 9, h), heightOf(9, 9, h)])).toEqual([
      [0, 1],
      [0, 1],
      [0, 1],
    ]);
  });
});

describe('words of the checks', () => {
  it('say whether one frame holds the scene', () => {
    expect(rangeWords({ sceneEv: 10.21, sensorEv: 9.54, frames: 2 })).toBe('scene 10.2 in 9.5 EV: 2 frames');
    expect(rangeWords({ sceneEv: 4, sensorEv: 9.54, frames: 1 })).toMatch(/fits/);
    expect(rangeWords({ sceneEv: Infinity, sensorEv: 9.54, frames: null })).not.toMatch(/NaN|Infinity|null/);
  });
  it('give shares and counts as they are', () => {
    expect([0.00001, 0.001, 0.05].map(shareWords)).toEqual(['0.001 %', '0.1 %', '5 %']);
    expect(countWords(1234567.4)).toBe('1 234 567');
  });
});
