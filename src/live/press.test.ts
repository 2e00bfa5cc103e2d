// One press against a camera that does what the test says: saved, refused by the store, failed, cancelled, twice at once, too early.
import type { Camera, Sequence, ShotEvent, TakenFrame } from '../camera/port';
import type { Report } from '../camera/report';
import { oneByOne } from '../camera/while-held';
import type { Latent } from '../core/frame/queue';
import type { FrameRecord } from '../core/frame/record';
import { initialValues } from '../core/setting/values';
import { WorkerGone, WorkerLate } from '../workers/hire';
import { cancelCapture, letGo, press, pressDown, STORE_FULL, UNSAVED_WAIT } from './press';
import { useDesk } from './desk';
import { useReport } from './report';
import { MOST_UNSAVED, useUnsaved } from './unsaved';

let mockLeft: number | null = 9;
let mockListing: () => Promise<unknown>;
let mockSeq = 1;
let mockCamera: Pick<Camera, 'take'>;
let mockPutLatent = jest.fn();
let mockReady: Promise<void> = Promise.resolve();
const mockReadOut = jest.fn();
let mockSave = jest.fn();
let mockPurge = jest.fn();
jest.mock('../library/roll', () => ({
  rollChanged: () => undefined,
  onFreed: () => () => undefined,
  roomLeft: async () => mockLeft,
  knownFrames: () => [],
  useRoll: () => ({}),
  readListing: () => mockListing(),
}));
jest.mock('./read-out', () => ({ readOutWaiting: () => mockReadOut() }));
jest.mock('../library/room', () => ({ noteRefusal: async () => undefined }));
jest.mock('../library/staff', () => ({
  rollKeeper: {
    call: (ask: (api: unknown) => unknown) =>
      ask({ save: mockSave, purge: mockPurge, putLatent: mockPutLatent }),
    ready: () => mockReady,
  },
}));
jest.mock('../ui/save-file', () => ({ saveFile: () => undefined }));
jest.mock('./feed', () => ({
  sendOrder: () => mockSeq,
  withFinder: (act: () => unknown) => act(),
}));
jest.mock('./camera', () => ({
  ...jest.requireActual<object>('./camera'),
  cameraWith: () => mockCamera,
}));

const state = () => useDesk.getState().capture;
const ID = '0'.repeat(32);
const frameOf = (n = 0): TakenFrame => ({
  record: { id: String(n).repeat(32), timeMs: 0, offsetMinutes: 0 } as FrameRecord,
  files: [{ format: 'dng', bytes: Uint8Array.of(n) }],
  thumbnailJpeg: Uint8Array.of(9),
});

function cameraThat(take: (sequence: Sequence, signal: AbortSignal) => AsyncGenerator<ShotEvent>) {
  const taken: Sequence[] = [];
  mockCamera = {
    take: (sequence, { cancel }) => {
      taken.push(sequence);
      return take(sequence, cancel);
    },
  };
  return taken;
}
/** A camera whose frames are latent: each is its place in the sequence. */
function latentCamera() {
  const taken: Sequence[] = [];
  mockCamera = {
    take: async function* (sequence, ends) {
      taken.push(sequence);
      const latents = sequence.shots.map(({ facts }) => facts as Latent);
      if (!sequence.whileHeld) yield { kind: 'exposed', latents };
      else for await (const one of oneByOne(latents, ends)) yield { kind: 'exposed', latents: [one] };
    },
  };
  return taken;
}
const giving = (n = 0) =>
  cameraThat(async function* () {
    yield { kind: 'progress', shot: 0, stage: 'expose', share: 0.5 };
    yield { kind: 'frame', shot: 0, frame: frameOf(n) };
  });
const refused = (reason = 'the store is full') => {
  mockSave = jest.fn(async () => ({ kind: 'unsaved', reason }));
};
const saved = () => {
  mockSave = jest.fn(async () => ({ kind: 'saved' }));
};

const report = (seq: number, shutterS = 1 / 128) =>
  ({
    seq,
    optic: 'wide',
    reading: { ev100: 9 },
    focusM: 2,
    exposure: { settings: { shutterS, iso: 100, apertureN: 1.8, compensationEv: 0 } },
    raw: {
      forecast: { clipped: [0.1, 0.2, 0.3, 0.4], belowFloor: [0, 0, 0, 0] },
      headroomOfFileEv: 0.5,
    },
  }) as unknown as Report;

