// One press against a camera that does what the test says: saved, refused by the store, failed, cancelled, twice at once.
import type { Camera, CaptureEvent } from '../camera/port';
import type { FrameRecord } from '../core/frame/record';
import type { FinderReport } from '../workers/finder-protocol';
import { cancelCapture, press, STORE_FULL } from './capture';
import { useDesk } from './desk';

let mockLeft: number | null = 9;
jest.mock('../library/roll', () => ({ framesLeft: async () => mockLeft, rollChanged: () => undefined }));

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
  useDesk.setState({ capture: { kind: 'idle' }, report: { settings, lens: 'wide' } as FinderReport });
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

  it('keeps the file at hand when the store refuses it', async () => {
    const dng = Uint8Array.of(1, 2, 3);
    await press(giving({ kind: 'unsaved', record, dng, reason: 'QuotaExceededError' }).camera);
    expect(state()).toMatchObject({ kind: 'failed', rescue: { dng, name: expect.stringMatching(/\.dng$/) } });
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
