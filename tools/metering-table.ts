// The table of docs/metering.md: what each pattern gives on every demo scene. `npx tsx tools/metering-table.ts` writes it.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { loadScene, sceneList } from '../cli/scene-files';
import { DEFAULT_RULES, resolveExposure, type ExposureControls } from '../src/core/exposure/automatic';
import { planFor } from '../src/core/finder/finder';
import { steadyTimeS } from '../src/core/scene/view-source';
import { BURN_SHARE } from '../src/core/meter/highlight';
import type { PatternId } from '../src/core/meter/pattern';
import { readMeter } from '../src/core/meter/read';
import { SPOT_SHARES } from '../src/core/meter/spot';
import type { Scene, SceneListing } from '../src/core/scene/scene';
import { viewScene } from '../src/core/scene/view';
import { SIM_ONE_WIDE } from '../src/core/sensor/sim-one';
import { formatEv, ISO_LADDER, SHUTTER_LADDER, stepOf } from '../src/core/units/ladders';

const file = join(__dirname, '..', 'docs', 'metering.md');
const [BEGIN, END] = ['<!-- table: made by tools/metering-table.ts -->', '<!-- end of the table -->'];

const AUTOMATIC: ExposureControls = {
  shutter: { auto: true, exact: 2 ** -7 },
  iso: { auto: true, exact: 100 },
  aperture: { auto: true, exact: 1.8 },
  compensationEv: 0,
};
const COLUMNS: readonly { name: string; id: PatternId; spotShare: number }[] = [
  { name: 'Whole', id: 'whole', spotShare: SPOT_SHARES[1] },
  { name: 'Centre', id: 'centre', spotShare: SPOT_SHARES[1] },
  { name: 'Spot, small', id: 'spot', spotShare: SPOT_SHARES[0] },
  { name: 'medium', id: 'spot', spotShare: SPOT_SHARES[1] },
  { name: 'large', id: 'spot', spotShare: SPOT_SHARES[2] },
  { name: 'Highlight', id: 'highlight', spotShare: SPOT_SHARES[1] },
];

/** Markdown rows: EV at ISO 100 and the automatic settings, through the wide lens by hand, spots in the middle. */
export async function meteringTable(
  load: (id: string) => Promise<Scene> = loadScene,
  scenes: readonly SceneListing[] = sceneList(),
): Promise<string> {
  const head = ['Scene', ...COLUMNS.map((c) => c.name)];
  const rows = [head, head.map(() => '---')];
  for (const { id, name } of scenes) {
    const view = viewScene(await load(id), SIM_ONE_WIDE, 'landscape');
    const plan = planFor(
      { lens: SIM_ONE_WIDE.lens, steadyS: steadyTimeS(SIM_ONE_WIDE.equivalentMm, 'hand') },
      DEFAULT_RULES,
    );
    const cells = COLUMNS.map(({ id: pattern, spotShare }) => {
      const aim = { at: { x: 0.5, y: 0.5 }, spotShare, burnShare: BURN_SHARE };
      const { ev100 } = readMeter(view.sight, pattern, aim);
      const { settings } = resolveExposure(AUTOMATIC, ev100, plan);
      const time = stepOf(SHUTTER_LADDER, settings.shutterS).label;
      return `${formatEv(ev100).replace('+', '')}<br>${time}, ${stepOf(ISO_LADDER, settings.iso).label}`;
    });
    rows.push([name, ...cells]);
  }
  return rows.map((row) => `| ${row.join(' | ')} |`).join('\n');
}

/** The table that the document holds now. */
export function tableInDocs(): string {
  const text = readFileSync(file, 'utf8');
  return text.slice(text.indexOf(BEGIN) + BEGIN.length, text.indexOf(END)).trim();
}

async function main() {
  const text = readFileSync(file, 'utf8');
  const [before, after] = [text.slice(0, text.indexOf(BEGIN)), text.slice(text.indexOf(END))];
  writeFileSync(file, `${before}${BEGIN}\n\n${await meteringTable()}\n\n${after}`);
}

if (require.main === module) void main();
