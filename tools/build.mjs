// Builds the app and the demo roll, each only when what it is made from has changed.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { root, run } from './install.mjs';

const cache = join(root, '.cache');

/** The app and what the demo shows. */
export function buildAll() {
  buildApp();
  step(
    'roll',
    ['src/core', 'cli', 'tools/demo-roll.ts', 'assets/scenes'],
    join(cache, 'demo', 'roll.json'),
    () => {
      console.log('Taking the demo roll: eight frames…');
      run('npx', ['tsx', 'tools/demo-roll.ts']);
    },
  );
}

/** What pages under test are served beside the app: scenes with a part of their detail, and a roll with a part of its sites. */
export function buildForTests() {
  const scene = ['src/core/scene', 'src/core/numeric', 'assets/scenes'];
  step('light-scenes', [...scene, 'tools/light-scenes.ts'], join(cache, 'light-scenes', 'scenes.json'), () =>
    run('npx', ['tsx', 'tools/light-scenes.ts']),
  );
  step(
    'small-roll',
    ['src/core', 'cli', 'tools/demo-roll.ts', 'tools/light-scenes.ts', 'assets/scenes'],
    join(cache, 'small-roll', 'roll.json'),
    () => run('npx', ['tsx', 'tools/demo-roll.ts', '--small'], { stdio: ['ignore', 'ignore', 'inherit'] }),
  );
}

export function buildApp() {
  step(
    'app',
    [
      'app',
      'src',
      'public',
      'app.json',
      'babel.config.js',
      'metro.config.js',
      'package-lock.json',
      'tools/build.mjs',
      'tools/minify.cjs',
    ],
    join(root, 'dist', 'index.html'),
    () => {
      console.log('Building the app (about a minute)…');
      rmSync(join(root, 'dist'), { recursive: true, force: true });
      const env = { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1' };
      const built = spawnSync('npx', ['expo', 'export', '-p', 'web'], { cwd: root, env, encoding: 'utf8' });
      if (built.status !== 0) {
        console.error(built.stdout, built.stderr);
        process.exit(1);
      }
      addBootScript();
      compressAll(join(root, 'dist'));
    },
  );
}

/**
 * A few lines that start the finder's worker, and through it the scene, while the browser still reads the app's own script.
 * They need the hashed name of the worker, which only exists after the build.
 */
function addBootScript() {
  const scripts = join('_expo', 'static', 'js', 'web');
  const finder = readdirSync(join(root, 'dist', scripts)).find((name) => /^finder-[0-9a-f]+\.js$/.test(name));
  const { scene, optic } = JSON.parse(readFileSync(join(root, 'src', 'live', 'opening.json'), 'utf8'));
  const page = join(root, 'dist', 'index.html');
  const html = readFileSync(page, 'utf8');
  if (!finder || !html.includes('<body>')) throw new Error('The built page is not as expected');
  writeFileSync(
    join(root, 'dist', 'boot.js'),
    `if (location.pathname === '/') {
  self.velmoFinder = new Worker('/${scripts}/${finder}', { name: 'finder' });
  self.velmoFinder.postMessage({ velmoScene: ${JSON.stringify({ id: scene, lens: optic })} });
}
`,
  );
  writeFileSync(page, html.replace('<body>', '<body>\n    <script src="/boot.js"></script>'));
}

/** Lays compressed files beside those that shrink, for the server. */
function compressAll(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const file = join(folder, entry.name);
    if (entry.isDirectory()) compressAll(file);
    else if (/\.(js|html|json|css|svg)$/.test(entry.name) && statSync(file).size >= LEAST_COMPRESSED) {
      const bytes = readFileSync(file);
      writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }));
      const params = { [constants.BROTLI_PARAM_QUALITY]: 9 };
      writeFileSync(`${file}.br`, brotliCompressSync(bytes, { params }));
    }
  }
}
const LEAST_COMPRESSED = 1024;

function step(name, sources, product, make) {
  const hash = createHash('sha256');
  for (const source of sources)
    for (const file of filesOf(join(root, source)))
      hash.update(relative(root, file)).update(readFileSync(file));
  const digest = hash.digest('hex');
  const stamp = join(cache, `${name}.built`);
  if (existsSync(product) && existsSync(stamp) && readFileSync(stamp, 'utf8') === digest) return;
  make();
  mkdirSync(cache, { recursive: true });
  writeFileSync(stamp, digest);
}

function filesOf(path) {
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path, { withFileTypes: true })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) => (/\.test\.tsx?$/.test(entry.name) ? [] : filesOf(join(path, entry.name))));
}
