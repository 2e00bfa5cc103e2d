// One press against a camera that does what the test says: saved, refused by the store, failed, cancelled, twice at once.
import type { Camera, CaptureEvent } from '../camera/port';
import type { FrameRecord } from '../core/frame/record';
import type { FinderReport } from '../workers/finder-protocol';
import { cancelCapture, press, STORE_FULL, UNSAVED_WAIT } from './press';
import { useDesk } from './desk';
import { MOST_UNSAVED, useUnsaved } from './unsaved';

let mockLeft: number | null = 9;
jest.mock('../library/roll', () => ({ rollChanged: () => undefined, onFreed: () => () => undefined }));
jest.mock('../library/room', () => ({
  framesLeft: async () => mockLeft,
  noteRefusal: async () => undefined,
}));
jest.mock('../camera/darkroom', () => ({ darkroom: () => mockDarkroom }));
jest.mock('../ui/save-file', () => ({ saveFile: () => undefined }));
let mockDarkroom: { saveAgain: jest.Mock } = { saveAgain: jest.fn() };

const record = { id: '0'.repeat(32), timeMs: 0, offsetMinutes: 0 } as FrameRecord;
const state = () => useDesk.getState().capture;

function cameraThat(capture: Camera['capture']) {
  let presses = 0;
  const camera = {
    profiles: [{ typicalFrameBytes: 1, lenses: [{ id: 'wide' }] }],
    capture: (...args: Parameters<Camera['capture']>) => {
      presses++;
      return capture(...args);
    },
  } as unknown as Camera;
  return { camera, presses: () => presses };
}
const giving = (...events: CaptureEvent[]) =>
  cameraThat(async function* () {
    yield* events;
  });

beforeEach(() => {
  mockLeft = 9;
  const settings = { shutterS: 1 / 128, iso: 100, apertureN: 1.8, compensationEv: 0 };
  const told = {
    reading: { ev100: 9 },
    forecast: { clipped: [0.1, 0.2, 0.3, 0.4], belowFloor: [0, 0, 0, 0] },
    headroomOfFileEv: 0.5,
  };
  useDesk.setState({
    capture: { kind: 'idle' },
    report: { settings, lens: 'wide', ...told } as unknown as FinderReport,
  });
  useUnsaved.setState({ frames: [], saving: false });
});

