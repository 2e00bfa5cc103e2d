// A packed scene through one lens: "VSC2", length of the header, header as JSON, then the bytes of the plates and of the space.
import { expanded, reduced, type CodedPlate } from './coded-plate';
import { decodeCoded, decodeFirstLook, type PlateHeader } from './plate-codec';
import type { Plate } from './plate';
import { decodeSpace, type SpaceHeader } from './space-codec';
import type { Scene, SceneDescription, SceneSpace } from './scene';

interface PackHeader {
  readonly description: SceneDescription;
  /** One for each lamp, in order. */
  readonly plates: readonly PlateHeader[];
  readonly space: SpaceHeader;
}

interface Part<Header> {
  readonly header: Header;
  readonly bytes: Uint8Array;
}

const MAGIC = 0x32435356; // "VSC2", little-endian

export function writeScenePack(
  description: SceneDescription,
  plates: readonly Part<PlateHeader>[],
  space: Part<SpaceHeader>,
): Uint8Array {
  const header: PackHeader = { description, plates: plates.map((p) => p.header), space: space.header };
  const text = new TextEncoder().encode(JSON.stringify(header));
  const parts = [...plates.map((p) => p.bytes), space.bytes];
  const out = new Uint8Array(8 + text.length + parts.reduce((sum, p) => sum + p.length, 0));
  const view = new DataView(out.buffer);
  view.setUint32(0, MAGIC, true);
  view.setUint32(4, text.length, true);
  out.set(text, 8);
  let offset = 8 + text.length;
  for (const part of parts) {
    out.set(part, offset);
    offset += part.length;
  }
  return out;
}

/** Plates as large as this at most are worked with as they are; of larger ones a half, and all of them where it is looked at closely. */
const MOST_WORKED_WITH = 1024;
/** Side of a first look at most. */
const MOST_FIRST_LOOK = 512;

/** @throws RangeError when the bytes are not a packed scene, or end early */
export async function readScenePack(bytes: Uint8Array): Promise<Scene> {
  const { description, size, plates, space } = partsOf(bytes);
  const coded: CodedPlate[] = [];
  for (const { header, bytes: part } of plates) coded.push(await decodeCoded(header, part));
  const places = await decodeSpace(space.header, space.bytes);
  if (size <= MOST_WORKED_WITH) return { description, size, lamps: coded.map(expanded), space: places };
  return {
    description,
    size: size >> 1,
    lamps: coded.map(reduced),
    space: halvedSpace(places, size),
    fine: { lamps: coded, from: 0, size, space: () => places },
  };
}

/**
 * The scene at half its size each way, or less, and without its space: quick, for a first look.
 * @throws RangeError when the bytes are not a packed scene, or end early
 */
export async function readFirstLook(bytes: Uint8Array): Promise<Scene> {
  const { description, size, plates } = partsOf(bytes);
  let times = 1;
  while (size >> times > MOST_FIRST_LOOK) times++;
  const lamps: Plate[] = [];
  for (const { header, bytes: part } of plates) lamps.push(await decodeFirstLook(header, part, times));
  return { description, size: size >> times, lamps };
}

/** Every second pixel of where surfaces are, both ways. @param size pixels along */
export function halvedSpace({ distance, surface }: SceneSpace, size: number): SceneSpace {
  const half = size >> 1;
  const less = { distance: new Float32Array(half * half), surface: new Uint8Array(half * half) };
  for (let y = 0, o = 0; y < half; y++)
    for (let i = 2 * y * size, end = i + 2 * half; i < end; i += 2, o++) {
      less.distance[o] = distance[i]!;
      less.surface[o] = surface[i]!;
    }
  return less;
}

function partsOf(bytes: Uint8Array) {
  const { header, start } = headerOf(bytes);
  let offset = start;
  const take = (lengths: readonly number[]) => {
    const length = lengths.reduce((sum, n) => sum + n, 0);
    const part = bytes.subarray(offset, offset + length);
    offset += length;
    return part;
  };
  const plates = header.plates.map((plate) => ({ header: plate, bytes: take(plate.lengths) }));
  const space = { header: header.space, bytes: take(header.space.lengths) };
  if (offset > bytes.length) throw new RangeError('The packed scene ends early');
  const { description } = header;
  const { size } = header.space;
  if (plates.length !== description.lamps.length || plates.some((p) => p.header.width !== size)) {
    throw new RangeError('The packed scene lacks plates');
  }
  return { description, size, plates, space };
}

/** The words and figures of a pack without its plates. @throws RangeError when it is none */
export function readSceneDescription(bytes: Uint8Array): SceneDescription {
  return headerOf(bytes).header.description;
}

/** The same plates with other words and figures. @throws RangeError when the bytes are not a packed scene */
export function replaceDescription(bytes: Uint8Array, description: SceneDescription): Uint8Array {
  const { header, start } = headerOf(bytes);
  const text = new TextEncoder().encode(JSON.stringify({ ...header, description }));
  const out = new Uint8Array(8 + text.length + bytes.length - start);
  const view = new DataView(out.buffer);
  view.setUint32(0, MAGIC, true);
  view.setUint32(4, text.length, true);
  out.set(text, 8);
  out.set(bytes.subarray(start), 8 + text.length);
  return out;
}

function headerOf(bytes: Uint8Array): { header: PackHeader; start: number } {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 8 || view.getUint32(0, true) !== MAGIC) throw new RangeError('Not a packed scene');
  const start = 8 + view.getUint32(4, true);
  if (start > bytes.length) throw new RangeError('The packed scene ends early');
  const text = new TextDecoder().decode(bytes.subarray(8, start));
  return { header: JSON.parse(text) as PackHeader, start };
}
