// What leaves the program of a frame with print, framing, white and rating, read by ExifTool, Exiv2 and dcraw: raw is the same to the last sample, tags say what
// was chosen, and taken out again the file is as it was to the last byte. Pictures are cut, turned and printed.
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { decode } from 'jpeg-js';
import { encodeJpeg } from '../../cli/jpeg';
import '../light-scenes';
import { loadScene } from '../../cli/scene-files';
import { withoutAfterwards } from '../../src/core/dng/afterwards';
import { previewOf } from '../../src/core/dng/preview';
import { readDng } from '../../src/core/dng/read';
import { exportedFiles, USUAL_EXPORT, type ExportKind } from '../../src/core/frame/export';
import { USUAL_PATTERN } from '../../src/core/frame/file-name';
import { printOf, type FrameRecord } from '../../src/core/frame/record';
import { shoot } from '../../src/core/frame/shoot';
import { takenOfFile } from '../../src/core/formats/taken-of-file';
import { viewScene } from '../../src/core/scene/view';
import { OPTICS } from '../../src/core/sensor/cameras';
import { parseFiles } from '../../src/core/setting/files';
import { OWN_PRINTS, type Print } from '../../src/core/setting/print';
import { initialValues } from '../../src/core/setting/values';
import { pgmSamples, runTool } from './run-tool';
import { someFacts } from '../facts';

const folder = mkdtempSync(join(tmpdir(), 'velmo-leaving-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const facts = someFacts({
  ...{ meteredEv100: 9.5, id: 'cd'.repeat(16) },
  ...{ timeMs: Date.UTC(2031, 3, 9), offsetMinutes: 150 },
});
let taken: { record: FrameRecord; bytes: Uint8Array };
let said: FrameRecord;
const path = (name: string) => join(folder, name);

beforeAll(async () => {
  const camera = OPTICS.wide;
  const view = viewScene(await loadScene('tile-board'), camera, 'landscape');
  const shot = await shoot(
    view,
    {
      settings: { shutterS: 2 ** -7, iso: 200, apertureN: camera.lens.apertureN, compensationEv: 0 },
      ...{ facts, seed: 3 },
      ...{ clockS: 3, focusM: 1.5, steadiness: { support: 'tripod', press: 0, sinceTouchS: 60 } },
    },
    { longSide: 640, compression: 'lossless-jpeg', encodeJpeg },
  );
  taken = { record: shot.record, bytes: shot.files[0]!.bytes };
  said = {
    ...taken.record,
    rating: 4,
    print: OWN_PRINTS[4]!,
    rewhite: { kelvin: 4200, tint: 3 },
    reframe: { lines: { x: 100, y: 60, width: 300, height: 240 }, orientation: 6, tiltDeg: 0 },
  };
  writeFileSync(path('taken.dng'), taken.bytes);
  writeFileSync(path('said.dng'), (await exported('stored'))[0]!.bytes);
});

function exported(kind: ExportKind, of: FrameRecord = said, size: 1 | 2 | 4 = 1) {
  const none = () => Promise.reject(new Error('nothing is coded anew here'));
  return exportedFiles(
    of,
    [{ format: 'dng', bytes: taken.bytes }],
    { ...USUAL_EXPORT, kind, size, pattern: USUAL_PATTERN },
    encodeJpeg,
    none,
  );
}

const told = (name: string) =>
  JSON.parse(runTool('exiftool', ['-j', '-n', '-G1', path(name)], folder).stdout.toString())[0] as Record<
    string,
    unknown
  >;

function expectSound(name: string): void {
  const { stdout } = runTool(
    'exiftool',
    ['-validate', '-warning', '-error', '-a', '-G1', path(name)],
    folder,
  );
  expect(stdout.toString()).toMatch(/Validate\s*: OK/);
  expect(stdout.toString()).not.toMatch(/Warning|Error/);
}

