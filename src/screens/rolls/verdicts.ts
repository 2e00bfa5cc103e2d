// What is said of frames by a tap, a swipe or a key, the same in the sheet and on a frame.
import type { Afterthoughts } from '../../core/frame/record';
import { keepAfterthoughts } from '../../library/roll';

export type Said = Pick<Afterthoughts, 'verdict' | 'rating'>;

/** @throws Error when it cannot be kept */
export async function say(ids: readonly string[], said: Partial<Said>): Promise<void> {
  const gone = await keepAfterthoughts(ids, said);
  if (gone.length > 0)
    throw new Error(gone.length === 1 ? 'the frame is gone' : `${gone.length} frames are gone`);
}

/** What a key says of frames; null for one that says nothing. A verdict that all have already is taken back. */
export function saidByKey(key: string, frames: readonly Said[]): Partial<Said> | null {
  const verdict = { k: 'kept', d: 'dropped' }[key.toLowerCase()] as Said['verdict'] | undefined;
  if (verdict) return { verdict: frames.every((frame) => frame.verdict === verdict) ? undefined : verdict };
  if (!/^[0-5]$/.test(key)) return null;
  return { rating: key === '0' ? undefined : Number(key) };
}
