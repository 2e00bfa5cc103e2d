// For tests: a store in memory that can fail, as a browser's can, and a record as a capture leaves it.
import { FIRST_ROLL } from '../core/facts/facts';
import { RECORD_VERSION, type FrameRecord } from '../core/frame/record';
import { frameId } from './frame-id';
import type { Store } from './store';

export function memoryStore() {
  const kept = new Map<string, string>();
  let fail: Error | null = null;
  const guard = () => {
    if (fail) throw fail;
  };
  const store: Store = {
    getItem: async (key) => kept.get(key) ?? null,
    setItem: async (key, value) => {
      guard();
      kept.set(key, value);
    },
    removeMany: async (keys) => keys.forEach((key) => kept.delete(key)),
    getMany: async (keys) => Object.fromEntries(keys.map((key) => [key, kept.get(key) ?? null])),
    setMany: async (entries) => {
      guard();
      for (const [key, value] of Object.entries(entries)) kept.set(key, value);
    },
    getAllKeys: async () => [...kept.keys()],
  };
  return { kept, store, failWith: (error: Error | null) => (fail = error) };
}

export const outlook = { headroomEv: 0.5, channels: [{ name: 'R', clippedShare: 0, belowFloorShare: 0.1 }] };
export function record(timeMs: number, n = 0): FrameRecord {
  return {
    version: RECORD_VERSION,
    id: frameId(timeMs, Uint8Array.of(n, n >> 8)),
    timeMs,
    offsetMinutes: 60,
    roll: FIRST_ROLL,
    image: { width: 4032, height: 3024, kind: 'mosaic' },
    camera: 'Velmo Sim One',
    lens: '24 mm f/1.8',
    exposure: { shutterS: 1 / 128, iso: 100, apertureN: 1.8, compensationEv: 0 },
    focusM: 1.5,
    set: { shutter: { auto: true, exact: 1 / 128 }, filterStops: 2 },
    metered: { pattern: 'spot', ev100: 9 },
    kelvin: 5000,
    forecast: outlook,
    result: outlook,
    files: [{ format: 'dng', bytes: 10, sha256: 'a'.repeat(64) }],
    place: { kind: 'stored' },
    made: {
      kind: 'simulated',
      scene: 'a-scene',
      seed: 1,
      lensId: 'wide',
      outside: { levels: {}, support: 'hand', wheel: 'slow' },
      clockS: 0,
    },
  };
}
