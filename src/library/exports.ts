// Frames handed to the browser: one as its files, many as a ZIP, a piece at a time.
import type { ExportChoice } from '../core/frame/export';
import type { FrameRecord } from '../core/frame/record';
import type { RollCount } from '../core/frame/roll';
import { saveFile } from '../ui/save-file';
import { saveStream } from '../ui/save-stream';
import type { ExportPiece } from '../workers/export.worker';
import { rollIn } from './rolls';
import { exporter } from './staff';

export interface Exported {
  readonly frames: number;
  readonly failed: ExportPiece['failed'];
}

const TYPES: Readonly<Record<string, string>> = {
  dng: 'image/x-adobe-dng',
  jpg: 'image/jpeg',
  tif: 'image/tiff',
  png: 'image/png',
};

/**
 * @param onCourse told how many frames were come to, and how many bytes there are
 * @returns null when the person did not want it after all
 * @throws Error in words for people, the signal's reason when it is cancelled
 */
export async function exportFrames(
  records: readonly FrameRecord[],
  rolls: readonly RollCount[],
  choice: ExportChoice,
  onCourse: (done: number, bytes: number) => void,
  signal: AbortSignal,
): Promise<Exported | null> {
  const frames = records.map((record) => ({ record, roll: rollIn(rolls, record.roll).name }));
  if (frames.length === 1) {
    const files = await exporter.call((api) => api.one({ choice, frames }));
    signal.throwIfAborted();
    for (const { name, bytes } of files) saveFile(bytes, name, TYPES[name.split('.').at(-1)!]);
    return { frames: 1, failed: [] };
  }
  await exporter.call((api) => api.begin({ choice, frames }));
  let bytes = 0;
  let last: ExportPiece | undefined;
  const next = async () => {
    signal.throwIfAborted();
    last = await exporter.call((api) => api.next());
    signal.throwIfAborted();
    bytes += last.bytes?.length ?? 0;
    onCourse(last.done, bytes);
    return last.bytes;
  };
  try {
    const stamp = new Date(Date.now()).toISOString().slice(0, 10).replaceAll('-', '');
    const saved = await saveStream(next, `velmo-${stamp}-${frames.length}-frames.zip`, 'application/zip');
    const failed = last?.failed ?? [];
    return saved ? { frames: frames.length - failed.length, failed } : null;
  } finally {
    await exporter.call((api) => api.end()).catch(() => undefined);
  }
}
