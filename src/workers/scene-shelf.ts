// Packed scenes by address: fetched once with progress, the last few kept, so that going back to one is quick.
import { decodeReflectance, type Reflectance } from '../core/meter/reflectance';
import { readScenePack } from '../core/scene/pack';
import type { Scene } from '../core/scene/scene';
import { OPTICS } from '../core/sensor/cameras';
import type { LensId, PlateId } from '../core/sensor/simulated-camera';

const MOST_PACKS = 6;
const MOST_SCENES = 2;
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

/** @throws Error when it cannot be fetched */
export function packAt(url: string, onShare: (share: number) => void = () => undefined): Promise<Uint8Array> {
  const known = packs.get(url);
  if (known) return keep(packs, url, known, MOST_PACKS);
  const fetched = fetchPack(url, onShare);
  fetched.catch(() => packs.delete(url));
  return keep(packs, url, fetched, MOST_PACKS);
}

async function fetchPack(url: string, onShare: (share: number) => void): Promise<Uint8Array> {
  const response = await fetch(url);
  if (!response.ok || !response.body) throw new Error(`The scene did not load (${response.status})`);
  const total = Number(response.headers.get('content-length')) || 3_000_000;
  const parts: Uint8Array[] = [];
  let length = 0;
  const reader = response.body.getReader();
  for (let next = await reader.read(); !next.done; next = await reader.read()) {
    parts.push(next.value);
    length += next.value.length;
    onShare(Math.min(1, length / total));
  }
  const bytes = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    bytes.set(part, at);
    at += part.length;
  }
  return bytes;
}

/** True when the whole scene is unpacked already. */
export function isReady(url: string): boolean {
  return scenes.has(url);
}

/** The whole scene. @throws Error when it cannot be fetched or read */
export function sceneAt(url: string): Promise<Scene> {
  const known = scenes.get(url);
  if (known) return keep(scenes, url, known, MOST_SCENES);
  const read = packAt(url).then((bytes) => readScenePack(bytes));
  read.catch(() => scenes.delete(url));
  return keep(scenes, url, read, MOST_SCENES);
}

/** A first look at half the detail, in a quarter of the time. */
export async function firstLookAt(url: string): Promise<Scene> {
  return readScenePack(await packAt(url), true);
}

export function sceneUrl(scene: string, lens: LensId): string {
  return `/scenes/${scene}.${OPTICS[lens].plates}.vsc`;
}

type ReflectanceState =
  | { readonly kind: 'ready'; readonly reflectance: Reflectance }
  | { readonly kind: 'loading' }
  | { readonly kind: 'failed'; readonly message: string };

const surfaces = new Map<string, ReflectanceState>();

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
  fetch(url)
    .then(async (response) => {
      if (!response.ok) throw new Error(`The hand meter has no map of this scene (${response.status})`);
      const reflectance = decodeReflectance(new Uint8Array(await response.arrayBuffer()));
      settle({ kind: 'ready', reflectance });
    })
    .catch((error: unknown) => {
      settle({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
    });
  return { kind: 'loading' };
}
