// A way in which a file stores the numbers of a raw image, block by block. Each is a file beside this one and a line of `codecs`.

/** Numbers a pixel: one behind a colour filter, or three. */
export type SamplesAPixel = 1 | 3;

/** A tile or strip as the file has it. */
export interface Block {
  /** Numbers a row, and rows, that it was made for; the last ones of an image may hold more than counts. */
  readonly width: number;
  readonly height: number;
  /** Numbers a row, and rows, of it that count. */
  readonly columns: number;
  readonly rows: number;
  /** A tile is whole, however much of it counts; a strip may be as wide as it likes. */
  readonly tiled: boolean;
  readonly littleEndian: boolean;
  /** Where it begins in the file, for messages. */
  readonly offset: number;
}

/** Where the numbers that count are put: the first at `at`, `stride` from row to row. */
export interface Target {
  readonly data: Uint16Array;
  readonly at: number;
  readonly stride: number;
}

export interface Codec<Id extends string = string> {
  readonly id: Id;
  /** TIFF's Compression. */
  readonly number: number;
  /** For a person who reads what a file is. */
  readonly words: string;
  /** Images that it carries, by their numbers a pixel. */
  readonly samples: readonly SamplesAPixel[];
  /** True where an image is written as tiles; else it is one strip. */
  readonly tiles: boolean;
  /** Fewest bits that a number takes: a file that has less data than that is refused before any memory is asked for. */
  readonly leastBits: number;
  /** @throws DngError for bytes that are none of it, or too few */
  decodeBlock(bytes: Uint8Array, block: Block, to: Target): void;
  /** @param samples numbers of a whole block, row by row */
  encodeBlock(samples: Uint16Array, width: number, height: number): Uint8Array;
}
