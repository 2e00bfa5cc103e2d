// What budgets scale with: one pass over 480×640 RGBA bytes, and a peer's decoding of a capture. They are timed alone, before
// and after what they are held against: machines that others share change their speed within minutes.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import UTIF from 'utif2';

/** What the references took where budgets were set, ms. */
export const PASS_MS = 4.6;
export const UTIF2_MS = 700;

export const median = (of: readonly number[]) => [...of].sort((a, b) => a - b)[of.length >> 1]!;

/** Median time of something, ms. */
export async function several(times: number, once: () => Promise<number>): Promise<number> {
  const all: number[] = [];
  for (let i = 0; i < times; i++) all.push(await once());
  return median(all);
}

/** How many times slower this machine is than the one where budgets were set, by each reference. */
export interface Slower {
  readonly memory: number;
  readonly utif2: number;
}

/** What a page that was closed still does is not to be in it. */
const SETTLING_MS = 1500;

/** The references, alone on the machine: no page is to be open. */
export async function slowerNow(): Promise<Slower> {
  await new Promise((resolve) => setTimeout(resolve, SETTLING_MS));
  return { memory: bySpeedOfMemory(), utif2: byUtif2() };
}

export function between(a: Slower, b: Slower): Slower {
  return { memory: (a.memory + b.memory) / 2, utif2: (a.utif2 + b.utif2) / 2 };
}

function bySpeedOfMemory(): number {
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

/** Of a capture of the demo's. */
function byUtif2(): number {
  const folder = join(__dirname, '..', '.cache', 'demo');
  const name = readdirSync(folder).find((file) => file.endsWith('.dng'));
  if (!name) throw new Error('There is no capture: npm run demo once');
  const { buffer, byteOffset, byteLength } = readFileSync(join(folder, name));
  const file = buffer.slice(byteOffset, byteOffset + byteLength);
  return median([0, 1, 2].map(() => decodedByUtif2(file))) / UTIF2_MS;
}
