// Broken and hostile files of six layouts: each met with a report or a refusal by name, in bounded time and memory.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { LONG } from '../sweep';

/** All of them in the long checks. */
const MUTATIONS = LONG ? 100_000 : 5000;

it('meets mutations of six layouts, by the thousand, with typed answers, none over 1 s of processor time, all within 300 MB', () => {
  const folder = mkdtempSync(join(tmpdir(), 'velmo-fuzz-'));
  try {
    const outfile = join(folder, 'fuzz.cjs');
    buildSync({
      entryPoints: [join(__dirname, 'fuzz-dng.ts')],
      bundle: true,
      platform: 'node',
      outfile,
      logLevel: 'error',
    });
    const { stdout, stderr, status } = spawnSync(process.execPath, [outfile, String(MUTATIONS)], {
      encoding: 'utf8',
    });
    expect([status, stderr]).toEqual([0, '']);
    const told = JSON.parse(stdout) as {
      sound: number;
      refused: Record<string, number>;
      untyped: string[];
      longestMs: number;
      mostMb: number;
    };
    expect(told.untyped).toEqual([]);
    expect(told.longestMs).toBeLessThan(1000);
    expect(told.mostMb).toBeLessThan(300);
    // The mutations do reach what is behind the first checks.
    expect(told.sound).toBeGreaterThan(MUTATIONS / 20);
    for (const code of ['truncated', 'absurd', 'bad-tag', 'unsupported', 'bad-jpeg'])
      expect(told.refused[code] ?? 0).toBeGreaterThan(MUTATIONS / 1000);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
