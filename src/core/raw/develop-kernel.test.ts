// The kernel against its twin, bit for bit: every width from the least on, every phase, every place of a region, and numbers of every kind.
import fc from 'fast-check';
import { allowKernels } from '../kernels/kernel';
import { colourOfWhite } from '../colour/camera';
import { noiseModel } from '../sensor/sensor';
import { SIM_COLOUR } from '../sensor/sim-colour';
import { SIM_ONE_WIDE } from '../sensor/sim-one';
import {
  developerFor,
  developersOf16,
  developReduced,
  developRegion,
  type Developer,
  type Region,
} from './develop';
import { rowDeveloper } from './develop-kernel';

const cameraColourFor = (kelvin: number) => colourOfWhite(SIM_COLOUR.matrices, { kelvin, tint: 0 });

afterEach(() => allowKernels(true));

it('is loaded here: what follows compares two different things', () => {
  const developer = developerFor({ black: 64, white: 1023, colour: cameraColourFor(5500), baselineEv: 0.8 });
  expect(rowDeveloper(developer)).not.toBeNull();
  allowKernels(false);
  expect(rowDeveloper(developer)).toBeNull();
});

const made = new Map<string, readonly Developer[]>();
/** Of one kind and of both of 16 bits; their tables take longer than what is made with them. */
function developersFor(kelvin: number, white: number): readonly Developer[] {
  const of = { black: 64, white, colour: cameraColourFor(kelvin), baselineEv: 0.8 };
  const key = `${kelvin} ${white}`;
  const known = made.get(key);
  if (known) return known;
  const { high, low } = developersOf16(of);
  const developers = [developerFor(of), high, low];
  made.set(key, developers);
  return developers;
}

const mosaic = fc
  .record({ width: fc.integer({ min: 2, max: 40 }), height: fc.integer({ min: 2, max: 9 }) })
  .chain(({ width, height }) =>
    fc.record({
      width: fc.constant(width),
      height: fc.constant(height),
      data: fc
        .array(fc.oneof(fc.integer({ min: 0, max: 65535 }), fc.constantFrom(0, 64, 1023, 65535)), {
          minLength: width * height,
          maxLength: width * height,
        })
        .map((values) => Uint16Array.from(values)),
      phase: fc.constantFrom<readonly [0 | 1, 0 | 1]>([0, 0], [1, 0], [0, 1], [1, 1]),
      from: fc.tuple(fc.integer({ min: 0, max: width - 1 }), fc.integer({ min: 0, max: height - 1 })),
      to: fc.tuple(fc.integer({ min: 1, max: width }), fc.integer({ min: 1, max: height })),
      kelvin: fc.constantFrom(2500, 5500, 12000),
      white: fc.constantFrom(1023, 16383, 65535),
    }),
  );

it('makes the bytes that its twin makes', () => {
  fc.assert(
    fc.property(mosaic, ({ from, to, kelvin, white, ...frame }) => {
      const region: Region = {
        x: Math.min(from[0], to[0] - 1),
        y: Math.min(from[1], to[1] - 1),
        width: Math.max(1, to[0] - Math.min(from[0], to[0] - 1)),
        height: Math.max(1, to[1] - Math.min(from[1], to[1] - 1)),
      };
      for (const developer of developersFor(kelvin, white)) {
        const [fast, plain] = [true, false].map((use) => {
          allowKernels(use);
          // Beside other pixels, that stay as they are.
          const bytes = new Uint8ClampedArray(4 * region.width * region.height + 8).fill(7);
          developRegion(frame, developer, region, bytes.subarray(4, bytes.length - 4));
          return bytes;
        });
        expect(fast).toEqual(plain);
        expect([...fast!.subarray(0, 4), ...fast!.subarray(-4)]).toEqual(Array(8).fill(7));
      }
    }),
    { numRuns: 300 },
  );
});

it('makes smaller pictures as its twin does, of every phase and size', () => {
  fc.assert(
    fc.property(
      mosaic,
      fc.integer({ min: 1, max: 20 }),
      fc.integer({ min: 1, max: 9 }),
      ({ from: _, to: _to, kelvin, white, ...of }, width, height) => {
        const frame = {
          ...of,
          layout: 'cfa' as const,
          noise: noiseModel(SIM_ONE_WIDE.sensor, 100, 1),
          black: 64,
          white,
          baselineEv: 0.8,
          colour: cameraColourFor(kelvin),
        };
        for (const developer of developersFor(kelvin, white)) {
          const [fast, plain] = [true, false].map((use) => {
            allowKernels(use);
            return developReduced(frame, width, height, developer);
          });
          expect(fast).toEqual(plain);
        }
      },
    ),
    { numRuns: 300 },
  );
});