beforeEach(() => {
  mockListing = async () => ({ rolls: [], frames: [], waiting: [] });
  mockLeft = 9;
  mockSeq = 1;
  mockPurge = jest.fn(async () => undefined);
  mockPutLatent = jest.fn(async () => ({ kind: 'saved' }));
  mockReadOut.mockClear();
  saved();
  useDesk.setState({ capture: { kind: 'idle' }, settings: initialValues() });
  useReport.getState().clear();
  useReport.getState().take(report(1));
  useUnsaved.setState({ frames: [], saving: false });
});
afterAll(() => useReport.getState().clear());

describe('a press', () => {
  it('ends idle when the frame is saved', async () => {
    const taken = giving();
    await press();
    expect([state().kind, taken.length, mockSave.mock.calls.length]).toEqual(['idle', 1, 1]);
  });

  it('does not expose when the store is full, and says so', async () => {
    mockLeft = 0;
    const taken = giving();
    await press();
    expect(state()).toEqual({ kind: 'failed', message: STORE_FULL });
    expect(taken).toEqual([]);
  });

  it('goes ahead where the browser does not tell how much room there is', async () => {
    mockLeft = null;
    const taken = giving();
    await press();
    expect(taken).toHaveLength(1);
  });

  it('gives the record the forecast that was on the screen', async () => {
    const taken = giving();
    await press();
    const { forecast } = taken[0]!.shots[0]!;
    expect(forecast!.channels.map((c) => c.clippedShare)).toEqual([0.1, 0.2, 0.3, 0.4]);
    expect(forecast!.headroomEv).toBe(0.5);
  });

  it('goes into the roll that was chosen, and says what the person and that roll say', async () => {
    const roll = { version: 1, id: 'b'.repeat(32), name: 'Kiln day', createdMs: 1, keywords: ['kiln'] };
    mockListing = async () => ({ rolls: [roll], frames: [], waiting: [] });
    useDesk.setState({ roll: roll.id, credit: { person: 'Ansa Verrel', copyright: '' } });
    const taken = giving();
    await press();
    // One that is gone gives way to the first.
    mockListing = async () => ({ rolls: [], frames: [], waiting: [] });
    useDesk.setState({ credit: { person: '', copyright: '' } });
    await press();
    // Where rolls cannot be read the frame goes where it was to go.
    mockListing = async () => Promise.reject(new Error('broken'));
    await press();
    useDesk.setState({ roll: 'first' });
    const facts = taken.map(({ shots }) => shots[0]!.facts);
    expect(facts.map(({ roll: id }) => id)).toEqual([roll.id, 'first', roll.id]);
    expect(facts.map(({ credit }) => credit)).toEqual([
      { person: 'Ansa Verrel', copyright: '', keywords: ['kiln'] },
      undefined,
      undefined,
    ]);
    expect(facts[0]).not.toHaveProperty('position');
  });

  it('waits for the finder to show what is set, and takes that', async () => {
    const taken = giving();
    // A fader was moved in the same instant: the report that stands answers an older order.
    mockSeq = 3;
    const done = press();
    await new Promise(setImmediate);
    expect(taken).toEqual([]);
    useReport.getState().take(report(2, 1 / 64));
    await new Promise(setImmediate);
    expect(taken).toEqual([]);
    useReport.getState().take(report(3, 1 / 32));
    await done;
    expect(taken[0]).toMatchObject({ answers: 3, shots: [{ settings: { shutterS: 1 / 32 } }] });
  });

  it('takes a bracket as one sequence: one step of light apart, in time one after the other, and keeps each frame as it comes', async () => {
    useDesk.getState().setSetting('bracket', { frames: 3, stepThirds: 3, order: 'middle', by: 'shutter' });
    const seen: unknown[] = [];
    const stop = useDesk.subscribe(({ capture }) => seen.push(capture));
    const taken = cameraThat(async function* () {
      for (const shot of [0, 1, 2]) {
        yield { kind: 'progress', shot, stage: 'expose', share: 0.5 };
        yield { kind: 'frame', shot, frame: frameOf(shot) };
      }
    });
    await press();
    stop();
    expect([state().kind, taken.length, mockSave.mock.calls.length]).toEqual(['idle', 1, 3]);
    const { shots } = taken[0]!;
    expect(shots.map(({ settings }) => 128 * (settings as { shutterS: number }).shutterS)).toEqual([
      1, 0.5, 2,
    ]);
    // Only of the one that the finder showed is anything told beforehand.
    expect(shots.map(({ forecast }) => forecast !== undefined)).toEqual([true, false, false]);
    const groups = shots.map(({ facts }) => facts.group!);
    expect(new Set(groups.map(({ id }) => id)).size).toBe(1);
    expect(groups.map(({ index, of, kind }) => [index, of, kind])).toEqual([
      [0, 3, 'bracket'],
      [1, 3, 'bracket'],
      [2, 3, 'bracket'],
    ]);
    expect(new Set(shots.map(({ facts }) => facts.id)).size).toBe(3);
    expect(new Set(shots.map(({ seed }) => seed)).size).toBe(3);
    shots.slice(1).forEach(({ facts }, i) => expect(facts.timeMs).toBeGreaterThan(shots[i]!.facts.timeMs));
    expect(seen).toContainEqual({ kind: 'busy', stage: 'expose', share: 0.5, shot: 2, of: 3 });
  });

  it('ended in the middle of a set keeps the frames that were kept, and no more', async () => {
    useDesk.getState().setSetting('bracket', { frames: 3, stepThirds: 3, order: 'rising', by: 'shutter' });
    cameraThat(async function* (_, signal) {
      yield { kind: 'frame', shot: 0, frame: frameOf(0) };
      cancelCapture();
      signal.throwIfAborted();
      yield { kind: 'frame', shot: 1, frame: frameOf(1) };
    });
    await press();
    expect([state().kind, mockSave.mock.calls.length, mockPurge.mock.calls.length]).toEqual(['idle', 1, 0]);
  });

  it('tells before the first frame of a set what does not fit, in light or in the store', async () => {
    const taken = giving();
    useDesk.getState().setSetting('bracket', { frames: 9, stepThirds: 9, order: 'rising', by: 'shutter' });
    await press();
    expect(state()).toMatchObject({
      kind: 'failed',
      message: expect.stringMatching(/does not fit.*What fits/),
    });
    useDesk.getState().setSetting('bracket', { frames: 3, stepThirds: 3, order: 'rising', by: 'shutter' });
    mockLeft = 2;
    await press();
    expect(state()).toMatchObject({ kind: 'failed', message: expect.stringMatching(/room for 2 of 3/) });
    expect(taken).toEqual([]);
  });

  it('says why the camera died when that happens while it waits, and is free again', async () => {
    const taken = giving();
    mockSeq = 3;
    const done = press();
    await new Promise(setImmediate);
    useDesk.getState().setCamera({ kind: 'failed', message: 'It was pulled out', what: 'finder' });
    await done;
    expect([state(), taken]).toEqual([
      { kind: 'failed', message: expect.stringContaining('It was pulled out') },
      [],
    ]);
    useDesk.getState().setCamera({ kind: 'live' });
    mockSeq = 1;
    await press();
    expect(taken).toHaveLength(1);
  });

  it('keeps a frame that the store refuses until it is saved or let go, over other presses', async () => {
    refused();
    giving(1);
    await press();
    saved();
    giving(3);
    await press();
    refused();
    giving(2);
    await press();
    const waiting = () => useUnsaved.getState().frames.map((f) => f.files[0]!.bytes[0]);
    expect(waiting()).toEqual([1, 2]);
    // Not before it was downloaded.
    useUnsaved.getState().letGo();
    expect(waiting()).toEqual([1, 2]);
    useUnsaved.getState().download();
    useUnsaved.getState().letGo();
    expect(waiting()).toEqual([2]);
  });

  it('keeps a frame whose roll broke while it was saved', async () => {
    mockSave = jest.fn(async () => Promise.reject(new Error('The roll is gone')));
    giving(4);
    await press();
    expect(useUnsaved.getState().frames).toMatchObject([
      { reason: 'The roll is gone', record: { id: ID.replaceAll('0', '4') } },
    ]);
    expect(state().kind).toBe('idle');
  });

  it('saves what waits when there is room, and keeps it when there is none', async () => {
    refused();
    giving(1);
    await press();
    refused('still full');
    await useUnsaved.getState().saveAgain();
    expect(useUnsaved.getState().frames).toMatchObject([{ reason: 'still full', ...frameOf(1) }]);
    mockSave = jest.fn(async () => Promise.reject(new Error('gone')));
    await useUnsaved.getState().saveAgain();
    expect(useUnsaved.getState()).toMatchObject({ saving: false, frames: [{ reason: 'gone' }] });
    saved();
    await useUnsaved.getState().saveAgain();
    expect(useUnsaved.getState().frames).toEqual([]);
  });

  it('is not taken while as many wait as the memory should hold', async () => {
    refused();
    for (let i = 0; i < MOST_UNSAVED; i++) {
      giving(i);
      await press();
    }
    const taken = giving();
    await press();
    expect([taken.length, state()]).toEqual([0, { kind: 'failed', message: UNSAVED_WAIT }]);
  });

  it('says what failed, and can be pressed again', async () => {
    cameraThat(async function* () {
      throw new Error('lens cap');
    });
    await press();
    expect(state()).toMatchObject({ kind: 'failed', message: expect.stringContaining('lens cap') });
    giving();
    await press();
    expect(state().kind).toBe('idle');
  });

  it('twice at once takes one frame; cancelled it ends idle without a complaint', async () => {
    const taken = cameraThat(async function* (_, signal) {
      yield { kind: 'progress', shot: 0, stage: 'expose', share: 0 };
      await new Promise((_resolve, reject) =>
        signal.addEventListener('abort', () => reject(new Error('aborted'))),
      );
    });
    const first = press();
    await press();
    while (taken.length === 0) await Promise.resolve();
    await new Promise(setImmediate);
    cancelCapture();
    await first;
    expect([state().kind, taken.length]).toEqual(['idle', 1]);
  });

  it('cancelled while it is stored leaves nothing in the roll', async () => {
    giving(7);
    mockSave = jest.fn(async () => {
      cancelCapture();
      return { kind: 'saved' };
    });
    await press();
    expect(mockPurge).toHaveBeenCalledWith([ID.replaceAll('0', '7')]);
    expect([state().kind, useUnsaved.getState().frames.length]).toEqual(['idle', 0]);
  });
});

