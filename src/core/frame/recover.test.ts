// A frame's record made again from its file: the same as the one that was lost.
import { initialValues } from '../setting/values';
import { encodeJpeg } from '../../../cli/jpeg';
import '../../../tests/light-scenes';
import { loadScene } from '../../../cli/scene-files';
import { isRecord } from '../../vault/record-check.generated';
import { captureDng } from '../dng/capture';
import { xmpPacket } from '../dng/xmp';
import { jpegFacts, withFacts } from '../formats/jpeg';
import { PREVIEW_LONG_SIDE } from '../scene/capture';
import { viewScene } from '../scene/view';
import { OPTICS } from '../sensor/cameras';
import { recordFromFiles } from './recover';
import { shoot } from './shoot';
import { someFacts } from '../../../tests/facts';

it('is the record that was lost, to the last digit', async () => {
  const view = viewScene(await loadScene('wheel-bench'), OPTICS['zoom-24'], 'landscape');
  const settings = {
    shutterS: 2 ** (-25 / 3),
    iso: 50,
    apertureN: 4,
    compensationEv: -2 / 3,
    filterStops: 1,
  };
  const press = {
    settings,
    facts: someFacts({
      set: {
        ...initialValues(),
        meter: { ...initialValues().meter, pattern: 'spot' as const },
        shutter: { auto: false, exact: settings.shutterS },
        aperture: { auto: false, exact: 4 },
        filterStops: 1,
        files: { kind: 'dng+jpeg' as const, quality: 80, size: 4 as const },
      },
      meteredEv100: 8,
      id: '00000000000a'.padEnd(32, '1'),
      timeMs: Date.UTC(2031, 3, 9, 5, 30, 5, 120),
      offsetMinutes: 150,
    }),
    seed: 5,
    clockS: 3.25,
    focusM: Infinity,
    steadiness: { support: 'tripod' as const, press: 0, sinceTouchS: 60 },
  };
  const shot = await shoot(view, press, {
    longSide: PREVIEW_LONG_SIDE,
    compression: 'lossless-jpeg',
    encodeJpeg,
  });
  const again = await recordFromFiles(shot.files);
  expect(isRecord(again)).toBe(true);
  expect(again).toEqual(JSON.parse(JSON.stringify(shot.record)));

  const bare = {
    compression: 'none' as const,
    thumbnail: { width: 2, height: 2, rgba: new Uint8ClampedArray(16) },
  };
  const previewJpeg = encodeJpeg(new Uint8ClampedArray(16 * 16 * 4), 16, 16);
  const without = captureDng(shot.frame, { ...bare, previewJpeg, facts: press.facts });
  expect(await recordFromFiles([{ format: 'dng', bytes: without }])).toBeUndefined();
  const broken = captureDng(shot.frame, { ...bare, previewJpeg, facts: press.facts, note: '{"version":' });
  expect(await recordFromFiles([{ format: 'dng', bytes: broken }])).toBeUndefined();
  const strange = captureDng(shot.frame, { ...bare, previewJpeg, facts: press.facts, note: '{"version":2}' });
  expect(isRecord(await recordFromFiles([{ format: 'dng', bytes: strange }]))).toBe(false);
});

it.each(['{"version":4}', '{}', '[]', '7', '{"made":null}'])(
  'is none where a picture’s note is %s',
  async (note) => {
    const picture = encodeJpeg(new Uint8ClampedArray(16 * 16 * 4), 16, 16);
    const bytes = withFacts(picture, new Uint8Array(), xmpPacket({ timeMs: 0, offsetMinutes: 0 }, '', note));
    expect(jpegFacts(bytes).xmp).toContain('velmo:Capture');
    expect(isRecord(await recordFromFiles([{ format: 'jpeg', bytes }]))).toBe(false);
  },
);
