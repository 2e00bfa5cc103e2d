// A frame of finished pictures from parts to files and back: the coded picture is untouched, what is known is in the files and nothing else,
// and the record can be made again from them.
import { encodeJpeg } from '../../../cli/jpeg';
import { isRecord } from '../../vault/record-check.generated';
import { averager } from '../combine/average';
import { encodeSrgb } from '../colour/srgb';
import { pictureWhite } from '../white/on-picture';
import { checkDng } from '../dng/check';
import { seenSize } from '../raw/shown';
import { rawFrameOf } from '../dng/file-frame';
import { readDng } from '../dng/read';
import { codedPicture, jpegFacts, withFacts } from '../formats/jpeg';
import { jpegExif, pictureXmp } from '../formats/picture-facts';
import { pictureOfRegion, pictureReduced } from '../raw/develop-image';
import { pictureFrame, type PicturePress } from './picture-frame';
import { recordFromFiles } from './recover';
import { someFacts } from '../../../tests/facts';

const [W, H] = [120, 90];
const rgba = Uint8ClampedArray.from({ length: 4 * W * H }, (_, i) => ((i & 3) === 3 ? 255 : (i * 7) % 251));
const jpeg = encodeJpeg(rgba, W, H);
const thumbnail = { width: 4, height: 3, rgba: rgba.slice(0, 48) };
const thumbnailJpeg = encodeJpeg(thumbnail.rgba, 4, 3);

const PRESS: PicturePress = {
  facts: someFacts({
    ...{ meteredEv100: { unknown: 'not calibrated' }, id: 'ab'.repeat(16) },
    ...{ timeMs: Date.UTC(2031, 3, 9, 5, 30, 5, 120), offsetMinutes: 150 },
  }),
  made: { shutterS: 0.006, kelvin: 4000 },
  device: 'Kamera „Ö“ 2',
};
const averaged = () => {
  const sum = averager(W, H);
  sum.add(rgba);
  sum.add(rgba.map((v, i) => ((i & 3) === 3 ? v : v ^ 1)));
  return sum.finish();
};
const parts = { jpeg, averaged: null, thumbnail, thumbnailJpeg };

describe('a frame of one JPEG', () => {
  it('keeps the coded picture and tells what is known; the rest is unknown with its reason', async () => {
    const { record, files } = await pictureFrame(PRESS, parts);
    expect(isRecord(JSON.parse(JSON.stringify(record)))).toBe(true);
    expect(files.map(({ format }) => format)).toEqual(['jpeg']);
    expect(codedPicture(files[0]!.bytes)).toEqual(codedPicture(jpeg));
    const { xmp, ...facts } = jpegFacts(files[0]!.bytes);
    expect(facts).toEqual({
      orientation: 1,
      shutterS: expect.closeTo(0.006, 4) as number,
      model: 'Kamera ??? 2',
    });
    expect(xmp).toContain('finished picture');
    expect(record.exposure.iso).toHaveProperty('unknown');
    expect(record.metered.ev100).toEqual({ unknown: 'not calibrated' });
    expect([record.image, record.kelvin, record.forecast]).toEqual([
      { width: W, height: H, kind: 'rgb' },
      4000,
      undefined,
    ]);
    expect(record.result).toHaveProperty('unknown');
  });

  it('believes the still about itself, and keeps how it is to be turned', async () => {
    const own = { ...PRESS, ...PRESS.facts, orientation: 6, width: W, height: H, words: '' };
    const exif = jpegExif({
      ...own,
      made: { shutterS: 1 / 30, iso: 400, apertureN: 1.8 },
      focalLengthMm: 4.2,
    });
    const still = withFacts(jpeg, exif, pictureXmp(own, undefined));
    const { record, files } = await pictureFrame(PRESS, { ...parts, jpeg: still });
    expect(record.image).toMatchObject({ width: H, height: W });
    expect(record.exposure).toMatchObject({
      shutterS: expect.closeTo(1 / 30, 4) as number,
      iso: 400,
      apertureN: 1.8,
    });
    expect(jpegFacts(files[0]!.bytes)).toMatchObject({ orientation: 6, focalLengthMm: 4.2 });
  });

  it('of a broken still there is none', async () => {
    const whole = parts.jpeg;
    for (const broken of [
      new Uint8Array(0),
      whole.slice(0, 40),
      Uint8Array.of(0xff, 0xd8, 0xff),
      new Uint8Array(500),
    ])
      await expect(pictureFrame(PRESS, { ...parts, jpeg: broken })).rejects.toThrow(/JPEG/);
  });
});

