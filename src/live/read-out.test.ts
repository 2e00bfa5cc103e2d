// Reading out what waits, with a camera and a roll that do what the test says: in order, once, past what fails, around what is cancelled, and no further
// than there is room.
import type { Maker, ShotEvent, TakenFrame } from '../camera/port';
import type { Latent } from '../core/frame/queue';
import type { FrameRecord } from '../core/frame/record';
import { STORE_IS_FULL } from '../workers/save-outcome';
import { WorkerGone, WorkerLate } from '../workers/hire';
import { leaveReadOut, readOutWaiting, shareOf, useReadOut } from './read-out';
import { useUnsaved } from './unsaved';

let mockWaiting: Latent[] = [];
let mockMaker: Maker;
let mockSave = jest.fn();
jest.mock('../library/roll', () => ({
  rollChanged: () => undefined,
  onFreed: () => () => undefined,
  onOthersChange: () => () => undefined,
  waitingFrames: async () => mockWaiting,
}));
jest.mock('../library/room', () => ({ noteRefusal: async () => undefined }));
jest.mock('../library/staff', () => ({
  rollKeeper: { call: (ask: (api: unknown) => unknown) => ask({ save: mockSave }) },
}));
jest.mock('../ui/save-file', () => ({ saveFile: () => undefined }));
jest.mock('./makers', () => ({ makerOf: () => mockMaker }));

const frameOf = (id: string): TakenFrame => ({
  record: { id } as FrameRecord,
  files: [{ format: 'dng', bytes: Uint8Array.of(1) }],
  thumbnailJpeg: Uint8Array.of(9),
});
const wait = (...ids: string[]) => (mockWaiting = ids.map((id) => ({ id }) as Latent));

/** What was begun to be read out, in order. */
let begun: string[];
function readingOut(how: (id: string, signal: AbortSignal) => AsyncGenerator<ShotEvent> = whole): void {
  begun = [];
  mockMaker = {
    make: ({ id }, signal) => {
      begun.push(id);
      return how(id, signal);
    },
  };
}
async function* whole(id: string): AsyncGenerator<ShotEvent> {
  yield { kind: 'progress', shot: 0, stage: 'expose', share: 0.5 };
  yield { kind: 'frame', shot: 0, frame: frameOf(id) };
}
const saved = () => mockSave.mock.calls.map(([frame]) => (frame as TakenFrame).record.id);
const state = () => useReadOut.getState();

beforeEach(() => {
  mockSave = jest.fn(async ({ record }: TakenFrame) => {
    mockWaiting = mockWaiting.filter(({ id }) => id !== record.id);
    return { kind: 'saved' };
  });
  useReadOut.setState({ now: null, busy: false, failed: {} });
  useUnsaved.setState({ frames: [], saving: false });
  readingOut();
});

it('reads out all that waits, oldest first, with what comes meanwhile, and each once however often it is asked', async () => {
  wait('a', 'b');
  const seen: unknown[] = [];
  const stop = useReadOut.subscribe(({ now }) => seen.push(now));
  const first = readOutWaiting();
  expect(state().busy).toBe(true);
  void readOutWaiting();
  mockWaiting.push({ id: 'c' } as Latent);
  await first;
  stop();
  expect([begun, saved(), state().busy]).toEqual([['a', 'b', 'c'], ['a', 'b', 'c'], false]);
  expect(mockSave.mock.calls.every(([, latent]) => latent === true)).toBe(true);
  expect(seen).toContainEqual({ id: 'b', stage: 'expose', share: 0.5 });
  expect(state().now).toBeNull();
});

it('waits for a worker that is late, tells so, and reads out when it comes, once', async () => {
  wait('a');
  let come: () => void = () => undefined;
  const comes = new Promise<void>((resolve) => (come = resolve));
  let late = true;
  readingOut(async function* (id) {
    if (late) throw new WorkerLate('The exposer does not come', comes);
    yield* whole(id);
  });
  await readOutWaiting();
  expect([state().failed, saved()]).toEqual([{ a: 'The exposer does not come' }, []]);
  late = false;
  come();
  await comes;
  await readOutWaiting();
  while (state().busy) await Promise.resolve();
  expect([state().failed, saved()]).toEqual([{}, ['a']]);
});

