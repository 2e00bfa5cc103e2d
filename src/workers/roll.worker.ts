// The roll's worker: the only one that writes. Tabs take turns by a lock, and are told of every change.
import * as Comlink from 'comlink';
import { digestOf } from '../core/frame/digest';
import type { Format, FrameRecord } from '../core/frame/record';
import { recordFromFiles } from '../core/frame/recover';
import { isUnknown } from '../core/units/known';
import { isRecord } from '../vault/record-check.generated';
import { rollReader } from '../vault/reader';
import { rollWriter } from '../vault/writer';
import { watched } from './alive';
import { STORE_IS_FULL, type SaveOutcome } from './save-outcome';

/** The lock that is the turn, and the channel on which tabs are told of changes. */
const ROLL = 'velmo-roll';

export interface FrameToSave {
  readonly record: FrameRecord;
  readonly files: readonly { readonly format: Format; readonly bytes: Uint8Array }[];
  readonly thumbnailJpeg: Uint8Array;
}

/** What became of files that had no record; what could not be read stays where it is. */
export interface Recovery {
  readonly recovered: number;
  readonly unreadable: number;
}

const reader = rollReader();
const writer = rollWriter(isRecord);
const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(ROLL);

const api = {
  ...watched(),

  /** Writes a frame, reads its files back and compares their hashes with those of the record; only then it is in the sheet. */
  save: (frame: FrameToSave): Promise<SaveOutcome> =>
    inTurn<SaveOutcome>(async () => {
      const { record, files, thumbnailJpeg } = frame;
      try {
        await writer.putFiles(record.id, files, thumbnailJpeg);
        for (const { format, sha256 } of record.files) {
          const back = await digestOf(await reader.file(record.id, format));
          if (isUnknown(sha256) || back !== sha256)
            throw new Error('what was stored is not what was exposed');
        }
        await writer.putRecord(record);
        return { kind: 'saved' } as const;
      } catch (error) {
        return { kind: 'unsaved', reason: await reasonOf(error) } as const;
      }
    }),

  adopt: (entries: Parameters<typeof writer.adopt>[0]) =>
    inTurn(
      () => writer.adopt(entries),
      (taken) => taken > 0,
    ),
  putWhite: (...white: Parameters<typeof writer.putWhite>) => inTurn(() => writer.putWhite(...white)),
  moveToTrash: (ids: readonly string[]) => inTurn(() => writer.moveToTrash(ids, Date.now())),
  restore: (ids: readonly string[]) => inTurn(() => writer.restore(ids)),
  purge: (ids: readonly string[]) => inTurn(() => writer.purge(ids)),
  /** What was deleted long ago goes for good; the sheet does not show it any more. */
  sweep: () =>
    inTurn(
      () => writer.sweep(Date.now()),
      (gone) => gone.length > 0,
    ),

  /** Makes the records again of frames that were stored whole when their page closed, but had none yet. */
  recover: (): Promise<Recovery> =>
    inTurn(
      async (alone) => {
        let [recovered, unreadable] = [0, 0];
        // Whose turn it is knows that nobody else is half-way; without turns only old files are taken for remains.
        for (const id of await writer.orphans(alone ? null : Date.now())) {
          try {
            const record = await recordFromFiles(await reader.files(id));
            if (await writer.putFoundRecord(id, record)) recovered++;
            else unreadable++;
          } catch {
            unreadable++;
          }
        }
        return { recovered, unreadable };
      },
      ({ recovered }) => recovered > 0,
    ),
};

export type RollApi = typeof api;

/**
 * Waits for the turn of this tab, acts, and tells all tabs when that has changed the roll.
 * @param act is told whether turns are taken in this browser
 * @param changed says of what came of it whether it is a change; one that failed may have been half of one
 */
async function inTurn<T>(
  act: (alone: boolean) => Promise<T>,
  changed: (result: T) => boolean = () => true,
): Promise<T> {
  const { locks } = navigator as { locks?: LockManager };
  let tell = true;
  try {
    const result = await (locks ? (locks.request(ROLL, () => act(true)) as Promise<T>) : act(false));
    tell = changed(result);
    return result;
  } finally {
    if (tell) channel?.postMessage('changed');
  }
}

/** A store this full refuses without always saying why. */
const NEARLY_FULL = 0.9;

/** Why the store refused, in words. Browsers name a full store in the error's name, its message, or not at all. */
async function reasonOf(error: unknown): Promise<string> {
  const { name = '', message = '' } = (error ?? {}) as Partial<Error>;
  if (/quota/i.test(name + message)) return STORE_IS_FULL;
  if (message !== '') return message;
  const { usage = 0, quota = Infinity } =
    (await navigator.storage?.estimate?.().catch(() => undefined)) ?? {};
  return usage > NEARLY_FULL * quota ? STORE_IS_FULL : 'the browser refused to store it and gave no reason';
}

Comlink.expose(api);
