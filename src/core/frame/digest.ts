// The hash that a record has of a file.
import { sha256Hex } from '../platform/sha256';
import type { FileEntry } from './record';
import type { Format } from '../setting/files';

/** Sixty-four hexadecimal digits of SHA-256. */
export const digestOf = sha256Hex;

/** A file as a record tells of it. */
export async function entryOf(format: Format, bytes: Uint8Array): Promise<FileEntry> {
  return { format, bytes: bytes.length, sha256: await digestOf(bytes) };
}
