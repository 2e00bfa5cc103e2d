// Files of cameras that give pictures only, against independent readers: dcraw and LibRaw read the linear DNG number by number, ExifTool finds
// nothing wrong in either file and reads what was known, and nothing else.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jpegJs from 'jpeg-js';
import { encodeJpeg } from '../../cli/jpeg';
import { averager } from '../../src/core/combine/average';
import { pictureFrame } from '../../src/core/frame/picture-frame';
import { initialValues } from '../../src/core/setting/values';
import { runTool } from './run-tool';
import { someFacts } from '../facts';

const folder = mkdtempSync(join(tmpdir(), 'velmo-picture-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const [W, H] = [160, 120];
const rgba = Uint8ClampedArray.from({ length: 4 * W * H }, (_, i) =>
  (i & 3) === 3 ? 255 : 20 + ((Math.floor(i / 4) * ((i & 3) + 3)) % 211),
);
const jpeg = encodeJpeg(rgba, W, H);
const [dngFile, jpegFile] = [join(folder, 'linear.dng'), join(folder, 'picture.jpg')];
const sum = averager(W, H);

beforeAll(async () => {
  sum.add(rgba);
  sum.add(rgba.map((v, i) => ((i & 3) === 3 ? v : v ^ ((i >> 4) & 1))));
  const { files } = await pictureFrame(
    {
      facts: someFacts({
        ...{ set: { ...initialValues(), pictures: 2 }, id: 'cd'.repeat(16) },
        ...{ timeMs: Date.UTC(2031, 3, 9, 5, 30, 5, 120), offsetMinutes: 150 },
      }),
      made: { shutterS: 0.006, iso: 200, focusM: 2, compensationEv: -1 / 3 },
      device: 'Lent camera',
    },
    {
      jpeg,
      averaged: sum.finish(),
      thumbnail: { width: 16, height: 12, rgba: rgba.slice(0, 16 * 12 * 4) },
      thumbnailJpeg: encodeJpeg(rgba.slice(0, 16 * 12 * 4), 16, 12),
    },
  );
  for (const { format, bytes } of files) writeFileSync(format === 'dng' ? dngFile : jpegFile, bytes);
});

/** Numbers of a binary PPM of 16 bits. */
function ppmSamples(bytes: Buffer): { width: number; height: number; data: number[] } {
  const head = /^P6\s+(\d+)\s+(\d+)\s+65535\s/.exec(bytes.subarray(0, 40).toString('latin1'));
  if (!head) throw new Error(`Not a 16-bit PPM: ${bytes.subarray(0, 20).toString('latin1')}`);
  const [width, height] = [Number(head[1]), Number(head[2])];
  const from = head[0].length;
  return {
    width,
    height,
    data: Array.from({ length: 3 * width * height }, (_, i) => bytes.readUInt16BE(from + 2 * i)),
  };
}

it('dcraw reads the linear DNG as it was averaged: no colours converted, 16 bits, no scaling', () => {
  // -r 1 1 1 1: no white balance; -M: no matrix; -o 0: raw colour; -4: linear 16 bits; -W is part of it.
  const { stdout } = runTool(
    'dcraw',
    ['-c', '-4', '-r', '1', '1', '1', '1', '-o', '0', '-t', '0', dngFile],
    folder,
  );
  const { width, height, data } = ppmSamples(stdout);
  expect([width, height]).toEqual([W, H]);
  const { data: own } = sum.finish();
  const most = data.reduce((worst, v, i) => Math.max(worst, Math.abs(v - own[i]!)), 0);
  expect(most).toBeLessThanOrEqual(1);
});

it.each([
  ['DNG', () => dngFile],
  ['JPEG', () => jpegFile],
])('ExifTool finds nothing wrong in the %s', (_, file) => {
  const { stdout } = runTool('exiftool', ['-validate', '-warning', '-error', '-a', '-G1', file()], folder);
  expect(stdout.toString()).toMatch(/Validate\s*: OK/);
  expect(stdout.toString()).not.toMatch(/Warning|Error/);
});

it.each([
  ['DNG', () => dngFile],
  ['JPEG', () => jpegFile],
])('ExifTool reads what is known from the %s, and no f-number', (kind, file) => {
  const told = JSON.parse(runTool('exiftool', ['-j', '-n', file()], folder).stdout.toString())[0] as Record<
    string,
    unknown
  >;
  expect(told).toMatchObject({
    Model: 'Lent camera',
    ExposureTime: 0.006,
    ISO: 200,
    SubjectDistance: 2,
    ImageUniqueID: 'cd'.repeat(16),
    OffsetTimeOriginal: '+02:30',
  });
  expect(told.ExposureCompensation).toBeCloseTo(-1 / 3, 5);
  for (const tag of ['FNumber', 'FocalLength', 'LensModel', 'Make']) expect(told).not.toHaveProperty(tag);
  expect(String(told.Description)).toMatch(kind === 'DNG' ? /8 bits, not raw/ : /finished picture/);
});

it('another decoder opens the JPEG and finds the picture that went in', () => {
  const [before, after] = [jpegJs.decode(jpeg), jpegJs.decode(readFileSync(jpegFile))];
  expect([after.width, after.height]).toEqual([W, H]);
  expect(Buffer.compare(after.data, before.data)).toBe(0);
});
