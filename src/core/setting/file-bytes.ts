// How large a frame's files will be: as the last ones were, or by usual sizes until there are some.
import { formatsOf, hasJpeg, type FileChoice, type Format } from './files';

/** What a frame that is there tells of its files. */
export interface KeptFiles {
  readonly camera: string;
  readonly set: { readonly files?: FileChoice | undefined };
  readonly files: readonly { readonly format: Format; readonly bytes: number }[];
}

/** Measured on the demo's wheel bench at 12 MP, bytes a pixel; of a JPEG at the qualities 60, 92 and 100. */
const USUAL = { tiff: 6.0, png8: 1.43, png16: 4.86, jpeg: [0.058, 0.23, 1.23] } as const;

/** The last so many frames of one kind are looked at. */
const MOST_FRAMES = 6;

export interface FrameBytes {
  readonly bytes: number;
  /** Frames that this is the mean of; 0 for usual sizes. */
  readonly from: number;
}

/**
 * @param rawBytes of a raw file as this camera usually makes them
 * @param megapixels of a picture as large as the frame
 * @param kept frames, newest first
 */
export function frameBytes(
  choice: FileChoice,
  camera: { readonly name: string; readonly rawBytes: number; readonly megapixels: number },
  kept: readonly KeptFiles[],
): FrameBytes {
  const same = kept
    .filter((frame) => frame.camera === camera.name && isSame(frame.set.files, choice))
    .slice(0, MOST_FRAMES);
  if (same.length > 0) {
    const sum = same.reduce((all, { files }) => all + files.reduce((s, { bytes }) => s + bytes, 0), 0);
    return { bytes: Math.round(sum / same.length), from: same.length };
  }
  const pixels = (1e6 * camera.megapixels) / choice.size ** 2;
  const of = (format: Format) => (format === 'dng' ? camera.rawBytes : pixels * bytesAPixel(format, choice));
  return { bytes: Math.round(formatsOf(choice).reduce((sum, format) => sum + of(format), 0)), from: 0 };
}

/** Would make files of the same size. A frame of an earlier version says nothing: it is raw only. */
function isSame(a: FileChoice | undefined, b: FileChoice): boolean {
  if (a === undefined) return b.kind === 'dng';
  if (a.kind !== b.kind) return false;
  if (b.kind === 'dng') return true;
  return a.size === b.size && (!hasJpeg(b) || a.quality === b.quality);
}

function bytesAPixel(format: Exclude<Format, 'dng'>, { kind, quality }: FileChoice): number {
  if (format === 'tiff') return USUAL.tiff;
  if (format === 'png') return kind === 'png16' ? USUAL.png16 : USUAL.png8;
  const [at60, at92, at100] = USUAL.jpeg;
  // Even steps of quality are about even steps of the logarithm.
  const between = (low: number, high: number, share: number) => low * (high / low) ** share;
  return quality <= 92 ? between(at60, at92, (quality - 60) / 32) : between(at92, at100, (quality - 92) / 8);
}
