// A frame's raw file as it leaves the program: with what was said of it since. Raw numbers stay as they were taken, and so does the file that is kept.
import { colourOfWhite } from '../colour/camera';
import { withAfterwards } from '../dng/afterwards';
import { factsOf } from '../dng/file-facts';
import { readDng, type DngRaw } from '../dng/read';
import { withWhite } from '../dng/rewhite';
import { isUnknown } from '../units/known';
import { printOf, xmpRating, type FrameRecord } from './record';

type Thoughts = Pick<FrameRecord, 'verdict' | 'rating' | 'rewhite' | 'print' | 'reframe' | 'set'>;

/**
 * @param raw of the same file, where it has been read already
 * @throws DngError for a file that is broken
 */
export function leavingDng(bytes: Uint8Array, record: Thoughts, raw?: DngRaw | null): Uint8Array {
  const { rewhite, reframe } = record;
  const print = printOf(record);
  const rating = xmpRating(record);
  let out = bytes;
  if (rewhite) {
    const { matrices } = factsOf((raw ?? readDng(bytes)).metadata);
    if (!isUnknown(matrices)) out = withWhite(out, colourOfWhite(matrices, rewhite).asShotNeutral);
  }
  if (!print && !reframe && rating === 0) return out;
  const { width, height, crop } = reframe ? (raw ?? readDng(bytes)) : { width: 0, height: 0 };
  return withAfterwards(out, {
    said: { ...(rating !== 0 && { rating }), ...(print && { print }), ...(reframe && { reframe }) },
    ...(reframe && {
      orientation: reframe.orientation,
      lines: { inside: reframe.lines, part: crop ?? { x: 0, y: 0, width, height } },
    }),
  });
}
