// Rolls in the store: frames moved, copied and deleted with their roll, read out or not.
import { latentOf } from '../core/frame/expose-recipe';
import { FIRST_ROLL } from '../core/facts/facts';
import { FIRST, rollsWith, type Roll } from '../core/frame/roll';
import { frameId } from './frame-id';
import { rollReader } from './reader';
import { isRecord } from './record-check.generated';
import { saveFrame } from './save';
import { memoryStore, record } from './test-store';
import { rollWriter } from './writer';
import { someFacts } from '../../tests/facts';

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: () => undefined }));

const KILN: Roll = { ...FIRST, id: 'b'.repeat(32), name: 'Kiln day', createdMs: 7, keywords: ['kiln'] };
const files = (n: number) => [{ format: 'dng' as const, bytes: Uint8Array.of(n, 200) }];

async function vaultWith(frames: number) {
  const { store, kept, failWith } = memoryStore();
  const [reader, writer] = [rollReader(store), rollWriter(isRecord, store)];
  const ids: string[] = [];
  for (let n = 1; n <= frames; n++) {
    const frame = record(n);
    ids.push(frame.id);
    await writer.putFiles(frame.id, files(n), Uint8Array.of(n));
    await writer.putRecord(frame);
  }
  const rollOf = async () => {
    reader.forget(null);
    const listing = await reader.list();
    return Object.fromEntries(listing.frames.map(({ id, roll }) => [id, roll]));
  };
  return { store, kept, failWith, reader, writer, ids, rollOf };
}

const latent = (id: string) =>
  latentOf({
    ...{ lensId: 'wide', scene: 'wheel-bench', orientation: 'portrait' },
    outside: { levels: {}, support: 'hand', wheel: 'slow' },
    press: {
      settings: { shutterS: 0.01, iso: 100, apertureN: 1.8, compensationEv: 0 },
      facts: someFacts({ id, timeMs: 9 }),
      ...{ seed: 1, clockS: 0, focusM: 2 },
      steadiness: { support: 'hand', press: 0, sinceTouchS: 1 },
    },
  });

it('frames go to another roll and their files stay as they are; what is gone is told', async () => {
  const { writer, reader, ids, rollOf } = await vaultWith(3);
  await writer.putRoll(KILN);
  const gone = 'e'.repeat(32);
  expect(await writer.move([ids[0]!, ids[2]!, gone], KILN.id)).toEqual([gone]);
  expect(Object.values(await rollOf()).sort()).toEqual([KILN.id, KILN.id, FIRST_ROLL].sort());
  expect(await reader.file(ids[2]!, 'dng')).toEqual(files(3)[0]!.bytes);
});

it('a reader tells what it knew until it is told what was written anew', async () => {
  const { writer, reader, ids } = await vaultWith(1);
  await reader.list();
  await writer.move(ids, KILN.id);
  expect((await reader.list()).frames[0]!.roll).toBe(FIRST_ROLL);
  reader.forget(ids);
  expect((await reader.list()).frames[0]!.roll).toBe(KILN.id);
});

it('a frame that is gone and comes again is read anew', async () => {
  const { writer, reader, ids } = await vaultWith(1);
  await reader.list();
  await writer.purge(ids);
  expect((await reader.list()).frames).toEqual([]);
  const again = { ...record(1), roll: KILN.id };
  await writer.putFiles(again.id, files(1), Uint8Array.of(1));
  await writer.putRecord(again);
  expect((await reader.list()).frames[0]!.roll).toBe(KILN.id);
});

it('a frame that is moved while it is read out is saved in the roll it was moved to', async () => {
  const { writer, reader, rollOf } = await vaultWith(0);
  const frame = { ...record(1), files: [{ format: 'dng' as const, bytes: 2, sha256: await digest() }] };
  await writer.putLatent([latent(frame.id)]);
  await writer.move([frame.id], KILN.id);
  await saveFrame(reader, writer, { record: frame, files: files(1), thumbnailJpeg: Uint8Array.of(1) }, true);
  expect(await rollOf()).toEqual({ [frame.id]: KILN.id });
  async function digest() {
    const { digestOf } = await import('../core/frame/digest');
    return digestOf(files(1)[0]!.bytes);
  }
});

it('a copy has files of its own: the one that it was made from can go', async () => {
  const { writer, reader, ids, rollOf } = await vaultWith(1);
  const copy = frameId(1, Uint8Array.of(77));
  expect(await writer.copy(ids[0]!, copy, KILN.id)).toBe(true);
  expect(await rollOf()).toEqual({ [ids[0]!]: FIRST_ROLL, [copy]: KILN.id });
  await writer.purge(ids);
  expect(await reader.file(copy, 'dng')).toEqual(files(1)[0]!.bytes);
  expect(await reader.thumbnails([copy])).toEqual({ [copy]: expect.stringContaining('base64,') });
  expect(await writer.orphans(null)).toEqual([]);
  expect(await writer.copy(ids[0]!, frameId(1, Uint8Array.of(78)), KILN.id)).toBe(false);
});

it('a copy that the store refuses leaves nothing behind', async () => {
  const { writer, ids, kept, failWith } = await vaultWith(1);
  const before = new Map(kept);
  failWith(new Error('full'));
  await expect(writer.copy(ids[0]!, frameId(1, Uint8Array.of(77)), KILN.id)).rejects.toThrow('full');
  expect(kept).toEqual(before);
});

it('a roll is deleted with its frames in one go, and all of it comes back', async () => {
  const { writer, reader, ids } = await vaultWith(2);
  await writer.putRoll(KILN);
  await writer.move([ids[0]!], KILN.id);
  await writer.putLatent([{ ...latent('d'.repeat(32)), roll: KILN.id }]);
  const shown = async () => {
    reader.forget(null);
    const { rolls, frames, waiting } = await reader.list();
    return rollsWith(rolls, frames, waiting).map((count) => [count.roll.name, count.frames, count.waiting]);
  };
  const before = await shown();
  expect(before).toEqual([
    ['Kiln day', 1, 1],
    ['First roll', 1, 0],
  ]);
  const inIt = [ids[0]!, 'd'.repeat(32)];
  await writer.deleteRoll(KILN, inIt, 1);
  expect(await shown()).toEqual([['First roll', 1, 0]]);
  await writer.restore(inIt);
  expect(await shown()).toEqual(before);
  await writer.putRoll(KILN);
  await writer.move(inIt, FIRST_ROLL);
  expect(await shown()).toEqual([
    ['Kiln day', 0, 0],
    ['First roll', 2, 1],
  ]);
});

it('a roll that cannot be read is passed over, and its frames are shown all the same', async () => {
  const { kept, writer, reader, ids } = await vaultWith(1);
  kept.set('roll:x', '{"version":9}');
  kept.set('roll:y', 'nonsense');
  await writer.move(ids, 'x');
  const { rolls, frames, unreadable } = await reader.list();
  expect([rolls, frames.length, unreadable]).toEqual([[], 1, []]);
  expect(rollsWith(rolls, frames, [])[0]!.roll.name).toBe('x');
});
