// The desk comes back as it was left: every part under a key of its own in AsyncStorage, checked by its schema on the way in, and
// written only when it was changed here, so that two tabs do not overwrite each other's.
import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import type { SettingKey, SettingValues } from '../core/setting/settings';
import { listed } from '../core/setting/values';
import { bodies } from './camera';
import { DESK_PARTS, partsOfFirst, settingPart, WORLD_PARTS } from './desk-parts';
import type { Desk } from './desk-state';
import { useDesk } from './desk';
import { keptSettings } from './settings-slice';
import { useWorld } from './world';

const PREFIX = 'desk:2:';
/** The first version kept all of it under one key. */
const FIRST = 'desk:1';
const SAVE_AFTER_MS = 400;
const store = createAsyncStorage('velmo-desk');

type Parts = Readonly<Record<string, unknown>>;

/** Brings back the last state, then keeps every change. Returns a function that stops keeping. */
export async function rememberDesk(): Promise<() => void> {
  try {
    const kept = await keptParts();
    if (Object.keys(kept).length > 0) restoreParts(await soundParts(kept));
  } catch {
    // A store that cannot be read must not keep the finder from opening: the desk starts automatic.
  }
  const { guided, showGuide } = useDesk.getState();
  if (!guided) showGuide(true);
  let last = partsNow();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const changed = new Map<string, string>();
  const write = () => {
    const entries = Object.fromEntries(changed);
    changed.clear();
    void store.setMany(entries).catch(() => undefined);
  };
  const onChange = () => {
    const now = partsNow();
    const fresh = Object.keys(now).filter((part) => now[part] !== last[part]);
    if (fresh.length === 0) return;
    for (const part of fresh) changed.set(PREFIX + part, JSON.stringify(now[part]));
    last = now;
    clearTimeout(timer);
    timer = setTimeout(write, SAVE_AFTER_MS);
  };
  const stops = [useDesk.subscribe(onChange), useWorld.subscribe(onChange)];
  return () => {
    clearTimeout(timer);
    stops.forEach((stop) => stop());
  };
}

async function keptParts(): Promise<Parts> {
  const keys = (await store.getAllKeys()).filter((key) => key.startsWith(PREFIX));
  if (keys.length === 0) {
    const first = parsed(await store.getItem(FIRST));
    return typeof first === 'object' && first !== null ? partsOfFirst(first as Parts) : {};
  }
  const values = await store.getMany(keys);
  return Object.fromEntries(keys.map((key) => [key.slice(PREFIX.length), parsed(values[key])]));
}

function parsed(text: string | null | undefined): unknown {
  try {
    return JSON.parse(text ?? '');
  } catch {
    return undefined;
  }
}

/** What is sound of kept parts. One that is not what it should be, or that nobody knows, stays as the desk opens with. */
export async function soundParts(kept: Parts): Promise<Parts> {
  const { deskChecks } = await import('./desk-check.generated');
  const now = Object.entries(kept).map(([part, value]) => [part, forwardOf(part)?.(value) ?? value] as const);
  return Object.fromEntries(now.filter(([part, value]) => deskChecks[part]?.(value)));
}

/** How a setting's part is brought forward from an earlier version. */
function forwardOf(part: string) {
  return listed().find(({ key }) => settingPart(key) === part)?.forward;
}

/** Everything that is kept, as it stands. */
function partsNow(): Parts {
  const desk = useDesk.getState();
  const world = useWorld.getState();
  return Object.fromEntries([
    ...keptSettings().map((key) => [settingPart(key), desk.settings[key]]),
    ...DESK_PARTS.map((part) => [part, desk[part]]),
    ...WORLD_PARTS.map((part) => [part, world[part]]),
  ]);
}

/** Puts sound parts back where they belong. */
export function restoreParts(parts: Parts): void {
  const desk: Record<string, unknown> = {};
  const settings: Partial<Record<SettingKey, unknown>> = {};
  for (const key of keptSettings()) {
    const part = settingPart(key);
    if (part in parts) settings[key] = parts[part];
  }
  for (const part of DESK_PARTS) if (part in parts) desk[part] = parts[part];
  // A camera that is not there any more cannot be gone back to.
  const there = bodies().some(({ optics }) => optics.some(({ id }) => id === desk.optic));
  if (!there) delete desk.optic;
  const now = useDesk.getState().settings;
  useDesk
    .getState()
    .restore({ ...desk, settings: { ...now, ...settings } as SettingValues } as Partial<Desk>);
  const world = Object.fromEntries(WORLD_PARTS.filter((part) => part in parts).map((p) => [p, parts[p]]));
  if (Object.keys(world).length > 0) useWorld.setState(world);
}
