// `npm run bench [-- --json | --budget]`: bundles bench/main.ts as the app's code is bundled (calls across modules cost nothing then)
// and runs it.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { root } from './install.mjs';

const bundle = join(root, '.cache', 'bench.cjs');
buildSync({
  entryPoints: [join(root, 'bench', 'main.ts')],
  bundle: true,
  platform: 'node',
  outfile: bundle,
  logLevel: 'error',
});
/** One after the other, whatever the one before found. */
function goOn(command, args) {
  const { status } = spawnSync(command, [...args, ...process.argv.slice(2)], { cwd: root, stdio: 'inherit' });
  if (status !== 0) process.exitCode = 1;
}
goOn(process.execPath, [bundle]);
// What the page costs, in a browser; figures for a program to read are of the core alone.
if (!process.argv.includes('--json') && existsSync(join(root, 'dist', 'index.html')))
  goOn('npx', ['tsx', 'bench/page.ts']);
