// The table of docs/focus.md: what the automatic focus finds at twenty places of every demo scene, through every lens with a drive, upright and lying, by
// hand and on a tripod. `npx tsx tools/focus-table.ts` writes it, in a quarter of an hour on two cores: each half of the lenses in a process of its own.
import { spawn } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { loadScene, sceneList } from '../cli/scene-files';
import { OPENING, SUPPORTS, type Support } from '../src/core/scene/outside';
import { viewScene } from '../src/core/scene/view';
import { OPTICS } from '../src/core/sensor/cameras';
import { focusTrial, hasContrast } from './focus-trials';

const file = join(__dirname, '..', 'docs', 'focus.md');
const [BEGIN, END] = ['<!-- table: made by tools/focus-table.ts -->', '<!-- end of the table -->'];
const LENSES = ['wide', 'tele', 'zoom-24', 'zoom-77'] as const;
type Lens = (typeof LENSES)[number];
const ACROSS = 4;
const DOWN = 5;

interface Tried {
  readonly scene: string;
  readonly lens: Lens;
  readonly support: Support;
  readonly contrast: boolean;
  readonly found: boolean;
  readonly right: boolean;
  readonly tookS: number | null;
  /** To find it again. */
  readonly where: string;
}

/** Tries a lens everywhere; tells each trial as a line of JSON. */
async function tryLens(lens: Lens): Promise<void> {
  const camera = OPTICS[lens];
  for (const { id: scene } of sceneList()) {
    const whole = await loadScene(scene, camera.plates);
    for (const orientation of ['portrait', 'landscape'] as const)
      for (const support of SUPPORTS) {
        const view = viewScene(whole, camera, orientation, { ...OPENING, support });
        const [across, down] = orientation === 'portrait' ? [ACROSS, DOWN] : [DOWN, ACROSS];
        for (let i = 0; i < across * down; i++) {
          const at = { x: ((i % across) + 0.5) / across, y: (Math.floor(i / across) + 0.5) / down };
          const { inUse, right } = focusTrial(view, at);
          const tried: Tried = {
            ...{ scene, lens, support, right, contrast: hasContrast(view, at) },
            ...{ found: inUse.state === 'found', tookS: inUse.tookS },
            where: `${orientation} ${at.x.toFixed(3)},${at.y.toFixed(3)} → ${inUse.focusM.toFixed(2)} m`,
          };
          process.stdout.write(`${JSON.stringify(tried)}\n`);
        }
      }
  }
}

async function inProcess(lenses: readonly Lens[]): Promise<Tried[]> {
  const child = spawn(process.execPath, [...process.execArgv, __filename, ...lenses], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  child.stdout.on('data', (bytes: Buffer) => (said += bytes.toString()));
  const status = await new Promise((done) => child.on('close', done));
  if (status !== 0) throw new Error(`The trials of ${lenses.join(', ')} ended with ${String(status)}`);
  return said
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Tried);
}

function tableOf(all: readonly Tried[]): string {
  const found = (ones: readonly Tried[]) => ones.filter((one) => one.found);
  const cell = (ones: readonly Tried[]) => {
    const by = SUPPORTS.map((support) => {
      const there = ones.filter((one) => one.support === support && one.contrast);
      return `${found(there).length} of ${there.length}`;
    });
    const wrong = found(ones).filter(({ right }) => !right).length;
    return `${by.join(' · ')}${wrong > 0 ? `<br>${wrong} wrong` : ''}`;
  };
  const head = ['Scene', ...LENSES.map((id) => `${OPTICS[id].equivalentMm} mm, ${OPTICS[id].name}`)];
  const rows = [head, head.map(() => '---')];
  for (const { id, name } of sceneList())
    rows.push([name, ...LENSES.map((lens) => cell(all.filter((t) => t.scene === id && t.lens === lens)))]);
  const said = SUPPORTS.map((support) => {
    const ones = all.filter((one) => one.support === support);
    const there = ones.filter(({ contrast }) => contrast);
    const whole = found(ones);
    const wrong = whole.filter(({ right }) => !right).length;
    return (
      `${support === 'hand' ? 'By hand' : 'On a tripod'} it found something at ${found(there).length} of ${there.length} places with contrast ` +
      `(${share(found(there).length, there.length)}) and at ${whole.length - found(there).length} others, and was wrong at ${wrong} (${share(wrong, whole.length)}).`
    );
  });
  const times = found(all)
    .map(({ tookS }) => tookS!)
    .sort((a, b) => a - b);
  said.push(`Median time ${times[times.length >> 1]!.toFixed(2)} s.`);
  return `${rows.map((row) => `| ${row.join(' | ')} |`).join('\n')}\n\n${said.join(' ')}`;
}

const share = (part: number, whole: number) => `${((100 * part) / whole).toFixed(1)} %`;

async function main(): Promise<void> {
  const half = LENSES.length / 2;
  const all = (await Promise.all([inProcess(LENSES.slice(0, half)), inProcess(LENSES.slice(half))])).flat();
  for (const { scene, lens, support, where } of all.filter((one) => one.found && !one.right))
    console.log(`wrong: ${scene}, ${lens}, ${support}, ${where}`);
  const text = readFileSync(file, 'utf8');
  const [from, to] = [text.indexOf(BEGIN) + BEGIN.length, text.indexOf(END)];
  writeFileSync(file, `${text.slice(0, from)}\n\n${tableOf(all)}\n\n${text.slice(to)}`);
}

async function mainOf(asked: readonly string[]): Promise<void> {
  if (asked.length === 0) return main();
  for (const lens of LENSES) if (asked.includes(lens)) await tryLens(lens);
}

void mainOf(process.argv.slice(2));
