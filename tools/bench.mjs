// `npm run bench [-- --json]`: bundles bench/main.ts as the app's code is bundled (calls across modules cost nothing then)
// and runs it.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { root, run } from './install.mjs';

const bundle = join(root, '.cache', 'bench.cjs');
buildSync({
  entryPoints: [join(root, 'bench', 'main.ts')],
  bundle: true,
  platform: 'node',
  outfile: bundle,
  logLevel: 'error',
});
run(process.execPath, [bundle, ...process.argv.slice(2)]);
// What the page costs, in a browser; figures for a program to read are of the core alone.
if (!process.argv.includes('--json') && existsSync(join(root, 'dist', 'index.html')))
  run('npx', ['tsx', 'bench/page.ts']);
