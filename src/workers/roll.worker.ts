// The roll's worker: the only one that writes. Tabs take turns by a lock, and are told of every change.
import * as Comlink from 'comlink';
import type { ArchiveIndex } from '../core/frame/archive';
import type { Latent } from '../core/frame/queue';
import { recordFromFiles } from '../core/frame/recover';
import { freeName, type Roll } from '../core/frame/roll';
import { isRecord } from '../vault/record-check.generated';
import { rollReader } from '../vault/reader';
import { saveFrame, type FrameToSave } from '../vault/save';
import { frameId, timeOfId } from '../vault/frame-id';
import { rollWriter } from '../vault/writer';
import { archiveFrames, archiveOf, type ArchiveAsk } from './archive';
import { watched } from './alive';
import { refusalWords } from './refusal';
import { CANCELLED, type SaveOutcome } from './save-outcome';

/** The lock that is the turn, and the channel on which tabs are told of changes. */
const ROLL = 'velmo-roll';

/** What became of files that had no record; what could not be read stays where it is. */
export interface Recovery {
  readonly recovered: number;
  readonly unreadable: number;
}

const reader = rollReader();
const writer = rollWriter(isRecord);
/** What tabs are told: that something changed, and which records are other than they were; null for any. */
export interface RollChange {
  readonly rewritten: readonly string[] | null;
}

/** A piece of an archive; null after the last. */
export interface ArchivePiece {
  readonly bytes: Uint8Array | null;
  /** Frames that are in it so far. */
  readonly frames: number;
}

/** What came of an archive that was taken in. */
export interface TakenIn {
  readonly roll: Roll;
  readonly added: number;
  /** There already. */
  readonly known: number;
  /** Deleted here, not long ago: they are in the sheet again, with what is known of them here. */
  readonly restored: number;
  /** Frames that could not be taken in, and why, in words that go on after the name. */
  readonly failed: readonly { readonly name: string; readonly why: string }[];
  /** Why it ended before its end, if it did. */
  readonly stopped: string | null;
}

let archive: { readonly pieces: ReadableStreamDefaultReader<Uint8Array>; frames: number } | undefined;
let takingIn: AbortController | undefined;

const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(ROLL);

