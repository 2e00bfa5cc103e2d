// The tables of docs/white.md: what the automatic white makes of every demo scene under each of its lamps alone, against what a white surface gives
// the sensor in that lamp's light; the sensor's sensitivities; the tiles' reflectances. `npx tsx tools/white-table.ts` writes them.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { loadScene, sceneList } from '../cli/scene-files';
import { colourOfNeutral } from '../src/core/colour/camera';
import { answer, spectrumFrom, spectrumOfLight, wavelengthNm } from '../src/core/colour/spectra';
import { SAMPLES } from '../src/core/colour/spectral-tables';
import type { WhitePoint } from '../src/core/colour/temperature';
import type { MixedLight } from '../src/core/white/mixed';
import type { Vec3 } from '../src/core/numeric/matrix';
import { finderFor, type FinderAsk } from '../src/core/finder/finder';
import { OPENING } from '../src/core/scene/outside';
import type { SceneLamp, SceneListing } from '../src/core/scene/scene';
import { viewScene } from '../src/core/scene/view';
import { viewSource } from '../src/core/scene/view-source';
import { SIM_ONE_WIDE } from '../src/core/sensor/sim-one';
import { initialValues } from '../src/core/setting/values';

const file = join(__dirname, '..', 'docs', 'white.md');
const BLOCKS = ['table', 'sensitivities', 'tiles'] as const;
type Block = (typeof BLOCKS)[number];
const begin = (block: Block) => `<!-- ${block}: made by tools/white-table.ts -->`;
const end = (block: Block) => `<!-- end of the ${block} -->`;

const ASK: FinderAsk = {
  settings: initialValues(),
  freely: false,
  at: { x: 0.5, y: 0.5 },
  focusAt: { x: 0.5, y: 0.5 },
  focusAgain: 0,
  pins: [],
  lockedEv100: null,
  habitEv: 0,
  ring: null,
  outlook: { tolerance: { share: 0.0001, area: 0 }, cleanDb: 10 },
};

export interface WhiteError {
  readonly scene: string;
  readonly lamp: string;
  readonly truth: WhitePoint;
  readonly found: WhitePoint;
  readonly mired: number;
  readonly tint: number;
  readonly sure: boolean;
  /** True where it is told to be lit by two lights. */
  readonly mixed: boolean;
}

/** What a white surface in a lamp's light alone is to the camera. */
function truthOf({ light }: SceneLamp): WhitePoint {
  const { sensitivities, matrices } = SIM_ONE_WIDE;
  const power = spectrumOfLight(light);
  return colourOfNeutral(matrices, sensitivities.map((site) => answer(site, power)) as unknown as Vec3).white;
}

/** Through the wide lens on a tripod, as the finder sees it at its own exposure. */
export async function whiteErrors(
  scenes: readonly SceneListing[] = sceneList(),
): Promise<readonly WhiteError[]> {
  const errors: WhiteError[] = [];
  for (const { id, name, lamps } of scenes) {
    const scene = await loadScene(id);
    for (const lamp of lamps) {
      const levels = Object.fromEntries(lamps.map((other) => [other.id, other === lamp ? 1 : 0]));
      const view = viewScene(scene, SIM_ONE_WIDE, 'landscape', { ...OPENING, levels, support: 'tripod' });
      const { frame, white } = finderFor(viewSource(view)).measure(ASK, 1);
      const [truth, found] = [truthOf(lamp), frame.colour.white];
      errors.push({
        ...{ scene: name, lamp: lamp.name, truth, found },
        mired: 1e6 / found.kelvin - 1e6 / truth.kelvin,
        tint: found.tint - truth.tint,
        sure: white.by === 'automatic',
        mixed: white.mixed !== null,
      });
    }
  }
  return errors;
}

/** The two lights of a scene as it opens, as the finder tells of them. */
export async function openingLights(id: string): Promise<MixedLight | null> {
  const view = viewScene(await loadScene(id), SIM_ONE_WIDE, 'landscape', { ...OPENING, support: 'tripod' });
  return finderFor(viewSource(view)).measure(ASK, 1).white.mixed;
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

const signed = (value: number) => formatSigned(Math.round(value));
const formatSigned = (whole: number) => (whole > 0 ? `+${whole}` : whole < 0 ? `−${-whole}` : '0');
const words = ({ kelvin, tint }: WhitePoint) => `${Math.round(kelvin)} K, ${signed(tint)}`;

const rowsOf = (head: readonly string[], rows: readonly (readonly string[])[]) =>
  [head, head.map(() => '---'), ...rows].map((row) => `| ${row.join(' | ')} |`).join('\n');

/** Markdown rows. */
export function tableOf(errors: readonly WhiteError[]): string {
  return rowsOf(
    ['Scene', 'Lamp', 'White in it', 'Automatic', 'Off, mired', 'Off, tint', ''],
    errors.map(({ scene, lamp, truth, found, mired, tint, sure }) => [
      ...[scene, lamp, words(truth), words(found), signed(mired), signed(tint)],
      sure ? '' : 'a guess',
    ]),
  );
}

/** Every so many samples of a spectrum. */
const every = (samples: number) =>
  Array.from({ length: Math.ceil(SAMPLES / samples) }, (_, i) => i * samples);

function sensitivityTable(): string {
  return rowsOf(
    ['nm', 'R', 'G', 'B'],
    every(4).map((i) => [
      String(wavelengthNm(i)),
      ...SIM_ONE_WIDE.sensitivities.map((site) => (100 * site[i]!).toFixed(2)),
    ]),
  );
}

async function tileTable(): Promise<string> {
  const { description } = await loadScene('tile-board');
  const at = every(8);
  return rowsOf(
    ['Tile', ...at.map((i) => String(wavelengthNm(i)))],
    (description.surfaces ?? []).map(({ name, spectrum }) => {
      const rho = spectrumFrom(spectrum);
      return [name, ...at.map((i) => String(Math.round(100 * rho[i]!)))];
    }),
  );
}

/** A table that the document holds now. */
export function blockInDocs(block: Block): string {
  const text = readFileSync(file, 'utf8');
  return text.slice(text.indexOf(begin(block)) + begin(block).length, text.indexOf(end(block))).trim();
}

export async function blocks(errors: readonly WhiteError[]): Promise<Readonly<Record<Block, string>>> {
  return { table: tableOf(errors), sensitivities: sensitivityTable(), tiles: await tileTable() };
}

async function main() {
  const made = await blocks(await whiteErrors());
  let text = readFileSync(file, 'utf8');
  for (const block of BLOCKS) {
    const before = text.slice(0, text.indexOf(begin(block)) + begin(block).length);
    text = `${before}\n\n${made[block]}\n\n${text.slice(text.indexOf(end(block)))}`;
  }
  writeFileSync(file, text);
}

if (require.main === module) void main();
