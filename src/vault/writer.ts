// Writing the roll. A frame's files come first, its record last and only after they were read back, so a frame is either whole or not in
// the sheet at all. Only the roll's worker writes.
import { fromUint8Array } from 'js-base64';
import type { Latent } from '../core/frame/queue';
import { broughtForward, type FrameRecord, type Afterthoughts } from '../core/frame/record';
import type { Roll } from '../core/frame/roll';
import type { Format } from '../core/setting/files';
import { toByteString } from './byte-string';
import { timeOfId } from './frame-id';
import {
  ADOPTED,
  fileKey,
  idsOf,
  idsWithFiles,
  keysOf,
  LATENT,
  RECORD,
  ROLL,
  rollStore,
  THUMBNAIL,
  TRASH,
  type Store,
} from './store';

/** Files without a record younger than this may belong to a capture that is still being saved, perhaps in another tab. */
const ORPHAN_AGE_MS = 10 * 60 * 1000;
/** A deletion older than this cannot be taken back in any tab any more. */
const TRASH_AGE_MS = 10 * 60 * 1000;

type IsRecord = (value: unknown) => value is FrameRecord;

export interface RollWriter {
  /** Keeps exposures that are to be read out later, all of them in one transaction. */
  putLatent(frames: readonly Latent[]): Promise<void>;
  /** The roll of an exposure of that id that still waits to be read out; null where none does. */
  waitsIn(id: string): Promise<string | null>;
  /** Its record is written: the exposure is of no more use. */
  dropLatent(id: string): Promise<void>;
  /** First half of saving: files and thumbnail, in one transaction. */
  putFiles(
    id: string,
    files: readonly { readonly format: Format; readonly bytes: Uint8Array }[],
    thumbnailJpeg: Uint8Array,
  ): Promise<void>;
  /** Second half: from here on the frame is in the sheet. */
  putRecord(record: FrameRecord): Promise<void>;
  /** A record made again from a stored file. Returns false, and writes nothing, when it is none or another frame's. */
  putFoundRecord(id: string, record: unknown): Promise<boolean>;
  /**
   * What is said of frames after they were taken, in one transaction: what is undefined is no longer said, what is not named stays. Returns those that
   * are gone.
   * @param thumbnails data URLs by id, of those that look different now
   */
  putAfterthoughts(
    ids: readonly string[],
    said: Partial<Afterthoughts>,
    thumbnails?: Readonly<Record<string, string>>,
  ): Promise<string[]>;
  /** Records and thumbnails of frames whose files are served. Those already known, or once deleted, are passed over. */
  adopt(entries: readonly { record: FrameRecord; thumbnail: string }[]): Promise<number>;
  /** Keeps a roll, or what it is called now. One that was deleted is there again. */
  putRoll(roll: Roll): Promise<void>;
  /** Puts frames into another roll, read out or not. Their files stay as they are. Returns those that are gone. */
  move(ids: readonly string[], roll: string): Promise<string[]>;
  /** A frame a second time, with files of its own, in one transaction. Returns false where it is gone. */
  copy(id: string, newId: string, roll: string): Promise<boolean>;
  /** Deletes a roll and takes frames out of the sheet, in one transaction: all of it can be taken back. */
  deleteRoll(roll: Roll, ids: readonly string[], nowMs: number): Promise<void>;
  /** Takes frames out of the sheet; everything of them stays until they are purged or swept. */
  moveToTrash(ids: readonly string[], nowMs: number): Promise<void>;
  /** Puts frames back into the sheet. Returns those that could not be: they are gone. */
  restore(ids: readonly string[]): Promise<string[]>;
  /** Removes frames for good. */
  purge(ids: readonly string[]): Promise<void>;
  /** Removes those of them for good that are in the trash still: one that was put back meanwhile stays. */
  emptyTrash(ids: readonly string[]): Promise<void>;
  /** Purges what was deleted long ago. Returns what is gone. */
  sweep(nowMs: number): Promise<string[]>;
  /**
   * Frames whose files have no record: of saving that was cut off, or that is still going on.
   * @param nowMs gives those only that are too old to be still written; null gives all
   */
  orphans(nowMs: number | null): Promise<string[]>;
}

