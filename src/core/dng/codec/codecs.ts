// The codecs there are, the usual one first.
import type { Codec } from './codec';
import { losslessJpeg } from './lossless-jpeg';
import { plain } from './plain';

export const CODECS = [losslessJpeg, plain] as const;
export type CodecId = (typeof CODECS)[number]['id'];
export const CODEC_IDS: readonly CodecId[] = CODECS.map(({ id }) => id);

type AnyCodec = Codec<CodecId>;

export function codecOf(id: CodecId): AnyCodec {
  return CODECS.find((codec): codec is (typeof CODECS)[number] => codec.id === id)!;
}

/** By TIFF's Compression; undefined for one that is not read here. */
export function codecNumbered(number: number): AnyCodec | undefined {
  return CODECS.find((codec) => codec.number === number);
}