describe('a press', () => {
  it('ends idle when the frame is saved', async () => {
    const { camera, presses } = giving(
      { kind: 'progress', stage: 'expose', share: 0.5 },
      { kind: 'saved', record },
    );
    await press(camera);
    expect([state().kind, presses()]).toEqual(['idle', 1]);
  });

  it('does not expose when the store is full, and says so', async () => {
    mockLeft = 0;
    const { camera, presses } = giving({ kind: 'saved', record });
    await press(camera);
    expect(state()).toEqual({ kind: 'failed', message: STORE_FULL });
    expect(presses()).toBe(0);
  });

  it('goes ahead where the browser does not tell how much room there is', async () => {
    mockLeft = null;
    const { camera, presses } = giving({ kind: 'saved', record });
    await press(camera);
    expect(presses()).toBe(1);
  });

  const unsaved = (n: number): CaptureEvent => ({
    kind: 'unsaved',
    record: { ...record, id: String(n).repeat(32) },
    dng: Uint8Array.of(n),
    thumbnailJpeg: Uint8Array.of(9),
    reason: 'the store is full',
  });

  it('gives the record the forecast that was on the screen', async () => {
    const plans: { forecast?: { channels: { clippedShare: number }[]; headroomEv: number | null } }[] = [];
    const { camera } = cameraThat(async function* (plan) {
      plans.push(plan as never);
      yield { kind: 'saved', record };
    });
    await press(camera);
    expect(plans[0]!.forecast!.channels.map((c) => c.clippedShare)).toEqual([0.1, 0.2, 0.3, 0.4]);
    expect(plans[0]!.forecast!.headroomEv).toBe(0.5);
  });

  it('keeps a frame that the store refuses until it is saved or let go, over other presses', async () => {
    await press(giving(unsaved(1)).camera);
    await press(giving({ kind: 'saved', record }).camera);
    await press(giving(unsaved(2)).camera);
    const waiting = () => useUnsaved.getState().frames.map((f) => f.dng[0]);
    expect(waiting()).toEqual([1, 2]);
    // Not before it was downloaded.
    useUnsaved.getState().letGo();
    expect(waiting()).toEqual([1, 2]);
    useUnsaved.getState().download();
    useUnsaved.getState().letGo();
    expect(waiting()).toEqual([2]);
  });

  it('saves what waits when there is room, and keeps it when there is none', async () => {
    await press(giving(unsaved(1)).camera);
    mockDarkroom = { saveAgain: jest.fn(async () => ({ ...unsaved(1), reason: 'still full' })) };
    await useUnsaved.getState().saveAgain();
    expect(useUnsaved.getState().frames[0]).toMatchObject({ reason: 'still full', dng: Uint8Array.of(1) });
    mockDarkroom = { saveAgain: jest.fn(async () => Promise.reject(new Error('gone'))) };
    await useUnsaved.getState().saveAgain();
    expect(useUnsaved.getState()).toMatchObject({ saving: false, frames: [{ reason: 'gone' }] });
    mockDarkroom = { saveAgain: jest.fn(async () => ({ kind: 'saved' })) };
    await useUnsaved.getState().saveAgain();
    expect(useUnsaved.getState().frames).toEqual([]);
  });

  it('is not taken while as many wait as the memory should hold', async () => {
    for (let i = 0; i < MOST_UNSAVED; i++) await press(giving(unsaved(i)).camera);
    const { camera, presses } = giving({ kind: 'saved', record });
    await press(camera);
    expect([presses(), state()]).toEqual([0, { kind: 'failed', message: UNSAVED_WAIT }]);
  });

  it('says what failed, and can be pressed again', async () => {
    const broken = cameraThat(async function* () {
      throw new Error('lens cap');
    });
    await press(broken.camera);
    expect(state()).toMatchObject({ kind: 'failed', message: expect.stringContaining('lens cap') });
    await press(giving({ kind: 'saved', record }).camera);
    expect(state().kind).toBe('idle');
  });

  it('twice at once takes one frame; cancelled it ends idle without a complaint', async () => {
    const waiting = cameraThat(async function* (_plan, signal) {
      yield { kind: 'progress', stage: 'expose', share: 0 };
      await new Promise((_, reject) => signal.addEventListener('abort', () => reject(new Error('aborted'))));
    });
    const first = press(waiting.camera);
    await press(waiting.camera);
    while (waiting.presses() === 0) await Promise.resolve();
    await new Promise(setImmediate);
    cancelCapture();
    await first;
    expect([state().kind, waiting.presses()]).toEqual(['idle', 1]);
  });

  it('before the first report does nothing', async () => {
    useDesk.setState({ report: null });
    const { camera, presses } = giving({ kind: 'saved', record });
    await press(camera);
    expect([state().kind, presses()]).toEqual(['idle', 0]);
  });
});

describe('a delayed press', () => {
  beforeEach(() =>
    jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask', 'setImmediate', 'performance'] }),
  );
  afterEach(() => {
    jest.useRealTimers();
    useDesk.setState({ delayS: 0 });
  });

  it('counts down, then exposes a camera that has come to rest', async () => {
    useDesk.setState({ delayS: 2 });
    const plans: { steadiness: unknown }[] = [];
    const { camera } = cameraThat(async function* (plan) {
      plans.push(plan as never);
      yield { kind: 'saved', record };
    });
    const done = press(camera, 1);
    await jest.advanceTimersByTimeAsync(1);
    expect(state()).toEqual({ kind: 'waiting', leftS: 2 });
    await jest.advanceTimersByTimeAsync(1000);
    expect(state()).toEqual({ kind: 'waiting', leftS: 1 });
    await jest.advanceTimersByTimeAsync(1000);
    await done;
    expect(plans[0]!.steadiness).toMatchObject({ press: 0, sinceTouchS: 2 });
    expect(state().kind).toBe('idle');
  });

  it('is cancelled half-way without exposing', async () => {
    useDesk.setState({ delayS: 5 });
    const { camera, presses } = giving({ kind: 'saved', record });
    const done = press(camera);
    await jest.advanceTimersByTimeAsync(1500);
    cancelCapture();
    await done;
    expect([state().kind, presses()]).toEqual(['idle', 0]);
  });
});
