// The roll in the page: frames, thumbnails, room left, delete with undo. TanStack Query over what the reader finds; the roll's worker
// writes, and tells every tab of changes.
import { QueryClient, useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { Latent } from '../core/frame/queue';
import type { Afterthoughts, FrameRecord } from '../core/frame/record';
import { rollReader, type Listing } from '../vault/reader';
import { fetchWhole } from '../workers/fetch-whole';
import { WorkerLate, WorkerReplaced } from '../workers/hire';
import type { Recovery, RollChange } from '../workers/roll.worker';
import { afterOpening } from './page-start';
import { framesLeft, noteFreed } from './room';
import { rollKeeper } from './staff';

const reader = rollReader();
const ROLL = ['roll'] as const;
const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('velmo-roll');

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: { networkMode: 'always', retry: 0, staleTime: Infinity, refetchOnWindowFocus: false },
  },
});

/** Looks at the roll anew in this page. */
export function rollChanged(): void {
  void queryClient.invalidateQueries({ queryKey: ROLL });
  void queryClient.invalidateQueries({ queryKey: ['room'] });
}

/** What another context wrote anew must be read anew. */
function onChange({ data }: MessageEvent<unknown>): void {
  reader.forget((data as RollChange | null)?.rewritten ?? null);
  rollChanged();
}

/** Hears of changes, made in this tab or in others, and of a roll that broke. */
export function useRollChanges(): void {
  useEffect(() => {
    channel?.addEventListener('message', onChange);
    const stop = rollKeeper.onFault((error) => {
      if (error instanceof WorkerReplaced) openAgain();
      else keeperFault(error.message);
    });
    return () => {
      channel?.removeEventListener('message', onChange);
      stop();
    };
  }, []);
}

/** Calls back when another tab, or this tab's roll, has changed something. Returns a function that ends it. */
export function onOthersChange(listener: () => void): () => void {
  channel?.addEventListener('message', listener);
  return () => channel?.removeEventListener('message', listener);
}

let opened: Promise<void> | undefined;

/** Once a page: takes in the demo's frames and clears away what was deleted long ago. Failed, it can be tried again. */
function openRoll(): Promise<void> {
  opened ??= sweepAndAdopt().catch((error: unknown) => {
    opened = undefined;
    throw error;
  });
  return opened;
}

/** Longer than this the frames that are there are not kept from view. */
const OPENING_MS = 5000;

async function sweepAndAdopt(): Promise<void> {
  // What cannot be swept or taken in now is left to the next page: the frames that are there are shown all the same.
  await afterOpening();
  try {
    // While a page opens everything comes at once: its worker may take longer than one that is asked later.
    await Promise.race([rollKeeper.ready(), new Promise((goOn) => setTimeout(goOn, OPENING_MS))]);
    await rollKeeper.call((api) => api.sweep());
    const entries = await servedFrames();
    if (entries.length > 0) await rollKeeper.call((api) => api.adopt(entries));
  } catch (error) {
    keeperFault(error instanceof Error ? error.message : String(error));
    // On a slow machine it comes after all: nobody should have to ask again then.
    if (error instanceof WorkerLate) rollKeeper.ready().then(openAgain, () => undefined);
    // Nothing more is asked of a roll that broke: whoever tries again must not meet one that is about to break too.
    return;
  }
  // Whole files without a record are looked at beside: nobody should wait for them. What fails now is tried by the next page.
  recoverFrames().catch(() => undefined);
}

/** The demo's frames; none where no demo roll is served: the person's own are all there is. */
async function servedFrames(): Promise<{ record: FrameRecord; thumbnail: string }[]> {
  try {
    const bytes = await fetchWhole('/demo/roll.json', { what: 'The demo roll' });
    return JSON.parse(new TextDecoder().decode(bytes)) as { record: FrameRecord; thumbnail: string }[];
  } catch {
    return [];
  }
}

const RECOVERY = ['recovery'] as const;
const KEEPER = ['keeper'] as const;

function keeperFault(message: string): void {
  queryClient.setQueryData<string | null>(KEEPER, message);
}

/** Why nothing can be written just now, and a way to try again; null while all is well. */
export function useKeeperFault(): { message: string; again: () => void } | null {
  const { data } = useQuery<string | null>({ queryKey: KEEPER, queryFn: () => null, initialData: null });
  if (data === null) return null;
  return {
    message: data,
    again: openAgain,
  };
}

function openAgain(): void {
  queryClient.setQueryData(KEEPER, null);
  opened = undefined;
  rollChanged();
}

