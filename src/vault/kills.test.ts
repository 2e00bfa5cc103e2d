// Pages that die at any moment of a sequence, from the press to the last record: whatever was safe is there once the next page has read out what waits,
// each frame once. A store's transactions are whole or not at all; a page dies before or after one.
import fc from 'fast-check';
import { digestOf } from '../core/frame/digest';
import type { LatentExposure } from '../core/frame/expose-recipe';
import { LATENT_VERSION } from '../core/frame/queue';
import { FIRST_ROLL } from '../core/facts/facts';
import { RECORD_VERSION, type FrameRecord } from '../core/frame/record';
import { initialValues } from '../core/setting/values';
import { frameId } from './frame-id';
import { rollReader } from './reader';
import { isRecord } from './record-check.generated';
import { saveFrame } from './save';
import type { Store } from './store';
import { rollWriter } from './writer';

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: () => undefined }));

class Died extends Error {}

/** A page's hold on a store that outlives it: it dies at its so-manieth transaction, before or after that is done. */
function pageOn(kept: Map<string, string>, lives: number, after: boolean) {
  let left = lives;
  const act = <T>(transaction: () => T): Promise<T> => {
    if (left < 0) return Promise.reject(new Died());
    if (left-- > 0) return Promise.resolve(transaction());
    if (after) transaction();
    return Promise.reject(new Died());
  };
  const store: Store = {
    getItem: (key) => act(() => kept.get(key) ?? null),
    setItem: (key, value) => act(() => void kept.set(key, value)),
    removeMany: (keys) => act(() => keys.forEach((key) => kept.delete(key))),
    getMany: (keys) => act(() => Object.fromEntries(keys.map((key) => [key, kept.get(key) ?? null]))),
    setMany: (entries) => act(() => Object.entries(entries).forEach(([key, value]) => kept.set(key, value))),
    getAllKeys: () => act(() => [...kept.keys()]),
  };
  return { store, reader: rollReader(store), writer: rollWriter(isRecord, store), used: () => lives - left };
}

const TIME = Date.UTC(2031, 3, 9);
const settings = { shutterS: 0.01, iso: 100, apertureN: 1.8, compensationEv: 0 };
const outside = { levels: {}, support: 'hand', wheel: 'slow' } as const;
const sequence = (frames: number): LatentExposure[] =>
  Array.from({ length: frames }, (_, index) => ({
    version: LATENT_VERSION,
    id: frameId(TIME + index, Uint8Array.of(index)),
    roll: FIRST_ROLL,
    group: { id: frameId(TIME, Uint8Array.of(99)), index, of: frames },
    timeMs: TIME + index,
    offsetMinutes: 0,
    ...{ lensId: 'wide', scene: 'wheel-bench', outside, clockS: 0, seed: index, orientation: 'portrait' },
    ...{
      settings,
      focusM: 2,
      press: 0,
      sinceTouchS: 1,
      set: initialValues(),
      meteredEv100: 9,
      files: ['dng'],
    },
  }));

/** What is read out of an exposure, the same each time. */
async function readOut({ id, timeMs, seed, group }: LatentExposure) {
  const bytes = Uint8Array.from({ length: 50 }, (_, i) => (i * 7 + seed) & 255);
  const record: FrameRecord = {
    ...{ version: RECORD_VERSION, id, timeMs, offsetMinutes: 0, roll: FIRST_ROLL, exposure: settings },
    ...(group && { group }),
    image: { width: 8, height: 6, kind: 'mosaic' },
    ...{ camera: 'Velmo Sim One', lens: '24 mm f/1.8', focusM: 2, set: {}, kelvin: 5000 },
    metered: { pattern: 'spot', ev100: 9 },
    result: { unknown: 'not counted' },
    files: [{ format: 'dng', bytes: bytes.length, sha256: await digestOf(bytes) }],
    place: { kind: 'stored' },
    made: { kind: 'simulated', scene: 'wheel-bench', seed, lensId: 'wide', outside, clockS: 0 },
  };
  return { record, files: [{ format: 'dng' as const, bytes }], thumbnailJpeg: Uint8Array.of(9) };
}

type Page = ReturnType<typeof pageOn>;

/** As a page does: clears away remains, then reads out what waits, oldest first. */
async function finish({ reader, writer }: Pick<Page, 'reader' | 'writer'>): Promise<void> {
  await writer.sweep(TIME);
  for (let next = (await reader.waiting())[0]; next; next = (await reader.waiting())[0])
    await saveFrame(reader, writer, await readOut(next as LatentExposure), true);
}

/** A press and all of its read-out, by pages that die as they are told; then one that lives. How many frames there are, and whether the press was safe. */
async function lived(deaths: readonly { at: number; after: boolean }[]) {
  const kept = new Map<string, string>();
  const frames = sequence(4);
  let safe = false;
  for (const { at, after } of deaths) {
    const page = pageOn(kept, at, after);
    try {
      if (!safe) await page.writer.putLatent(frames);
      safe = true;
      await finish(page);
    } catch (error) {
      if (!(error instanceof Died)) throw error;
      safe ||= [...kept.keys()].some((key) => key.startsWith('latent:'));
    }
  }
  const last = pageOn(kept, Infinity, false);
  await finish(last);
  const { frames: there, waiting, unreadable } = await last.reader.list();
  expect([waiting, unreadable, await last.writer.orphans(null)]).toEqual([[], [], []]);
  for (const { id } of there) {
    const { files } = await readOut(frames.find((frame) => frame.id === id)!);
    expect(await last.reader.file(id, 'dng')).toEqual(files[0]!.bytes);
  }
  expect([...kept.keys()].filter((key) => key.startsWith('latent:'))).toEqual([]);
  return { ids: there.map(({ id }) => id).sort(), safe };
}