describe('a press of a camera whose frames are latent', () => {
  it('is over as soon as all exposures of it are kept, in one go, and then lets them be read out', async () => {
    useDesk.getState().setSetting('bracket', { frames: 3, stepThirds: 3, order: 'rising', by: 'shutter' });
    latentCamera();
    const before = useDesk.getState().taken;
    await press();
    expect(mockPutLatent.mock.calls).toHaveLength(1);
    expect(mockPutLatent.mock.calls[0][0]).toHaveLength(3);
    expect([state().kind, useDesk.getState().taken - before]).toEqual(['idle', 1]);
    expect([mockReadOut.mock.calls.length, mockSave.mock.calls.length]).toEqual([1, 0]);
    await press();
    expect(mockPutLatent.mock.calls).toHaveLength(2);
  });

  it('takes a burst of one exposure on the clock, in one go, and no bracket with it', async () => {
    useDesk.getState().setSetting('bracket', { frames: 3, stepThirds: 3, order: 'rising', by: 'shutter' });
    useDesk.getState().setSetting('burst', { frames: 5, perS: 10, held: false });
    expect(useDesk.getState().settings.bracket.frames).toBe(1);
    const taken = latentCamera();
    await press();
    const { shots } = taken[0]!;
    expect(shots.map(({ facts }) => facts.timeMs - shots[0]!.facts.timeMs)).toEqual([0, 100, 200, 300, 400]);
    expect(new Set(shots.map(({ settings }) => JSON.stringify(settings))).size).toBe(1);
    expect(shots.map(({ facts }) => facts.group!.of)).toEqual([5, 5, 5, 5, 5]);
    expect(mockPutLatent.mock.calls).toHaveLength(1);
    useDesk.getState().setSetting('bracket', { frames: 3, stepThirds: 3, order: 'rising', by: 'shutter' });
    expect(useDesk.getState().settings.burst).toEqual({ frames: 1, perS: 10, held: false });
  });

  it('held takes frames one by one until it is let go; not held it takes one', async () => {
    useDesk.getState().setSetting('burst', { frames: 1, perS: 15, held: true });
    latentCamera();
    await press();
    expect(mockPutLatent.mock.calls).toHaveLength(1);
    mockPutLatent = jest.fn(async () => {
      if (mockPutLatent.mock.calls.length === 3) letGo();
      return { kind: 'saved' };
    });
    const before = useDesk.getState().taken;
    pressDown();
    while (useDesk.getState().taken === before) await new Promise((done) => setTimeout(done, 5));
    const kept = mockPutLatent.mock.calls.map(([frames]) => frames as Latent[]);
    expect(kept.map((frames) => frames.length)).toEqual([1, 1, 1]);
    expect(kept.map(([frame]) => frame!.group!.index)).toEqual([0, 1, 2]);
    expect(kept.every(([frame]) => frame!.group!.of === undefined)).toBe(true);
  });

  it('says so when they are not kept, and reads nothing out', async () => {
    latentCamera();
    mockPutLatent = jest.fn(async () => ({ kind: 'unsaved', reason: 'the store is full' }));
    await press();
    expect(state()).toMatchObject({ kind: 'failed', message: expect.stringContaining('the store is full') });
    mockPutLatent = jest.fn(async () => Promise.reject(new Error('The roll is gone')));
    await press();
    expect(state()).toMatchObject({ kind: 'failed', message: expect.stringContaining('The roll is gone') });
    expect(mockReadOut).not.toHaveBeenCalled();
  });
});