it('ExifTool reads framing, orientation and rating, and finds nothing wrong', () => {
  expectSound('said.dng');
  expect(told('said.dng')).toMatchObject({
    'IFD0:Orientation': 6,
    'XMP-xmp:Rating': 4,
    // Top, left, bottom, right as shares of 640 × 480.
    'SubIFD:DefaultUserCrop': [60 / 480, 100 / 640, 300 / 480, 400 / 640].join(' '),
  });
  const xmp = runTool('exiv2', ['-g', 'Xmp', '-Pkt', path('said.dng')], folder).stdout.toString();
  expect(xmp).toMatch(/Xmp\.xmp\.Rating\s+4/);
  expect(xmp).toMatch(/PrintName\s+Ash/);
});

it('dcraw honours the orientation, and its samples are the same before and after', () => {
  const shown = runTool('dcraw', ['-i', '-v', path('said.dng')], folder).stdout.toString();
  expect(shown).toMatch(/Image size:\s+640 x 480/);
  expect(shown).toMatch(/Output size:\s+480 x 640/);
  const samples = (name: string) =>
    createHash('sha256')
      .update(pgmSamples(runTool('dcraw', ['-D', '-4', '-t', '0', '-c', path(name)], folder).stdout).data)
      .digest('hex');
  expect(samples('said.dng')).toBe(samples('taken.dng'));
});

it('taken out again the file is as it was, its white aside that has no other place than its tag', async () => {
  const [back] = await exported('stored', { ...said, rewhite: undefined });
  expect(Buffer.from(withoutAfterwards(back!.bytes)).equals(Buffer.from(taken.bytes))).toBe(true);
  const [plain] = await exported('stored', taken.record);
  expect(Buffer.from(plain!.bytes).equals(Buffer.from(taken.bytes))).toBe(true);
  const again = readDng((await exported('stored'))[0]!.bytes);
  const before = readDng(taken.bytes).data;
  expect(Buffer.from(again.data.buffer).equals(Buffer.from(before.buffer))).toBe(true);
});

it('without its place it has none, whatever is said of it, and whatever is taken out again', async () => {
  const position = {
    latitudeDeg: 12.5,
    longitudeDeg: 7.25,
    accuracyM: 8,
    method: 'MANUAL',
    timeMs: 0,
  } as const;
  const camera = OPTICS.wide;
  const shot = await shoot(
    viewScene(await loadScene('tile-board'), camera, 'landscape'),
    {
      settings: { shutterS: 2 ** -7, iso: 200, apertureN: camera.lens.apertureN, compensationEv: 0 },
      facts: { ...facts, position },
      ...{ seed: 3, clockS: 3, focusM: 1.5 },
      steadiness: { support: 'tripod', press: 0, sinceTouchS: 60 },
    },
    { longSide: 320, compression: 'none', encodeJpeg },
  );
  const rated: FrameRecord = { ...shot.record, rating: 5 };
  const choice = { ...USUAL_EXPORT, pattern: USUAL_PATTERN, withoutPlaces: true };
  const [file] = await exportedFiles(rated, shot.files, choice, encodeJpeg, async ({ bytes }) => bytes);
  writeFileSync(path('placed.dng'), shot.files[0]!.bytes);
  writeFileSync(path('bare.dng'), file!.bytes);
  writeFileSync(path('plain.dng'), withoutAfterwards(file!.bytes));
  const places = (name: string) => Object.keys(told(name)).filter((tag) => /GPS/.test(tag));
  expect(places('placed.dng').length).toBeGreaterThan(3);
  for (const name of ['bare.dng', 'plain.dng']) {
    expect(places(name)).toEqual([]);
    expectSound(name);
  }
});

it.each([
  ['jpeg', 'jpg', 1],
  ['tiff', 'tif', 1],
  ['png16', 'png', 2],
  ['png', 'png', 4],
] as const)('a developed %s is cut, turned, rated, and says its print', async (kind, ending, size) => {
  const [file] = await exported(kind, said, size);
  expect(file!.ending).toBe(ending);
  const name = `${kind}.${ending}`;
  writeFileSync(path(name), file!.bytes);
  expectSound(name);
  const found = told(name);
  const [width, height] = [240 / size, 300 / size];
  expect([found['File:ImageWidth'] ?? found['IFD0:ImageWidth'] ?? found['PNG:ImageWidth'], found['File:ImageHeight'] ?? found['IFD0:ImageHeight'] ?? found['PNG:ImageHeight']]).toEqual([width, height]); // prettier-ignore
  expect(found).toMatchObject({ 'IFD0:Orientation': 1, 'XMP-xmp:Rating': 4 });
  expect(JSON.stringify(found)).toContain('"Ash"');
  // And whoever wants to take the picture again is told how by it.
  expect(takenOfFile(file!.bytes)).toMatchObject({ iso: 200, apertureN: OPTICS.wide.lens.apertureN });
  expect(takenOfFile(file!.bytes).shutterS).toBe(1 / 125);
});

