// The table of docs/focus.md: what the automatic focus finds at twenty places of every demo scene. `npx tsx tools/focus-table.ts` writes it, in
// some minutes.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { loadScene, sceneList } from '../cli/scene-files';
import { viewScene } from '../src/core/scene/view';
import { OPTICS } from '../src/core/sensor/cameras';
import { focusTrial } from './focus-trials';

const file = join(__dirname, '..', 'docs', 'focus.md');
const [BEGIN, END] = ['<!-- table: made by tools/focus-table.ts -->', '<!-- end of the table -->'];
const LENSES = ['wide', 'tele', 'zoom-24', 'zoom-77'] as const;
const PLACES = [0, 1, 2, 3].flatMap((x) =>
  [0, 1, 2, 3, 4].map((y) => ({ x: (x + 0.5) / 4, y: (y + 0.5) / 5 })),
);

async function main(): Promise<void> {
  const head = ['Scene', ...LENSES.map((id) => `${OPTICS[id].equivalentMm} mm, ${OPTICS[id].name}`)];
  const rows = [head, head.map(() => '---')];
  const times: number[] = [];
  let [found, right, all] = [0, 0, 0];
  for (const { id, name } of sceneList()) {
    const cells: string[] = [];
    for (const lens of LENSES) {
      const camera = OPTICS[lens];
      const view = viewScene(await loadScene(id, camera.plates), camera, 'portrait');
      const trials = PLACES.map((at) => focusTrial(view, at));
      const ones = trials.filter(({ inUse }) => inUse.state === 'found');
      const good = ones.filter((one) => one.right).length;
      const own = ones.map(({ inUse }) => inUse.tookS!).sort((a, b) => a - b);
      times.push(...own);
      [found, right, all] = [found + ones.length, right + good, all + trials.length];
      const median = own[own.length >> 1];
      cells.push(ones.length === 0 ? 'none' : `${good} of ${ones.length}<br>${median!.toFixed(2)} s`);
    }
    rows.push([name, ...cells]);
  }
  times.sort((a, b) => a - b);
  const said = `Of ${all} places it found something at ${found}, and was right at ${right} of them (${((100 * right) / found).toFixed(1)} %); median time ${times[times.length >> 1]!.toFixed(2)} s.`;
  const table = `${rows.map((row) => `| ${row.join(' | ')} |`).join('\n')}\n\n${said}`;
  const text = readFileSync(file, 'utf8');
  const [from, to] = [text.indexOf(BEGIN) + BEGIN.length, text.indexOf(END)];
  writeFileSync(file, `${text.slice(0, from)}\n\n${table}\n\n${text.slice(to)}`);
}

void main();
