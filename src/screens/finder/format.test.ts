import { fileName } from '../../core/frame/file-name';
import {
  countWords,
  headroomWords,
  luminanceWords,
  percentWords,
  rangeWords,
  shareWords,
  valueWords,
} from './format';

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
