// Where scene sources, renders and packed scenes live.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

export const root = join(__dirname, '..', '..');
export const sourceDir = (id: string) => join(root, 'tools', 'scenes', id);
export const packedFile = (id: string) => join(root, 'assets', 'scenes', `${id}.vsc`);
export const masterFile = (id: string) => join(root, 'tests', 'reference', `${id}.master.bin`);

/** Side of the rendered square plates, pixels. */
export const PLATE_SIZE = 1024;

/** A render is kept under the hash of what it was made from, so that an unchanged source is not rendered again. */
export function renderFile(id: string, plate: string): string {
  const source = readFileSync(join(sourceDir(id), `${id}.pov`));
  const hash = createHash('sha256')
    .update(source)
    .update(`${plate} ${PLATE_SIZE}`)
    .digest('hex')
    .slice(0, 12);
  return join(root, '.cache', 'scenes', `${id}-${plate.toLowerCase()}-${hash}.exr`);
}
