// `npx tsx tools/names.ts`: no file of the general code names a scene, a lamp of one, or a body. What is made for one of them alone
// would not hold for the next.
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { sceneList } from '../cli/scene-files';
import { CAMERA_IDS, LENS_IDS } from '../src/core/sensor/simulated-optic';

const root = join(__dirname, '..');
/** Where the simulated cameras and their defaults are written down. */
const HOMES = /^src\/core\/sensor\/|^src\/core\/frame\/record\.ts$/;

/** Where something is told by its id, or a lamp is looked up: even a plain word is a name there. */
const TOLD_APART = /\b(?:id|lamp|scene|optic|lens|lensId)\s*[!=]==?\s*'([^']*)'|\blevels(?:\.|\[')(\w+)/g;

export function namesInGeneralCode(): string[] {
  const ids = sceneList().flatMap(({ id, lamps }) => [id, ...lamps.map((lamp) => lamp.id)]);
  const names = new Set<string>([...ids, ...CAMERA_IDS, ...LENS_IDS]);
  return ['src', 'app', 'cli', 'server']
    .flatMap((folder) => filesOf(join(root, folder)))
    .flatMap((file) => {
      const path = relative(root, file);
      if (HOMES.test(path)) return [];
      const code = readFileSync(file, 'utf8');
      const literals = [...code.matchAll(/'([^'\n]*)'|"([^"\n]*)"|`([^`\n]*)`/g)].map(
        ([, one, two, three]) => one ?? two ?? three ?? '',
      );
      const told = [...code.matchAll(TOLD_APART)].map(([, id, level]) => id ?? level ?? '');
      // Only words with a hyphen are names wherever they stand: "left" is a plain word as well as a lamp.
      const found = [...literals.filter((text) => text.includes('-')), ...told];
      return found.filter((text) => names.has(text)).map((text) => `${path} names ${text}`);
    });
}

function filesOf(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return filesOf(path);
    return /\.tsx?$/.test(entry.name) && !/\.test\.tsx?$|\.d\.ts$/.test(entry.name) ? [path] : [];
  });
}

if (require.main === module) {
  const found = namesInGeneralCode();
  for (const line of found) console.error(line);
  if (found.length > 0) process.exitCode = 1;
}
