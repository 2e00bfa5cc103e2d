// Frames that go on for as long as the release is held: each at its moment, the first in any case.
import type { Latent } from '../core/frame/queue';
import type { Ends } from './port';

/**
 * Exposures one by one as their moments come, until the release is let go. How many it will be nobody knows yet: each says its place in the sequence and
 * not how many there are. @throws the reason of a cancel, which ends it in the middle of a wait, too
 */
export async function* oneByOne(latents: readonly Latent[], { cancel, letGo }: Ends): AsyncGenerator<Latent> {
  const startMs = performance.now();
  const firstMs = latents[0]?.timeMs ?? 0;
  for (const [i, latent] of latents.entries()) {
    await elapsed(latent.timeMs - firstMs - (performance.now() - startMs), [letGo, cancel]);
    cancel.throwIfAborted();
    if (i > 0 && letGo.aborted) return;
    yield withoutCount(latent);
  }
}

function withoutCount(latent: Latent): Latent {
  if (!latent.group) return latent;
  const { of: _, ...group } = latent.group;
  return { ...latent, group };
}

/** Waits; shorter when one of the signals comes. */
function elapsed(ms: number, signals: readonly AbortSignal[]): Promise<void> {
  if (ms <= 0 || signals.some(({ aborted }) => aborted)) return Promise.resolve();
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      for (const signal of signals) signal.removeEventListener('abort', done);
      resolve();
    };
    const timer = setTimeout(done, ms);
    for (const signal of signals) signal.addEventListener('abort', done, { once: true });
  });
}
