// Where scene sources, renders and packed scenes live, and how large the plates are.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

export const root = join(__dirname, '..', '..');
export const scenesDir = join(root, 'tools', 'scenes');
export const sourceDir = (id: string) => join(scenesDir, id);
export const packedFile = (id: string, lens: string) => join(root, 'assets', 'scenes', `${id}.${lens}.vsc`);
export const masterFile = (id: string) => join(root, 'tests', 'reference', `${id}.master.bin`);

/** Field across the square plate (the lens's long side), degrees, and the plate's usual side in pixels. */
export const LENS_PLATES: Readonly<Record<string, { fieldDeg: number; size: number }>> = {
  wide: { fieldDeg: 70.97, size: 1024 },
  tele: { fieldDeg: 25.33, size: 768 },
  'ultra-wide': { fieldDeg: 106.2, size: 640 },
};

/** How large the plates of a scene are: its source may ask for more detail than is usual, as so many times the side. */
export function platesOf(id: string, lens: string): { fieldDeg: number; size: number } {
  const { fieldDeg, size } = LENS_PLATES[lens]!;
  const { detail = {} } = JSON.parse(readFileSync(join(sourceDir(id), 'scene.json'), 'utf8')) as {
    detail?: Record<string, number>;
  };
  return { fieldDeg, size: size * (detail[lens] ?? 1) };
}

/** Scenes with a source, in the order of the firing day. */
export const SCENE_IDS = [
  'wheel-bench',
  'glaze-table',
  'spy-hole',
  'shed-door',
  'bisque-shelf',
  'soot-wall',
  'tile-board',
  'yard-night',
];

/** A render is kept under the hash of what it was made from, so that an unchanged source is not rendered again. */
export function renderFile(id: string, plate: string, lens: string): string {
  const { fieldDeg, size } = platesOf(id, lens);
  const hash = createHash('sha256')
    .update(readFileSync(join(scenesDir, 'ferrow.inc')))
    .update(readFileSync(join(sourceDir(id), `${id}.pov`)))
    .update(`${plate} ${fieldDeg} ${size}`)
    .digest('hex')
    .slice(0, 12);
  return join(root, '.cache', 'scenes', `${id}-${lens}-${plate.toLowerCase()}-${hash}.exr`);
}
