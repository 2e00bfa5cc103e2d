// Prints: what a development makes of the same numbers. Laws of photography, not looks: contrast is the slope in stops, black and white weighs light,
// what is burnt stays white.
import { colourOfNeutral } from '../colour/camera';
import { decodeSrgb } from '../colour/srgb';
import { SIM_COLOUR } from '../sensor/sim-colour';
import type { RgbImage } from '../sensor/rgb-image';
import { OWN_PRINTS, print as setting, printSays, printTrouble, type Print } from '../setting/print';
import { board, DAYLIGHT, madeFrame } from '../white/made-frame';
import { developOut, developOut16 } from './develop-out';
import { printed, warmed } from './printed';

const PLAIN: Print = {
  name: 'Test',
  ...{ exposureEv: 0, warmthMired: 0, contrast: 1, saturation: 1, mix: null },
};

/** Greys a tenth of a stop apart, mid-grey in the middle; and camera colours. */
const image: RgbImage = {
  layout: 'rgb',
  ...{ width: 41, height: 1, black: 0, white: 65535, noise: null, baselineEv: 1 },
  colour: { ...colourOfNeutral(SIM_COLOUR.matrices, [1, 1, 1]), asShotNeutral: [1, 1, 1] },
  data: Uint16Array.from({ length: 3 * 41 }, (_, i) => {
    const ev = (Math.floor(i / 3) - 20) / 10;
    return Math.round(65535 * (0.18 / 2) * 2 ** ev);
  }),
};
const MIDDLE = 20;
const coloured: RgbImage = {
  ...image,
  width: 4,
  data: Uint16Array.from([9000, 4000, 3000, 3000, 9000, 3000, 2500, 4000, 9000, 65535, 65535, 65535]),
};
const lightOf = (of: RgbImage) => Array.from(developOut16(of, 1).rgb, (code) => decodeSrgb(code / 65535));

it('plainly and by a print that does nothing are the same to the last bit', () => {
  const frame = { ...image, ...coloured };
  expect(developOut(printed(frame, PLAIN), 1)).toEqual(developOut(frame, 1));
  const made = madeFrame(board(DAYLIGHT), { width: 64, height: 48 });
  const mosaic = {
    ...made,
    colour: colourOfNeutral(SIM_COLOUR.matrices, [0.5, 1, 0.7]),
    baselineEv: 0.79,
    noise: null,
  };
  expect(developOut(printed(mosaic, PLAIN), 1)).toEqual(developOut(mosaic, 1));
  expect(printed(mosaic, null)).toBe(mosaic);
});

it.each([0.6, 0.85, 1.3, 1.8])('contrast %f is the slope of tones about mid-grey, in stops', (contrast) => {
  const light = lightOf(printed(image, { ...PLAIN, contrast }));
  const ev = (i: number) => Math.log2(light[3 * i + 1]!);
  expect(ev(MIDDLE)).toBeCloseTo(Math.log2(0.18), 1);
  // Below the knee of the tone curve the line is straight.
  expect((ev(MIDDLE) - ev(MIDDLE - 10)) / 1).toBeCloseTo(contrast, 1);
});

it.each([-1, 1 / 3, 1])('%f EV makes the shadows so many stops brighter', (exposureEv) => {
  const [plain, brighter] = [lightOf(image), lightOf(printed(image, { ...PLAIN, exposureEv }))];
  expect(Math.log2(brighter[0]! / plain[0]!)).toBeCloseTo(exposureEv, 1);
});

it('what is burnt stays white in all of them', () => {
  for (const print of OWN_PRINTS) {
    const { rgba } = developOut(printed(coloured, print), 1);
    expect(Math.min(...rgba.subarray(12, 15))).toBeGreaterThan(250);
  }
});

it('black and white is grey, of the shares that it says', () => {
  const { rgba } = developOut(printed(coloured, { ...PLAIN, mix: [0.5, 0.3, 0.2] }), 1);
  for (let i = 0; i < 4; i++) expect(new Set(rgba.subarray(4 * i, 4 * i + 3)).size).toBe(1);
  const dark: RgbImage = {
    ...coloured,
    data: Uint16Array.from([1100, 900, 850, 800, 1100, 900, 850, 950, 1100]),
    width: 3,
  };
  const [colours, grey] = [lightOf(dark), lightOf(printed(dark, { ...PLAIN, mix: [1, 1, 2] }))];
  for (let i = 0; i < 3; i++) {
    const [r, g, b] = colours.slice(3 * i);
    expect(grey[3 * i]).toBeCloseTo(0.25 * r! + 0.25 * g! + 0.5 * b!, 3);
  }
  const none = developOut(printed(coloured, { ...PLAIN, saturation: 0 }), 1).rgba;
  for (let i = 0; i < 4; i++) expect(new Set(none.subarray(4 * i, 4 * i + 3)).size).toBe(1);
});

it('more colour is more of it, less is less, and grey stays grey', () => {
  const spread = (saturation: number) => {
    const [r, g, b] = lightOf(
      printed({ ...coloured, data: coloured.data.map((v) => v / 4) }, { ...PLAIN, saturation }),
    );
    return Math.max(r!, g!, b!) - Math.min(r!, g!, b!);
  };
  expect(spread(0.5)).toBeLessThan(spread(1));
  expect(spread(1.4)).toBeGreaterThan(spread(1));
  const greys = developOut16(printed(image, { ...PLAIN, saturation: 1.5 }), 1).rgb;
  const plain = developOut16(image, 1).rgb;
  for (let i = 0; i < greys.length; i++) expect(Math.abs(greys[i]! - plain[i]!)).toBeLessThan(400);
});

it('warmer is redder, cooler bluer', () => {
  const made = { ...image, colour: colourOfNeutral(SIM_COLOUR.matrices, [0.5, 1, 0.7]) };
  const balance = (warmthMired: number) => {
    const light = lightOf(printed(made, { ...PLAIN, warmthMired }));
    return light[0]! / light[2]!;
  };
  expect(balance(30)).toBeGreaterThan(balance(0));
  expect(balance(-30)).toBeLessThan(balance(0));
  expect(warmed({ kelvin: 5000, tint: 4 }, 50)).toEqual({ kelvin: 1e6 / 150, tint: 4 });
  for (const far of [-1e4, 1e4])
    expect(Number.isFinite(warmed({ kelvin: 2000, tint: 0 }, far).kelvin)).toBe(true);
});

it('however strong its colours, a picture comes of it', () => {
  const hard: Print = { ...PLAIN, mix: [2, -0.9, -0.9] };
  expect(developOut(printed(coloured, hard), 1).rgba).toHaveLength(16);
  expect(developOut(printed(coloured, { ...PLAIN, saturation: 1.5 }), 1).rgba).toHaveLength(16);
});

it('one that would be of nothing is told of; names are found in any writing', () => {
  expect(printTrouble({ ...PLAIN, mix: [0.5, -0.5, 0.1] })).toMatchObject({ field: 'mix' });
  for (const print of OWN_PRINTS) {
    expect(printTrouble(print)).toBeNull();
    expect(printSays(print)).not.toBe('as it is');
    expect(setting.options![0]!.parse(print.name.toUpperCase(), null, {} as never)).toBe(print);
  }
  expect(setting.options![0]!.parse('plain', OWN_PRINTS[0]!, {} as never)).toBeNull();
  expect(() => setting.options![0]!.parse('nothing', null, {} as never)).toThrow(/--print/);
});