const ALL = sequence(4)
  .map(({ id }) => id)
  .sort();

it('a page that dies at any one transaction of a press and its read-out, before it or after, loses and doubles nothing', async () => {
  const whole = pageOn(new Map(), 1e6, false);
  await whole.writer.putLatent(sequence(4));
  await finish(whole);
  const transactions = whole.used();
  // Enough places to die at: each of them twice.
  expect(2 * transactions).toBeGreaterThanOrEqual(60);
  for (let at = 0; at < transactions; at++)
    for (const after of [false, true]) {
      const { ids, safe } = await lived([{ at, after }]);
      expect(ids).toEqual(safe ? ALL : []);
    }
});

it('nor do pages that die one after the other', async () => {
  const death = fc.record({ at: fc.integer({ min: 0, max: 30 }), after: fc.boolean() });
  await fc.assert(
    fc.asyncProperty(fc.array(death, { minLength: 1, maxLength: 9 }), async (deaths) => {
      const { ids, safe } = await lived(deaths);
      expect(ids).toEqual(safe ? ALL : []);
    }),
    { numRuns: 150 },
  );
});

it('an exposure that was deleted while it was read out is not saved, and can be taken back', async () => {
  const page = pageOn(new Map(), Infinity, false);
  const [frame] = sequence(1);
  await page.writer.putLatent([frame!]);
  const taken = await readOut(frame!);
  await page.writer.moveToTrash([frame!.id], TIME);
  expect(await saveFrame(page.reader, page.writer, taken, true)).toBe(false);
  expect(await page.reader.list()).toEqual({ frames: [], waiting: [], rolls: [], unreadable: [] });
  expect(await page.writer.restore([frame!.id])).toEqual([]);
  await finish(page);
  expect((await page.reader.list()).frames).toHaveLength(1);
  // Deleted for good it is gone, and what was read out of it with it.
  await page.writer.putLatent([{ ...frame!, id: 'f'.repeat(32) }]);
  await page.writer.purge(['f'.repeat(32)]);
  expect(
    await saveFrame(
      page.reader,
      page.writer,
      { ...taken, record: { ...taken.record, id: 'f'.repeat(32) } },
      true,
    ),
  ).toBe(false);
  expect((await page.reader.list()).frames).toHaveLength(1);
});

it('a latent frame that cannot be read is set aside and kept', async () => {
  const kept = new Map([
    ['latent:broken', '{"version":'],
    ['latent:later', '{"version":9}'],
  ]);
  const page = pageOn(kept, Infinity, false);
  expect((await page.reader.list()).unreadable.sort()).toEqual(['latent:broken', 'latent:later']);
  expect(await page.reader.waiting()).toEqual([]);
  await page.writer.sweep(TIME);
  expect(kept.size).toBe(2);
});

it('a store that is full in the midst of a burst keeps what is in it; what waits is read out once there is room', async () => {
  const kept = new Map<string, string>();
  /** Frames whose files there is room for. */
  let room = Infinity;
  const { store } = pageOn(kept, Infinity, false);
  const full: Store = {
    ...store,
    setMany: async (entries) => {
      if (room-- <= 0) throw new Error('quota');
      await store.setMany(entries);
    },
  };
  const page = { reader: rollReader(full), writer: rollWriter(isRecord, full) };
  await page.writer.putLatent(sequence(4));
  room = 2;
  await expect(finish(page)).rejects.toThrow('quota');
  const { frames, waiting: left } = await page.reader.list();
  expect([frames.length, left.length]).toEqual([2, 2]);
  expect([...frames, ...left].map(({ id }) => id).sort()).toEqual(ALL);
  room = Infinity;
  await finish(page);
  const after = await page.reader.list();
  expect([after.frames.map(({ id }) => id).sort(), after.waiting]).toEqual([ALL, []]);
});

it('two tabs that press and read out at once, even without turns, lose nothing and double nothing', async () => {
  const kept = new Map<string, string>();
  const tabs = [0, 1].map(() => pageOn(kept, Infinity, false));
  const frames = sequence(4);
  const others = frames.map((frame, i) => ({ ...frame, id: frameId(frame.timeMs, Uint8Array.of(7, i)) }));
  await Promise.all([tabs[0]!.writer.putLatent(frames), tabs[1]!.writer.putLatent(others)]);
  await Promise.all(tabs.map(finish));
  const { frames: there, waiting } = await tabs[0]!.reader.list();
  expect(waiting).toEqual([]);
  expect(there.map(({ id }) => id).sort()).toEqual([...frames, ...others].map(({ id }) => id).sort());
});

it('a clock that is set back between two bursts loses none of either, and takes back no deletion', async () => {
  const kept = new Map<string, string>();
  const page = pageOn(kept, Infinity, false);
  const HOUR = 3_600_000;
  const earlier = sequence(4).map((frame, i) => ({
    ...frame,
    id: frameId(frame.timeMs - HOUR, Uint8Array.of(8, i)),
    timeMs: frame.timeMs - HOUR,
  }));
  await page.writer.putLatent(sequence(4));
  await page.writer.putLatent(earlier);
  await finish(page);
  const all = [...ALL, ...earlier.map(({ id }) => id)].sort();
  expect((await page.reader.list()).frames.map(({ id }) => id).sort()).toEqual(all);
  // Deleted before the clock went back: it can still be taken back, and is swept once its time has come.
  await page.writer.moveToTrash([ALL[0]!], TIME);
  expect(await page.writer.sweep(TIME - HOUR)).toEqual([]);
  expect(await page.writer.restore([ALL[0]!])).toEqual([]);
  await page.writer.moveToTrash([ALL[0]!], TIME);
  expect(await page.writer.sweep(TIME + HOUR)).toEqual([ALL[0]]);
});