it('goes on past a frame that fails, tells why, and tries it again when it is asked', async () => {
  wait('a', 'b');
  let broken = true;
  readingOut(async function* (id) {
    if (id === 'a' && broken) throw new Error('made up');
    yield* whole(id);
  });
  await readOutWaiting();
  expect([saved(), state().failed]).toEqual([['b'], { a: 'made up' }]);
  await readOutWaiting();
  expect(begun).toEqual(['a', 'b']);
  broken = false;
  state().again();
  await readOutWaiting();
  while (state().busy) await Promise.resolve();
  expect([saved(), state().failed]).toEqual([['b', 'a'], {}]);
});

it('begins once more where a worker died, and not a third time', async () => {
  wait('a');
  let deaths = 1;
  readingOut(async function* (id) {
    if (deaths-- > 0) throw new WorkerGone('gone');
    yield* whole(id);
  });
  await readOutWaiting();
  expect([begun, saved(), state().failed]).toEqual([['a', 'a'], ['a'], {}]);
  wait('b');
  deaths = 2;
  await readOutWaiting();
  expect([saved(), state().failed]).toEqual([['a'], { b: 'gone' }]);
});

it('leaves a frame that nobody wants any more, without a complaint, and goes on with the next', async () => {
  wait('a', 'b');
  readingOut(async function* (id, signal) {
    if (id === 'a') {
      mockWaiting = mockWaiting.slice(1);
      leaveReadOut(['a']);
      signal.throwIfAborted();
    }
    yield* whole(id);
  });
  await readOutWaiting();
  expect([saved(), state().failed]).toEqual([['b'], {}]);
});

it('stops at a frame that does not fit, which can be downloaded, and goes on when it has found its place', async () => {
  wait('a', 'b');
  const keep = mockSave;
  mockSave = jest.fn(async () => ({ kind: 'unsaved', reason: STORE_IS_FULL }));
  await readOutWaiting();
  expect(begun).toEqual(['a']);
  expect(useUnsaved.getState().frames).toMatchObject([{ latent: true, reason: STORE_IS_FULL }]);
  mockSave = keep;
  await useUnsaved.getState().saveAgain();
  expect(mockSave.mock.calls[0]).toEqual([frameOf('a'), true]);
  await readOutWaiting();
  expect(saved()).toEqual(['a', 'b']);
});

it('saves what was not stored by a roll that was about to go, once another is there; a second end is told', async () => {
  wait('a');
  const keep = mockSave;
  mockSave = jest.fn(async () => ({ kind: 'unsaved', reason: 'made up' }));
  await readOutWaiting();
  let deaths = 2;
  mockSave = jest.fn(async (frame: TakenFrame) => {
    if (deaths-- > 0) throw new WorkerGone('The roll is gone');
    return (await keep(frame)) as unknown;
  });
  await useUnsaved.getState().saveAgain();
  expect(useUnsaved.getState()).toMatchObject({ saving: false, frames: [{ reason: 'The roll is gone' }] });
  deaths = 1;
  await useUnsaved.getState().saveAgain();
  expect(useUnsaved.getState().frames).toEqual([]);
  expect(mockWaiting).toEqual([]);
});

it('saves by itself what a late roll did not store, once it comes; not when it breaks instead', async () => {
  wait('a');
  const keep = mockSave;
  mockSave = jest.fn(async () => ({ kind: 'unsaved', reason: 'made up' }));
  await readOutWaiting();
  const lateThen = async (comes: Promise<void>) => {
    mockSave = jest.fn(async () => Promise.reject(new WorkerLate('The roll does not come', comes)));
    await useUnsaved.getState().saveAgain();
    expect(useUnsaved.getState()).toMatchObject({
      saving: false,
      frames: [{ reason: 'The roll does not come' }],
    });
    mockSave = keep;
  };
  await lateThen(Promise.reject(new WorkerGone('The roll is gone')));
  await new Promise(process.nextTick);
  expect(useUnsaved.getState().frames).toHaveLength(1);
  let come = () => {};
  await lateThen(new Promise((done) => (come = done)));
  come();
  while (useUnsaved.getState().frames.length > 0) await new Promise(process.nextTick);
  expect([useUnsaved.getState().frames, saved()]).toEqual([[], ['a']]);
});

it('tells a share of the whole that only rises', () => {
  const shares = (['expose', 'picture', 'encode', 'verify', 'store'] as const).flatMap((stage) =>
    [0, 0.5, 1].map((share) => shareOf({ id: 'a', stage, share })),
  );
  expect(shares).toEqual([...shares].sort((a, b) => a - b));
  expect([shares[0], shares.at(-1)]).toEqual([0, 1]);
});
