// Packing of where surfaces are: distances in 1/512 stops predicted from three neighbours, kinds as they are, both deflated.
import { deflateSync } from 'fflate';
import { inflate } from './plate-codec';
import { OPEN_SKY_M, type SceneSpace } from './scene';

export interface SpaceHeader {
  readonly size: number;
  /** Bytes of distances and of kinds. */
  readonly lengths: readonly [number, number];
}

const STEPS_PER_STOP = 512;
const NEAREST_M = 0.05;

export function encodeSpace({ distance, surface }: SceneSpace, size: number) {
  const codes = Uint16Array.from(distance, (d) =>
    d >= OPEN_SKY_M ? 0 : 1 + Math.max(0, Math.round(STEPS_PER_STOP * Math.log2(d / NEAREST_M))),
  );
  const bytes = new Uint8Array(codes.length * 2);
  for (let i = 0; i < codes.length; i++) {
    const residual = ((codes[i]! - predicted(codes, i, size)) << 16) >> 16;
    const folded = residual < 0 ? -2 * residual - 1 : 2 * residual;
    bytes[i] = folded & 255;
    bytes[codes.length + i] = folded >> 8;
  }
  const parts = [
    deflateSync(bytes, { level: 9, mem: 12 }),
    deflateSync(surface, { level: 9, mem: 12 }),
  ] as const;
  const header: SpaceHeader = { size, lengths: [parts[0].length, parts[1].length] };
  const out = new Uint8Array(parts[0].length + parts[1].length);
  out.set(parts[0]);
  out.set(parts[1], parts[0].length);
  return { header, bytes: out };
}

/** @throws RangeError when the bytes do not fit the header */
export async function decodeSpace({ size, lengths }: SpaceHeader, bytes: Uint8Array): Promise<SceneSpace> {
  const [folded, surface] = await Promise.all([
    inflate(bytes.subarray(0, lengths[0])),
    inflate(bytes.subarray(lengths[0], lengths[0] + lengths[1])),
  ]);
  const count = size * size;
  if (folded.length !== 2 * count || surface.length !== count) throw new RangeError('Space data do not fit');
  const codes = new Uint16Array(count);
  const distance = new Float32Array(count);
  const metres = Float32Array.from({ length: 65536 }, (_, code) =>
    code === 0 ? OPEN_SKY_M : NEAREST_M * 2 ** ((code - 1) / STEPS_PER_STOP),
  );
  for (let y = 0, i = 0; y < size; y++) {
    // What `predicted` gives, from one sample to the next.
    let [left, aboveLeft] = [0, 0];
    for (let x = 0; x < size; x++, i++) {
      const above = y > 0 ? codes[i - size]! : 0;
      const f = folded[i]! | (folded[count + i]! << 8);
      const residual = f & 1 ? -((f + 1) >> 1) : f >> 1;
      const guess = y === 0 ? left : x === 0 ? above : left + above - aboveLeft;
      left = (guess + residual) & 65535;
      aboveLeft = above;
      codes[i] = left;
      distance[i] = metres[left]!;
    }
  }
  return { distance, surface };
}

/** Left + above − above left: exact on a slope. */
function predicted(codes: Uint16Array, i: number, size: number): number {
  const left = i % size > 0 ? codes[i - 1]! : 0;
  if (i < size) return left;
  const above = codes[i - size]!;
  return i % size > 0 ? left + above - codes[i - size - 1]! : above;
}
