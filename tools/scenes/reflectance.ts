// Renders how much light each surface gives back, for the simulated hand meter: `npx tsx tools/scenes/reflectance.ts [SCENE …]`
// → assets/scenes/SCENE.LENS.rho. The sources are copied with every finish made to shine by its own diffuse reflectance and
// every lamp out, so what comes out is pigment × diffuse. Seconds a scene.
import { copyFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LUMA_709 } from '../../src/core/colour/srgb';
import { encodeReflectance, REFLECTANCE_SIDE } from '../../src/core/meter/reflectance';
import { readExr } from './exr';
import { LENS_PLATES, packedFile, SCENE_IDS, scenesDir, sourceDir } from './files';
import { renderIn, rendererIsThere } from './povray';

const FINISH = /finish\s*\{((?:[^{}]|\{[^{}]*\})*)\}/g;
const RADIOSITY = /radiosity\s*\{[^{}]*\}/g;
/** What the renderer takes where a finish names none. */
const DEFAULT_DIFFUSE = '0.6';

/** A source in which surfaces shine by what they would scatter, and what shines by itself is black. */
export function asReflectance(source: string): string {
  return source.replace(RADIOSITY, '').replace(FINISH, (_, body: string) => {
    const diffuse = /\bdiffuse\s+([0-9.]+)/.exec(body)?.[1] ?? DEFAULT_DIFFUSE;
    const shines = /\bemission\b/.test(body);
    return `finish { emission ${shines ? 0 : diffuse} diffuse 0 ambient 0 }`;
  });
}

function main(): void {
  if (!rendererIsThere()) {
    console.error('POV-Ray is not installed: apt-get install povray povray-includes');
    process.exit(2);
  }
  const asked = process.argv.slice(2);
  for (const id of asked.length > 0 ? asked : SCENE_IDS) {
    const folder = mkdtempSync(join(tmpdir(), 'velmo-reflectance-'));
    for (const [from, name] of [
      [join(scenesDir, 'ferrow.inc'), 'ferrow.inc'],
      [join(sourceDir(id), `${id}.pov`), `${id}.pov`],
    ] as const) {
      copyFileSync(from, join(folder, name));
      writeFileSync(join(folder, name), asReflectance(readFileSync(from, 'utf8')));
    }
    for (const [lens, { fieldDeg }] of Object.entries(LENS_PLATES)) {
      const target = join(folder, 'out.exr');
      renderIn(folder, { id, plate: 'NOTHING', fieldDeg, size: REFLECTANCE_SIDE }, target);
      const { rgb } = readExr(readFileSync(target));
      const rho = Float32Array.from(
        { length: rgb.length / 3 },
        (_, i) => LUMA_709[0] * rgb[3 * i]! + LUMA_709[1] * rgb[3 * i + 1]! + LUMA_709[2] * rgb[3 * i + 2]!,
      );
      const bytes = encodeReflectance(rho);
      writeFileSync(packedFile(id, lens).replace(/vsc$/, 'rho'), bytes);
      console.log(`${id} ${lens}: ${bytes.length} bytes`);
    }
    rmSync(folder, { recursive: true });
  }
}

if (require.main === module) main();
