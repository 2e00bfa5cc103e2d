// CRC-32 of ISO 3309, as PNG (annex D) and ZIP have it.

let table: Uint32Array | undefined;

/** @param before CRC of the bytes that came before, for data in pieces */
export function crc32(bytes: Uint8Array, before = 0): number {
  table ??= Uint32Array.from({ length: 256 }, (_, n) => {
    let c = n;
    for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
    return c;
  });
  let crc = ~before;
  for (let i = 0; i < bytes.length; i++) crc = table[(crc ^ bytes[i]!) & 255]! ^ (crc >>> 8);
  return ~crc >>> 0;
}
