// Pictures of a video, one at a time: told of by the engine, or looked for where it keeps silent.
import { pump } from './frames';

/** What the page does when the engine tells of a picture, and when it draws next. */
let told: (() => void)[] = [];
let drawn: (() => void)[] = [];
const video = {
  style: {},
  setAttribute: () => undefined,
  play: () => Promise.resolve(),
  remove: () => undefined,
  requestVideoFrameCallback: (call: () => void) => told.push(call),
};

const tell = (calls: (() => void)[]) => calls.splice(0).forEach((call) => call());
const pass = async (ms: number) => {
  await jest.advanceTimersByTimeAsync(ms);
};

beforeEach(() => {
  [told, drawn] = [[], []];
  jest.useFakeTimers();
  Object.assign(globalThis, {
    document: { createElement: () => video, body: { append: () => undefined } },
    requestAnimationFrame: (call: () => void) => drawn.push(call),
    createImageBitmap: () => Promise.resolve({}),
  });
});
afterEach(() => jest.useRealTimers());

function pumped() {
  const taken: unknown[] = [];
  const end = pump(
    {} as MediaStream,
    async (picture) => taken.push(picture),
    () => undefined,
  );
  return { taken, end };
}

it('each is taken once, when the engine tells of it', async () => {
  const { taken, end } = pumped();
  for (let n = 1; n <= 3; n++) {
    await pass(300);
    tell(told);
    await pass(0);
    expect([taken.length, drawn.length]).toEqual([n, 0]);
  }
  end();
  tell(told);
  await pass(5000);
  expect(taken).toHaveLength(3);
});

it('an engine that keeps silent is not waited for: what is there is looked at as the page is drawn', async () => {
  const { taken, end } = pumped();
  await pass(1000);
  expect(taken).toHaveLength(1);
  tell(drawn);
  await pass(0);
  expect(taken).toHaveLength(2);
  // Nor is one that draws nothing, as in a tab that lies behind another.
  await pass(1000);
  expect(taken).toHaveLength(3);
  end();
});

it('one whose first picture was long in coming is listened to again: none is taken twice', async () => {
  const { taken, end } = pumped();
  await pass(1000);
  tell(told);
  tell(drawn);
  await pass(0);
  expect(taken).toHaveLength(2);
  tell(drawn);
  await pass(500);
  expect(taken).toHaveLength(2);
  tell(told);
  await pass(0);
  expect(taken).toHaveLength(3);
  end();
});
