// A list of the person's own, such as setups or prints: kept in this browser in its order. Tabs take turns in changing it, and hear of changes.
import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { useMutation, useQuery } from '@tanstack/react-query';
import { queryClient } from './roll';

export interface Kept<T> {
  readonly items: readonly T[];
  /** What is in the store but cannot be read: set aside under a key of its own, never thrown away. */
  readonly setAside: number;
}

/**
 * @param name of the list, and of its key with the version of its items
 * @param check gives what tells an item as this version has it; asked for when there are items
 * @param forward an item of an earlier version as this one has it; anything else as it is
 */
export function keptList<T>(
  name: string,
  check: () => Promise<(item: T) => boolean>,
  forward: (item: T) => T = (item) => item,
) {
  const key = `${name}:1`;
  const query = [name] as const;
  const store = createAsyncStorage(`velmo-${name}`);
  let opened: BroadcastChannel | undefined;
  /** Opened when it is first needed; none where the browser has none. */
  const channel = () =>
    typeof BroadcastChannel === 'undefined' ? undefined : (opened ??= new BroadcastChannel(`velmo-${name}`));

  async function load(): Promise<Kept<T>> {
    const text = await store.getItem(key);
    if (text === null) return { items: [], setAside: 0 };
    const isSound = await check();
    try {
      const list = (JSON.parse(text) as T[]).map(forward);
      const sound = list.filter(isSound);
      if (sound.length < list.length) await store.setItem(`${key}:set-aside`, text);
      return { items: sound, setAside: list.length - sound.length };
    } catch {
      await store.setItem(`${key}:set-aside`, text);
      return { items: [], setAside: 1 };
    }
  }

  /** Tabs take turns where the browser lets them. */
  function inTurn<R>(act: () => Promise<R>): Promise<R> {
    const { locks } = navigator as { locks?: LockManager };
    return locks ? (locks.request(`velmo-${name}`, act) as Promise<R>) : act();
  }

  return {
    useList: () => useQuery({ queryKey: query, queryFn: load }),

    /** Hears of changes made in other tabs. Returns a function that ends it. */
    hear: (): (() => void) => {
      const listen = () => void queryClient.invalidateQueries({ queryKey: query });
      channel()?.addEventListener('message', listen);
      return () => channel()?.removeEventListener('message', listen);
    },

    /** Changes the list, in order: each change sees what the one before left, in whichever tab it was made. */
    useChange: () =>
      useMutation({
        mutationFn: (change: (items: readonly T[]) => readonly T[]) =>
          inTurn(async (): Promise<Kept<T>> => {
            const { items, setAside } = await load();
            const next = change(items);
            await store.setItem(key, JSON.stringify(next));
            channel()?.postMessage('changed');
            return { items: next, setAside };
          }),
        scope: { id: name },
        networkMode: 'always',
        onSuccess: (kept) => queryClient.setQueryData(query, kept),
      }),
  };
}
