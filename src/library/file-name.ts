// The name under which a frame leaves the program.
import type { FrameRecord } from '../core/frame/record';
import { ENDINGS, type Format } from '../core/setting/files';

/** "velmo-20310409-073005-1a2b.dng" in the frame's local time. */
export function fileName(
  { timeMs, offsetMinutes, id }: Pick<FrameRecord, 'timeMs' | 'offsetMinutes' | 'id'>,
  format: Format,
): string {
  const local = new Date(timeMs + offsetMinutes * 60000).toISOString();
  return `velmo-${local.slice(0, 10).replaceAll('-', '')}-${local.slice(11, 19).replaceAll(':', '')}-${id.slice(-20, -16)}.${ENDINGS[format]}`;
}