async function recoverFrames(): Promise<void> {
  const found = await rollKeeper.call((api) => api.recover());
  if (found.recovered + found.unreadable > 0) queryClient.setQueryData<Recovery>(RECOVERY, found);
}

/** Frames that were brought back when the page opened; `dismiss` once it has been read. */
export function useRecovery() {
  const { data } = useQuery<Recovery>({
    queryKey: RECOVERY,
    queryFn: () => ({ recovered: 0, unreadable: 0 }),
    initialData: { recovered: 0, unreadable: 0 },
  });
  return {
    ...data,
    dismiss: () => queryClient.setQueryData<Recovery>(RECOVERY, { recovered: 0, unreadable: 0 }),
  };
}

const LISTING = {
  queryKey: ROLL,
  queryFn: async () => {
    await openRoll();
    return reader.list();
  },
};

export function useRoll() {
  return useQuery<Listing>(LISTING);
}

/** Exposures that wait to be read out, oldest first, as the store has them now. */
export function waitingFrames(): Promise<Latent[]> {
  return reader.waiting();
}

export function useThumbnail(id: string) {
  return useQuery({
    queryKey: ['thumbnail', id],
    queryFn: () => thumbnailOf(id),
    gcTime: 10 * 60 * 1000,
  });
}

/** Thumbnails asked for in the same moment are read in one go. */
let batch: { ids: string[]; values: Promise<Record<string, string | null>> } | undefined;

async function thumbnailOf(id: string): Promise<string | null> {
  if (!batch) {
    const ids: string[] = [];
    const values = Promise.resolve().then(() => {
      batch = undefined;
      return reader.thumbnails(ids);
    });
    batch = { ids, values };
  }
  batch.ids.push(id);
  return (await batch.values)[id] ?? null;
}

/** How many more frames fit beside those that wait to be read out, or null when the browser does not tell. */
export async function roomLeft(typicalFrameBytes: number): Promise<number | null> {
  const left = await framesLeft(typicalFrameBytes);
  const waiting = queryClient.getQueryData<Listing>(ROLL)?.waiting.length ?? 0;
  return left === null ? null : Math.max(0, left - waiting);
}

/** Frames of the roll as this page last read it, newest first. */
export function knownFrames(): readonly FrameRecord[] {
  return queryClient.getQueryData<Listing>(ROLL)?.frames ?? [];
}

/** The roll as this page last read it, or as it is when it did not. @throws when it cannot be read */
export function readListing(): Promise<Listing> {
  return queryClient.ensureQueryData(LISTING);
}

export function useFramesLeft(typicalFrameBytes: number) {
  return useQuery({ queryKey: ['room', typicalFrameBytes], queryFn: () => roomLeft(typicalFrameBytes) });
}

/**
 * Keeps what is said of frames after they were taken: what is undefined is no longer said, what is not named stays. Returns those that are gone.
 * @param thumbnails data URLs by id, of those that look different now
 */
export async function keepAfterthoughts(
  ids: readonly string[],
  said: Partial<Afterthoughts>,
  thumbnails: Readonly<Record<string, string>> = {},
): Promise<string[]> {
  const gone = await rollKeeper.call((api) => api.putAfterthoughts(ids, said, thumbnails));
  for (const [id, thumbnail] of Object.entries(thumbnails))
    if (!gone.includes(id)) queryClient.setQueryData(['thumbnail', id], thumbnail);
  return gone;
}

/** Takes frames out of the sheet; they can be restored for a while. */
export function trashFrames(ids: readonly string[]): Promise<void> {
  return rollKeeper.call((api) => api.moveToTrash(ids));
}

/** Takes deletions back. @throws Error that says so when a frame is gone */
export async function restoreFrames(ids: readonly string[]): Promise<void> {
  const gone = await rollKeeper.call((api) => api.restore(ids));
  if (gone.length === 0) return;
  throw new Error(
    gone.length === 1
      ? 'This frame is gone: it was removed for good in another tab'
      : `${gone.length} of these frames are gone: they were removed for good in another tab`,
  );
}

/** Called when frames were removed for good and there may be room again. */
const freed = new Set<() => void>();

export function onFreed(listener: () => void): () => void {
  freed.add(listener);
  return () => freed.delete(listener);
}

/** Removes deleted frames for good. */
export async function purgeFrames(ids: readonly string[]): Promise<void> {
  await rollKeeper.call((api) => api.emptyTrash(ids));
  await noteFreed();
  rollChanged();
  freed.forEach((listener) => listener());
}
