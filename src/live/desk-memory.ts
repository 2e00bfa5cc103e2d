// The desk comes back as it was left: kept in AsyncStorage, checked on the way in.
import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { SUPPORTS, type Outside } from '../core/scene/outside';
import { WHEEL_SPEEDS } from '../core/scene/scene';
import { LENS_IDS } from '../core/sensor/sim-one';
import { useDesk, type Desk, type KeptDesk } from './desk';

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
  let last = pick(useDesk.getState());
  const stop = useDesk.subscribe((state) => {
    const next = pick(state);
    if (JSON.stringify(next) === JSON.stringify(last)) return;
    last = next;
    clearTimeout(timer);
    timer = setTimeout(
      () => void store.setItem(KEY, JSON.stringify(next)).catch(() => undefined),
      SAVE_AFTER_MS,
    );
  });
  return () => {
    clearTimeout(timer);
    stop();
  };
}

function pick(desk: Desk): KeptDesk {
  const { controls, focus, lens, scene, outside, pattern, spot, clipMarks, scope } = desk;
  return { controls, focus, lens, scene, outside, pattern, spot, clipMarks, scope };
}

/** A kept desk, or undefined when the text is not one. What an earlier version did not keep stays as it opens. */
export function parseDesk(text: string | null): Partial<KeptDesk> | undefined {
  let value: unknown;
  try {
    value = JSON.parse(text ?? '');
  } catch {
    return undefined;
  }
  const desk = value as Partial<KeptDesk> | null;
  const positive = (v: unknown) => typeof v === 'number' && Number.isFinite(v) && v > 0;
  const share = (v: unknown) => typeof v === 'number' && v >= 0 && v <= 1;
  const { controls, pattern, spot, clipMarks, scope } = desk ?? {};
  const ok =
    controls &&
    positive(controls.shutter?.exact) &&
    positive(controls.iso?.exact) &&
    typeof controls.shutter?.auto === 'boolean' &&
    typeof controls.iso?.auto === 'boolean' &&
    typeof controls.compensationEv === 'number' &&
    Math.abs(controls.compensationEv) <= 5 &&
    (pattern === 'evaluative' || pattern === 'centre' || pattern === 'spot') &&
    share(spot?.x) &&
    share(spot?.y) &&
    typeof clipMarks === 'boolean' &&
    (scope === 'raw' || scope === 'picture');
  if (!ok || !spot) return undefined;
  const { focus, lens, scene, outside } = desk ?? {};
  return {
    ...{ controls, pattern, spot, clipMarks, scope },
    ...(focus && typeof focus.auto === 'boolean' && positive(focus.exact) ? { focus } : {}),
    ...(lens && LENS_IDS.includes(lens) ? { lens } : {}),
    ...(typeof scene === 'string' && /^[a-z0-9-]+$/.test(scene) && isOutside(outside)
      ? { scene, outside }
      : {}),
  };
}

function isOutside(value: unknown): value is Outside {
  const { levels, support, wheel } = (value ?? {}) as Partial<Outside>;
  return (
    typeof levels === 'object' &&
    levels !== null &&
    Object.values(levels).every((v) => typeof v === 'number' && v >= 0 && v <= 1) &&
    SUPPORTS.includes(support!) &&
    WHEEL_SPEEDS.includes(wheel!)
  );
}
