// Files in and out: what cannot be read is refused before it is read, what cannot be written before there is anything to write.
import {
  closeSync,
  lstatSync,
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

/** What is reserved and not written yet. */
const pending = new Set<Reserved>();

/** Takes back all that is reserved: the program is about to end. */
export function releaseAll(): void {
  for (const reserved of pending) reserved.release();
}

/**
 * @param force true where a file that is there, or a link of that name, may be replaced
 * @throws UsageError when nothing may be written there
 */
export function mayBeWritten(path: string, force: boolean): void {
  const looked = (look: typeof statSync | typeof lstatSync) => {
    try {
      return look(path, { throwIfNoEntry: false });
    } catch {
      throw new UsageError(`--out ${path} cannot be written`);
    }
  };
  const target = looked(statSync);
  if (target && !target.isFile()) throw new UsageError(`--out ${path} is there already and not a file`);
  // A link that leads nowhere is there as well.
  if (!force && looked(lstatSync))
    throw new UsageError(`--out ${path} is there already: choose another name, or --force to replace it`);
}

/**
 * Makes sure that a file can be written there, before the work whose result it is to hold: opens a file beside it that takes its
 * name in the end. A link of that name is replaced, not followed.
 * @param force true where a file that is there may be replaced
 * @throws UsageError when not
 */
export function reserve(path: string, force = false): Reserved {
  const part = `${path}.${process.pid}.part`;
  let handle: number | undefined;
  try {
    makeFolder(resolve(dirname(path)));
    mayBeWritten(path, force);
    handle = openSync(part, 'w');
  } catch (error) {
    if (error instanceof UsageError) throw error;
    throw new UsageError(`--out ${path} cannot be written`);
  }
  const close = () => {
    pending.delete(reserved);
    if (handle === undefined) return;
    closeSync(handle);
    handle = undefined;
  };
  const reserved: Reserved = {
    write: (bytes) => {
      try {
        for (let at = 0; at < bytes.length;) at += writeSync(handle!, bytes, at);
        close();
        renameSync(part, path);
      } catch (error) {
        close();
        rmSync(part, { force: true });
        const { code, message } = error as NodeJS.ErrnoException;
        throw new Error(`${path} could not be written: ${code === 'ENOSPC' ? 'no space left' : message}`);
      }
    },
    release: () => {
      if (handle === undefined) return;
      close();
      rmSync(part, { force: true });
    },
  };
  pending.add(reserved);
  return reserved;
}
