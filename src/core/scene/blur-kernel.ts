// Blur by discs, and layers of it, by a kernel: where planes and tables lie in memory. What is right is what `disc-blur` and `defocus` do without it.
import { wasm } from '../kernels/blur.generated';
import { growingKernel, type Numbers } from '../kernels/kernel';
import { DISC_NUMBERS, type Disc, type DiscMap } from './disc-map';

interface Functions {
  halve(...[a, width, height, w, h, out]: Numbers<6>): void;
  double(...[a, w, h, width, height, line, out]: Numbers<7>): void;
  gather(
    ...[plane, width, height, reach, kept, pad, span, sums, rows, stretches, discs, out]: Numbers<12>
  ): void;
  weigh(plane: number, weight: number, count: number): void;
  lay(...[target, light, spread, opacity, least, count]: Numbers<6>): void;
  part(...[discs, count, far, near, lends, borrowed, weight, cover, numbers, last, out]: Numbers<11>): number;
}

const loaded = growingKernel<Functions>(wasm);

const FIRST = 65536;
/** Room behind a plane for what is read four or eight at a time. */
const planeBytes = (count: number) => (4 * count + 47) & ~15;

/** A map as the kernel reads it: first stretches of rows, stretches, discs. */
interface Tables {
  readonly rows: Int32Array;
  readonly stretches: Int32Array;
  readonly discs: Float64Array;
  readonly reach: number;
  readonly widest: number;
}
const tables = new WeakMap<DiscMap, Tables>();

function tablesOf(map: DiscMap): Tables {
  const known = tables.get(map);
  if (known) return known;
  const places = new Map<Disc, number>();
  const numbers: number[] = [];
  let [reach, widest] = [0, 0];
  for (const disc of map.discs) {
    if (places.has(disc)) continue;
    places.set(disc, 8 * numbers.length);
    const { half, share, area } = disc;
    reach = Math.max(reach, half.length - 1);
    widest = Math.max(widest, half[0]!);
    numbers.push(wholeNumber(half.length));
    half.forEach((h, dy) => {
      const whole = Math.floor(h);
      const part = share[dy]! / area;
      numbers.push(wholeNumber(whole), part * (1 - (h - whole)), part * (h - whole));
    });
  }
  const stretches = new Int32Array(3 * map.from.length);
  for (let i = 0; i < map.from.length; i++)
    stretches.set([map.from[i]!, map.to[i]!, places.get(map.discs[i]!)!], 3 * i);
  const made = { rows: map.rows, stretches, discs: Float64Array.from(numbers), reach, widest };
  tables.set(map, made);
  return made;
}

const both = new Int32Array(2);
/** Eight bytes that begin with a whole number of four. */
function wholeNumber(n: number): number {
  both[0] = n;
  return new Float64Array(both.buffer)[0]!;
}

interface Places {
  /** The plane at its size, and halved, and halved again. */
  readonly planes: readonly { readonly at: number; readonly width: number; readonly height: number }[];
  readonly made: number;
  readonly end: number;
}

/** Lays out planes of all levels and one more of the smallest. */
function placesOf(from: number, width: number, height: number, level: number): Places {
  const planes = [{ at: from, width, height }];
  for (let l = 0; l < level; l++) {
    const { at, ...last } = planes[l]!;
    const next = at + planeBytes(last.width * last.height);
    planes.push({ at: next, width: (last.width + 1) >> 1, height: (last.height + 1) >> 1 });
  }
  const least = planes[level]!;
  const made = least.at + planeBytes(least.width * least.height);
  return { planes, made, end: made + planeBytes(least.width * least.height) };
}

/**
 * Blurs what lies in the first of the planes; the kernel's memory has room for all of it.
 * @returns where it lies then
 */
function run(call: Functions, memory: ArrayBuffer, map: DiscMap, { planes, made, end }: Places): number {
  const { rows, stretches, discs, reach, widest } = tablesOf(map);
  for (let l = 0; l < map.level; l++) {
    const [from, to] = [planes[l]!, planes[l + 1]!];
    call.halve(from.at, from.width, from.height, to.width, to.height, to.at);
  }
  const { at, width, height } = planes[map.level]!;
  const { kept, pad, span } = sumsOf(width, height, reach, widest);
  const atRows = end;
  const atStretches = (atRows + 4 * rows.length + 15) & ~15;
  const atDiscs = (atStretches + 4 * stretches.length + 15) & ~15;
  const atSums = atDiscs + 8 * discs.length;
  new Int32Array(memory, atRows, rows.length).set(rows);
  new Int32Array(memory, atStretches, stretches.length).set(stretches);
  new Float64Array(memory, atDiscs, discs.length).set(discs);
  call.gather(at, width, height, reach, kept, pad, span, atSums, atRows, atStretches, atDiscs, made);
  let from = made;
  for (let l = map.level; l > 0; l--) {
    const [here, to] = [planes[l]!, planes[l - 1]!];
    call.double(from, here.width, here.height, to.width, to.height, atSums + 16, to.at);
    from = to.at;
  }
  return from;
}

function sumsOf(width: number, height: number, reach: number, widest: number) {
  const pad = Math.ceil(widest) + 2;
  return { kept: Math.min(height, 2 * reach + 1), pad, span: width + 2 * pad + 1 };
}

