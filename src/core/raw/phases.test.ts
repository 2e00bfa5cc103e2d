// Mosaics of every Bayer phase, with black of their own on every site: the same light, seen from a column or a row further on, gives
// the same counts, the same picture, and the same file back. What is asserted is that law; RGGB is checked elsewhere.
import { colourOfNeutral } from '../colour/camera';
import { SIM_COLOUR } from '../sensor/sim-colour';
import { encodeJpeg } from '../../../cli/jpeg';
import { checkDng } from '../dng/check';
import { rawFrameOf } from '../dng/file-frame';
import { readDng } from '../dng/read';
import { captureDng } from '../dng/capture';
import { stopline } from '../scopes/stopline';
import { cfaIndex, type BayerPhase, type PerSite, type RawFrame } from '../sensor/raw-frame';
import { developerFor, developReduced, developRegion } from './develop';
import { channelFigures, countSites, headroomEv } from './statistics';
import { someFacts } from '../../../tests/facts';

const WIDTH = 50;
const HEIGHT = 38;
const BLACKS: PerSite<number> = [250, 256, 261, 249];
const WHITE = 4095;
const PHASES: readonly BayerPhase[] = [
  [0, 0],
  [1, 0],
  [0, 1],
  [1, 1],
];

/** Light above black of a place: smooth, some of it over saturation. */
const lightAt = (x: number, y: number) => Math.round(20 + 4000 * (x / WIDTH) ** 3 * (1 + y / HEIGHT));

/** The mosaic that begins `phase` columns and rows inside of the whole one. */
function seenFrom([px, py]: BayerPhase, blacks: PerSite<number>): RawFrame {
  const [width, height] = [WIDTH - 2, HEIGHT - 2];
  const data = Uint16Array.from({ length: width * height }, (_, i) => {
    const [x, y] = [(i % width) + px, Math.floor(i / width) + py];
    return Math.min(WHITE, blacks[cfaIndex(x, y)]! + lightAt(x, y));
  });
  const same = blacks.every((black) => black === blacks[0]);
  return {
    ...{ width, height, layout: 'cfa' as const, phase: [px, py] as BayerPhase, data, white: WHITE },
    black: blacks.reduce((sum, black) => sum + black / 4, 0),
    ...(same ? null : { blacks }),
    colour: colourOfNeutral(SIM_COLOUR.matrices, [0.5, 1, 0.7]),
    noise: { shot: 0.35, read: 1.2 },
    baselineEv: 0.79,
    settings: { shutterS: 1 / 64, iso: 100, apertureN: 1.8, compensationEv: 0 },
    ...{ timeMs: Date.UTC(2031, 3, 9), offsetMinutes: 0 },
    source: {
      ...{ make: 'Velmo', camera: 'Velmo Sim One', lens: 'x', lensModel: 'x', widestN: 1.8 },
      ...{ focalLengthMm: 6.9, equivalentMm: 24 },
    },
  };
}

const pixels = (frame: RawFrame, x: number, y: number, width: number, height: number) => {
  const rgba = new Uint8ClampedArray(width * height * 4);
  developRegion(frame, developerFor(frame), { x, y, width, height }, rgba);
  return rgba;
};

describe.each(PHASES)('a mosaic that begins at column %d, row %d of its cell', (px, py) => {
  const phase: BayerPhase = [px, py];

  it('is counted by colour: each channel holds what its own sites hold, black of its own taken off', () => {
    const frame = seenFrom(phase, BLACKS);
    const counted = countSites(frame);
    for (let c = 0; c < 4; c++) {
      const expected = new Map<number, number>();
      frame.data.forEach((dn, i) => {
        const site = cfaIndex((i % frame.width) + px, Math.floor(i / frame.width) + py);
        if (site === c) expected.set(dn, (expected.get(dn) ?? 0) + 1);
      });
      for (const [dn, n] of expected) expect(counted.counts[c]![dn]).toBe(n);
    }
    // Light is the same on all four sites of a cell but for half a step: so are their floors and clips.
    const [r, g1, g2, b] = channelFigures(counted, frame.noise);
    for (const figures of [g1!, g2!, b!])
      expect(Math.abs(figures.clipped - r!.clipped)).toBeLessThanOrEqual(HEIGHT);
    // Whatever its black, what is saturated leaves no room.
    expect(headroomEv(counted)).toBe(0);
  });

  it('gives the picture that the whole mosaic gives there', () => {
    const whole = seenFrom([0, 0], BLACKS);
    const part = seenFrom(phase, BLACKS);
    // Without the edges, where neighbours are mirrored.
    expect(pixels(part, 4, 4, 30, 20)).toEqual(pixels(whole, 4 + px, 4 + py, 30, 20));
  });

  it('gives the picture that the same light gives with one black for all', () => {
    const [own, one] = [seenFrom(phase, BLACKS), seenFrom(phase, [256, 256, 256, 256])];
    const [a, b] = [pixels(own, 0, 0, 40, 30), pixels(one, 0, 0, 40, 30)];
    const worst = a.reduce((most, v, i) => Math.max(most, Math.abs(v - b[i]!)), 0);
    expect(worst).toBeLessThanOrEqual(2);
    const [small, smallOne] = [developReduced(own, 12, 9), developReduced(one, 12, 9)];
    expect(small.every((v, i) => Math.abs(v - smallOne[i]!) <= 2)).toBe(true);
  });

  it('and black above all puts its shadows where they belong on the stopline', () => {
    const line = (blacks: PerSite<number>) => stopline(countSites(seenFrom(phase, blacks))).bins;
    const centre = (bins: ArrayLike<number>) => {
      const all = Array.from(bins);
      return all.reduce((sum, n, i) => sum + n * i, 0) / all.reduce((sum, n) => sum + n, 0);
    };
    const [own, one] = [line(BLACKS), line([256, 256, 256, 256])];
    own.forEach((bins, c) => expect(Math.abs(centre(bins) - centre(one[c]!))).toBeLessThan(0.5));
  });

  it.each(['none', 'lossless-jpeg'] as const)('comes back from its file, %s', (compression) => {
    const frame = seenFrom(phase, BLACKS);
    const rgba = new Uint8ClampedArray(16 * 12 * 4);
    const bytes = captureDng(frame, {
      compression,
      thumbnail: { width: 16, height: 12, rgba },
      previewJpeg: encodeJpeg(rgba, 16, 12),
      facts: someFacts(),
    });
    const back = rawFrameOf(readDng(bytes));
    expect(back).toMatchObject({ phase, blacks: BLACKS, white: WHITE });
    expect(back.data).toEqual(frame.data);
    const names = [
      ['RGGB', 'GRBG'],
      ['GBRG', 'BGGR'],
    ];
    expect(checkDng(bytes)).toMatchObject({
      ok: true,
      blacks: BLACKS,
      layout: expect.stringContaining(names[py]![px]!),
    });
  });
});
