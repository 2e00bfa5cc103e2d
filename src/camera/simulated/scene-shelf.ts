// Packed scenes by address: fetched once with progress, the last few kept, so that going back to one is quick.
import { decodeReflectance, type Reflectance } from '../../core/meter/reflectance';
import { readFirstLook, readScenePack } from '../../core/scene/pack';
import type { Scene } from '../../core/scene/scene';
import { OPTICS } from '../../core/sensor/cameras';
import type { LensId, PlateId } from '../../core/sensor/simulated-optic';
import { fetchWhole } from '../../workers/fetch-whole';

const MOST_PACKS = 6;
const MOST_SCENES = 2;
/** Scenes take no more than this together, unless one alone does; a pack is soon unpacked again. */
const MOST_BYTES = 130e6;
const packs = new Map<string, Promise<Uint8Array>>();
const scenes = new Map<string, Promise<Scene>>();

/** Keeps the newest entries of a map. */
function keep<V>(map: Map<string, V>, key: string, value: V, most: number): V {
  map.delete(key);
  map.set(key, value);
  for (const old of map.keys()) {
    if (map.size <= most) break;
    map.delete(old);
  }
  return value;
}

/** Addresses whose last answer was of no use: asked again, the caches are passed by. */
const spoilt = new Set<string>();

/** @throws Error in words for people when it cannot be fetched */
export function packAt(url: string, onShare?: (share: number) => void): Promise<Uint8Array> {
  const known = packs.get(url);
  if (known) return keep(packs, url, known, MOST_PACKS);
  const fetched = fetchWhole(url, {
    what: 'The scene',
    onShare,
    usualBytes: 3_000_000,
    anew: spoilt.delete(url),
  });
  fetched.catch(() => packs.delete(url));
  return keep(packs, url, fetched, MOST_PACKS);
}

/** A pack read; one that cannot be is not kept. @throws Error in words for people */
async function readAt(url: string, read: (pack: Uint8Array) => Promise<Scene>): Promise<Scene> {
  const bytes = await packAt(url);
  try {
    return await read(bytes);
  } catch {
    packs.delete(url);
    spoilt.add(url);
    throw new Error('The scene arrived damaged');
  }
}

/** True when the whole scene is unpacked already. */
export function isReady(url: string): boolean {
  return scenes.has(url);
}

/** The whole scene. @throws Error when it cannot be fetched or read */
export function sceneAt(url: string): Promise<Scene> {
  const known = scenes.get(url);
  if (known) return keep(scenes, url, known, MOST_SCENES);
  const read = readAt(url, readScenePack);
  read.then(
    (scene) => {
      sizes.set(scene, bytesOf(scene));
      void makeRoom();
    },
    () => scenes.delete(url),
  );
  return keep(scenes, url, read, MOST_SCENES);
}

const sizes = new WeakMap<Scene, number>();

/** What a scene takes in memory. */
function bytesOf({ lamps, space, fine }: Scene): number {
  const arrays = [
    ...lamps.map(({ data }) => data),
    ...(space ? [space.distance, space.surface] : []),
    ...(fine?.lamps.flatMap(({ green, red, blue, exactAt, exact }) => [green, red, blue, exactAt, exact]) ??
      []),
  ];
  return arrays.reduce((sum, { byteLength }) => sum + byteLength, 0);
}

/** Lets go of the oldest while all together are too large. */
async function makeRoom(): Promise<void> {
  const there = await Promise.all(
    [...scenes].map(async ([url, scene]) => [url, sizes.get(await scene) ?? 0] as const),
  ).catch(() => []);
  let all = there.reduce((sum, [, bytes]) => sum + bytes, 0);
  for (const [url, bytes] of there.slice(0, -1)) {
    if (all <= MOST_BYTES) return;
    scenes.delete(url);
    all -= bytes;
  }
}

/** A first look with little detail, in a part of the time. */
export function firstLookAt(url: string): Promise<Scene> {
  return readAt(url, readFirstLook);
}

export function sceneUrl(scene: string, lens: LensId): string {
  return `/scenes/${scene}.${OPTICS[lens].plates}.vsc`;
}

type ReflectanceState =
  | { readonly kind: 'ready'; readonly reflectance: Reflectance }
  | { readonly kind: 'loading' }
  | { readonly kind: 'failed'; readonly message: string };

const surfaces = new Map<string, ReflectanceState>();

/** What did not load is asked for again when it is next wanted. */
export function forgetFailures(): void {
  for (const [url, { kind }] of surfaces) if (kind === 'failed') surfaces.delete(url);
}

/** What the surfaces of a scene give back; `onChange` is called when a map that is being fetched is there, or is not to be had. */
export function reflectanceAt(scene: string, plates: PlateId, onChange: () => void): ReflectanceState {
  const url = `/scenes/${scene}.${plates}.rho`;
  const known = surfaces.get(url);
  if (known) return known;
  const settle = (state: ReflectanceState) => {
    surfaces.set(url, state);
    onChange();
  };
  surfaces.set(url, { kind: 'loading' });
  fetchWhole(url, { what: 'The hand meter’s map of this scene' })
    .then((bytes) => settle({ kind: 'ready', reflectance: decodeReflectance(bytes) }))
    .catch((error: unknown) => {
      settle({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
    });
  return { kind: 'loading' };
}
