// An open frame as it is looked at, against the plain ways of doing the same.
import { colourOfNeutral } from '../colour/camera';
import { pictureOfRegion } from '../raw/develop-image';
import { seenSize, type Turn } from '../raw/shown';
import { CLIP_B, CLIP_G, CLIP_R } from '../scopes/mark-bits';
import { cfaIndex, type RawImage } from '../sensor/raw-frame';
import { SIM_COLOUR } from '../sensor/sim-colour';
import { channelImage } from './channel-image';
import { markClipped } from './clip-marks';
import { lookedAt, PLAINLY, viewFigures, viewPixels } from './view';

const COLOURS = { burnt: [255, 0, 255], dark: [0, 255, 255] } as const;
const [WIDTH, HEIGHT] = [24, 16];
const image = (over: Partial<RawImage> = {}): RawImage => ({
  layout: 'cfa',
  ...{ width: WIDTH, height: HEIGHT, black: 64, white: 1023, noise: null, baselineEv: 0.5 },
  colour: colourOfNeutral(SIM_COLOUR.matrices, [0.6, 1, 0.7]),
  data: Uint16Array.from({ length: WIDTH * HEIGHT }, (_, i) => 70 + ((i * 53) % 700)),
  ...over,
});
const all = { x: 0, y: 0, width: WIDTH, height: HEIGHT };

describe('a channel', () => {
  it.each([
    [0, 0],
    [1, 0],
    [0, 1],
    [1, 1],
  ] as const)('holds the numbers of its own sites, phase %i %i', (px, py) => {
    const frame = image({ phase: [px, py] });
    for (let channel = 0; channel < 4; channel++) {
      const { data, width, height } = channelImage(frame, channel);
      expect([width, height]).toEqual([WIDTH / 2, HEIGHT / 2]);
      for (let y = 0; y < HEIGHT; y++)
        for (let x = 0; x < WIDTH; x++)
          if (cfaIndex(x + px, y + py) === channel)
            expect(data[3 * ((y >> 1) * width + (x >> 1)) + 1]).toBe(frame.data[y * WIDTH + x]);
    }
    expect(() => channelImage(frame, 4)).toThrow(RangeError);
    expect(() => channelImage(frame, NaN)).toThrow(RangeError);
  });

  it('is grey and turned as the picture is', () => {
    const frame = image({ orientation: 6 });
    const channel = lookedAt(frame, { ...PLAINLY, channel: 1 });
    expect(seenSize(channel)).toEqual({ width: HEIGHT / 2, height: WIDTH / 2 });
    const region = { x: 0, y: 0, width: HEIGHT, height: WIDTH };
    const { rgba, width } = viewPixels(
      channel,
      frame,
      { region, width: HEIGHT, height: WIDTH },
      { raw: false, picture: false },
      COLOURS,
    );
    expect(width).toBe(HEIGHT / 2);
    for (let i = 0; i < rgba.length; i += 4) expect(new Set(rgba.subarray(i, i + 3)).size).toBe(1);
  });
});

