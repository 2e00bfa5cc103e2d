// Files in and out of the command line: refused before there is work, nothing left behind, an older file kept until the new one is whole.
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { UsageError } from './arguments';
import { readWhole, releaseAll, reserve } from './files';

const folder = mkdtempSync(join(tmpdir(), 'velmo-files-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('a file to be written', () => {
  it('takes its name when it is whole; until then an older one stays', () => {
    const path = join(folder, 'a', 'b', 'c.dng');
    reserve(path).write(Uint8Array.of(1));
    expect(() => reserve(path)).toThrow(/--force/);
    const second = reserve(path, true);
    expect([...readFileSync(path)]).toEqual([1]);
    second.write(Uint8Array.of(2, 3));
    second.release();
    expect([...readFileSync(path)]).toEqual([2, 3]);
    expect(readdirSync(join(folder, 'a', 'b'))).toEqual(['c.dng']);
  });
  it('leaves nothing behind when there is nothing to write after all', () => {
    const path = join(folder, 'never.dng');
    reserve(path).release();
    expect(readdirSync(folder).filter((name) => name.includes('never'))).toEqual([]);
  });
  it('is taken back, with all others, when the program ends', () => {
    const there = join(folder, 'ends');
    const [first, second, third] = ['a', 'b', 'c'].map((name) => reserve(join(there, name)));
    first!.write(Uint8Array.of(1));
    second!.release();
    releaseAll();
    third!.release();
    expect(readdirSync(there)).toEqual(['a']);
  });
  it.each([['/proc/none/x.dng'], ['/dev/null/x.dng'], ['/dev/full'], [folder]])(
    'is refused at once at %s',
    (path) => expect(() => reserve(path)).toThrow(UsageError),
  );
});

describe('a file to be read', () => {
  it('must be one', () => {
    mkdirSync(join(folder, 'd'));
    for (const path of ['/dev/zero', '/dev/full', join(folder, 'd'), join(folder, 'none')])
      expect(() => readWhole(path)).toThrow(UsageError);
    writeFileSync(join(folder, 'e'), 'abc');
    expect(readWhole(join(folder, 'e')).length).toBe(3);
    expect(existsSync(join(folder, 'e'))).toBe(true);
  });
});
