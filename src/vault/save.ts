// Saving a frame: its files are written, read back and compared with their hashes; only then it has a record, and only after that its exposure is given up.
// Cut off anywhere it can be done again, and comes out once.
import { digestOf } from '../core/frame/digest';
import type { FrameRecord } from '../core/frame/record';
import type { Format } from '../core/setting/files';
import { isUnknown } from '../core/units/known';
import type { RollReader } from './reader';
import type { RollWriter } from './writer';

export interface FrameToSave {
  readonly record: FrameRecord;
  readonly files: readonly { readonly format: Format; readonly bytes: Uint8Array }[];
  readonly thumbnailJpeg: Uint8Array;
}

/**
 * @param latent true for a frame that was read out of an exposure in the store
 * @returns false, with nothing written, when that exposure was deleted
 * @throws Error when the store refuses, or gives back something else than was written
 */
export async function saveFrame(
  reader: RollReader,
  writer: RollWriter,
  { record, files, thumbnailJpeg }: FrameToSave,
  latent: boolean,
): Promise<boolean> {
  const roll = latent ? await writer.waitsIn(record.id) : record.roll;
  if (roll === null) return false;
  await writer.putFiles(record.id, files, thumbnailJpeg);
  for (const { format, sha256 } of record.files) {
    const back = await digestOf(await reader.file(record.id, format));
    if (isUnknown(sha256) || back !== sha256) throw new Error('what was stored is not what was exposed');
  }
  // It may have been moved while it was read out.
  await writer.putRecord({ ...record, roll });
  // What stays of it when this fails is cleared away by the next page.
  if (latent) await writer.dropLatent(record.id).catch(() => undefined);
  return true;
}
