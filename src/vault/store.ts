// The store of the roll: which keys there are, and what stands under them. One named AsyncStorage store for all rolls.
import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import type { Format } from '../core/setting/files';

export interface Store {
  getItem(key: string): Promise<string | null>;
  setItem(key: string, value: string): Promise<void>;
  removeMany(keys: string[]): Promise<void>;
  getMany(keys: string[]): Promise<Record<string, string | null>>;
  setMany(entries: Record<string, string>): Promise<void>;
  getAllKeys(): Promise<string[]>;
}

export function rollStore(): Store {
  return createAsyncStorage('velmo-roll');
}

/** The record, JSON; a frame is in the sheet when it has one and is not in the trash. */
export const RECORD = 'frame:';
/** An exposure that was made and not read out yet, JSON; the frame is in the sheet as waiting until it has a record. */
export const LATENT = 'latent:';
/** A roll, JSON. */
export const ROLL = 'roll:';
/** A data URL. */
export const THUMBNAIL = 'thumb:';
/** When the frame was deleted, ms. */
export const TRASH = 'trash:';
/** Marks a served frame that was once taken in. */
export const ADOPTED = 'adopted:';
/** Files, as byte strings: `file:ID.dng`. */
const FILE = 'file:';

export function fileKey(id: string, format: Format): string {
  return `${FILE}${id}.${format}`;
}

export function idsOf(keys: readonly string[], prefix: string): string[] {
  return keys.filter((key) => key.startsWith(prefix)).map((key) => key.slice(prefix.length));
}

/** Keys of exposures that wait to be read out: those that have no record yet and were not deleted. */
export function latentKeys(keys: readonly string[]): string[] {
  const done = new Set([...idsOf(keys, RECORD), ...idsOf(keys, TRASH)]);
  return keys.filter((key) => key.startsWith(LATENT) && !done.has(key.slice(LATENT.length)));
}

/** Frames that have a file, whatever else they have. */
export function idsWithFiles(keys: readonly string[]): string[] {
  const files = idsOf(keys, FILE).map((name) => name.slice(0, name.lastIndexOf('.')));
  return [...new Set(files)];
}

/** Every key that belongs to one of the frames. */
export function keysOf(keys: readonly string[], ids: readonly string[]): string[] {
  const wanted = new Set(ids);
  return keys.filter((key) => {
    const [prefix, rest = ''] = [key.slice(0, key.indexOf(':') + 1), key.slice(key.indexOf(':') + 1)];
    if (prefix === FILE) return wanted.has(rest.slice(0, rest.lastIndexOf('.')));
    return [RECORD, LATENT, THUMBNAIL, TRASH].includes(prefix) && wanted.has(rest);
  });
}
