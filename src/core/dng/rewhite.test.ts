// Another white in a file that is there: its tags change, nothing else does.
import { colourOfNeutral } from '../colour/camera';
import { madeFrame, board, DAYLIGHT } from '../white/made-frame';
import { SIM_COLOUR } from '../sensor/sim-colour';
import type { RawFrame } from '../sensor/raw-frame';
import { rawFrameOf } from './file-frame';
import { readDng } from './read';
import { withWhite } from './rewhite';
import { captureDng } from './capture';
import { someFacts } from '../../../tests/facts';

const JPEG = Uint8Array.from([
  ...[0xff, 0xd8, 0xff, 0xc0, 0, 17, 8, 0, 8, 0, 8, 3, 1, 0x11, 0, 2, 0x11, 0, 3, 0x11, 0, 0xff, 0xd9],
]);
const frame: RawFrame = {
  ...madeFrame(board(DAYLIGHT), { width: 64, height: 48 }),
  colour: colourOfNeutral(SIM_COLOUR.matrices, [0.5, 1, 0.7]),
  baselineEv: 0,
  settings: { shutterS: 1 / 100, iso: 100, apertureN: 1.8, compensationEv: 0 },
  timeMs: Date.UTC(2031, 3, 9),
  offsetMinutes: 0,
  source: {
    make: 'Velmo',
    camera: 'C',
    lens: 'L',
    lensModel: 'L',
    widestN: 1.8,
    focalLengthMm: 6.9,
    equivalentMm: 24,
  },
};
const file = captureDng(frame, {
  compression: 'none',
  thumbnail: { width: 8, height: 6, rgba: new Uint8ClampedArray(8 * 6 * 4) },
  previewJpeg: JPEG,
  facts: someFacts(),
  note: '{}',
});

it('is in its tags, and its raw numbers are the same', () => {
  const changed = withWhite(file, [0.91, 1, 0.31]);
  const [before, after] = [readDng(file), readDng(changed)];
  expect(before.metadata.asShotNeutral).toEqual([0.5, 1, 0.7]);
  expect(before.metadata).toMatchObject({ whiteBalance: 0 });
  expect(after.metadata).toMatchObject({ asShotNeutral: [0.91, 1, 0.31], whiteBalance: 1, lightSource: 255 });
  expect(after.data).toEqual(before.data);
  expect(changed.length).toBe(file.length);
  // Three fractions and two codes.
  expect(changed.filter((v, i) => v !== file[i]).length).toBeLessThanOrEqual(3 * 8 + 4);
  expect(rawFrameOf(after).colour.white.kelvin).toBeLessThan(3000);
});

it('leaves the file that it was made from as it was', () => {
  const copy = file.slice();
  withWhite(file, [0.91, 1, 0.31]);
  expect(file).toEqual(copy);
});

it.each([[[0, 1, 1]], [[NaN, 1, 1]], [[2, 1, 1]], [[-1, 1, 1]]] as [[number, number, number]][])(
  'is none: %j',
  (neutral) => expect(() => withWhite(file, neutral)).toThrow(/No neutral/),
);

it('is refused for what is no DNG', () => {
  expect(() => withWhite(JPEG, [1, 1, 1])).toThrow(/JPEG/);
  expect(() => withWhite(new Uint8Array(0), [1, 1, 1])).toThrow(/empty/);
});
