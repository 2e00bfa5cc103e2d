// Shapes of the scopes: axis, heights, and what layers come to in pixels.
import {
  evPerPixel,
  heightOf,
  HEIGHTS,
  paintLayers,
  pictureColumns,
  rawColumns,
  WHOLE_AXIS,
  xOfEv,
  zoomed,
} from './shape';

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
  it.each(HEIGHTS)('a level channel is level up to clip and nothing past it, with %s heights', (heights) => {
    const columns = rawColumns(new Float32Array(169).fill(5), 5, 139, WHOLE_AXIS, heights);
    const clip = Math.floor(xOfEv(0, 139, WHOLE_AXIS));
    expect(new Set(columns.subarray(0, clip))).toEqual(new Set([1]));
    expect(new Set(columns.subarray(clip + 1))).toEqual(new Set([0]));
  });
  it('a peak in one bin stands where its stops are', () => {
    const bins = new Float32Array(169);
    // 12 bins a stop from −14: the middle of bin 96 lies at −6 + 1/24.
    bins[96] = 9;
    const columns = rawColumns(bins, 9, 1390, WHOLE_AXIS, 'linear');
    expect(columns.indexOf(Math.max(...columns))).toBeCloseTo(xOfEv(-6 + 1 / 24, 1390, WHOLE_AXIS), -1);
  });
  it('the picture runs from code 0 in the first column to 255 in the last', () => {
    const counts = new Uint32Array(256);
    counts[0] = 4;
    counts[255] = 8;
    const columns = pictureColumns(counts, 8, 64, 'linear');
    expect([columns[0], columns[63], columns[30]]).toEqual([0.5, 1, 0]);
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

describe('layers in pixels', () => {
  const RED = 0xff0000;
  const BLUE = 0x0000ff;
  const drawn = (layers: Parameters<typeof paintLayers>[3], width = 2, height = 4) => {
    const pixels = new Uint32Array(width * height).fill(0x12345678);
    paintLayers(pixels, width, height, layers, 1);
    const bytes = new Uint8Array(pixels.buffer);
    return (x: number, y: number) => [...bytes.subarray(4 * (y * width + x), 4 * (y * width + x) + 4)];
  };
  it('grounds let one another through by half, the later over the earlier; the top is a line of full strength', () => {
    const at = drawn([
      { columns: Float32Array.of(0.5, 0), rgb: RED, filled: true },
      { columns: Float32Array.of(0.75, 0), rgb: BLUE, filled: true },
    ]);
    expect(at(0, 0)).toEqual([0, 0, 0, 0]);
    expect(at(0, 1)).toEqual([0, 0, 255, 255]);
    expect(at(0, 2)).toEqual([255, 0, 0, 255]);
    // Half of blue over half of red: three quarters covered, a third of it red.
    expect(at(0, 3)).toEqual([85, 0, 170, 191]);
  });
  it('a line is whole where it is steep, and nothing is drawn of what is zero', () => {
    const at = drawn([{ columns: Float32Array.of(1, 0), rgb: RED, filled: false }]);
    expect([0, 1, 2, 3].map((y) => at(1, y)[3])).toEqual([0, 255, 255, 255]);
    const empty = drawn([{ columns: Float32Array.of(0, 0), rgb: RED, filled: true }]);
    expect([0, 1, 2, 3].flatMap((y) => [empty(0, y)[3], empty(1, y)[3]])).toEqual(Array(8).fill(0));
  });
  it('takes one column, and heights that are no numbers, without writing elsewhere', () => {
    expect(drawn([{ columns: Float32Array.of(1), rgb: RED, filled: true }], 1, 1)(0, 0)).toEqual([
      255, 0, 0, 255,
    ]);
    expect(() => drawn([{ columns: Float32Array.of(NaN, 1), rgb: RED, filled: true }])).not.toThrow();
  });
});
