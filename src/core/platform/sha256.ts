// SHA-256 (FIPS 180-4): the platform's own where there is one, which is ten times faster; pages that are not secure have none.
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';

/** Sixty-four hexadecimal digits. */
export async function sha256Hex(bytes: Uint8Array): Promise<string> {
  const { subtle } = (globalThis as { crypto?: Partial<Crypto> }).crypto ?? {};
  if (!subtle) return bytesToHex(sha256(bytes));
  return bytesToHex(new Uint8Array(await subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>)));
}
