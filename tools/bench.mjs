// `npm run bench [-- --json]`: bundles bench/main.ts as the app's code is bundled (calls across modules cost nothing then)
// and runs it.
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
