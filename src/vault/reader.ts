// Reading the roll: what is in the sheet, thumbnails, files. Whoever reads changes nothing.
import { toUint8Array } from 'js-base64';
import { broughtForward, FORMATS, type Format, type FrameRecord } from '../core/frame/record';
import { fromByteString } from './byte-string';
import { BASE64_FILE, fileKey, idsOf, RECORD, rollStore, THUMBNAIL, TRASH, type Store } from './store';

type IsRecord = (value: unknown) => value is FrameRecord;

/** The schema's check is large and first needed when records are read: in the page it comes in a bundle of its own. */
const recordCheck = (): Promise<IsRecord> => import('./record-check.generated').then((m) => m.isRecord);

export interface Listing {
  /** Newest first. */
  readonly frames: FrameRecord[];
  /** Keys whose record could not be read; they are left where they are. */
  readonly unreadable: string[];
}

export interface RollReader {
  list(): Promise<Listing>;
  thumbnails(ids: readonly string[]): Promise<Record<string, string | null>>;
  /** A file of a frame. @throws Error when it is not there */
  file(id: string, format: Format): Promise<Uint8Array>;
  /** All files that are stored of a frame, whatever its record says. */
  files(id: string): Promise<{ format: Format; bytes: Uint8Array }[]>;
}

export function rollReader(store: Store = rollStore()): RollReader {
  const reader: RollReader = {
    list: async () => {
      const all = await store.getAllKeys();
      const deleted = new Set(idsOf(all, TRASH));
      const keys = all.filter((key) => key.startsWith(RECORD) && !deleted.has(key.slice(RECORD.length)));
      const values = await store.getMany(keys);
      const isRecord = await recordCheck();
      const frames: FrameRecord[] = [];
      const unreadable: string[] = [];
      for (const key of keys) {
        const record = parse(values[key], isRecord);
        if (record) frames.push(record);
        else unreadable.push(key);
      }
      frames.sort((a, b) => b.timeMs - a.timeMs || (a.id < b.id ? 1 : -1));
      return { frames, unreadable };
    },

    thumbnails: async (ids) => {
      const values = await store.getMany(ids.map((id) => THUMBNAIL + id));
      return Object.fromEntries(ids.map((id) => [id, values[THUMBNAIL + id] ?? null]));
    },

    file: async (id, format) => {
      const text = await store.getItem(fileKey(id, format));
      if (text !== null) return fromByteString(text);
      const older = format === 'dng' ? await store.getItem(BASE64_FILE + id) : null;
      if (older === null) throw new Error('The file of this frame is not in the store');
      return toUint8Array(older);
    },

    files: async (id) => {
      const keys = new Set(await store.getAllKeys());
      const there = FORMATS.filter(
        (format) => keys.has(fileKey(id, format)) || (format === 'dng' && keys.has(BASE64_FILE + id)),
      );
      return Promise.all(there.map(async (format) => ({ format, bytes: await reader.file(id, format) })));
    },
  };
  return reader;
}

function parse(text: string | null | undefined, isRecord: IsRecord): FrameRecord | undefined {
  try {
    const value = broughtForward(JSON.parse(text ?? ''));
    return isRecord(value) ? value : undefined;
  } catch {
    return undefined;
  }
}