/** Bytes that `run` needs behind its planes. */
function workBytes(map: DiscMap, { planes }: Places): number {
  const { rows, stretches, discs, reach, widest } = tablesOf(map);
  const { width, height } = planes[map.level]!;
  const { kept, span } = sumsOf(width, height, reach, widest);
  const sums = 8 * kept * span;
  const line = 4 * planes[0]!.width + 64;
  return 64 + 4 * rows.length + 4 * stretches.length + 8 * discs.length + Math.max(sums, line);
}

/** Every sample's mean over its disc; null where there is no kernel. */
export function blurByKernel(plane: Float32Array, map: DiscMap): Float32Array | null {
  const of = loaded();
  if (!of) return null;
  const { width, height } = map;
  const places = placesOf(FIRST, width, height, map.level);
  const memory = of.room(places.end + workBytes(map, places));
  new Float32Array(memory, FIRST, plane.length).set(plane);
  const at = run(of.call, memory, map, places);
  return new Float32Array(memory, at, width * height).slice();
}

/** A stretch of a picture `stride` wide. */
interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Planes that a layer is laid with: weight of each sample, sum that came of them, opacity (null: wholly opaque). */
export interface LayerWeights {
  readonly weight: Float32Array;
  readonly spread: Float32Array;
  readonly opacity: Float32Array | null;
}

/** Lays a layer of planes, blurred, over others; false where there is no kernel. @param map null for what is sharp */
export function layByKernel(
  planes: readonly Float32Array[],
  targets: readonly Float32Array[],
  stride: number,
  box: Box,
  { weight, spread, opacity }: LayerWeights,
  map: DiscMap | null,
  least: number,
): boolean {
  const of = loaded();
  if (!of) return false;
  const count = box.width * box.height;
  const bytes = planeBytes(count);
  const [atWeight, atSpread, atOpacity, atTarget] = [0, 1, 2, 3].map((i) => FIRST + i * bytes) as [
    ...[number, number, number, number],
  ];
  const places = placesOf(FIRST + 4 * bytes, box.width, box.height, map?.level ?? 0);
  const memory = of.room(places.end + (map ? workBytes(map, places) : 0));
  // What is read beyond the last sample weighs nothing.
  const put = (at: number, plane: Float32Array) => {
    new Float32Array(memory, at, bytes / 4).fill(0, count).set(plane);
  };
  put(atWeight, weight);
  put(atSpread, spread);
  if (opacity) put(atOpacity, opacity);
  const first = places.planes[0]!.at;
  const rows = (at: number, each: (row: Float32Array, from: number) => void) => {
    for (let y = 0; y < box.height; y++)
      each(new Float32Array(memory, at + 4 * y * box.width, box.width), (box.y + y) * stride + box.x);
  };
  planes.forEach((plane, c) => {
    const target = targets[c]!;
    rows(first, (row, from) => row.set(plane.subarray(from, from + box.width)));
    rows(atTarget, (row, from) => row.set(target.subarray(from, from + box.width)));
    of.call.weigh(first, atWeight, count);
    const light = map ? run(of.call, memory, map, places) : first;
    of.call.lay(atTarget, light, atSpread, opacity ? atOpacity : 0, least, count);
    rows(atTarget, (row, from) => target.set(row, from));
  });
  return true;
}

/** How samples take part in a layer; arrays of the box's size. */
export interface Parts {
  readonly weight: Float32Array;
  readonly cover: Float32Array;
  /** 0 where a sample has no disc in the layer. */
  readonly numbers: Uint16Array;
  /** Samples that have none. */
  readonly others: number;
}

/** Null where there is no kernel. Limits are 32-bit floats. @param disc signed diameters of a picture `stride` wide */
export function partByKernel(
  disc: Float32Array,
  stride: number,
  box: Box,
  limits: { readonly far: number; readonly near: number; readonly lends: number; readonly borrowed: number },
): Parts | null {
  const of = loaded();
  if (!of) return null;
  const count = box.width * box.height;
  const bytes = planeBytes(count);
  const first = FIRST + 2 * DISC_NUMBERS.length;
  const [atDisc, atWeight, atCover, atOut] = [0, 1, 2, 3].map((i) => first + i * bytes) as [
    ...[number, number, number, number],
  ];
  const memory = of.room(first + 4 * bytes);
  new Uint16Array(memory, FIRST, DISC_NUMBERS.length).set(DISC_NUMBERS);
  for (let y = 0; y < box.height; y++) {
    const from = (box.y + y) * stride + box.x;
    const at = y * box.width;
    new Float32Array(memory, atDisc + 4 * at, box.width).set(disc.subarray(from, from + box.width));
  }
  const { far, near, lends, borrowed } = limits;
  // What is read beyond the last sample takes no part.
  new Float32Array(memory, atDisc + 4 * count, 4).fill(NaN);
  const others = of.call.part(
    ...([atDisc, count, far, near, lends, borrowed, atWeight, atCover] as const),
    ...([FIRST, DISC_NUMBERS.length - 1, atOut] as const),
  );
  return {
    weight: new Float32Array(memory, atWeight, count).slice(),
    cover: new Float32Array(memory, atCover, count).slice(),
    numbers: new Uint16Array(memory, atOut, count).slice(),
    others,
  };
}