describe('a press whose roll', () => {
  /** Keeps what it is given once it has failed so often. */
  const after = (...failures: Error[]) =>
    (mockPutLatent = jest.fn(async () => {
      const failure = failures.shift();
      if (failure) throw failure;
      return { kind: 'saved' };
    }));
  const frames = () => mockPutLatent.mock.calls.map(([kept]) => (kept as Latent[]).map(({ id }) => id));

  it('breaks with it in hand asks another for the same frames, once', async () => {
    latentCamera();
    after(new WorkerGone('The roll is gone'));
    await press();
    expect(state().kind).toBe('idle');
    expect(frames()).toHaveLength(2);
    expect(frames()[1]).toEqual(frames()[0]);
    after(new WorkerGone('The roll is gone'), new WorkerLate('The roll does not come'));
    await press();
    expect([state().kind, frames().length]).toEqual(['idle', 3]);
    after(new WorkerGone('The roll is gone'), new WorkerGone('The roll is gone again'));
    await press();
    expect(state()).toMatchObject({ kind: 'failed', message: expect.stringContaining('gone again') });
  });

  it('is late waits until it comes, and says that it does', async () => {
    latentCamera();
    let come: () => void = () => undefined;
    mockReady = new Promise((resolve) => (come = resolve));
    after(new WorkerLate('The roll does not come'));
    const done = press();
    while (state().kind !== 'busy') await new Promise(setImmediate);
    expect([state(), frames().length]).toEqual([{ kind: 'busy', stage: 'store', share: 0 }, 1]);
    come();
    await done;
    expect([state().kind, frames().length]).toEqual(['idle', 2]);
  });

  it('never comes can be cancelled, and is free for the next', async () => {
    latentCamera();
    mockReady = new Promise(() => undefined);
    after(new WorkerLate('The roll does not come'));
    const before = useDesk.getState().taken;
    const done = press();
    while (state().kind !== 'busy') await new Promise(setImmediate);
    cancelCapture();
    await done;
    expect([state().kind, useDesk.getState().taken]).toEqual(['idle', before]);
    await press();
    expect(useDesk.getState().taken).toBe(before + 1);
  });
});

