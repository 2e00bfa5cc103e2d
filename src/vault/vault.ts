// What is kept in this browser: frames as a file, a thumbnail and a record, in one named AsyncStorage store. The record
// is written last and only after the file was read back, so a frame is either whole or not in the sheet at all.
import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { broughtForward, type FrameRecord } from '../core/frame/record';
import { fromBase64, toBase64 } from './base64';
import { timeOfId } from './frame-id';

export interface Store {
  getItem(key: string): Promise<string | null>;
  setItem(key: string, value: string): Promise<void>;
  removeMany(keys: string[]): Promise<void>;
  getMany(keys: string[]): Promise<Record<string, string | null>>;
  setMany(entries: Record<string, string>): Promise<void>;
  getAllKeys(): Promise<string[]>;
}

const STORE_NAME = 'velmo-roll';
const RECORD = 'frame:';
const FILE = 'dng:';
const THUMBNAIL = 'thumb:';
const TRASH = 'trash:';
/** Files without a record younger than this may belong to a capture that is still running, perhaps in another tab. */
const ORPHAN_AGE_MS = 10 * 60 * 1000;

type IsRecord = (value: unknown) => value is FrameRecord;

/** The schema checker is large and first needed when records are read: it comes in a bundle of its own. */
const recordCheck = (): Promise<IsRecord> => import('./record-check').then((m) => m.isRecord);

export interface Listing {
  /** Newest first. */
  readonly frames: FrameRecord[];
  /** Keys whose record could not be read; they are left where they are. */
  readonly unreadable: string[];
}

export interface Vault {
  list(): Promise<Listing>;
  thumbnails(ids: readonly string[]): Promise<Record<string, string | null>>;
  /** The file of a frame. @throws Error when it is not there. */
  file(id: string): Promise<Uint8Array>;
  /** First half of saving: file and thumbnail, in one transaction. */
  putFile(id: string, dng: Uint8Array, thumbnailJpeg: Uint8Array): Promise<void>;
  /** Second half: from here on the frame is in the sheet. */
  putRecord(record: FrameRecord): Promise<void>;
  /** Records and thumbnails of frames whose files are served. Those already known, or once deleted, are passed over. */
  adopt(entries: readonly { record: FrameRecord; thumbnail: string }[]): Promise<number>;
  moveToTrash(ids: readonly string[]): Promise<void>;
  restore(ids: readonly string[]): Promise<void>;
  /** Empties the trash and removes files that never got a record. */
  sweep(nowMs: number, options?: { trash?: boolean }): Promise<string[]>;
}

export function openVault(store: Store = createAsyncStorage(STORE_NAME)): Vault {
  const withPrefix = async (prefix: string) =>
    (await store.getAllKeys()).filter((key) => key.startsWith(prefix));
  return {
    list: async () => {
      const keys = await withPrefix(RECORD);
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

    file: async (id) => {
      const text = await store.getItem(FILE + id);
      if (text === null) throw new Error('The file of this frame is not in the store');
      return fromBase64(text);
    },

    putFile: (id, dng, thumbnailJpeg) =>
      store.setMany({ [FILE + id]: toBase64(dng), [THUMBNAIL + id]: jpegUrl(thumbnailJpeg) }),

    putRecord: (record) => store.setItem(RECORD + record.id, JSON.stringify(record)),

    adopt: async (entries) => {
      const known = new Set(await store.getAllKeys());
      const isRecord = await recordCheck();
      const fresh = entries.filter(
        ({ record }) =>
          isRecord(record) && !known.has(THUMBNAIL + record.id) && !known.has(ADOPTED + record.id),
      );
      const values: Record<string, string> = {};
      for (const { record, thumbnail } of fresh) {
        values[RECORD + record.id] = JSON.stringify(record);
        values[THUMBNAIL + record.id] = thumbnail;
        values[ADOPTED + record.id] = '1';
      }
      if (fresh.length > 0) await store.setMany(values);
      return fresh.length;
    },

    moveToTrash: (ids) => move(store, ids, RECORD, TRASH),
    restore: (ids) => move(store, ids, TRASH, RECORD),

    sweep: async (nowMs, { trash = true } = {}) => {
      const keys = await store.getAllKeys();
      const has = new Set(keys);
      const gone = new Set<string>();
      for (const key of keys) {
        if (trash && key.startsWith(TRASH)) gone.add(key.slice(TRASH.length));
        if (!key.startsWith(FILE)) continue;
        const id = key.slice(FILE.length);
        const orphan = !has.has(RECORD + id) && !has.has(TRASH + id);
        if (orphan && nowMs - timeOfId(id) > ORPHAN_AGE_MS) gone.add(id);
      }
      const remove = [...gone].flatMap((id) => [FILE + id, THUMBNAIL + id, TRASH + id]);
      if (remove.length > 0) await store.removeMany(remove);
      return [...gone];
    },
  };
}

const ADOPTED = 'adopted:';

/** Writes the new keys before the old ones go: half-way there are two, never none. */
async function move(store: Store, ids: readonly string[], from: string, to: string): Promise<void> {
  const values = await store.getMany(ids.map((id) => from + id));
  const target: Record<string, string> = {};
  for (const id of ids) {
    const value = values[from + id];
    if (value) target[to + id] = value;
  }
  await store.setMany(target);
  await store.removeMany(ids.map((id) => from + id));
}

function parse(text: string | null | undefined, isRecord: IsRecord): FrameRecord | undefined {
  try {
    const value = broughtForward(JSON.parse(text ?? ''));
    return isRecord(value) ? value : undefined;
  } catch {
    return undefined;
  }
}

function jpegUrl(jpeg: Uint8Array): string {
  return `data:image/jpeg;base64,${toBase64(jpeg)}`;
}
