// What is said of a DNG afterwards, in either order of bytes, ours or another hand's: it can be read, raw is untouched, and taken out again the file is as it
// was, to the last byte.
import * as fc from 'fast-check';
import {
  MAIN,
  mosaicTags,
  plainBlock,
  tiffOf,
  type Order,
  type Tag,
} from '../../../tests/reference/dng-layouts';
import { OWN_PRINTS } from '../setting/print';
import type { Reframe } from '../raw/reframe';
import { withAfterwards, withoutAfterwards, type Afterwards } from './afterwards';
import { readDng } from './read';

const [W, H] = [40, 30];
const samples = Uint16Array.from({ length: W * H }, (_, i) => 64 + ((i * 37) % 900));
const PACKET = [
  ...new TextEncoder().encode(
    '<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about="" xmlns:xmp="http://ns.adobe.com/xap/1.0/" xmp:Rating="2"/></rdf:RDF></x:xmpmeta>',
  ),
];
const file = (order: Order, main: readonly Tag[] = [], raw: readonly Tag[] = []) =>
  tiffOf(order, [...MAIN, ...main], mosaicTags(W, H, raw), [plainBlock(samples, order)]);

const reframe: Reframe = { lines: { x: 8, y: 4, width: 20, height: 18 }, orientation: 6, tiltDeg: 2.5 };
const all: Afterwards = {
  said: { rating: 4, print: OWN_PRINTS[4]!, reframe },
  orientation: 6,
  lines: { inside: reframe.lines, part: { x: 0, y: 0, width: W, height: H } },
};

const FILES: [string, Uint8Array][] = (['II', 'MM'] as const).flatMap((order): [string, Uint8Array][] => [
  [`${order}, without a packet`, file(order)],
  [`${order}, with a packet and an orientation`, file(order, [[700, 1, ...PACKET], [274, 3, 8]])],
  [`${order}, with lines of its own`, file(order, [], [[51125, 5, 0, 1, 0, 1, 1, 2, 1, 1]])],
]); // prettier-ignore

describe.each(FILES)('in a file %s', (_, bytes) => {
  it('is read by whoever reads DNG, and raw is what it was', () => {
    const [before, after] = [readDng(bytes), readDng(withAfterwards(bytes, all))];
    expect(after.data).toEqual(before.data);
    expect(after.orientation).toBe(6);
    expect(after.userCrop).toEqual(reframe.lines);
    expect(after.xmp).toContain('velmoAfter:PrintName="Ash"');
    expect(after.xmp!.match(/xmp:Rating="/g)).toHaveLength(1);
    expect(after.xmp).toContain('xmp:Rating="4"');
  });

  it('is taken out again to the last byte', () => {
    const copy = bytes.slice();
    for (const afterwards of [
      all,
      { said: { rating: -1 } },
      { said: { print: OWN_PRINTS[0]! } },
      { orientation: 3 as const },
      { lines: all.lines },
    ])
      expect(withoutAfterwards(withAfterwards(bytes, afterwards))).toEqual(bytes);
    expect(bytes).toEqual(copy);
    expect(withoutAfterwards(bytes)).toBe(bytes);
  });

  it('said twice is what was said last', () => {
    const twice = withAfterwards(withAfterwards(bytes, all), { said: { rating: 1 } });
    expect(twice).toEqual(withAfterwards(bytes, { said: { rating: 1 } }));
    expect(withAfterwards(twice, {})).toEqual(bytes);
  });
});

it('a packet that lies about what was before does no harm', () => {
  const lying = (before: string) => {
    const text = `<x:xmpmeta xmlns:x="adobe:ns:meta/" velmoAfter:Before="${before}"></x:xmpmeta>`;
    return file('II', [[700, 1, ...new TextEncoder().encode(text)]]);
  };
  expect(() => withoutAfterwards(lying('99999999'))).toThrow(/does not fit/);
  expect(() => withoutAfterwards(lying('200 4000000000:00'))).toThrow(/does not fit/);
  const strange = lying('12 zz');
  expect(withoutAfterwards(strange)).toBe(strange);
});

it('broken files are refused, never looped over', () => {
  const bytes = withAfterwards(file('II'), all);
  fc.assert(
    fc.property(fc.nat(bytes.length - 1), fc.nat(255), (at, value) => {
      const broken = bytes.slice();
      broken[at] = value;
      try {
        withAfterwards(broken, all);
      } catch (error) {
        expect((error as Error).message.length).toBeGreaterThan(5);
      }
    }),
    { numRuns: 300 },
  );
});
