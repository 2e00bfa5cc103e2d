// The roll in the page: frames, thumbnails, room left, delete with undo. TanStack Query over the vault; other tabs are
// told of changes.
import { QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { FrameRecord } from '../core/frame/record';
import { darkroom } from '../camera/darkroom';
import { openVault, type Listing } from '../vault/vault';
import { fetchWhole } from '../workers/fetch-whole';
import { framesLeft, noteFreed } from './room';

const vault = openVault();
const ROLL = ['roll'] as const;
const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('velmo-roll');

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: { networkMode: 'always', retry: 0, staleTime: Infinity, refetchOnWindowFocus: false },
  },
});

/** Tells this page and the others that the roll has changed. */
export function rollChanged(): void {
  void queryClient.invalidateQueries({ queryKey: ROLL });
  void queryClient.invalidateQueries({ queryKey: ['room'] });
  channel?.postMessage('changed');
}

/** Hears of changes made in other tabs. */
export function useOtherTabs(): void {
  const client = useQueryClient();
  useEffect(() => {
    const listen = () => {
      void client.invalidateQueries({ queryKey: ROLL });
    };
    channel?.addEventListener('message', listen);
    return () => channel?.removeEventListener('message', listen);
  }, [client]);
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

async function sweepAndAdopt(): Promise<void> {
  await vault.sweep(Date.now());
  try {
    const bytes = await fetchWhole('/demo/roll.json', { what: 'The demo roll' });
    await vault.adopt(
      JSON.parse(new TextDecoder().decode(bytes)) as { record: FrameRecord; thumbnail: string }[],
    );
  } catch {
    // No demo roll is served: the person's own frames are all there is.
  }
  // Whole files without a record are looked at beside: nobody should wait for them. What fails now is tried by the next page.
  if ((await vault.orphans(null)).length > 0) recoverFrames().catch(() => undefined);
}

const RECOVERY = ['recovery'] as const;

/** What became of files that had no record; what could not be read stays where it is. */
interface Recovery {
  readonly recovered: number;
  readonly unreadable: number;
}

async function recoverFrames(): Promise<void> {
  const { records, unreadable } = await darkroom().recover();
  const taken = await Promise.all(records.map(({ id, record }) => vault.putFoundRecord(id, record)));
  const recovered = taken.filter(Boolean).length;
  if (records.length + unreadable === 0) return;
  queryClient.setQueryData<Recovery>(RECOVERY, {
    recovered,
    unreadable: unreadable + records.length - recovered,
  });
  if (recovered > 0) rollChanged();
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

export function useRoll() {
  return useQuery<Listing>({
    queryKey: ROLL,
    queryFn: async () => {
      await openRoll();
      return vault.list();
    },
  });
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
      return vault.thumbnails(ids);
    });
    batch = { ids, values };
  }
  batch.ids.push(id);
  return (await batch.values)[id] ?? null;
}

/** How many more frames fit, or null when the browser does not tell. */
export function useFramesLeft(typicalFrameBytes: number) {
  return useQuery({ queryKey: ['room', typicalFrameBytes], queryFn: () => framesLeft(typicalFrameBytes) });
}

export function useDelete() {
  return useMutation({
    networkMode: 'always',
    mutationFn: (ids: readonly string[]) => vault.moveToTrash(ids, Date.now()),
    onSettled: rollChanged,
  });
}

/** Takes deletions back. @throws Error that says so when a frame is gone */
export function useRestore() {
  return useMutation({
    networkMode: 'always',
    mutationFn: async (ids: readonly string[]) => {
      const gone = await vault.restore(ids);
      if (gone.length === 0) return;
      throw new Error(
        gone.length === 1
          ? 'This frame is gone: it was removed for good in another tab'
          : `${gone.length} of these frames are gone: they were removed for good in another tab`,
      );
    },
    onSettled: rollChanged,
  });
}

/** Called when frames were removed for good and there may be room again. */
const freed = new Set<() => void>();

export function onFreed(listener: () => void): () => void {
  freed.add(listener);
  return () => freed.delete(listener);
}

/** Removes deleted frames for good. */
export async function purgeFrames(ids: readonly string[]): Promise<void> {
  await vault.purge(ids);
  await noteFreed();
  rollChanged();
  freed.forEach((listener) => listener());
}
