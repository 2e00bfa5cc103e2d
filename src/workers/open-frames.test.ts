// Files of frames: read once, ahead or when they are wanted, and let go when others are.
import type { RollReader } from '../vault/reader';
import { openFrames, type ToOpen } from './open-frames';

const frame = (id: string): ToOpen => ({
  id,
  files: [{ format: 'dng', name: `${id}.dng`, bytes: 1, sha256: null } as unknown as ToOpen['files'][number]],
  place: { kind: 'stored' },
  image: { kind: 'mosaic', width: 2, height: 2 } as ToOpen['image'],
});

/** A store that tells what is asked of it, and answers when it is let. */
function slowStore() {
  const asked: string[] = [];
  const answers = new Map<string, { give: () => void; fail: () => void }>();
  const reader = {
    file: (id: string) => {
      asked.push(id);
      return new Promise<Uint8Array>((resolve, reject) =>
        answers.set(id, {
          give: () => resolve(Uint8Array.of(id.charCodeAt(0))),
          fail: () => reject(new Error('not there')),
        }),
      );
    },
  } as unknown as RollReader;
  return {
    reader,
    asked,
    give: (id: string) => answers.get(id)!.give(),
    fail: (id: string) => answers.get(id)!.fail(),
  };
}

it('reads a file once, whether it is read ahead or not, and however often it is asked for', async () => {
  const { reader, asked, give } = slowStore();
  const frames = openFrames(reader);
  frames.ahead(frame('a'));
  frames.ahead(frame('a'));
  const wanted = frames.rawFile(frame('a'));
  give('a');
  expect(await wanted).toEqual(Uint8Array.of(97));
  expect(await frames.rawFile(frame('a'))).toEqual(Uint8Array.of(97));
  expect(asked).toEqual(['a']);
});

it('holds nothing up that is wanted now', async () => {
  const { reader, give } = slowStore();
  const frames = openFrames(reader);
  frames.ahead(frame('a'));
  const wanted = frames.rawFile(frame('b'));
  await Promise.resolve();
  give('b');
  expect(await wanted).toEqual(Uint8Array.of(98));
});

it('asks anew for what did not come, and says so only to who wants it', async () => {
  const { reader, asked, give, fail } = slowStore();
  const frames = openFrames(reader);
  frames.ahead(frame('a'));
  fail('a');
  await new Promise(setImmediate);
  const wanted = frames.rawFile(frame('a'));
  await Promise.resolve();
  fail('a');
  await expect(wanted).rejects.toThrow('not there');
  const again = frames.rawFile(frame('a'));
  await new Promise(setImmediate);
  give('a');
  expect(await again).toEqual(Uint8Array.of(97));
  expect(asked).toEqual(['a', 'a', 'a']);
});

it('keeps three: what was not wanted for longest is read again', async () => {
  const { reader, asked, give } = slowStore();
  const frames = openFrames(reader);
  for (const id of ['a', 'b', 'c']) {
    frames.ahead(frame(id));
    give(id);
  }
  await frames.rawFile(frame('a'));
  frames.ahead(frame('d'));
  await frames.rawFile(frame('a'));
  expect(asked).toEqual(['a', 'b', 'c', 'd']);
  frames.ahead(frame('b'));
  expect(asked).toEqual(['a', 'b', 'c', 'd', 'b']);
});