describe('marks', () => {
  const at = { x: 10, y: 6 };
  const burnt = (x: number, y: number) => {
    const frame = image();
    frame.data[y * WIDTH + x] = 1023;
    return frame;
  };

  it('lie on all of the cell, in the bit of its colour', () => {
    for (const [dx, dy, bit] of [
      [0, 0, CLIP_R],
      [1, 0, CLIP_G],
      [0, 1, CLIP_G],
      [1, 1, CLIP_B],
    ] as const) {
      const mask = new Uint16Array(WIDTH * HEIGHT);
      markClipped(burnt(at.x + dx, at.y + dy), { region: all, width: WIDTH, height: HEIGHT }, mask);
      const found = [...mask.entries()].filter(([, bits]) => bits !== 0);
      expect(found).toEqual([0, 1, 2, 3].map((n) => [(at.y + (n >> 1)) * WIDTH + at.x + (n & 1), bit]));
    }
  });

  it('are found in a part, in any orientation, and when many sites are one pixel', () => {
    for (const orientation of [1, 2, 3, 4, 5, 6, 7, 8] as Turn[]) {
      const frame = { ...burnt(at.x, at.y), orientation };
      const seen = seenSize(frame);
      // The picture tells where it is: the brightest red.
      const plain = pictureOfRegion(frame, { x: 0, y: 0, ...seen });
      const whole = new Uint16Array(seen.width * seen.height);
      markClipped(frame, { region: { x: 0, y: 0, ...seen }, ...seen }, whole);
      const marked = [...whole.keys()].filter((i) => whole[i] !== 0);
      expect(marked).toHaveLength(4);
      const reds = marked.map((i) => plain[4 * i]!);
      expect(Math.max(...reds)).toBeGreaterThan(200);
      const small = new Uint16Array((seen.width / 4) * (seen.height / 4));
      markClipped(
        frame,
        { region: { x: 0, y: 0, ...seen }, width: seen.width / 4, height: seen.height / 4 },
        small,
      );
      expect(small.some((bits) => bits === CLIP_R)).toBe(true);
      const [x, y] = [marked[0]! % seen.width, Math.floor(marked[0]! / seen.width)];
      const region = { x, y, width: 2, height: 2 };
      const part = new Uint16Array(4);
      markClipped(frame, { region, width: 2, height: 2 }, part);
      expect([...part]).toEqual([CLIP_R, CLIP_R, CLIP_R, CLIP_R]);
    }
  });

  it('are drawn over the picture, of raw and of the picture each by choice', () => {
    const frame = image();
    frame.data.fill(1023);
    const view = { region: all, width: WIDTH, height: HEIGHT };
    const marked = (clipping: { raw: boolean; picture: boolean }) => {
      const { rgba } = viewPixels(frame, frame, view, clipping, COLOURS);
      let count = 0;
      for (let i = 0; i < rgba.length; i += 4) if (rgba[i + 1] === 0) count++;
      return count;
    };
    expect(marked({ raw: false, picture: false })).toBe(0);
    expect(marked({ raw: true, picture: false })).toBe(WIDTH * HEIGHT);
    expect(marked({ raw: false, picture: true })).toBeGreaterThan(0);
    expect(marked({ raw: false, picture: true })).toBeLessThan(WIDTH * HEIGHT);
  });
});

describe('figures', () => {
  it('of a part are of its sites alone', () => {
    const frame = image();
    const region = { x: 4, y: 2, width: 8, height: 6 };
    const { stopline, histogram } = viewFigures(frame, region);
    const sites = stopline.bins.flatMap((bins) => [...bins]).reduce((sum, n) => sum + n, 0);
    expect(sites).toBeCloseTo(48, 3);
    expect(histogram.pixels).toBe(48);
    const whole = viewFigures(frame, all);
    expect(whole.histogram.pixels).toBe(WIDTH * HEIGHT);
  });

  it('of turned lines are of what they show', () => {
    const frame = lookedAt(image(), {
      ...PLAINLY,
      reframe: { lines: { x: 6, y: 4, width: 10, height: 8 }, orientation: 1, tiltDeg: 10 },
    });
    expect(viewFigures(frame, { x: 0, y: 0, width: 10, height: 8 }).histogram.pixels).toBe(80);
    expect(viewFigures(frame, { x: 2, y: 2, width: 4, height: 4 }).histogram.pixels).toBe(16);
  });
});

it('all that an image holds is shown where that is asked for, whatever its framing', () => {
  const frame = image({
    crop: { x: 4, y: 4, width: 8, height: 8 },
    userCrop: { x: 6, y: 6, width: 4, height: 4 },
  });
  expect(seenSize(lookedAt(frame, PLAINLY))).toEqual({ width: 4, height: 4 });
  expect(seenSize(lookedAt(frame, { ...PLAINLY, whole: true }))).toEqual({ width: WIDTH, height: HEIGHT });
});
