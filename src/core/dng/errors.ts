// What can be wrong with a file, as a value that a screen or a terminal can show.

export type DngErrorCode =
  | 'empty'
  | 'not-tiff'
  | 'truncated'
  | 'loop'
  | 'absurd'
  | 'bad-tag'
  | 'no-raw'
  | 'unsupported'
  | 'bad-jpeg'
  | 'bad-tiff';

export class DngError extends Error {
  constructor(
    readonly code: DngErrorCode,
    message: string,
    /** Byte offset in the file where the trouble was met. */
    readonly offset: number,
  ) {
    super(message);
    this.name = 'DngError';
  }
}
