// Twenty thousand mutations of six layouts, read by the check: run as a program of its own, so that the memory it takes can be told. Prints
// JSON: errors that are not the reader's own, the longest time on the processor, the most memory.
import { readFileSync } from 'node:fs';
import { encodeLosslessJpeg } from '../../src/core/dng/codec/lossless-jpeg-encode';
import { checkDng } from '../../src/core/dng/check';
import { nextUint32, randomFrom } from '../../src/core/numeric/random';
import { LONG, MAIN, mosaicTags, plainBlock, SHORT, tiffOf, type Tag } from './dng-layouts';

const [W, H] = [64, 48];
const samples = Uint16Array.from({ length: W * H }, (_, i) => 64 + ((i * 2654435761) >>> 22));
const tile = (x0: number, y0: number, size: number) =>
  Uint16Array.from({ length: size * size }, (_, i) => {
    const [x, y] = [x0 + (i % size), y0 + Math.floor(i / size)];
    return samples[Math.min(H - 1, y) * W + Math.min(W - 1, x)]!;
  });
const places = [0, 16, 32, 48]
  .flatMap((x) => [0, 16, 32].map((y) => [x, y] as const))
  .sort((a, b) => a[1] - b[1] || a[0] - b[0]);
const tiled = (blocks: readonly Uint8Array[], compression: number): Uint8Array => {
  const tags = mosaicTags(W, H, [
    [259, SHORT, compression],
    [322, LONG, 16],
    [323, LONG, 16],
    [324, LONG, ...blocks.map((_, i) => -i - 1)],
    [325, LONG, ...blocks.map((b) => b.length)],
  ]).filter(([tag]) => ![273, 278, 279].includes(tag));
  return tiffOf('II', MAIN, tags, blocks);
};
const strips = (order: 'II' | 'MM', over: readonly Tag[] = []) => {
  const half = [samples.subarray(0, (W * H) / 2), samples.subarray((W * H) / 2)].map((s) =>
    plainBlock(s, order),
  );
  const tags = mosaicTags(W, H, [
    [273, LONG, -1, -2],
    [278, LONG, H / 2],
    [279, LONG, half[0]!.length, half[1]!.length],
    ...over,
  ]);
  return tiffOf(order, MAIN, tags, half);
};
const LAYOUTS: Readonly<Record<string, Uint8Array>> = {
  'plain strips, little-endian': strips('II'),
  'plain strips, big-endian': strips('MM'),
  'plain tiles': tiled(
    places.map(([x, y]) => plainBlock(tile(x, y, 16))),
    1,
  ),
  'lossless JPEG tiles': tiled(
    places.map(([x, y]) => encodeLosslessJpeg(tile(x, y, 16), 16, 16)),
    7,
  ),
  'one lossless JPEG strip': tiffOf(
    'II',
    MAIN,
    mosaicTags(W, H, [
      [259, SHORT, 7],
      [279, LONG, encodeLosslessJpeg(samples, W, H).length],
    ]),
    [encodeLosslessJpeg(samples, W, H)],
  ),
  'borders and a table': strips('II', [
    [50829, LONG, 4, 4, H, W],
    [50830, LONG, 0, 0, 4, W],
    [50712, SHORT, ...Array.from({ length: 1024 }, (_, i) => i)],
  ]),
};

/** Values that break arithmetic: ends of ranges, sizes, offsets. */
const EVIL = [0, 1, 2, 255, 256, 32767, 32768, 65535, 65536, 0x7fffffff, 0x80000000, 0xfffffffe, 0xffffffff];

function mutated(good: Uint8Array, seed: number): Uint8Array {
  const random = randomFrom(seed, 77);
  const pick = (n: number) => nextUint32(random) % n;
  const kind = pick(10);
  if (kind === 0) return good.slice(0, pick(good.length + 1));
  const bad = good.slice();
  const view = new DataView(bad.buffer);
  const data = 2 * W * H;
  // Mostly in the directories, behind the data, where it hurts.
  const place = () =>
    pick(4) === 0 ? pick(bad.length) : Math.max(0, bad.length - 1 - pick(Math.max(1, bad.length - data)));
  for (let n = 1 + pick(4); n > 0; n--) {
    const at = place();
    if (kind < 5) bad[at] = pick(256);
    else if (kind < 8 && at + 4 <= bad.length) view.setUint32(at, EVIL[pick(EVIL.length)]!, kind !== 7);
    else if (kind === 8 && at + 2 <= bad.length) view.setUint16(at, EVIL[pick(8)]!, true);
    else bad.copyWithin(at, place(), place());
  }
  return bad;
}

/** The most memory that this program had. Not `maxRSS`: that is handed down from the program that started this one. */
function mostMemoryKb(): number {
  const told = /^VmHWM:\s+(\d+) kB$/m.exec(readFileSync('/proc/self/status', 'utf8'));
  if (!told) throw new Error('The system does not tell how much memory was used');
  return Number(told[1]);
}

/** What takes as long as this is met so many times, and the least counts: a slow file is slow each time, a busy machine is not. */
const LONG_MS = 500;
const TIMES = 4;

/** Processor time of a file's check, and what came of it: null for a sound one, the refusal's code, or an error that has none. */
function met(bytes: Uint8Array): { tookMs: number; outcome: string | Error | null } {
  let tookMs = Infinity;
  for (let i = 0; ;) {
    const before = process.cpuUsage();
    let outcome: string | Error | null;
    try {
      const report = checkDng(bytes);
      outcome = report.ok ? null : report.code;
    } catch (error) {
      outcome = error instanceof Error ? error : new Error(String(error));
    }
    const { user, system } = process.cpuUsage(before);
    tookMs = Math.min(tookMs, (user + system) / 1000);
    if (tookMs < LONG_MS || ++i === TIMES) return { tookMs, outcome };
  }
}

const MUTATIONS = Number(process.argv[2] ?? 20_000);
const untyped: string[] = [];
const refused: Record<string, number> = {};
let [longestMs, sound] = [0, 0];
const names = Object.keys(LAYOUTS);
for (const [name, bytes] of Object.entries(LAYOUTS)) {
  const report = checkDng(bytes);
  if (!report.ok) untyped.push(`${name} is not sound itself: ${report.message}`);
}
for (let seed = 0; seed < MUTATIONS; seed++) {
  const name = names[seed % names.length]!;
  const bytes = mutated(LAYOUTS[name]!, seed);
  const { tookMs, outcome } = met(bytes);
  if (outcome instanceof Error) untyped.push(`${name}, seed ${seed}: ${String(outcome)}`);
  else if (outcome === null) sound++;
  else refused[outcome] = (refused[outcome] ?? 0) + 1;
  longestMs = Math.max(longestMs, tookMs);
}
process.stdout.write(
  JSON.stringify({
    mutations: MUTATIONS,
    sound,
    refused,
    untyped,
    longestMs,
    mostMb: mostMemoryKb() / 1024,
  }),
);