/** @param isRecord the schema's check */
export function rollWriter(isRecord: IsRecord, store: Store = rollStore()): RollWriter {
  return {
    putLatent: (frames) =>
      store.setMany(Object.fromEntries(frames.map((frame) => [LATENT + frame.id, JSON.stringify(frame)]))),

    waitsIn: async (id) => {
      const values = await store.getMany([LATENT + id, TRASH + id]);
      const latent = values[LATENT + id] ?? null;
      if (latent === null || (values[TRASH + id] ?? null) !== null) return null;
      return (JSON.parse(latent) as Latent).roll;
    },

    dropLatent: (id) => store.removeMany([LATENT + id]),

    putFiles: (id, files, thumbnailJpeg) =>
      store.setMany({
        ...Object.fromEntries(files.map(({ format, bytes }) => [fileKey(id, format), toByteString(bytes)])),
        [THUMBNAIL + id]: `data:image/jpeg;base64,${fromUint8Array(thumbnailJpeg)}`,
      }),

    putRecord: (record) => store.setItem(RECORD + record.id, JSON.stringify(record)),

    putFoundRecord: async (id, record) => {
      if (!isRecord(record) || record.id !== id) return false;
      await store.setItem(RECORD + id, JSON.stringify(record));
      return true;
    },

    putAfterthoughts: async (ids, said, thumbnails = {}) => {
      const texts = await store.getMany(ids.map((id) => RECORD + id));
      const values: Record<string, string> = {};
      for (const id of ids) {
        const text = texts[RECORD + id];
        if (!text) continue;
        values[RECORD + id] = JSON.stringify({ ...forward(RECORD, text), ...said });
        if (thumbnails[id] !== undefined) values[THUMBNAIL + id] = thumbnails[id];
      }
      if (Object.keys(values).length > 0) await store.setMany(values);
      return ids.filter((id) => !(RECORD + id in values));
    },

    adopt: async (entries) => {
      const seen = new Set(await store.getAllKeys());
      const fresh = entries.filter(
        ({ record }) =>
          isRecord(record) && !seen.has(THUMBNAIL + record.id) && !seen.has(ADOPTED + record.id),
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

    putRoll: ({ deletedMs: _, ...roll }) => store.setItem(ROLL + roll.id, JSON.stringify(roll)),

    move: async (ids, roll) => {
      const values = await store.getMany(ids.flatMap((id) => [RECORD + id, LATENT + id]));
      const moved = Object.entries(values).flatMap(([key, text]) =>
        text === null ? [] : [[key, JSON.stringify({ ...forward(key, text), roll })]],
      );
      if (moved.length > 0) await store.setMany(Object.fromEntries(moved));
      return ids.filter((id) => !values[RECORD + id] && !values[LATENT + id]);
    },

    copy: async (id, newId, roll) => {
      const keys = keysOf(await store.getAllKeys(), [id]).filter(
        (key) => !key.startsWith(LATENT) && !key.startsWith(TRASH),
      );
      const values = await store.getMany(keys);
      const record = values[RECORD + id];
      if (!record) return false;
      const copied = Object.entries(values).map(([key, text]) => [
        key.replace(id, newId),
        key === RECORD + id ? JSON.stringify({ ...forward(key, record), id: newId, roll }) : text,
      ]);
      await store.setMany(Object.fromEntries(copied));
      return true;
    },

    deleteRoll: (roll, ids, nowMs) =>
      store.setMany({
        [ROLL + roll.id]: JSON.stringify({ ...roll, deletedMs: nowMs } satisfies Roll),
        ...trashed(ids, nowMs),
      }),

    moveToTrash: (ids, nowMs) => store.setMany(trashed(ids, nowMs)),

    restore: async (ids) => {
      const keys = new Set(await store.getAllKeys());
      const there = ids.filter(
        (id) => (keys.has(RECORD + id) && keys.has(THUMBNAIL + id)) || keys.has(LATENT + id),
      );
      await store.removeMany(there.map((id) => TRASH + id));
      return ids.filter((id) => !there.includes(id));
    },

    purge,

    emptyTrash: async (ids) => {
      const trash = new Set(idsOf(await store.getAllKeys(), TRASH));
      await purge(ids.filter((id) => trash.has(id)));
    },

    sweep: async (nowMs) => {
      const keys = await store.getAllKeys();
      const trash = idsOf(keys, TRASH);
      const values = await store.getMany(trash.map((id) => TRASH + id));
      // What an earlier version put there has no time: it is old.
      const old = trash.filter((id) => !(nowMs - Number(values[TRASH + id]) < TRASH_AGE_MS));
      await purge(old);
      // Of frames that were read out just before their page closed.
      const records = new Set(idsOf(keys, RECORD));
      const remains = idsOf(keys, LATENT).filter((id) => records.has(id));
      if (remains.length > 0) await store.removeMany(remains.map((id) => LATENT + id));
      return old;
    },

    orphans: async (nowMs) => {
      const keys = await store.getAllKeys();
      // What waits to be read out writes its files anew.
      const kept = new Set([RECORD, TRASH, LATENT].flatMap((prefix) => idsOf(keys, prefix)));
      return idsWithFiles(keys).filter(
        (id) => !kept.has(id) && (nowMs === null || nowMs - timeOfId(id) > ORPHAN_AGE_MS),
      );
    },
  };

  /** A record or an exposure as this version has it. */
  function forward(key: string, text: string): object {
    const value: unknown = JSON.parse(text);
    return (key.startsWith(RECORD) ? broughtForward(value) : value) as object;
  }

  function trashed(ids: readonly string[], nowMs: number): Record<string, string> {
    return Object.fromEntries(ids.map((id) => [TRASH + id, String(nowMs)]));
  }

  async function purge(ids: readonly string[]): Promise<void> {
    if (ids.length > 0) await store.removeMany(keysOf(await store.getAllKeys(), ids));
  }
}
