// A hired worker as the page sees it: asked, broken, late, dismissed, hired again. The worker is the far end of a channel.
import { closeFarEnds, FarEnd } from '../../tests/far-end';
import { SILENCE_MS } from './heartbeat';
import { hire, PATIENCE_MS, WorkerGone, WorkerLate, WorkerReplaced, type Hiring } from './hire';
import { onSilence, silentNow } from './silence';

interface Api {
  double(n: number): Promise<number>;
  never(): Promise<void>;
}

/** Locks that wait to be granted: they are when the worker that holds them is gone. */
const waiting: (() => void)[] = [];
beforeAll(() => {
  const request = (_: string, { signal }: { signal: AbortSignal }, granted: () => void) =>
    new Promise<void>((resolve, reject) => {
      waiting.push(() => resolve(granted()));
      signal.addEventListener('abort', () => reject(new Error('aborted')));
    });
  Object.defineProperty(globalThis, 'navigator', { value: { locks: { request } }, configurable: true });
});
beforeEach(() => waiting.splice(0));

const api = () => ({
  here: () => Promise.resolve(),
  beat: () => Promise.resolve(),
  double: (n: number) => 2 * n,
  never: () => new Promise(() => undefined),
});

function staff(...here: boolean[]) {
  return staffWith({}, ...here);
}

function staffWith(how: Partial<Hiring>, ...here: boolean[]) {
  const workers: FarEnd[] = [];
  const faults: string[] = [];
  const hired = hire<Api>({
    what: 'The roll',
    start: () => {
      const worker = new FarEnd(api());
      if (here[workers.length] ?? true) worker.come();
      workers.push(worker);
      return worker as unknown as Worker;
    },
    onFault: ({ message }) => faults.push(message),
    ...how,
  });
  return { hired, workers, faults };
}

afterEach(closeFarEnds);

it('is started when it is first asked, and answers', async () => {
  const { hired, workers } = staff();
  expect(workers).toHaveLength(0);
  expect(await hired.call((api) => api.double(4))).toBe(8);
  expect(await hired.call((api) => api.double(5))).toBe(10);
  expect(workers).toHaveLength(1);
});

it('that breaks rejects all that it was asked, tells why, and is replaced by the next call', async () => {
  const { hired, workers, faults } = staff();
  await hired.ready();
  const outcomes = Promise.allSettled([hired.call((api) => api.never()), hired.call((api) => api.never())]);
  await new Promise(setImmediate);
  workers[0]!.break('Uncaught Error: made up');
  for (const outcome of await outcomes)
    expect(outcome).toMatchObject({ status: 'rejected', reason: expect.any(WorkerGone) });
  expect([faults, workers[0]!.ended]).toEqual([['The roll broke: made up'], true]);
  expect(await hired.call((api) => api.double(1))).toBe(2);
  expect(workers).toHaveLength(2);
});

it('that is gone without a word is known by its lock', async () => {
  const { hired, faults } = staff();
  await hired.ready();
  const asked = expect(hired.call((api) => api.never())).rejects.toThrow('The roll is gone');
  await new Promise(setImmediate);
  waiting[0]!();
  await asked;
  expect(faults).toEqual(['The roll is gone']);
});

it('whose script does not load says so', async () => {
  const { hired, workers, faults } = staff(false);
  const asked = hired.call((api) => api.double(1));
  await new Promise(setImmediate);
  workers[0]!.break('');
  await expect(asked).rejects.toThrow('The roll could not be loaded');
  expect(faults).toEqual(['The roll could not be loaded']);
});