describe('a press on the clock', () => {
  beforeEach(() =>
    jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask', 'setImmediate', 'performance'] }),
  );
  afterEach(() => {
    jest.useRealTimers();
    useDesk.getState().setSetting('delayS', 0);
  });

  it('that the finder does not answer is not taken, and says why', async () => {
    useReport.getState().clear();
    const taken = giving();
    const done = press();
    await jest.advanceTimersByTimeAsync(12_000);
    await done;
    expect(taken).toEqual([]);
    expect(state()).toMatchObject({ kind: 'failed', message: expect.stringContaining('finder') });
  });

  it('waits for a finder that has much to do, and says so', async () => {
    useReport.getState().clear();
    const taken = giving();
    const done = press();
    await jest.advanceTimersByTimeAsync(8000);
    expect(state()).toMatchObject({ kind: 'busy', stage: 'answer' });
    useReport.getState().take(report(1));
    await done;
    expect([taken.length, state().kind]).toEqual([1, 'idle']);
  });

  it('with a delay counts down, then exposes a camera that has come to rest', async () => {
    useDesk.getState().setSetting('delayS', 2);
    const taken = giving();
    const done = press(1);
    await jest.advanceTimersByTimeAsync(1);
    expect(state()).toEqual({ kind: 'waiting', leftS: 2 });
    await jest.advanceTimersByTimeAsync(1000);
    expect(state()).toEqual({ kind: 'waiting', leftS: 1 });
    await jest.advanceTimersByTimeAsync(1000);
    await done;
    expect(taken[0]!.shots[0]).toMatchObject({ press: 0, sinceTouchS: 2 });
    expect(state().kind).toBe('idle');
  });

  it('is cancelled half-way without exposing', async () => {
    useDesk.getState().setSetting('delayS', 5);
    const taken = giving();
    const done = press();
    await jest.advanceTimersByTimeAsync(1500);
    cancelCapture();
    await done;
    expect([state().kind, taken.length]).toEqual(['idle', 0]);
  });
});
