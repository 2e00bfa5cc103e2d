// The vault over a store in memory that can fail, as a browser's can.
import fc from 'fast-check';
import { exposedOf, latentOf, type LatentExposure } from '../core/frame/expose-recipe';
import { broughtForward, type FrameRecord } from '../core/frame/record';
import { fromByteString, toByteString } from './byte-string';
import before from './stored-before.json';
import { frameId, timeOfId } from './frame-id';
import { rollReader } from './reader';
import { isRecord } from './record-check.generated';
import type { Store } from './store';
import { memoryStore, record } from './test-store';
import { rollWriter } from './writer';

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: () => undefined }));

const HOUR = 3_600_000;
const openRoll = (store: Store) => ({ ...rollReader(store), ...rollWriter(isRecord, store) });
const dng = (...bytes: number[]) => [{ format: 'dng' as const, bytes: Uint8Array.from(bytes) }];

describe('the vault', () => {
  it('lists frames newest first, each only when its record is there', async () => {
    const { store } = memoryStore();
    const vault = openRoll(store);
    for (const t of [1, 3, 2]) {
      await vault.putFiles(record(t).id, dng(t), Uint8Array.of(9));
      await vault.putRecord(record(t));
    }
    await vault.putFiles(record(4).id, dng(4), Uint8Array.of(9)); // the page closed here
    expect((await vault.list()).frames.map((f) => f.timeMs)).toEqual([3, 2, 1]);
    expect(await vault.file(record(2).id, 'dng')).toEqual(Uint8Array.of(2));
  });

  it('sets unreadable records aside and keeps them', async () => {
    const { store, kept } = memoryStore();
    const vault = openRoll(store);
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
    const vault = openRoll(store);
    const now = 100 * HOUR;
    const [old, fresh] = [record(now - HOUR, 1), record(now - 1000, 2)];
    for (const r of [old, fresh]) await vault.putFiles(r.id, dng(1), Uint8Array.of(1));
    await vault.sweep(now);
    expect(await vault.orphans(now)).toEqual([old.id]);
    expect((await vault.orphans(null)).sort()).toEqual([old.id, fresh.id].sort());
    expect(kept.has(`file:${old.id}.dng`)).toBe(true);
  });

  it('keeps what is said of a frame afterwards with its thumbnail, takes it back, and leaves its files alone', async () => {
    const { store, kept } = memoryStore();
    const vault = openRoll(store);
    const r = record(1);
    await vault.putFiles(r.id, dng(1, 2), Uint8Array.of(9));
    await vault.putRecord(r);
    const file = kept.get(`file:${r.id}.dng`);
    const white = { kelvin: 4200, tint: -3 };
    const url = 'data:image/jpeg;base64,AA==';
    expect(await vault.putAfterthoughts([r.id], { rewhite: white, rating: 3 }, { [r.id]: url })).toEqual([]);
    expect((await vault.list()).frames).toEqual([{ ...r, rewhite: white, rating: 3 }]);
    expect((await vault.thumbnails([r.id]))[r.id]).toBe('data:image/jpeg;base64,AA==');
    await vault.putAfterthoughts([r.id], { rewhite: undefined, rating: undefined, verdict: 'dropped' });
    vault.forget([r.id]);
    expect((await vault.list()).frames).toEqual([{ ...r, verdict: 'dropped' }]);
    await vault.putAfterthoughts([r.id], { verdict: undefined });
    vault.forget([r.id]);
    expect((await vault.list()).frames).toEqual([r]);
    expect(kept.get(`file:${r.id}.dng`)).toBe(file);
    const gone = '0'.repeat(32);
    expect(await vault.putAfterthoughts([gone, r.id], { rating: 1 })).toEqual([gone]);
  });

  it('takes a record that was made again from its file, and no other', async () => {
    const { store } = memoryStore();
    const vault = openRoll(store);
    const r = record(5);
    await vault.putFiles(r.id, dng(1), Uint8Array.of(1));
    expect(await vault.putFoundRecord(r.id, undefined)).toBe(false);
    expect(await vault.putFoundRecord(r.id, { ...r, timeMs: 1e300 })).toBe(false);
    expect(await vault.putFoundRecord(r.id, record(6))).toBe(false);
    expect(await vault.putFoundRecord(r.id, r)).toBe(true);
    expect((await vault.list()).frames).toEqual([r]);
    expect(await vault.orphans(null)).toEqual([]);
  });

  it('takes deletion back, whole; another tab that opens or deletes removes nothing that is young', async () => {
    const { store, kept } = memoryStore();
    const [vault, other] = [openRoll(store), openRoll(store)];
    const [r, s] = [record(5), record(6, 3)];
    for (const one of [r, s]) {
      await vault.putFiles(one.id, dng(1, 2), Uint8Array.of(1));
      await vault.putRecord(one);
    }
    await vault.moveToTrash([r.id], HOUR);
    expect((await vault.list()).frames).toEqual([s]);
    // The other tab opens, deletes a frame of its own and lets it go for good.
    expect(await other.sweep(HOUR + 5000)).toEqual([]);
    await other.moveToTrash([s.id], HOUR + 5000);
    await other.emptyTrash([s.id]);
    expect(await vault.restore([r.id])).toEqual([]);
    // Put back meanwhile: whoever deleted it lets it go in vain.
    await other.emptyTrash([r.id]);
    expect((await vault.list()).frames).toEqual([r]);
    expect(await vault.file(r.id, 'dng')).toEqual(Uint8Array.of(1, 2));
    await vault.moveToTrash([r.id], HOUR);
    expect(await vault.sweep(2 * HOUR)).toEqual([r.id]);
    expect([...kept.keys()]).toEqual([]);
    // Too late: it says so.
    expect(await vault.restore([r.id])).toEqual([r.id]);
    await expect(vault.file(r.id, 'dng')).rejects.toThrow(/not in the store/);
  });

  it('clears away what an earlier version put into the trash', async () => {
    const { store, kept } = memoryStore();
    const vault = openRoll(store);
    const r = record(5);
    await vault.putFiles(r.id, dng(1), Uint8Array.of(1));
    kept.set(`trash:${r.id}`, JSON.stringify(r));
    expect((await vault.list()).frames).toEqual([]);
    expect(await vault.sweep(6)).toEqual([r.id]);
    expect([...kept.keys()]).toEqual([]);
  });

  it('loses nothing when a deletion fails', async () => {
    const { store, failWith } = memoryStore();
    const vault = openRoll(store);
    await vault.putRecord(record(1));
    failWith(new Error('QuotaExceeded'));
    await expect(vault.moveToTrash([record(1).id], 2)).rejects.toThrow('QuotaExceeded');
    failWith(null);
    expect((await vault.list()).frames).toHaveLength(1);
  });

  it.each([
    ['time', { timeMs: 1e300 }],
    ['time before the calendar', { timeMs: -1e14 }],
    ['shutter', { exposure: { ...record(1).exposure, shutterS: 1e308 } }],
    ['ISO', { exposure: { ...record(1).exposure, iso: Infinity } }],
    ['kelvin', { kelvin: 1e-300 }],
    ['lens', { lens: 'x'.repeat(5000) }],
    ['size', { files: [{ format: 'dng' as const, bytes: 1e300, sha256: 'a'.repeat(64) }] }],
    ['hash', { files: [{ format: 'dng' as const, bytes: 1, sha256: 'xyz' }] }],
    ['setting', { set: { filterStops: 1e9 } }],
  ])('sets a record with an impossible %s aside: it cannot be shown', async (_, over) => {
    const { store } = memoryStore();
    const vault = openRoll(store);
    await vault.putRecord({ ...record(1), ...over });
    expect(await vault.list()).toMatchObject({ frames: [], unreadable: [`frame:${record(1).id}`] });
  });

  it('adopts served frames once, also after they were deleted, and refuses what is no record', async () => {
    const { store } = memoryStore();
    const vault = openRoll(store);
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

it('a store as the version before left it opens: its frame with what was said of it, and what waits to be read out', async () => {
  const { store, kept } = memoryStore();
  for (const [key, value] of Object.entries(before)) kept.set(key, JSON.stringify(value));
  const { frames, waiting } = await openRoll(store).list();
  expect(frames).toEqual([Object.values(before)[0]]);
  expect(waiting).toEqual([Object.values(before)[1]]);
  // What it depends on comes out of it whole, and goes back in as it was.
  const latent = waiting[0]!;
  expect(latentOf(exposedOf(latent as LatentExposure))).toEqual(latent);
});

describe('a record whose settings have other names by now', () => {
  it('keeps them under those', () => {
    const set = { meter: { pattern: 'evaluative', spotShare: 0.01, burnShare: 0.001 } };
    const forward = broughtForward({ ...record(1), set, metered: { pattern: 'evaluative', ev100: 9 } });
    expect(forward).toMatchObject({ metered: { pattern: 'whole' }, set: { meter: { pattern: 'whole' } } });
    expect(isRecord(forward)).toBe(true);
  });
  it.each([null, 3, [], { version: 2 }, { version: 1, files: 7 }])('that is none stays none: %j', (value) =>
    expect(isRecord(broughtForward(value))).toBe(false),
  );
});

describe('a string of bytes', () => {
  it('holds any bytes, one character each, and gives them back', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
        const text = toByteString(bytes);
        expect(text).toHaveLength(bytes.length);
        expect(fromByteString(text)).toEqual(bytes);
      }),
    );
    const large = Uint8Array.from({ length: 100_000 }, (_, i) => i * 7);
    expect(fromByteString(toByteString(large))).toEqual(large);
  });
  it('is refused when a character is no byte', () => expect(() => fromByteString('aĀ')).toThrow(RangeError));
});

describe('frame identifiers', () => {
  it('carry their time and are hexadecimal', () => {
    const id = frameId(1_925_000_000_123, Uint8Array.from([1, 255, 3]));
    expect(id).toMatch(/^[0-9a-f]{32}$/);
    expect(timeOfId(id)).toBe(1_925_000_000_123);
  });
});
