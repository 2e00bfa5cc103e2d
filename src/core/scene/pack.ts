// A packed scene: "VSC1", length of the header, header as JSON, then the plates' bytes one after the other.
import { decodePlate, type Plate, type PlateHeader } from './plate-codec';
import type { Scene, SceneDescription } from './scene';

interface PackHeader {
  readonly description: SceneDescription;
  /** One for each lamp, in order, then depth. */
  readonly plates: readonly PlateHeader[];
}

const MAGIC = 0x31435356; // "VSC1", little-endian

export function writeScenePack(
  description: SceneDescription,
  plates: readonly { header: PlateHeader; bytes: Uint8Array }[],
): Uint8Array {
  const header: PackHeader = { description, plates: plates.map((p) => p.header) };
  const text = new TextEncoder().encode(JSON.stringify(header));
  const out = new Uint8Array(8 + text.length + plates.reduce((sum, p) => sum + p.bytes.length, 0));
  const view = new DataView(out.buffer);
  view.setUint32(0, MAGIC, true);
  view.setUint32(4, text.length, true);
  out.set(text, 8);
  let offset = 8 + text.length;
  for (const { bytes } of plates) {
    out.set(bytes, offset);
    offset += bytes.length;
  }
  return out;
}

/**
 * @param half true for the scene at half its size each way: quick, for a first look
 * @throws RangeError when the bytes are not a packed scene, or end early
 */
export async function readScenePack(bytes: Uint8Array, half = false): Promise<Scene> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 8 || view.getUint32(0, true) !== MAGIC) throw new RangeError('Not a packed scene');
  const headerLength = view.getUint32(4, true);
  if (8 + headerLength > bytes.length) throw new RangeError('The packed scene ends early');
  const header = JSON.parse(new TextDecoder().decode(bytes.subarray(8, 8 + headerLength))) as PackHeader;
  let offset = 8 + headerLength;
  const places = header.plates.map((plate) => {
    const length = plate.lengths.reduce((sum, n) => sum + n, 0);
    const place = { plate, bytes: bytes.subarray(offset, offset + length) };
    offset += length;
    return place;
  });
  const depth = places.pop();
  if (offset > bytes.length) throw new RangeError('The packed scene ends early');
  const { description } = header;
  const size = (depth?.plate.width ?? 0) >> (half ? 1 : 0);
  if (
    !depth ||
    places.length !== description.lamps.length ||
    places.some((p) => p.plate.width !== depth.plate.width)
  ) {
    throw new RangeError('The packed scene lacks plates');
  }
  const lamps: Plate[] = [];
  for (const { plate, bytes: coded } of places) lamps.push(await decodePlate(plate, coded, half));
  return { description, size, lamps, depth: () => decodePlate(depth.plate, depth.bytes, half) };
}
