// Base64 (RFC 4648) of large byte arrays, fast enough for a raw file: AsyncStorage keeps strings.

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';
const CODES = Uint8Array.from(ALPHABET, (c) => c.charCodeAt(0));
const PAD = '='.charCodeAt(0);
const VALUES = new Uint8Array(256).fill(255);
for (let i = 0; i < 64; i++) VALUES[CODES[i]!] = i;

export function toBase64(bytes: Uint8Array): string {
  const out = new Uint8Array(Math.ceil(bytes.length / 3) * 4);
  let o = 0;
  for (let i = 0; i < bytes.length; i += 3) {
    const left = bytes.length - i;
    const word = (bytes[i]! << 16) | ((left > 1 ? bytes[i + 1]! : 0) << 8) | (left > 2 ? bytes[i + 2]! : 0);
    out[o++] = CODES[word >> 18]!;
    out[o++] = CODES[(word >> 12) & 63]!;
    out[o++] = left > 1 ? CODES[(word >> 6) & 63]! : PAD;
    out[o++] = left > 2 ? CODES[word & 63]! : PAD;
  }
  return new TextDecoder('latin1').decode(out);
}

/** @throws RangeError when the text is not base64. */
export function fromBase64(text: string): Uint8Array {
  if (text.length % 4 !== 0) throw new RangeError('Not base64: odd length');
  const codes = new TextEncoder().encode(text);
  const padding = text.endsWith('==') ? 2 : text.endsWith('=') ? 1 : 0;
  const out = new Uint8Array((text.length / 4) * 3 - padding);
  let bad = 0;
  for (let i = 0, o = 0; i < codes.length; i += 4, o += 3) {
    const last = i + 4 === codes.length;
    const [a, b] = [VALUES[codes[i]!]!, VALUES[codes[i + 1]!]!];
    const c = last && padding === 2 ? 0 : VALUES[codes[i + 2]!]!;
    const d = last && padding > 0 ? 0 : VALUES[codes[i + 3]!]!;
    bad |= a | b | c | d;
    const word = (a << 18) | (b << 12) | (c << 6) | d;
    out[o] = word >> 16;
    if (o + 1 < out.length) out[o + 1] = (word >> 8) & 255;
    if (o + 2 < out.length) out[o + 2] = word & 255;
  }
  if (bad & 128 || codes.length !== text.length) throw new RangeError('Not base64: strange characters');
  return out;
}
