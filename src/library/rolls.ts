// Rolls in the page: made, named, filled, deleted, exported and taken in. The roll's worker writes.
import * as Comlink from 'comlink';
import { useMemo } from 'react';
import type { FrameRecord } from '../core/frame/record';
import { FIRST, ROLL_VERSION, rollsWith, type Roll, type RollCount } from '../core/frame/roll';
import { saveStream } from '../ui/save-stream';
import { frameId } from '../vault/frame-id';
import type { Listing } from '../vault/reader';
import type { TakenIn } from '../workers/roll.worker';
import { CANCELLED } from '../workers/save-outcome';
import { readListing, useRoll } from './roll';
import { exporter, rollKeeper } from './staff';

const NONE: Pick<Listing, 'rolls' | 'frames' | 'waiting'> = { rolls: [], frames: [], waiting: [] };

function countsOf({ rolls, frames, waiting }: Pick<Listing, 'rolls' | 'frames' | 'waiting'>) {
  return rollsWith(rolls, frames, waiting);
}

/** All rolls with what they hold. */
export function useRolls(): readonly RollCount[] {
  const { data } = useRoll();
  // Counted once a change: what shows them is drawn many times a second.
  return useMemo(() => countsOf(data ?? NONE), [data]);
}

/** The roll of that id, or the first where it is gone. */
export function rollIn(rolls: readonly RollCount[], id: string): Roll {
  return (rolls.find(({ roll }) => roll.id === id) ?? rolls.at(-1)!).roll;
}

/** The roll that a frame goes into now. Where the rolls cannot be read the frame goes where it was to go, without its keywords. */
export async function rollFor(id: string): Promise<Roll> {
  const listing = await readListing().catch(() => null);
  return listing ? rollIn(countsOf(listing), id) : { ...FIRST, id };
}

/** Makes a roll. @throws Error when it cannot be kept */
export async function makeRoll(name: string): Promise<Roll> {
  const createdMs = Date.now();
  const id = frameId(createdMs, crypto.getRandomValues(new Uint8Array(10)));
  const roll: Roll = { version: ROLL_VERSION, id, name, createdMs, keywords: [] };
  await keepRoll(roll);
  return roll;
}

export function keepRoll(roll: Roll): Promise<void> {
  return rollKeeper.call((api) => api.putRoll(roll));
}

/** Returns ids of frames that are gone. */
export function moveFrames(ids: readonly string[], roll: string): Promise<string[]> {
  return rollKeeper.call((api) => api.move(ids, roll));
}

/** Returns the ids of the copies. @throws Error that says how many there are */
export function copyFrames(
  ids: readonly string[],
  roll: string,
  onFrame: (done: number) => void,
): Promise<string[]> {
  return rollKeeper.call((api) => api.copy(ids, roll, Comlink.proxy(onFrame)));
}

/** Takes the roll away, and those frames out of the sheet. */
export function deleteRoll(roll: Roll, ids: readonly string[]): Promise<void> {
  return rollKeeper.call((api) => api.deleteRoll(roll, ids));
}

export interface Export {
  readonly roll: Roll;
  readonly records: readonly FrameRecord[];
  readonly withoutPlaces: boolean;
}

/**
 * Hands a roll to the browser as a ZIP, a piece at a time. Returns false when the person did not want it after all.
 * @throws Error in words for people, the signal's reason when it is cancelled
 */
export async function exportRoll(
  ask: Export,
  onCourse: (frames: number, bytes: number) => void,
  signal: AbortSignal,
): Promise<boolean> {
  await rollKeeper.call((api) => api.beginArchive(ask));
  let bytes = 0;
  const next = async () => {
    signal.throwIfAborted();
    const piece = await rollKeeper.call((api) => api.nextPiece());
    bytes += piece.bytes?.length ?? 0;
    onCourse(piece.frames, bytes);
    return piece.bytes;
  };
  try {
    return await saveStream(next, `${fileStem(ask.roll.name)}.zip`, 'application/zip');
  } finally {
    await rollKeeper.call((api) => api.endArchive()).catch(() => undefined);
  }
}

/** A name for a file: letters, figures and hyphens, of any language. */
function fileStem(name: string): string {
  return name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-+|-+$/g, '') || 'roll';
}

/** Takes in a ZIP that was exported here or elsewhere. @throws Error in words for people for what is none */
export async function takeInRoll(
  file: Blob,
  onFrame: (done: number, of: number) => void,
  signal: AbortSignal,
): Promise<TakenIn> {
  const stop = () => void rollKeeper.call((api) => api.stopTakingIn()).catch(() => undefined);
  signal.addEventListener('abort', stop, { once: true });
  try {
    const index = await exporter.call((api) => api.archiveIndex(file));
    if (signal.aborted)
      return { roll: index.roll, added: 0, known: 0, restored: 0, failed: [], stopped: CANCELLED };
    return await rollKeeper.call((api) => api.takeIn(file, index, Comlink.proxy(onFrame)));
  } finally {
    signal.removeEventListener('abort', stop);
  }
}
