// The roll in the page: frames, thumbnails, room left, delete with undo. TanStack Query over the vault; other tabs are
// told of changes.
import { QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { FrameRecord } from '../core/frame/record';
import { openVault, type Listing } from '../vault/vault';

const vault = openVault();
const ROLL = ['roll'] as const;
const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('velmo-roll');
/** Quota that is left alone, so that the records themselves can still be written. */
const RESERVE_BYTES = 2_000_000;

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

/** Once a page: takes in the demo's frames and clears away what a crash left behind. */
function openRoll(): Promise<void> {
  opened ??= (async () => {
    await vault.sweep(Date.now());
    try {
      const response = await fetch('/demo/roll.json');
      if (!response.ok || !(response.headers.get('content-type') ?? '').includes('json')) return;
      await vault.adopt((await response.json()) as { record: FrameRecord; thumbnail: string }[]);
    } catch {
      // No demo roll is served: the person's own frames are all there is.
    }
  })();
  return opened;
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

export async function framesLeft(typicalFrameBytes: number): Promise<number | null> {
  const estimate = await navigator.storage?.estimate?.().catch(() => undefined);
  if (estimate?.quota === undefined || estimate.usage === undefined) return null;
  return Math.max(0, Math.floor((estimate.quota - estimate.usage - RESERVE_BYTES) / typicalFrameBytes));
}

export function useDelete() {
  return useMutation({
    networkMode: 'always',
    mutationFn: (ids: readonly string[]) => vault.moveToTrash(ids),
    onSettled: rollChanged,
  });
}

export function useRestore() {
  return useMutation({
    networkMode: 'always',
    mutationFn: (ids: readonly string[]) => vault.restore(ids),
    onSettled: rollChanged,
  });
}

/** Deletes for good what is in the trash, to make room. */
export async function emptyTrash(): Promise<void> {
  await vault.sweep(Date.now());
  rollChanged();
}
