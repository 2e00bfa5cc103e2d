import { fileName } from '../../library/file-name';
import { headroomWords, luminanceWords, percentWords, valueWords } from './format';
import { AXIS_TO_EV, evPerPixel, outline, xOfEv } from './stopline-path';

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
      fileName({
        timeMs: Date.UTC(2031, 3, 9, 23, 30, 5),
        offsetMinutes: 60,
        id: '0123456789ab' + 'cdef'.repeat(5),
      }),
    ).toBe('velmo-20310410-003005-cdef.dng');
  });
});

describe('the stopline’s geometry', () => {
  it('is linear in stops, so that a drag moves the distribution with the finger', () => {
    expect(xOfEv(-2, 300) - xOfEv(-3, 300)).toBeCloseTo(1 / evPerPixel(300), 9);
    expect(xOfEv(AXIS_TO_EV, 300)).toBeCloseTo(300, 9);
  });
  it('closes its outline and holds it inside the box', () => {
    const d = outline(new Float32Array(169).fill(5), 5, 100, 40);
    expect(d).toMatch(/^M0 40L.*Z$/);
    for (const [, y] of d.matchAll(/L[\d.]+ (-?[\d.]+)/g)) expect(Number(y)).toBeGreaterThanOrEqual(0);
  });
});