describe('that does not come in time', () => {
  beforeEach(() => void jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask', 'setImmediate'] }));
  afterEach(() => jest.useRealTimers());

  /** Time passes, and what was sent meanwhile arrives. */
  async function pass(ms: number): Promise<void> {
    await jest.advanceTimersByTimeAsync(ms);
    for (let i = 0; i < 5; i++) await new Promise(setImmediate);
  }
  const late = new WorkerLate('The roll does not come');
  async function waitedInVain({ hired }: ReturnType<typeof staff>): Promise<void> {
    const asked = expect(hired.call((api) => api.double(1))).rejects.toThrow(late);
    await pass(PATIENCE_MS);
    await asked;
  }

  it('rejects what it is asked and is waited for all the same: it is asked on when it comes after all', async () => {
    const all = staff(false);
    await waitedInVain(all);
    const { hired, workers, faults } = all;
    expect([workers.length, workers[0]!.ended, faults]).toEqual([1, false, []]);
    workers[0]!.come();
    await hired.ready();
    expect(await hired.call((api) => api.double(3))).toBe(6);
    expect(workers).toHaveLength(1);
  });

  it('and is asked again makes room for another, which has twice as long', async () => {
    const all = staff(false, false, true);
    await waitedInVain(all);
    const { hired, workers, faults } = all;
    let told = false;
    const again = hired.call((api) => api.double(1)).catch(() => (told = true));
    await pass(PATIENCE_MS);
    expect([workers.length, workers[0]!.ended, told]).toEqual([2, true, false]);
    await pass(PATIENCE_MS);
    await again;
    expect(told).toBe(true);
    expect(await hired.call((api) => api.double(4))).toBe(8);
    expect([workers.length, workers[1]!.ended, faults]).toEqual([3, true, []]);
  });

  it('whoever waits for it is answered by the one in its place', async () => {
    const all = staff(false, true);
    await waitedInVain(all);
    const ready = all.hired.ready();
    expect(await all.hired.call((api) => api.double(5))).toBe(10);
    await ready;
  });
});

describe('that does not answer', () => {
  beforeEach(() => void jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask', 'setImmediate'] }));
  afterEach(() => jest.useRealTimers());

  /** Time passes in small steps, and what was sent meanwhile arrives. */
  async function pass(ms: number): Promise<void> {
    for (let left = ms; left > 0; left -= 50) {
      await jest.advanceTimersByTimeAsync(Math.min(50, left));
      for (let i = 0; i < 3; i++) await new Promise(setImmediate);
    }
  }
  const told = () => silentNow().map(({ what }) => what);
  /** It was asked something and has not come back; how that ended. */
  async function asked({ hired }: ReturnType<typeof staff>): Promise<{ ended?: unknown }> {
    const outcome: { ended?: unknown } = {};
    hired.call((api) => api.never()).catch((error: unknown) => (outcome.ended = error));
    await pass(50);
    return outcome;
  }

  it('is told of within three seconds, and no more once it answers', async () => {
    let changes = 0;
    const stop = onSilence(() => changes++);
    const all = staff();
    const outcome = await asked(all);
    all.workers[0]!.hang();
    await pass(SILENCE_MS - 100);
    expect(told()).toEqual([]);
    await pass(600);
    expect(told()).toEqual(['The roll']);
    all.workers[0]!.goOn();
    await pass(50);
    expect([told(), all.workers[0]!.ended, all.faults, outcome, changes]).toEqual([[], false, [], {}, 2]);
    stop();
  });

  it('is replaced when the person wants another, and whoever asked it hears why', async () => {
    const errors: WorkerGone[] = [];
    const all = staffWith({ onFault: (error) => errors.push(error) });
    const outcome = await asked(all);
    all.workers[0]!.hang();
    await pass(3000);
    silentNow()[0]!.startAgain();
    await pass(50);
    expect(outcome.ended).toBeInstanceOf(WorkerReplaced);
    expect(errors).toEqual([outcome.ended]);
    expect([told(), all.workers[0]!.ended]).toEqual([[], true]);
    const again = all.hired.call((api) => api.double(2));
    await pass(50);
    expect([await again, all.workers.length]).toEqual([4, 2]);
  });

  it('is ended at once where it can be done without', async () => {
    const all = staffWith({ dispensable: true });
    const outcome = await asked(all);
    all.workers[0]!.hang();
    await pass(3000);
    expect(outcome.ended).toBeInstanceOf(WorkerGone);
    expect([told(), all.faults, all.workers[0]!.ended]).toEqual([[], ['The roll does not answer'], true]);
  });

  it('is left alone while nothing is asked of it, and no timer runs then', async () => {
    const all = staff();
    const answer = all.hired.call((api) => api.double(1));
    await pass(1000);
    expect(await answer).toBe(2);
    expect(jest.getTimerCount()).toBe(0);
    all.workers[0]!.hang();
    await pass(10_000);
    expect(told()).toEqual([]);
  });

  it('is told of as well where it works by itself', async () => {
    let works = true;
    const all = staffWith({ working: () => works });
    const answer = all.hired.call((api) => api.double(1));
    await pass(50);
    await answer;
    all.workers[0]!.hang();
    await pass(3000);
    expect(told()).toEqual(['The roll']);
    works = false;
    all.workers[0]!.goOn();
    await pass(1000);
    expect([told(), jest.getTimerCount()]).toEqual([[], 0]);
    // Looked after again when it is to work again.
    works = true;
    all.hired.attend();
    all.workers[0]!.hang();
    await pass(3500);
    expect(told()).toEqual(['The roll']);
    all.hired.dismiss('Closed');
    expect(told()).toEqual([]);
  });

  it('is given time to be heard by a page that was held up itself', async () => {
    const all = staff();
    await asked(all);
    await pass(500);
    // Nothing of the page runs for a minute: its own beats do not either.
    jest.setSystemTime(Date.now() + 60_000);
    const now = performance.now.bind(performance);
    const late = jest.spyOn(performance, 'now').mockImplementation(() => now() + 60_000);
    all.workers[0]!.hang();
    await pass(SILENCE_MS - 500);
    expect(told()).toEqual([]);
    await pass(1500);
    expect(told()).toEqual(['The roll']);
    late.mockRestore();
    all.hired.dismiss('Closed');
  });
});

it('that is dismissed rejects what it was asked without a complaint', async () => {
  const { hired, workers, faults } = staff();
  await hired.ready();
  const asked = expect(hired.call((api) => api.never())).rejects.toThrow('Cancelled');
  await new Promise(setImmediate);
  hired.dismiss('Cancelled');
  await asked;
  expect([faults, workers[0]!.ended]).toEqual([[], true]);
});
