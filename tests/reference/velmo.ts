// The terminal's program as tests call it: commands in one thread, with a folder of their own for what they make.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LIGHT } from '../light-scenes';
import { openTerminal, type Answer } from './terminal';

export interface Velmo {
  readonly folder: string;
  /** @param words as they are typed */
  run(...words: string[]): Answer & { json(): Record<string, never> };
  /** The same over another folder of scenes. */
  on(scenes: string): Pick<Velmo, 'run' | 'preview'>;
  /** A small capture of the wheel bench, told as JSON; at a distance that is told, unless something is said of focus. */
  preview(out: string, ...args: string[]): Record<string, never>;
  close(): Promise<unknown>;
}

export function openVelmo(): Velmo {
  const folder = mkdtempSync(join(tmpdir(), 'velmo-cli-'));
  const terminal = openTerminal();
  const on = (scenes: string) => {
    const run = (...words: string[]) => {
      const answer = terminal.run(words, scenes);
      return { ...answer, json: () => JSON.parse(answer.stdout) as Record<string, never> };
    };
    const preview = (out: string, ...args: string[]) =>
      run(
        ...['shoot', '--scene', 'wheel-bench', '--size', 'preview', '--json', '--force'],
        ...['--out', join(folder, out)],
        ...(args.includes('--focus') ? [] : ['--focus', '1.2']),
        ...args,
      ).json();
    return { run, preview };
  };
  return {
    folder,
    on,
    ...on(LIGHT),
    close: () => {
      rmSync(folder, { recursive: true, force: true });
      return terminal.close();
    },
  };
}
