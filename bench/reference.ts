// What budgets scale with: one pass over 480×640 RGBA bytes, and a peer's decoding of a capture. They are timed beside what they are held against, time
// after time: machines that others share change their speed within minutes.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import UTIF from 'utif2';

/** What the references took where budgets were set, ms. */
export const PASS_MS = 4.6;
export const UTIF2_MS = 700;

export const median = (of: readonly number[]) => [...of].sort((a, b) => a - b)[of.length >> 1]!;

/** Times a thing took and how many times slower than there the machine was meanwhile, medians. */
export interface Timed {
  readonly ms: number;
  readonly slower: number;
}

/** @param slower timed before each */
export async function several(
  times: number,
  once: () => Promise<number>,
  slower: () => number,
): Promise<Timed> {
  const [all, factors]: [number[], number[]] = [[], []];
  for (let i = 0; i < times; i++) {
    factors.push(slower());
    all.push(await once());
  }
  return { ms: median(all), slower: median(factors) };
}

/** One pass over the bytes, against where budgets were set. */
export function bySpeedOfMemory(): number {
  const pixels = new Uint8ClampedArray(480 * 640 * 4);
  const times = Array.from({ length: 12 }, () => {
    const start = performance.now();
    for (let i = 0; i < pixels.length; i++) pixels[i] = i;
    return performance.now() - start;
  });
  return median(times.slice(1)) / PASS_MS;
}

/** utif2's decoding of a raw file's samples, ms. */
export function decodedByUtif2(file: ArrayBuffer): number {
  const { log } = console;
  console.log = () => undefined; // it prints as it decodes
  const start = performance.now();
  const raw = (UTIF.decode(file)[0]!.subIFD as unknown as UTIF.IFD[])[0]!;
  UTIF.decodeImage(file, raw);
  const took = performance.now() - start;
  console.log = log;
  return took;
}

/** The same of a capture of the demo's, against where budgets were set. */
export function byUtif2(): number {
  const folder = join(__dirname, '..', '.cache', 'demo');
  const name = readdirSync(folder).find((file) => file.endsWith('.dng'));
  if (!name) throw new Error('There is no capture: npm run demo once');
  const { buffer, byteOffset, byteLength } = readFileSync(join(folder, name));
  return decodedByUtif2(buffer.slice(byteOffset, byteOffset + byteLength)) / UTIF2_MS;
}
