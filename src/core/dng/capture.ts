// A capture of a camera of ours as DNG: what its file says of it, for the writer.
import { whiteWords } from '../colour/temperature';
import type { Facts } from '../facts/facts';
import type { RawFrame } from '../sensor/raw-frame';
import type { CodecId } from './codec/codecs';
import { exifDirectory, settingFacts } from './exif-directory';
import { writeDng, type Previews } from './write';
import { xmpPacket } from './xmp';

export interface CaptureOptions extends Previews {
  readonly compression: CodecId;
  readonly facts: Facts;
  /** Kept in the XMP packet as it is: what the program knows of the capture beyond the standard's tags. */
  readonly note?: string;
  /** Called with the share of raw data written; throw from it to cancel. */
  readonly onProgress?: (share: number) => void;
}

/** The whole file. @throws RangeError when the frame's data do not fit its size */
export function captureDng(frame: RawFrame, options: CaptureOptions): Uint8Array {
  const { compression: codec, facts, note, thumbnail, previewJpeg, onProgress } = options;
  const { source, timeMs, offsetMinutes } = frame;
  const { matrices, asShotNeutral } = frame.colour;
  return writeDng({
    image: frame,
    colour: { matrices, asShotNeutral, baselineEv: frame.baselineEv },
    codec,
    previews: { thumbnail, previewJpeg },
    facts: {
      ...{ make: source.make, model: source.camera, timeMs, offsetMinutes },
      exif: exifDirectory(frame, facts),
      xmp: xmpPacket(frame, wordsOf(frame, facts), note, facts.credit),
      credit: facts,
    },
    ...(onProgress && { onProgress }),
  });
}

/** What Exif has no tag for: the settings' comments, and how a simulated capture was made. */
export function wordsOf(frame: RawFrame, facts: Facts): string {
  const { scene, seed } = frame.source;
  const made = scene ? `Simulated scene: ${scene}, seed ${seed}.` : '';
  const white = `White ${whiteWords(frame.colour.white)}.`;
  return [settingFacts(frame, facts).comment, white, made].filter(Boolean).join(' ');
}
