// A latent frame is all of its exposure: through JSON and back it gives the same files, to the last bit; and what is no latent frame is not taken for one.
import { encodeJpeg } from '../../../cli/jpeg';
import '../../../tests/light-scenes';
import { loadScene } from '../../../cli/scene-files';
import { isLatent } from '../../vault/record-check.generated';
import { colourOfWhite } from '../colour/camera';
import { PREVIEW_LONG_SIDE } from '../scene/capture';
import { viewScene } from '../scene/view';
import { OPTICS } from '../sensor/cameras';
import { initialValues } from '../setting/values';
import { exposedOf, latentOf, type Exposed } from './expose-recipe';
import { latentForward } from './queue';
import { shoot } from './shoot';

const outside = { levels: { window: 0.7 }, support: 'hand', wheel: 'fast' } as const;
const exposed: Exposed = {
  ...{ lensId: 'wide', scene: 'wheel-bench', outside, orientation: 'portrait' },
  press: {
    settings: { shutterS: 2 ** (-20 / 3), iso: 100 * 2 ** (2 / 3), apertureN: 1.8, compensationEv: 1 / 3 },
    facts: {
      set: {
        ...initialValues(),
        cut: { ...initialValues().cut, times: 2 },
        files: { kind: 'dng+jpeg', quality: 80, size: 2 },
      },
      meteredEv100: 8.123456789,
      id: '00000000000a'.padEnd(32, '2'),
      roll: 'first',
      timeMs: Date.UTC(2031, 3, 9, 5, 30, 5, 120),
      offsetMinutes: -90,
      group: { id: '00000000000a'.padEnd(32, '3'), index: 1, of: 3, kind: 'bracket' },
      held: { rollDeg: 1.5, pitchDeg: -3 },
      focusedAt: { x: 0.4, y: 0.6 },
    },
    colour: colourOfWhite(OPTICS.wide.matrices, { kelvin: 4321, tint: 3 }),
    forecast: { headroomEv: -0.3, channels: [{ name: 'R', clippedShare: 0.1, belowFloorShare: 0 }] },
    focusM: 1.37,
    steadiness: { support: 'hand', press: 0.4, sinceTouchS: 0.2 },
    ...{ seed: 77, clockS: 19_805.12 },
  },
};
const stored = (of: Exposed) => JSON.parse(JSON.stringify(latentOf(of))) as unknown;

it('gives the same file and the same record as the exposure itself', async () => {
  const latent = stored(exposed);
  if (!isLatent(latent)) throw new Error('not a latent frame');
  const scene = await loadScene('wheel-bench');
  const [direct, later] = await Promise.all(
    [exposed, exposedOf(latent)].map((of) =>
      shoot(viewScene(scene, OPTICS[of.lensId], of.orientation, of.outside), of.press, {
        ...{ longSide: PREVIEW_LONG_SIDE, compression: 'lossless-jpeg', encodeJpeg },
      }),
    ),
  );
  expect(later!.files.map(({ format }) => format)).toEqual(['dng', 'jpeg']);
  direct!.files.forEach(({ bytes }, i) => expect(Buffer.compare(bytes, later!.files[i]!.bytes)).toBe(0));
  expect(later!.record).toEqual(direct!.record);
});

it('keeps a focus at infinity, and what the finder did not tell', () => {
  const { colour: _, forecast: __, ...press } = exposed.press;
  const far = { ...exposed, press: { ...press, focusM: Infinity } };
  const latent = stored(far);
  if (!isLatent(latent)) throw new Error('not a latent frame');
  expect(exposedOf(latent)).toEqual(far);
});

it.each([
  ['nothing', null],
  ['no version', { version: undefined }],
  ['a later version', { version: 2 }],
  ['an impossible time', { timeMs: 1e300 }],
  ['a shutter of nothing', { settings: { ...exposed.press.settings, shutterS: 0 } }],
  ['a lens that there is not', { lensId: 'fisheye' }],
  ['a lamp brighter than it can be', { outside: { ...outside, levels: { window: 7 } } }],
  ['a focus behind the lens', { focusM: -1 }],
  ['a group without end', { group: { id: 'x', index: 0, of: 1e9 } }],
])('%s is not taken for one', (_, change) => {
  const latent = change && { ...(stored(exposed) as object), ...change };
  expect(isLatent(JSON.parse(JSON.stringify(latentForward(latent))))).toBe(false);
});
