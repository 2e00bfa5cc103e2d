// The desk comes back as it was left: kept in AsyncStorage, each part checked by its schema on the way in.
import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { deskChecks } from './desk-check.generated';
import { DESK_PARTS as PARTS } from './desk-parts';
import { useDesk } from './desk';
import type { Desk, KeptDesk } from './desk-state';

const KEY = 'desk:1';
const SAVE_AFTER_MS = 400;
const store = createAsyncStorage('velmo-desk');

/** Brings back the last state, then keeps every change. Returns a function that stops keeping. */
export async function rememberDesk(): Promise<() => void> {
  try {
    const kept = parseDesk(await store.getItem(KEY));
    if (kept) useDesk.getState().restore(kept);
  } catch {
    // A store that cannot be read must not keep the finder from opening: the desk starts automatic.
  }
  let timer: ReturnType<typeof setTimeout> | undefined;
  let last = JSON.stringify(pick(useDesk.getState()));
  const stop = useDesk.subscribe((state) => {
    const next = JSON.stringify(pick(state));
    if (next === last) return;
    last = next;
    clearTimeout(timer);
    timer = setTimeout(() => void store.setItem(KEY, next).catch(() => undefined), SAVE_AFTER_MS);
  });
  return () => {
    clearTimeout(timer);
    stop();
  };
}

function pick(desk: Desk): KeptDesk {
  return Object.fromEntries(PARTS.map((part) => [part, desk[part]])) as unknown as KeptDesk;
}

/**
 * What is sound of a kept desk, or undefined when the text is none. A part that an earlier version did not keep, or that is not
 * what it should be, stays as the desk opens with.
 */
export function parseDesk(text: string | null): Partial<KeptDesk> | undefined {
  let value: unknown;
  try {
    value = JSON.parse(text ?? '');
  } catch {
    return undefined;
  }
  if (typeof value !== 'object' || value === null) return undefined;
  const desk = value as Record<string, unknown>;
  const sound = PARTS.filter((part) => part in desk && deskChecks[part](desk[part]));
  if (sound.length === 0) return undefined;
  const kept = Object.fromEntries(sound.map((part) => [part, desk[part]])) as Partial<KeptDesk>;
  if (!kept.controls || kept.controls.aperture) return kept;
  return { ...kept, controls: { ...useDesk.getState().controls, ...kept.controls } };
}