const api = {
  ...watched(),

  /** Keeps exposures that are to be read out later: all of a press or none. */
  putLatent: async (frames: readonly Latent[]): Promise<SaveOutcome> => {
    try {
      // Not in turn: nobody else knows their keys, and a press does not wait until the frame before is stored.
      await writer.putLatent(frames);
      tell([]);
      return { kind: 'saved' };
    } catch (error) {
      return { kind: 'unsaved', reason: await refusalWords(error, JSON.stringify(frames).length) };
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
        return { kind: 'unsaved', reason: await refusalWords(error, sizeOf(frame.files)) } as const;
      }
    }),

  adopt: (entries: Parameters<typeof writer.adopt>[0]) =>
    inTurn(
      () => writer.adopt(entries),
      (taken) => taken > 0,
    ),
  putAfterthoughts: (...[ids, ...said]: Parameters<typeof writer.putAfterthoughts>) =>
    inTurn(
      () => writer.putAfterthoughts(ids, ...said),
      () => true,
      ids,
    ),
  putRoll: (roll: Roll) => inTurn(() => writer.putRoll(roll)),
  move: (ids: readonly string[], roll: string) =>
    inTurn(
      () => writer.move(ids, roll),
      () => true,
      ids,
    ),
  /** Frames a second time, with files of their own. Returns the ids of the copies; fewer where frames are gone. @throws when the store is full */
  copy: async (ids: readonly string[], roll: string, onFrame: (done: number) => void): Promise<string[]> => {
    const copies: string[] = [];
    for (const [i, id] of ids.entries()) {
      const newId = frameId(timeOfId(id), crypto.getRandomValues(new Uint8Array(10)));
      try {
        if (await inTurn(() => writer.copy(id, newId, roll))) copies.push(newId);
      } catch (error) {
        const bytes = sizeOf(await reader.files(id).catch(() => []));
        throw new Error(`${copies.length} of ${ids.length} copied: ${await refusalWords(error, bytes)}`);
      }
      onFrame(i + 1);
    }
    return copies;
  },
  deleteRoll: (roll: Roll, ids: readonly string[]) => inTurn(() => writer.deleteRoll(roll, ids, Date.now())),

  /** Begins an archive; one that was begun before is given up. Its pieces are asked for one by one. */
  beginArchive: async (ask: ArchiveAsk): Promise<void> => {
    await archive?.pieces.cancel();
    const next = { pieces: archiveOf(reader, ask, (done) => (next.frames = done)).getReader(), frames: 0 };
    archive = next;
  },
  nextPiece: async (): Promise<ArchivePiece> => {
    if (!archive) throw new Error('No archive was begun');
    const { value, done } = await archive.pieces.read();
    const piece: ArchivePiece = { bytes: done ? null : value, frames: archive.frames };
    // Bytes that own their buffer go without a copy.
    const own = piece.bytes && piece.bytes.byteLength === piece.bytes.buffer.byteLength;
    return own ? Comlink.transfer(piece, [piece.bytes.buffer as ArrayBuffer]) : piece;
  },
  endArchive: async (): Promise<void> => {
    await archive?.pieces.cancel();
    archive = undefined;
  },

  /**
   * Takes in an archive, frame by frame: each is looked at, and read back once it is stored.
   * @param index of the archive, read elsewhere: it may take its time, and presses wait for this worker
   * @throws Error in words for people for what is none
   */
  takeIn: async (
    file: Blob,
    index: ArchiveIndex,
    onFrame: (done: number, of: number) => void,
  ): Promise<TakenIn> => {
    const controller = new AbortController();
    takingIn = controller;
    const read = async (from: number, to: number) => new Uint8Array(await file.slice(from, to).arrayBuffer());
    const frame = await archiveFrames(read, file.size);
    const { rolls } = await reader.list();
    const there = rolls.find(({ id }) => id === index.roll.id);
    const names = rolls.filter(({ id }) => id !== index.roll.id).map(({ name }) => name);
    const roll: Roll = there ?? { ...index.roll, name: freeName(index.roll.name, names) };
    await inTurn(() => writer.putRoll(roll));
    const ids = new Set(await reader.ids());
    const deleted = await reader.deleted();
    let [added, known, restored] = [0, 0, 0];
    const failed: { name: string; why: string }[] = [];
    let stopped: string | null = null;
    for (const [i, archived] of index.frames.entries()) {
      onFrame(i, index.frames.length);
      if (controller.signal.aborted) {
        stopped = CANCELLED;
        break;
      }
      const name = archived.files[0]!;
      const id = (archived.record as { id?: unknown } | null)?.id;
      if (typeof id === 'string' && deleted.has(id)) {
        const gone = await inTurn(() => writer.restore([id]));
        if (gone.length === 0) {
          restored++;
          continue;
        }
      } else if (typeof id === 'string' && ids.has(id)) {
        known++;
        continue;
      }
      let whole;
      try {
        whole = await frame(archived, roll.id);
      } catch (error) {
        failed.push({ name, why: error instanceof Error ? error.message : String(error) });
        continue;
      }
      try {
        await inTurn(
          () => saveFrame(reader, writer, whole, false),
          () => true,
          [whole.record.id],
        );
      } catch (error) {
        stopped = await refusalWords(error, sizeOf(whole.files));
        break;
      }
      ids.add(whole.record.id);
      added++;
    }
    return { roll, added, known, restored, failed, stopped };
  },
  stopTakingIn: async (): Promise<void> => takingIn?.abort(),

  moveToTrash: (ids: readonly string[]) => inTurn(() => writer.moveToTrash(ids, Date.now())),
  restore: (ids: readonly string[]) => inTurn(() => writer.restore(ids)),
  purge: (ids: readonly string[]) => inTurn(() => writer.purge(ids)),
  emptyTrash: (ids: readonly string[]) => inTurn(() => writer.emptyTrash(ids)),
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
 * @param rewritten ids of records that are other than before
 */
async function inTurn<T>(
  act: (alone: boolean) => Promise<T>,
  changed: (result: T) => boolean = () => true,
  rewritten: readonly string[] = [],
): Promise<T> {
  const { locks } = navigator as { locks?: LockManager };
  let told = true;
  try {
    const result = await (locks ? (locks.request(ROLL, () => act(true)) as Promise<T>) : act(false));
    told = changed(result);
    return result;
  } finally {
    if (told) tell(rewritten);
  }
}

function tell(rewritten: readonly string[]): void {
  channel?.postMessage({ rewritten } satisfies RollChange);
}

const sizeOf = (files: readonly { readonly bytes: Uint8Array }[]) =>
  files.reduce((sum, { bytes }) => sum + bytes.byteLength, 0);

Comlink.expose(api);
