// Broken and hostile files of six layouts: each met with a report or a refusal by name, in bounded time and memory.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildSync } from 'esbuild';

jest.setTimeout(240_000);

it('meets 20 000 mutations of six layouts with typed answers, none over 1 s of processor time, all within 300 MB', () => {
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
    const { stdout, stderr, status } = spawnSync(process.execPath, [outfile, '20000'], { encoding: 'utf8' });
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
    expect(told.sound).toBeGreaterThan(1000);
    for (const code of ['truncated', 'absurd', 'bad-tag', 'unsupported', 'bad-jpeg'])
      expect(told.refused[code] ?? 0).toBeGreaterThan(20);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
