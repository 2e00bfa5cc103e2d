// `npx tsx tools/scenes/patches.ts ID [NAME…]`: what a packed scene says of its lamps and surfaces, and these of its named patches, anew from its source; the
// patches' figures come from the packed plates. For what was changed where no renders are at hand. Then `tools/scenes/pack.ts` writes the list of
// scenes with its sizes anew.
import { readFileSync, writeFileSync } from 'node:fs';
import { readScenePack, replaceDescription } from '../../src/core/scene/pack';
import { packedFile } from './files';
import { readSource, statedPatch, statedSurfaces } from './patch-source';

async function main([id = '', ...names]: string[]) {
  const source = readSource(id);
  for (const lens of JSON.parse(readFileSync('assets/scenes/scenes.json', 'utf8')).find(
    (s: { id: string }) => s.id === id,
  ).lenses) {
    const file = packedFile(id, lens);
    const bytes = readFileSync(file);
    const { description, size, space, lamps } = await readScenePack(bytes);
    const seen = { ...source, lens, fieldDeg: description.fieldDeg, size, space: space!, plates: lamps };
    const patches = source.patches.flatMap((patch) => {
      const known = description.patches.find((p) => p.name === patch.name);
      return (names.includes(patch.name) ? statedPatch(patch, seen) : known) ?? [];
    });
    const words = source.lamps.map(({ plate: _, gain: __, ...lamp }) => lamp);
    const surfaces = statedSurfaces(source, description.fieldDeg);
    const whole = { ...description, lamps: words, patches, ...(surfaces.length > 0 && { surfaces }) };
    writeFileSync(file, replaceDescription(bytes, whole));
    console.log(
      lens,
      patches.filter((p) => names.includes(p.name)),
    );
  }
}

void main(process.argv.slice(2));