it('a straightened picture has the size of its lines; a dropped one is rated −1', async () => {
  const tilted: FrameRecord = {
    ...taken.record,
    verdict: 'dropped',
    reframe: { lines: { x: 100, y: 60, width: 300, height: 240 }, orientation: 1, tiltDeg: 4 },
  };
  const [file] = await exported('jpeg', tilted);
  writeFileSync(path('tilted.jpg'), file!.bytes);
  expectSound('tilted.jpg');
  expect(told('tilted.jpg')).toMatchObject({
    'File:ImageWidth': 300,
    'File:ImageHeight': 240,
    'XMP-xmp:Rating': -1,
  });
});

it('a print that was chosen before the press is in the picture and in the record, and raw does not know it', async () => {
  const camera = OPTICS.wide;
  const view = viewScene(await loadScene('tile-board'), camera, 'landscape');
  const taking = (print: Print | null) =>
    shoot(
      view,
      {
        settings: { shutterS: 2 ** -7, iso: 200, apertureN: camera.lens.apertureN, compensationEv: 0 },
        facts: { ...facts, set: { ...initialValues(), print, files: parseFiles('dng+jpeg,90') } },
        ...{ seed: 3, clockS: 3, focusM: 1.5 },
        steadiness: { support: 'tripod', press: 0, sinceTouchS: 60 },
      },
      { longSide: 320, compression: 'none', encodeJpeg },
    );
  const [plain, ash] = [await taking(null), await taking(OWN_PRINTS[4]!)];
  expect(printOf(ash.record)).toEqual(OWN_PRINTS[4]);
  const raws = [plain, ash].map(({ files }) => Buffer.from(readDng(files[0]!.bytes).data.buffer));
  expect(raws[0]!.equals(raws[1]!)).toBe(true);
  /** How far a JPEG's pixels are from grey, at most. */
  const colours = (jpeg: Uint8Array) => {
    const { data } = decode(jpeg, { useTArray: true });
    let most = 0;
    for (let i = 0; i < data.length; i += 4)
      most = Math.max(most, Math.max(data[i]!, data[i + 1]!, data[i + 2]!) - Math.min(data[i]!, data[i + 1]!, data[i + 2]!)); // prettier-ignore
    return most;
  };
  expect(colours(plain.files[1]!.bytes)).toBeGreaterThan(60);
  expect(colours(ash.files[1]!.bytes)).toBeLessThan(6);
  expect(colours(ash.thumbnailJpeg)).toBeLessThan(6);
  // The small picture inside of raw stays plain: a print can be taken away.
  expect(colours(previewOf(ash.files[0]!.bytes)!.jpeg)).toBeGreaterThan(60);
});

it('what cannot be made of a frame is said', async () => {
  const picture: FrameRecord = { ...taken.record, image: { width: 64, height: 48, kind: 'rgb' } };
  const files = [{ format: 'jpeg' as const, bytes: encodeJpeg(new Uint8ClampedArray(64 * 48 * 4), 64, 48) }];
  const ask = (kind: ExportKind) =>
    exportedFiles(
      picture,
      files,
      { ...USUAL_EXPORT, kind, pattern: 'x' },
      encodeJpeg,
      async ({ bytes }) => bytes,
    );
  await expect(ask('tiff')).rejects.toThrow(/8 bits/);
  expect((await ask('jpeg'))[0]!.bytes).toBe(files[0]!.bytes);
  await expect(exportedFiles(picture, [], { ...USUAL_EXPORT, kind: 'jpeg', pattern: 'x' }, encodeJpeg, async ({ bytes }) => bytes)).rejects.toThrow(/no file/); // prettier-ignore
});
