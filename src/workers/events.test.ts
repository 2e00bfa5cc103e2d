// Events pushed by callbacks, read as a sequence.
import { eventSource } from './events';

type Event = { readonly kind: 'report' | 'fault'; readonly n: number };
const replaces = (a: Event, b: Event) => a.kind === 'report' && b.kind === 'report';

async function all<T>(sequence: AsyncIterable<T>): Promise<T[]> {
  const out: T[] = [];
  for await (const one of sequence) out.push(one);
  return out;
}

it('come in order, whether they were pushed before or after they were asked for', async () => {
  const source = eventSource<number>();
  source.push(1);
  const read = all(source.read());
  source.push(2);
  await Promise.resolve();
  source.push(3);
  source.end();
  source.push(4);
  expect(await read).toEqual([1, 2, 3]);
});

it('of which only the newest matters wait alone; others are kept between them', async () => {
  const source = eventSource<Event>(replaces);
  const pushed: Event[] = [
    { kind: 'report', n: 1 },
    { kind: 'report', n: 2 },
    { kind: 'fault', n: 3 },
    { kind: 'report', n: 4 },
    { kind: 'report', n: 5 },
  ];
  pushed.forEach((event) => source.push(event));
  source.end();
  expect((await all(source.read())).map(({ n }) => n)).toEqual([2, 3, 5]);
});

it('end with the first error, after what waits', async () => {
  const source = eventSource<number>();
  source.push(1);
  source.end(new Error('first'));
  source.end(new Error('second'));
  const seen: number[] = [];
  await expect(
    (async () => {
      for await (const n of source.read()) seen.push(n);
    })(),
  ).rejects.toThrow('first');
  expect(seen).toEqual([1]);
});
