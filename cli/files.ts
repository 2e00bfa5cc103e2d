// Files in and out: what cannot be read is refused before it is read, what cannot be written before there is anything to write.
import {
  closeSync,
  mkdirSync,
  openSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { dirname, resolve } from 'node:path';
import { UsageError } from './arguments';

/** Larger than any raw file of 100 megapixels. */
const MOST_BYTES = 2 ** 30;

/** @throws UsageError for what is not a readable file of bearable size */
export function readWhole(path: string): Uint8Array {
  try {
    const found = statSync(path);
    if (!found.isFile()) throw new UsageError(`${path} is not a file`);
    if (found.size > MOST_BYTES)
      throw new UsageError(`${path} is too large to be a raw file: ${(found.size / 1e9).toFixed(1)} GB`);
    return readFileSync(path);
  } catch (error) {
    if (error instanceof UsageError) throw error;
    throw new UsageError(`${path} cannot be read`);
  }
}

/** One folder at a time: asked to do it all at once, Node tries for ever where a system refuses with "no such folder". */
function makeFolder(path: string): void {
  if (statSync(path, { throwIfNoEntry: false })) return;
  if (dirname(path) !== path) makeFolder(dirname(path));
  mkdirSync(path);
}

export interface Reserved {
  /** @throws Error when the disk refuses; an older file of that name is still there then */
  write(bytes: Uint8Array): void;
  /** Takes back what was reserved, unless it was written. */
  release(): void;
}

/**
 * Makes sure that a file can be written there, before the work whose result it is to hold: opens a file beside it that takes its
 * name in the end.
 * @throws UsageError when not
 */
export function reserve(path: string): Reserved {
  const part = `${path}.${process.pid}.part`;
  let handle: number | undefined;
  try {
    makeFolder(resolve(dirname(path)));
    const there = statSync(path, { throwIfNoEntry: false });
    if (there && !there.isFile()) throw new UsageError(`--out ${path} is there already and not a file`);
    handle = openSync(part, 'w');
  } catch (error) {
    if (error instanceof UsageError) throw error;
    throw new UsageError(`--out ${path} cannot be written`);
  }
  const release = () => {
    if (handle === undefined) return;
    closeSync(handle);
    handle = undefined;
    rmSync(part, { force: true });
  };
  return {
    write: (bytes) => {
      try {
        for (let at = 0; at < bytes.length;) at += writeSync(handle!, bytes, at);
        closeSync(handle!);
        handle = undefined;
        renameSync(part, path);
      } catch (error) {
        release();
        rmSync(part, { force: true });
        const { code, message } = error as NodeJS.ErrnoException;
        throw new Error(`${path} could not be written: ${code === 'ENOSPC' ? 'no space left' : message}`);
      }
    },
    release,
  };
}
