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

/** The reason that a frame was not saved, where it is this. */
export const STORE_IS_FULL = 'the store is full';

const STORE_NAME = 'velmo-roll';
const RECORD = 'frame:';
const FILE = 'dng:';
const THUMBNAIL = 'thumb:';
const TRASH = 'trash:';
/** Files without a record younger than this may belong to a capture that is still running, perhaps in another tab. */
const ORPHAN_AGE_MS = 10 * 60 * 1000;
/** A deletion older than this cannot be taken back in any tab any more. */
const TRASH_AGE_MS = 10 * 60 * 1000;

type IsRecord = (value: unknown) => value is FrameRecord;

/** The schema checker is large and first needed when records are read: it comes in a bundle of its own. */
const recordCheck = (): Promise<IsRecord> => import('./record-check.generated').then((m) => m.isRecord);

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
  /** A record made again from a stored file. Returns false, and writes nothing, when it is none or another frame's. */
  putFoundRecord(id: string, record: unknown): Promise<boolean>;
  /** Records and thumbnails of frames whose files are served. Those already known, or once deleted, are passed over. */
  adopt(entries: readonly { record: FrameRecord; thumbnail: string }[]): Promise<number>;
  /** Takes frames out of the sheet; everything of them stays until they are purged or swept. */
  moveToTrash(ids: readonly string[], nowMs: number): Promise<void>;
  /** Puts frames back into the sheet. Returns those that could not be: they are gone. */
  restore(ids: readonly string[]): Promise<string[]>;
  /** Removes frames for good. */
  purge(ids: readonly string[]): Promise<void>;
  /** Purges what was deleted long ago. Returns what is gone. */
  sweep(nowMs: number): Promise<string[]>;
  /**
   * Files that have no record: of captures that were cut off, or that are still being written.
   * @param nowMs gives those only that are too old to be still written; null gives all
   */
  orphans(nowMs: number | null): Promise<string[]>;
}

export function openVault(store: Store = createAsyncStorage(STORE_NAME)): Vault {
  return {
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

    file: async (id) => {
      const text = await store.getItem(FILE + id);
      if (text === null) throw new Error('The file of this frame is not in the store');
      return fromBase64(text);
    },

    putFile: (id, dng, thumbnailJpeg) =>
      store.setMany({ [FILE + id]: toBase64(dng), [THUMBNAIL + id]: jpegUrl(thumbnailJpeg) }),

    putRecord: (record) => store.setItem(RECORD + record.id, JSON.stringify(record)),

    putFoundRecord: async (id, record) => {
      const isRecord = await recordCheck();
      if (!isRecord(record) || record.id !== id) return false;
      await store.setItem(RECORD + id, JSON.stringify(record));
      return true;
    },

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

    moveToTrash: (ids, nowMs) =>
      store.setMany(Object.fromEntries(ids.map((id) => [TRASH + id, String(nowMs)]))),

    restore: async (ids) => {
      const keys = new Set(await store.getAllKeys());
      const there = ids.filter((id) => keys.has(RECORD + id) && keys.has(THUMBNAIL + id));
      await store.removeMany(there.map((id) => TRASH + id));
      return ids.filter((id) => !there.includes(id));
    },

    purge,

    sweep: async (nowMs) => {
      const trash = idsOf(await store.getAllKeys(), TRASH);
      const values = await store.getMany(trash.map((id) => TRASH + id));
      // What an earlier version put there has no time: it is old.
      const old = trash.filter((id) => !(nowMs - Number(values[TRASH + id]) < TRASH_AGE_MS));
      await purge(old);
      return old;
    },

    orphans: async (nowMs) => {
      const keys = await store.getAllKeys();
      const known = new Set([...idsOf(keys, RECORD), ...idsOf(keys, TRASH)]);
      return idsOf(keys, FILE).filter(
        (id) => !known.has(id) && (nowMs === null || nowMs - timeOfId(id) > ORPHAN_AGE_MS),
      );
    },
  };

  async function purge(ids: readonly string[]): Promise<void> {
    if (ids.length > 0)
      await store.removeMany(ids.flatMap((id) => [FILE + id, THUMBNAIL + id, RECORD + id, TRASH + id]));
  }
}

function idsOf(keys: readonly string[], prefix: string): string[] {
  return keys.filter((key) => key.startsWith(prefix)).map((key) => key.slice(prefix.length));
}

const ADOPTED = 'adopted:';

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
