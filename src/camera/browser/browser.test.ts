// A device that is open and gives no picture: it is told of once somebody looks for pictures, and not while the finder has yet to come.
import { initialValues } from '../../core/setting/values';
import type { Order } from '../order';
import type { CameraEvent } from '../port';
import type { Report } from '../report';
import { browserCamera } from './browser';
import { NO_PICTURE } from './device';

/** The finder's worker: the test says when it comes, and whether it reports. */
let mockComes: Promise<void>;
let mockReport: ((report: Report) => void) | undefined;
const mockLooker = {
  open: async (_: unknown, report: (report: Report) => void) => void (mockReport = report),
  set: async () => undefined,
  frames: () => new Promise(() => undefined),
};
jest.mock('../../workers/hire', () => ({
  PATIENCE_MS: 5000,
  WorkerGone: class extends Error {},
  hire: () => ({
    ready: () => mockComes,
    call: (ask: (api: typeof mockLooker) => unknown) => mockComes.then(() => ask(mockLooker)),
    dismiss: () => undefined,
  }),
}));
jest.mock('comlink', () => ({ transfer: (of: unknown) => of, proxy: (of: unknown) => of }));

const track = {
  readyState: 'live',
  label: 'Lent',
  getSettings: () => ({ deviceId: 'lent' }),
  applyConstraints: async () => undefined,
  addEventListener: () => undefined,
  stop: jest.fn(),
};
const ORDER = { optic: 'browser:rear', running: true, settings: initialValues(), lockedEv100: null };

let closing: AbortController;
let told: CameraEvent[];
let come: () => void;
beforeEach(() => {
  jest.useFakeTimers();
  track.stop.mockClear();
  mockReport = undefined;
  mockComes = new Promise((done) => (come = done));
  const stream = { getVideoTracks: () => [track], getTracks: () => [track] };
  const mediaDevices = {
    getUserMedia: async () => stream,
    enumerateDevices: async () => [],
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  };
  Object.defineProperty(globalThis, 'navigator', { configurable: true, value: { mediaDevices } });
  Object.assign(globalThis, {
    isSecureContext: true,
    MediaStreamTrackProcessor: class {
      readonly readable = {};
    },
  });
  [closing, told] = [new AbortController(), []];
  const camera = browserCamera();
  const canvas = { transferControlToOffscreen: () => ({}) } as unknown as HTMLCanvasElement;
  camera.apply(ORDER as unknown as Order);
  void (async () => {
    for await (const event of camera.open(canvas, closing.signal)) told.push(event);
  })();
});
afterEach(() => {
  closing.abort();
  jest.useRealTimers();
});

const pass = (ms: number) => jest.advanceTimersByTimeAsync(ms);
const faults = () => told.flatMap((event) => (event.kind === 'fault' ? [event.message] : []));

it('is told of when the finder has come and looks in vain, and let go', async () => {
  come();
  await pass(4900);
  expect(faults()).toEqual([]);
  await pass(200);
  expect(faults()).toEqual([NO_PICTURE]);
  expect(track.stop).toHaveBeenCalled();
});

it('is not blamed for a finder that comes late: its pictures are shown when it does', async () => {
  await pass(8000);
  expect(faults()).toEqual(['The finder does not come']);
  expect(track.stop).not.toHaveBeenCalled();
  come();
  await pass(0);
  mockReport!({} as Report);
  await pass(20_000);
  expect(faults()).toHaveLength(1);
  expect(told.at(-1)?.kind).toBe('report');
});
