// Reading the roll: what is in the sheet, thumbnails, files. Whoever reads changes nothing.
import { latentForward, type Latent } from '../core/frame/queue';
import { broughtForward, type FrameRecord } from '../core/frame/record';
import type { Roll } from '../core/frame/roll';
import { FORMATS, type Format } from '../core/setting/files';
import { fromByteString } from './byte-string';
import {
  fileKey,
  idsOf,
  LATENT,
  latentKeys,
  RECORD,
  ROLL,
  rollStore,
  THUMBNAIL,
  TRASH,
  type Store,
} from './store';

/** The schemas' checks are large and first needed when records are read: in the page they come in a bundle of their own. */
const checks = () => import('./record-check.generated');

export interface Listing {
  /** Newest first. */
  readonly frames: FrameRecord[];
  /** Exposures that wait to be read out, oldest first. */
  readonly waiting: Latent[];
  /** Those that were made or named; a frame may tell of others. */
  readonly rolls: Roll[];
  /** Keys whose record could not be read; they are left where they are. */
  readonly unreadable: string[];
}

export interface RollReader {
  /** Records that were read before are not read again: `forget` those that were written anew. */
  list(): Promise<Listing>;
  /** @param ids whose records are other than they were; null for any */
  forget(ids: readonly string[] | null): void;
  /** Exposures that wait to be read out, oldest first. */
  waiting(): Promise<Latent[]>;
  /** Of all frames: in the sheet, waiting, or deleted and not gone yet. */
  ids(): Promise<ReadonlySet<string>>;
  /** Of those that are deleted and not gone yet. */
  deleted(): Promise<ReadonlySet<string>>;
  thumbnails(ids: readonly string[]): Promise<Record<string, string | null>>;
  /** A file of a frame. @throws Error when it is not there */
  file(id: string, format: Format): Promise<Uint8Array>;
  /** All files that are stored of a frame, whatever its record says. */
  files(id: string): Promise<{ format: Format; bytes: Uint8Array }[]>;
}

export function rollReader(store: Store = rollStore()): RollReader {
  const known = new Map<string, FrameRecord>();
  const reader: RollReader = {
    forget: (ids) => {
      if (ids) for (const id of ids) known.delete(RECORD + id);
      else known.clear();
    },

    list: async () => {
      const all = await store.getAllKeys();
      const deleted = new Set(idsOf(all, TRASH));
      const keys = all.filter((key) => key.startsWith(RECORD) && !deleted.has(key.slice(RECORD.length)));
      const latent = latentKeys(all);
      const rollKeys = all.filter((key) => key.startsWith(ROLL));
      // One that is gone may come again with another record.
      const there = new Set(keys);
      for (const key of known.keys()) if (!there.has(key)) known.delete(key);
      const unread = keys.filter((key) => !known.has(key));
      const values = await store.getMany([...unread, ...latent, ...rollKeys]);
      const { isRecord, isLatent, isRoll } = await checks();
      for (const key of unread) {
        const record = parsed(values[key], broughtForward, isRecord);
        if (record) known.set(key, record);
      }
      const frames: FrameRecord[] = [];
      const unreadable: string[] = [];
      for (const key of keys) {
        const record = known.get(key);
        if (record) frames.push(record);
        else unreadable.push(key);
      }
      frames.sort((a, b) => b.timeMs - a.timeMs || (a.id < b.id ? 1 : -1));
      const waiting = latentsOf(latent, values, isLatent);
      unreadable.push(...latent.filter((key) => !waiting.some(({ id }) => LATENT + id === key)));
      const rolls = rollKeys.flatMap((key) => parsed(values[key], (roll) => roll, isRoll) ?? []);
      return { frames, waiting, rolls, unreadable };
    },

    waiting: async () => {
      const keys = latentKeys(await store.getAllKeys());
      const { isLatent } = await checks();
      return latentsOf(keys, await store.getMany(keys), isLatent);
    },

    ids: async () => {
      const keys = await store.getAllKeys();
      return new Set([RECORD, LATENT, TRASH].flatMap((prefix) => idsOf(keys, prefix)));
    },

    deleted: async () => new Set(idsOf(await store.getAllKeys(), TRASH)),

    thumbnails: async (ids) => {
      const values = await store.getMany(ids.map((id) => THUMBNAIL + id));
      return Object.fromEntries(ids.map((id) => [id, values[THUMBNAIL + id] ?? null]));
    },

    file: async (id, format) => {
      const text = await store.getItem(fileKey(id, format));
      if (text === null) throw new Error('The file of this frame is not in the store');
      return fromByteString(text);
    },

    files: async (id) => {
      const keys = new Set(await store.getAllKeys());
      const there = FORMATS.filter((format) => keys.has(fileKey(id, format)));
      return Promise.all(there.map(async (format) => ({ format, bytes: await reader.file(id, format) })));
    },
  };
  return reader;
}

function latentsOf(
  keys: readonly string[],
  values: Readonly<Record<string, string | null>>,
  isLatent: (value: unknown) => value is Latent,
): Latent[] {
  return keys
    .flatMap((key) => parsed(values[key], latentForward, isLatent) ?? [])
    .sort((a, b) => a.timeMs - b.timeMs || (a.id < b.id ? -1 : 1));
}

function parsed<T>(
  text: string | null | undefined,
  forward: (value: unknown) => unknown,
  isOne: (value: unknown) => value is T,
): T | undefined {
  try {
    const value = forward(JSON.parse(text ?? ''));
    return isOne(value) ? value : undefined;
  } catch {
    return undefined;
  }
}
