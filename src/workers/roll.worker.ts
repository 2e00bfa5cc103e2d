// The roll's worker: the only one that writes. Tabs take turns by a lock, and are told of every change.
import * as Comlink from 'comlink';
import type { LatentFrame } from '../core/frame/latent';
import { recordFromFiles } from '../core/frame/recover';
import { isRecord } from '../vault/record-check.generated';
import { rollReader } from '../vault/reader';
import { saveFrame, type FrameToSave } from '../vault/save';
import { rollWriter } from '../vault/writer';
import { watched } from './alive';
import { STORE_IS_FULL, type SaveOutcome } from './save-outcome';

/** The lock that is the turn, and the channel on which tabs are told of changes. */
const ROLL = 'velmo-roll';

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

  /** Keeps exposures that are to be read out later: all of a press or none. */
  putLatent: async (frames: readonly LatentFrame[]): Promise<SaveOutcome> => {
    try {
      // Not in turn: nobody else knows their keys, and a press does not wait until the frame before is stored.
      await writer.putLatent(frames);
      channel?.postMessage('changed');
      return { kind: 'saved' };
    } catch (error) {
      return { kind: 'unsaved', reason: await reasonOf(error) };
    }
  },

  /**
   * Writes a frame, reads its files back and compares their hashes with those of the record; only then it is in the sheet.
   * @param latent true for one that was read out of an exposure: nothing is written when that was deleted, and it is of no more use afterwards
   */
  save: (frame: FrameToSave, latent = false): Promise<SaveOutcome> =>
    inTurn<SaveOutcome>(async () => {
      try {
        const saved = await saveFrame(reader, writer, frame, latent);
        return { kind: saved ? 'saved' : 'unwanted' } as const;
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
