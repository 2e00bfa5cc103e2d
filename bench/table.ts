// A table of times, each beside a reference that takes its turns with it: machines that others share change their speed from one moment
// to the next, a ratio of neighbours does not.
import { median } from './reference';

/** What times are held against. */
export interface Reference {
  readonly name: string;
  /** Once, ms. */
  once(): Promise<number> | number;
}

interface Row {
  readonly name: string;
  readonly medianMs: number;
  readonly referenceName: string;
  readonly referenceMs: number;
  /** Median of the ratios of neighbours. */
  readonly ratio: number;
  /** Most times the reference that it may take. */
  readonly budget?: number;
}

const rows: Row[] = [];
/** A budget missed by more than this is a failure for \`--budget\`. */
const FAR = 1.25;

export async function timeOf(work: () => unknown): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

function add(
  name: string,
  times: readonly number[],
  { name: referenceName }: Reference,
  references: readonly number[],
  budget?: number,
): void {
  const ratio = median(times.map((t, i) => t / references[i]!));
  const of = {
    ...{ name, referenceName, ratio },
    ...{ medianMs: median(times), referenceMs: median(references) },
  };
  rows.push(budget === undefined ? of : { ...of, budget });
}

export interface Turns {
  readonly runs: number;
  /** Runs before those that count. */
  readonly warm?: number;
  readonly beside: Reference;
}

/** Times some work. @param budget most times the reference */
export async function row(
  name: string,
  { runs, warm = 1, beside }: Turns,
  work: () => unknown,
  budget?: number,
): Promise<void> {
  const [times, references]: [number[], number[]] = [[], []];
  for (let i = -warm; i < runs; i++) {
    const [time, reference] = [await timeOf(work), await beside.once()];
    if (i < 0) continue;
    times.push(time);
    references.push(reference);
  }
  add(name, times, beside, references, budget);
}

/** Times work of several stages: a row for each, and one for the whole. @param work calls `lap` at the end of each stage */
export async function stages(
  name: string,
  { runs, warm = 1, beside }: Turns,
  work: (lap: (stage: string) => void, run: number) => unknown,
  whole: { readonly name: string; readonly budget: number },
): Promise<void> {
  const byStage = new Map<string, number[]>();
  const [wholes, references]: [number[], number[]] = [[], []];
  for (let i = 0; i < warm + runs; i++) {
    let mark = performance.now();
    let sum = 0;
    const lap = (stage: string) => {
      const took = performance.now() - mark;
      sum += took;
      const times = byStage.get(stage) ?? byStage.set(stage, []).get(stage)!;
      if (i >= warm) times.push(took);
      mark = performance.now();
    };
    await work(lap, i);
    const reference = await beside.once();
    if (i < warm) continue;
    wholes.push(sum);
    references.push(reference);
  }
  for (const [stage, times] of byStage) add(`${name}: ${stage}`, times, beside, references);
  add(`${name}: ${whole.name}`, wholes, beside, references, whole.budget);
}

/** A row from times that were taken elsewhere. */
export function known(
  name: string,
  ms: number,
  referenceName: string,
  referenceMs: number,
  budget: number,
): void {
  add(name, [ms], { name: referenceName, once: () => referenceMs }, [referenceMs], budget);
}

export function print(): void {
  if (process.argv.includes('--json')) console.log(JSON.stringify(rows));
  else
    for (const { name, medianMs, ratio, referenceName, referenceMs, budget } of rows) {
      const time = `${name.padEnd(50)} ${medianMs.toFixed(1).padStart(8)} ms   ${ratio.toFixed(2).padStart(6)} × ${referenceName} (${referenceMs.toFixed(1)} ms)`;
      const held =
        budget === undefined ? '' : `   ${ratio <= budget ? 'held' : 'MISSED'}: ${budget.toFixed(2)} ×`;
      console.log(time + held);
    }
  const missed = rows.filter(({ ratio, budget = Infinity }) => ratio > FAR * budget);
  if (process.argv.includes('--budget') && missed.length > 0) {
    console.error(`Missed by more than a quarter: ${missed.map(({ name }) => name).join('; ')}`);
    process.exitCode = 1;
  }
}
