// The vault over a store in memory that can fail, as a browser's can.
import fc from 'fast-check';
import { RECORD_VERSION, type FrameRecord } from '../core/frame/record';
import { fromBase64, toBase64 } from './base64';
import { frameId, timeOfId } from './frame-id';
import { openVault, type Store } from './vault';

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: () => undefined }));

function memoryStore() {
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

const outlook = { headroomEv: 0.5, channels: [{ name: 'R', clippedShare: 0, belowFloorShare: 0.1 }] };
function record(timeMs: number, n = 0): FrameRecord {
  return {
    version: RECORD_VERSION,
    id: frameId(timeMs, Uint8Array.of(n, n >> 8)),
    timeMs,
    offsetMinutes: 60,
    width: 4032,
    height: 3024,
    camera: 'Velmo Sim One',
    lens: '24 mm f/1.8',
    scene: 'wheel-bench',
    seed: 1,
    lensId: 'wide',
    focusM: 1.5,
    clockS: 0,
    outside: { levels: {}, support: 'hand', wheel: 'slow' },
    shutterS: 1 / 128,
    iso: 100,
    apertureN: 1.8,
    compensationEv: 0,
    shutterAuto: true,
    isoAuto: true,
    pattern: 'spot',
    kelvin: 5000,
    forecast: outlook,
    result: outlook,
    bytes: 10,
    place: { kind: 'stored' },
  };
}
const HOUR = 3_600_000;

describe('the vault', () => {
  it('lists frames newest first, each only when its record is there', async () => {
    const { store } = memoryStore();
    const vault = openVault(store);
    for (const t of [1, 3, 2]) {
      await vault.putFile(record(t).id, Uint8Array.of(t), Uint8Array.of(9));
      await vault.putRecord(record(t));
    }
    await vault.putFile(record(4).id, Uint8Array.of(4), Uint8Array.of(9)); // the page closed here
    expect((await vault.list()).frames.map((f) => f.timeMs)).toEqual([3, 2, 1]);
    expect(await vault.file(record(2).id)).toEqual(Uint8Array.of(2));
  });

  it('sets unreadable records aside and keeps them', async () => {
    const { store, kept } = memoryStore();
    const vault = openVault(store);
    await vault.putRecord(record(1));
    kept.set('frame:broken', '{"version":');
    kept.set('frame:future', JSON.stringify({ ...record(2), version: 99 }));
    const { frames, unreadable } = await vault.list();
    expect(frames).toHaveLength(1);
    expect(unreadable.sort()).toEqual(['frame:broken', 'frame:future']);
    await vault.sweep(Date.now());
    expect(kept.has('frame:broken')).toBe(true);
  });

  it('tells of files without a record, and keeps them; of young ones only when nobody writes', async () => {
    const { store, kept } = memoryStore();
    const vault = openVault(store);
    const now = 100 * HOUR;
    const [old, fresh] = [record(now - HOUR, 1), record(now - 1000, 2)];
    for (const r of [old, fresh]) await vault.putFile(r.id, Uint8Array.of(1), Uint8Array.of(1));
    await vault.sweep(now);
    expect(await vault.orphans(now)).toEqual([old.id]);
    expect((await vault.orphans(null)).sort()).toEqual([old.id, fresh.id].sort());
    expect(kept.has(`dng:${old.id}`)).toBe(true);
  });

  it('takes a record that was made again from its file, and no other', async () => {
    const { store } = memoryStore();
    const vault = openVault(store);
    const r = record(5);
    await vault.putFile(r.id, Uint8Array.of(1), Uint8Array.of(1));
    expect(await vault.putFoundRecord(r.id, undefined)).toBe(false);
    expect(await vault.putFoundRecord(r.id, { ...r, timeMs: 1e300 })).toBe(false);
    expect(await vault.putFoundRecord(r.id, record(6))).toBe(false);
    expect(await vault.putFoundRecord(r.id, r)).toBe(true);
    expect((await vault.list()).frames).toEqual([r]);
    expect(await vault.orphans(null)).toEqual([]);
  });

  it('takes deletion back, whole; another tab that opens or deletes removes nothing that is young', async () => {
    const { store, kept } = memoryStore();
    const [vault, other] = [openVault(store), openVault(store)];
    const [r, s] = [record(5), record(6, 3)];
    for (const one of [r, s]) {
      await vault.putFile(one.id, Uint8Array.of(1, 2), Uint8Array.of(1));
      await vault.putRecord(one);
    }
    await vault.moveToTrash([r.id], HOUR);
    expect((await vault.list()).frames).toEqual([s]);
    // The other tab opens, deletes a frame of its own and lets it go for good.
    expect(await other.sweep(HOUR + 5000)).toEqual([]);
    await other.moveToTrash([s.id], HOUR + 5000);
    await other.purge([s.id]);
    expect(await vault.restore([r.id])).toEqual([]);
    expect((await vault.list()).frames).toEqual([r]);
    expect(await vault.file(r.id)).toEqual(Uint8Array.of(1, 2));
    await vault.moveToTrash([r.id], HOUR);
    expect(await vault.sweep(2 * HOUR)).toEqual([r.id]);
    expect([...kept.keys()]).toEqual([]);
    // Too late: it says so.
    expect(await vault.restore([r.id])).toEqual([r.id]);
    await expect(vault.file(r.id)).rejects.toThrow(/not in the store/);
  });

  it('clears away what an earlier version put into the trash', async () => {
    const { store, kept } = memoryStore();
    const vault = openVault(store);
    const r = record(5);
    await vault.putFile(r.id, Uint8Array.of(1), Uint8Array.of(1));
    kept.set(`trash:${r.id}`, JSON.stringify(r));
    expect((await vault.list()).frames).toEqual([]);
    expect(await vault.sweep(6)).toEqual([r.id]);
    expect([...kept.keys()]).toEqual([]);
  });

  it('loses nothing when a deletion fails', async () => {
    const { store, failWith } = memoryStore();
    const vault = openVault(store);
    await vault.putRecord(record(1));
    failWith(new Error('QuotaExceeded'));
    await expect(vault.moveToTrash([record(1).id], 2)).rejects.toThrow('QuotaExceeded');
    failWith(null);
    expect((await vault.list()).frames).toHaveLength(1);
  });

  it.each([
    ['time', { timeMs: 1e300 }],
    ['time before the calendar', { timeMs: -1e14 }],
    ['shutter', { shutterS: 1e308 }],
    ['ISO', { iso: Infinity }],
    ['kelvin', { kelvin: 1e-300 }],
    ['lens', { lens: 'x'.repeat(5000) }],
    ['size', { bytes: 1e300 }],
  ])('sets a record with an impossible %s aside: it cannot be shown', async (_, over) => {
    const { store } = memoryStore();
    const vault = openVault(store);
    await vault.putRecord({ ...record(1), ...over });
    expect(await vault.list()).toMatchObject({ frames: [], unreadable: [`frame:${record(1).id}`] });
  });

  it('adopts served frames once, also after they were deleted, and refuses what is no record', async () => {
    const { store } = memoryStore();
    const vault = openVault(store);
    const served = { ...record(7), place: { kind: 'served' as const, url: '/demo/a.dng' } };
    const entries = [
      { record: served, thumbnail: 'data:,a' },
      { record: { id: 'x' } as FrameRecord, thumbnail: 'data:,b' },
    ];
    expect(await vault.adopt(entries)).toBe(1);
    expect(await vault.adopt(entries)).toBe(0);
    expect(await vault.thumbnails([served.id, 'none'])).toEqual({ [served.id]: 'data:,a', none: null });
    await vault.moveToTrash([served.id], 0);
    await vault.sweep(HOUR);
    expect(await vault.adopt(entries)).toBe(0);
  });
});

describe('base64', () => {
  it('agrees with the platform and comes back', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
        expect(toBase64(bytes)).toBe(Buffer.from(bytes).toString('base64'));
        expect(fromBase64(toBase64(bytes))).toEqual(bytes);
      }),
    );
  });
  it.each(['A', 'AA*A', 'AAA€', 'A==='])('refuses %s', (text) =>
    expect(() => fromBase64(text)).toThrow(RangeError),
  );
});

describe('frame identifiers', () => {
  it('carry their time and are hexadecimal', () => {
    const id = frameId(1_925_000_000_123, Uint8Array.from([1, 255, 3]));
    expect(id).toMatch(/^[0-9a-f]{32}$/);
    expect(timeOfId(id)).toBe(1_925_000_000_123);
  });
});
