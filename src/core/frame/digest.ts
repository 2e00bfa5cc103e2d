// SHA-256 (FIPS 180-4) of files: the platform's own where there is one, which is ten times faster; pages that are not secure have none.
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import type { FileEntry } from './record';
import type { Format } from '../setting/files';

/** Sixty-four hexadecimal digits. */
export async function digestOf(bytes: Uint8Array): Promise<string> {
  const { subtle } = (globalThis as { crypto?: Partial<Crypto> }).crypto ?? {};
  if (!subtle) return bytesToHex(sha256(bytes));
  return bytesToHex(new Uint8Array(await subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>)));
}

/** A file as a record tells of it. */
export async function entryOf(format: Format, bytes: Uint8Array): Promise<FileEntry> {
  return { format, bytes: bytes.length, sha256: await digestOf(bytes) };
}
