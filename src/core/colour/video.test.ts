// Video pictures as sRGB code values, against published values of the matrices: colour bars of ITU-R BT.601 and BT.709.
import { isVideoFormat, sampledSize, sampleVideo, stepFor, videoMatrixOf, type VideoPicture } from './video';

const RANGE = { matrix: 'bt601', fullRange: false } as const;

/** A picture of one colour. */
function even(y: number, cb: number, cr: number, over: Partial<VideoPicture> = {}): VideoPicture {
  const [width, height] = [4, 4];
  const bytes = new Uint8Array(16 + 4 + 4);
  bytes.fill(y, 0, 16).fill(cb, 16, 20).fill(cr, 20);
  const planes = [
    { offset: 0, stride: 4 },
    { offset: 16, stride: 2 },
    { offset: 20, stride: 2 },
  ];
  return { format: 'I420', width, height, bytes, planes, ...RANGE, ...over };
}

function firstOf(picture: VideoPicture, step = 1): number[] {
  const { width, height } = sampledSize(picture, step);
  const rgba = new Uint8ClampedArray(4 * width * height);
  sampleVideo(picture, step, rgba);
  return [...rgba.slice(0, 4)];
}

describe('planes of luma and chroma', () => {
  // 100 % colour bars in limited range, from ITU-R BT.601-7 and BT.709-6 (rounded to 8 bits).
  it.each([
    ['white', 'bt601', 235, 128, 128, [255, 255, 255]],
    ['black', 'bt601', 16, 128, 128, [0, 0, 0]],
    ['yellow', 'bt601', 210, 16, 146, [255, 255, 0]],
    ['red', 'bt601', 81, 90, 240, [255, 0, 0]],
    ['blue', 'bt601', 41, 240, 110, [0, 0, 255]],
    ['green', 'bt709', 173, 42, 26, [0, 255, 0]],
    ['red', 'bt709', 63, 102, 240, [255, 0, 0]],
  ] as const)('%s of %s', (_, matrix, y, cb, cr, rgb) => {
    const [r, g, b, a] = firstOf(even(y, cb, cr, { matrix }));
    [r, g, b].forEach((v, c) => expect(Math.abs(v! - rgb[c]!)).toBeLessThanOrEqual(2));
    expect(a).toBe(255);
  });

  it('in full range are as they are: neutral grey keeps its code, and nothing below 16 or over 235 is lost', () => {
    for (const code of [0, 7, 118, 240, 255])
      expect(firstOf(even(code, 128, 128, { fullRange: true })).slice(0, 3)).toEqual([code, code, code]);
  });

  it('in limited range stretch 16 … 235 over 0 … 255; what lies outside is held at the ends', () => {
    const grey = (y: number) => firstOf(even(y, 128, 128))[1];
    expect([grey(0), grey(16), grey(126), grey(235), grey(255)]).toEqual([0, 0, 128, 255, 255]);
  });

  it('are the same whether chroma comes in planes or in pairs, at half or at full size', () => {
    const planar = even(90, 100, 160);
    const pairs = Uint8Array.from([...planar.bytes.slice(0, 16), ...[0, 1, 2, 3].flatMap(() => [100, 160])]);
    const nv12 = {
      ...planar,
      format: 'NV12' as const,
      bytes: pairs,
      planes: [planar.planes[0]!, { offset: 16, stride: 4 }],
    };
    const full = new Uint8Array(48).fill(90, 0, 16).fill(100, 16, 32).fill(160, 32);
    const i444 = {
      ...planar,
      format: 'I444' as const,
      bytes: full,
      planes: [0, 16, 32].map((offset) => ({ offset, stride: 4 })),
    };
    const half = new Uint8Array(32).fill(90, 0, 16).fill(100, 16, 24).fill(160, 24);
    const i422 = {
      ...planar,
      format: 'I422' as const,
      bytes: half,
      planes: [
        { offset: 0, stride: 4 },
        { offset: 16, stride: 2 },
        { offset: 24, stride: 2 },
      ],
    };
    for (const other of [nv12, i444, i422]) expect(firstOf(other)).toEqual(firstOf(planar));
  });
});

describe('samples', () => {
  it('keep the values of the pixels that they are, in either order of bytes', () => {
    const [width, height] = [5, 3];
    const bytes = Uint8Array.from({ length: 60 }, (_, i) => i);
    const rgba = new Uint8ClampedArray(4 * 3 * 2);
    const picture = { width, height, bytes, planes: [{ offset: 0, stride: 20 }], ...RANGE };
    expect(sampledSize(picture, 2)).toEqual({ width: 3, height: 2 });
    sampleVideo({ ...picture, format: 'RGBX' }, 2, rgba);
    expect([...rgba.slice(4, 8)]).toEqual([8, 9, 10, 255]);
    sampleVideo({ ...picture, format: 'BGRA' }, 2, rgba);
    expect([...rgba.slice(12, 16)]).toEqual([42, 41, 40, 255]);
  });

  it('are as many as asked for at most', () => {
    for (const [width, height] of [
      [1280, 960],
      [480, 360],
      [481, 20],
      [1, 1],
      [3840, 2160],
    ] as const) {
      const size = sampledSize({ width, height }, stepFor({ width, height }, 480));
      expect(Math.max(size.width, size.height)).toBeLessThanOrEqual(480);
    }
  });

  it('are refused where the bytes do not hold the picture', () => {
    const rgba = new Uint8ClampedArray(64);
    expect(() => sampleVideo({ ...even(0, 0, 0), bytes: new Uint8Array(20) }, 1, rgba)).toThrow(
      /do not hold 4×4/,
    );
    expect(() => sampleVideo({ ...even(0, 0, 0), planes: [{ offset: 0, stride: 4 }] }, 1, rgba)).toThrow(
      RangeError,
    );
    expect(() => sampleVideo(even(0, 0, 0), 1, new Uint8ClampedArray(4))).toThrow(/do not fit/);
  });
});

it('a matrix that nobody names is that of the size; a format that is not known is not read', () => {
  expect([
    videoMatrixOf('bt709', 480),
    videoMatrixOf('smpte170m', 1080),
    videoMatrixOf('bt2020-ncl', 1080),
  ]).toEqual(['bt709', 'bt601', 'bt2020']);
  expect([videoMatrixOf(null, 480), videoMatrixOf(null, 1080)]).toEqual(['bt601', 'bt709']);
  expect([isVideoFormat('I420'), isVideoFormat('I010'), isVideoFormat(null)]).toEqual([true, false, false]);
});
