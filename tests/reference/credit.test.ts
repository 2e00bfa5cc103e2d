// Name, copyright, keywords and place in every kind of file, against ExifTool and Exiv2; and the place taken out again.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { encodeJpeg } from '../../cli/jpeg';
import '../light-scenes';
import { loadScene } from '../../cli/scene-files';
import type { Position } from '../../src/core/body/position';
import { averager } from '../../src/core/combine/average';
import type { Facts } from '../../src/core/facts/facts';
import { pictureFrame } from '../../src/core/frame/picture-frame';
import { recordFromFiles } from '../../src/core/frame/recover';
import { shoot } from '../../src/core/frame/shoot';
import { withoutPlace } from '../../src/core/formats/without-place';
import { viewScene } from '../../src/core/scene/view';
import { OPTICS } from '../../src/core/sensor/cameras';
import { ENDINGS, parseFiles, type Format } from '../../src/core/setting/files';
import { initialValues } from '../../src/core/setting/values';
import { runTool } from './run-tool';
import { someFacts } from '../facts';

const folder = mkdtempSync(join(tmpdir(), 'velmo-credit-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const TIME = Date.UTC(2031, 3, 9, 5, 30, 5, 120);
const credit = {
  person: 'Ansa Verrel',
  copyright: '© Ansa Verrel 2031, "all" & <each>',
  keywords: ['kiln', 'Töpferei'],
};
const position: Position = {
  ...{ latitudeDeg: -38.21401, longitudeDeg: -101.662549, accuracyM: 8.5, altitudeM: -3.25 },
  ...{ method: 'MANUAL', timeMs: TIME },
};
const facts = (kind: string): Facts =>
  someFacts({
    set: { ...initialValues(), files: parseFiles(kind) },
    ...{ meteredEv100: 9.5, id: 'ef'.repeat(16), credit, position, timeMs: TIME, offsetMinutes: 150 },
  });

const KINDS = ['dng+jpeg,90', 'tiff,quarter', 'png,quarter', 'lent'] as const;
const files: { name: string; format: Format; bytes: Uint8Array; path: string; bare: string }[] = [];

beforeAll(async () => {
  const camera = OPTICS.wide;
  const view = viewScene(await loadScene('wheel-bench'), camera, 'portrait');
  for (const kind of KINDS) {
    const made = kind === 'lent' ? await lent() : await simulated(kind);
    for (const { format, bytes } of made) {
      const name = `${kind.replace(',', '-')}.${ENDINGS[format]}`;
      const [path, bare] = [join(folder, name), join(folder, `bare-${name}`)];
      writeFileSync(path, bytes);
      writeFileSync(bare, withoutPlace(bytes, format));
      files.push({ name, format, bytes, path, bare });
    }
  }

  async function simulated(kind: string) {
    const shot = await shoot(
      view,
      {
        settings: { shutterS: 2 ** -9, iso: 200, apertureN: camera.lens.apertureN, compensationEv: 0 },
        ...{ facts: facts(kind), seed: 3 },
        ...{ clockS: 3, focusM: 1.5, steadiness: { support: 'tripod', press: 0, sinceTouchS: 60 } },
      },
      { longSide: 640, compression: 'lossless-jpeg', encodeJpeg },
    );
    expect(shot.record).toMatchObject({ credit, position });
    return shot.files;
  }

  async function lent() {
    const [width, height] = [64, 48];
    const rgba = Uint8ClampedArray.from({ length: 4 * width * height }, (_, i) => (i * 37) & 255);
    const sum = averager(width, height);
    sum.add(rgba);
    const small = { width: 16, height: 12, rgba: rgba.slice(0, 16 * 12 * 4) };
    const press = {
      ...{ facts: facts('dng'), made: {}, device: 'Lent camera' },
    };
    const frame = await pictureFrame(press, {
      jpeg: encodeJpeg(rgba, width, height),
      averaged: sum.finish(),
      thumbnail: small,
      thumbnailJpeg: encodeJpeg(small.rgba, 16, 12),
    });
    return frame.files;
  }
});

const told = (path: string) =>
  JSON.parse(runTool('exiftool', ['-j', '-n', '-G1', path], folder).stdout.toString())[0] as Record<
    string,
    unknown
  >;

it('every kind of file was made', () => {
  expect(files.map(({ format }) => format)).toEqual(['dng', 'jpeg', 'tiff', 'png', 'jpeg', 'dng']);
});

it('ExifTool reads name, copyright, keywords and place in each, and finds nothing wrong', () => {
  for (const { name, path } of files) {
    const found = told(path);
    expect({ name, ...found }).toMatchObject({
      'IFD0:Artist': credit.person,
      'XMP-dc:Creator': credit.person,
      'XMP-dc:Rights': credit.copyright,
      'XMP-dc:Subject': credit.keywords,
      'GPS:GPSLatitudeRef': 'S',
      'GPS:GPSLongitudeRef': 'W',
      'GPS:GPSAltitudeRef': 1,
      'GPS:GPSAltitude': 3.25,
      'GPS:GPSHPositioningError': 8.5,
      'GPS:GPSMapDatum': 'WGS-84',
      'GPS:GPSDateStamp': '2031:04:09',
      'GPS:GPSTimeStamp': '05:30:05',
    });
    // A ten-thousandth of a second of arc.
    expect(Math.abs(Number(found['GPS:GPSLatitude']) + position.latitudeDeg)).toBeLessThan(3e-8);
    expect(Math.abs(Number(found['GPS:GPSLongitude']) + position.longitudeDeg)).toBeLessThan(3e-8);
    // What is not ASCII stands in the XMP alone: Exif's text could not hold it.
    expect(found).not.toHaveProperty(['IFD0:Copyright']);
    expectSound(path);
  }
});

function expectSound(path: string): void {
  const { stdout } = runTool('exiftool', ['-validate', '-warning', '-error', '-a', '-G1', path], folder);
  expect(stdout.toString()).toMatch(/Validate\s*: OK/);
  expect(stdout.toString()).not.toMatch(/Warning|Error/);
}

it('Exiv2 reads the same place', () => {
  for (const { path } of files) {
    const { stdout } = runTool('exiv2', ['-g', 'GPSInfo', '-Pkt', path], folder);
    expect(stdout.toString()).toMatch(/GPSLatitude\s+38deg 12' 50/);
  }
});

it('without its place a file tells all the rest and nothing is wrong in it', () => {
  for (const { name, path, bare, bytes, format } of files) {
    const [before, after] = [told(path), told(bare)];
    const left = Object.entries(before).filter(
      ([tag]) => !/^GPS:|^Composite:GPS|IFD0:GPS|^System:|SourceFile/.test(tag),
    );
    expect({ name, ...after }).toMatchObject(Object.fromEntries(left));
    expect(Object.keys(after).filter((tag) => /GPS/.test(tag))).toEqual([]);
    expectSound(bare);
    const again = withoutPlace(bytes, format);
    expect(again).toHaveLength(bytes.length);
    expect(withoutPlace(again, format)).toBe(again);
  }
});

it('a record that is made again from a file tells who made it; the place is told by the file alone', async () => {
  const { bytes } = files[0]!;
  expect(new TextDecoder().decode(bytes)).not.toMatch(/latitudeDeg/);
  expect(await recordFromFiles([{ format: 'dng', bytes }])).toMatchObject({ credit });
});

it('files that say nothing of person and place have no such tags', async () => {
  const view = viewScene(await loadScene('wheel-bench'), OPTICS.wide, 'portrait');
  const { credit: _, position: __, ...plain } = facts('dng+jpeg');
  const shot = await shoot(
    view,
    {
      settings: { shutterS: 2 ** -9, iso: 200, apertureN: 1.8, compensationEv: 0 },
      ...{ facts: plain, seed: 3 },
      ...{ clockS: 3, focusM: 1.5, steadiness: { support: 'tripod', press: 0, sinceTouchS: 60 } },
    },
    { longSide: 320, compression: 'none', encodeJpeg },
  );
  for (const { format, bytes } of shot.files) {
    expect(withoutPlace(bytes, format)).toBe(bytes);
    const path = join(folder, `plain.${ENDINGS[format]}`);
    writeFileSync(path, bytes);
    const tags = Object.keys(told(path)).filter((tag) => !tag.startsWith('ICC'));
    expect(tags.filter((tag) => /GPS|Artist|Creator$|Rights|Subject$/.test(tag))).toEqual([]);
  }
});
