// The files of a frame, wherever they are: in this browser's store, or served beside the demo.
import type { FileEntry, FrameRecord } from '../core/frame/record';
import type { RollReader } from '../vault/reader';
import { fetchWhole } from './fetch-whole';

/** @throws Error when it is not there */
export function frameFile(
  reader: RollReader,
  { id, place }: Pick<FrameRecord, 'id' | 'place'>,
  { format }: Pick<FileEntry, 'format'>,
): Promise<Uint8Array> {
  return place.kind === 'stored'
    ? reader.file(id, format)
    : fetchWhole(place.url, { what: 'The file', large: true });
}
