// Frames of a held release against a clock of the test's own.
import type { Latent } from '../core/frame/queue';
import { someFacts } from '../../tests/facts';
import { oneByOne } from './while-held';

const latents = Array.from({ length: 5 }, (_, index): Latent => ({
  ...someFacts({ timeMs: 1000 + 100 * index, group: { id: '1'.repeat(32), index, of: 5, kind: 'burst' } }),
  version: 1,
  settings: { shutterS: 0.01, iso: 100, apertureN: 2, compensationEv: 0 },
}));

const never = new AbortController().signal;

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

/** What comes until the end; the clock goes on by itself. */
async function all(of: readonly Latent[], letGo: AbortSignal, cancel = never): Promise<Latent[]> {
  const got: Latent[] = [];
  const done = (async () => {
    for await (const one of oneByOne(of, { letGo, cancel })) got.push(one);
  })().catch((error: unknown) => error);
  await jest.advanceTimersByTimeAsync(1000);
  const error = await done;
  if (error) throw new Error(`${String(error)} after ${got.length}`);
  return got;
}

it('come at their moments, all of them where it is held to the end, and none says how many there are', async () => {
  const startMs = performance.now();
  const came: number[] = [];
  const done = (async () => {
    for await (const { group } of oneByOne(latents, { letGo: never, cancel: never })) {
      came.push(Math.round(performance.now() - startMs));
      expect(group).toEqual({ id: '1'.repeat(32), index: came.length - 1, kind: 'burst' });
    }
  })();
  await jest.advanceTimersByTimeAsync(1000);
  await done;
  expect(came).toEqual([0, 100, 200, 300, 400]);
});

it('end when it is let go, in the middle of a wait, too; the first comes in any case', async () => {
  const held = new AbortController();
  setTimeout(() => held.abort(), 150);
  expect(await all(latents, held.signal)).toHaveLength(2);
  expect(await all(latents, AbortSignal.abort())).toHaveLength(1);
  expect(await all([], AbortSignal.abort())).toEqual([]);
});

it('is cancelled in the middle of a wait with an error; what came before has come', async () => {
  const cancel = new AbortController();
  setTimeout(() => cancel.abort(new Error('Cancelled')), 250);
  await expect(all(latents, never, cancel.signal)).rejects.toThrow('Cancelled after 3');
});