describe('with a linear DNG', () => {
  it('three components come back as they were averaged, with the noise that was measured', async () => {
    const sum = averaged();
    const { record, files } = await pictureFrame(PRESS, { ...parts, averaged: sum });
    expect(record.made).toMatchObject({ kind: 'browser', pictures: 2 });
    const dng = files.find(({ format }) => format === 'dng')!.bytes;
    const raw = readDng(dng);
    expect([raw.layout, raw.width, raw.height]).toEqual(['rgb', W, H]);
    expect(raw.data).toEqual(sum.data);
    const report = checkDng(dng);
    if (!report.ok) throw new Error(report.message);
    expect(report.layout).toMatch(/^linear RGB/);
    expect(report.channels.map(({ name }) => name)).toEqual(['R', 'G', 'B']);
    expect(report.channels.reduce((n, { sites }) => n + sites, 0)).toBe(3 * W * H);
    const { noise } = rawFrameOf(raw);
    expect(noise!.shot * 1e4 + noise!.read).toBeCloseTo(sum.noise!.shot * 1e4 + sum.noise!.read, 3);
    expect(raw.xmp).toContain('8 bits');
    // Frame lines cut the picture; the linear file keeps what is outside, and tells them.
    const { files: cut } = await pictureFrame(PRESS, {
      ...parts,
      averaged: sum,
      cut: { aspect: '1:1', times: 1 },
    });
    const lined = readDng(cut.find(({ format }) => format === 'dng')!.bytes);
    expect(lined.data).toEqual(sum.data);
    expect(seenSize(rawFrameOf(lined))).toEqual({ width: Math.min(W, H), height: Math.min(W, H) });
    // Exif says nothing that nobody knows.
    expect([report.metadata.fNumber, report.metadata.iso]).toEqual([undefined, undefined]);
  });

  it('develops back to the picture it was made from: sRGB in, sRGB out, within the plain tone curve', async () => {
    const sum = averager(W, H);
    sum.add(rgba);
    sum.add(rgba, false);
    const { files } = await pictureFrame(PRESS, { ...parts, averaged: sum.finish() });
    const image = rawFrameOf(readDng(files[1]!.bytes));
    const whole = pictureOfRegion(image, { x: 0, y: 0, width: W, height: H });
    expect(whole.reduce((most, v, i) => Math.max(most, Math.abs(v - rgba[i]!)), 0)).toBeLessThanOrEqual(8);
    const piece = pictureOfRegion(image, { x: 5, y: 7, width: 3, height: 2 });
    expect([...piece.slice(0, 4)]).toEqual([...whole.slice(4 * (7 * W + 5), 4 * (7 * W + 5) + 4)]);
    expect(() => pictureOfRegion(image, { x: 119, y: 0, width: 2, height: 1 })).toThrow(/leaves the picture/);
    expect(pictureReduced(image, W, H)).toEqual(whole);
    expect(pictureReduced(image, 1, 1)).toHaveLength(4);
  });
});

describe('with white put on it', () => {
  const white = { kelvin: 3200, tint: -4 };

  it('says so, and keeps what the device told of itself', async () => {
    const told = { orientation: 1, iso: 250, model: 'Told' };
    const { record, files } = await pictureFrame(PRESS, { ...parts, told, whiteOnPicture: white });
    expect([record.kelvin, record.tint, record.exposure.iso]).toEqual([3200, -4, 250]);
    expect(isRecord(JSON.parse(JSON.stringify(record)))).toBe(true);
    const facts = jpegFacts(files[0]!.bytes);
    expect(facts).toMatchObject({ orientation: 1, iso: 250, model: 'Told' });
    expect(facts.xmp).toContain('white put on it, 3200 K, tint −4');
  });

  it('a linear DNG holds the light as it came, and white in its tags: what is grey in that light develops grey', async () => {
    const { neutral } = pictureWhite(white);
    const grey = rgba.map((_, i) =>
      (i & 3) === 3 ? 255 : Math.round(255 * encodeSrgb(0.4 * neutral[i & 3]!)),
    );
    const sum = averager(W, H);
    sum.add(grey);
    sum.add(grey, false);
    const held = sum.finish();
    const { files } = await pictureFrame(PRESS, { ...parts, averaged: held, whiteOnPicture: white });
    const raw = readDng(files[1]!.bytes);
    expect(raw.data).toEqual(held.data);
    const image = rawFrameOf(raw);
    expect(image.colour.white.kelvin).toBeCloseTo(3200, -1.5);
    expect(image.colour.white.tint).toBeCloseTo(-4, 0);
    const [r, g, b] = pictureOfRegion(image, { x: 0, y: 0, width: 1, height: 1 });
    expect(Math.max(r!, g!, b!) - Math.min(r!, g!, b!)).toBeLessThanOrEqual(2);
  });
});

it('the record is made again from the files, to the last digit', async () => {
  const { record, files } = await pictureFrame(PRESS, { ...parts, averaged: averaged() });
  expect(await recordFromFiles(files)).toEqual(record);
  expect(await recordFromFiles([{ format: 'jpeg', bytes: jpeg }])).toBeUndefined();
  await expect(recordFromFiles([{ format: 'jpeg', bytes: jpeg.slice(0, 50) }])).rejects.toThrow(/JPEG/);
});
