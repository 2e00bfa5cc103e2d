// `npm test`: installs what is missing (npm and Debian packages), then runs every check. The last line counts them.
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { installPackages, root, run } from './install.mjs';

/** Programs that the checks use, and the Debian packages they come in. */
const PROGRAMS = {
  chromium: 'chromium',
  unprocessed_raw: 'libraw-bin',
  dcraw: 'dcraw',
  exiftool: 'libimage-exiftool-perl',
  exiv2: 'exiv2',
};

installPackages();
installPrograms();

let [passed, failed] = [0, 0];
const bin = (name) => join(root, 'node_modules', '.bin', name);
// The build keeps one core busy, what is checked without it the other.
const building = built();
// Told where it is waited for.
building.catch(() => undefined);
await check('types', bin('tsc'), ['--noEmit']);
await check('lint', bin('eslint'), ['.']);
await check('format', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
await check('import direction', bin('depcruise'), [
  '--config',
  '.dependency-cruiser.cjs',
  'app',
  'src',
  'cli',
  'server',
  'bench',
  'tools',
]);
await check('unused code', bin('knip'), ['--no-config-hints']);
await building;
// Both cores: left to itself the runner keeps one free.
jest(['units', 'reference'], ['--maxWorkers=2']);
// What a browser leaves open is not waited for.
jest(['e2e'], ['--runInBand', '--forceExit']);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);

async function check(name, command, args) {
  const started = Date.now();
  const { status, said } = await ended(spawn(command, args, { cwd: root }));
  const good = status === 0;
  if (good) passed++;
  else failed++;
  console.log(`${good ? '✓' : '✕'} ${name} (${((Date.now() - started) / 1000).toFixed(1)} s)`);
  if (!good) console.log(said);
}

/** The app for the tests in a browser. @throws Error with what the build said when it fails */
async function built() {
  const build = "import('./tools/build.mjs').then(({ buildAll }) => buildAll())";
  const { status, said } = await ended(spawn(process.execPath, ['-e', build], { cwd: root }));
  if (status !== 0) throw new Error(`The app could not be built\n${said}`);
}

function ended(child) {
  return new Promise((resolve, reject) => {
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (bytes) => (said += bytes));
    child.on('error', reject);
    child.on('close', (status) => resolve({ status, said }));
  });
}

/** Runs projects of jest and adds their tests to the count; a suite that cannot start counts as one failure. */
function jest(projects, extra) {
  const report = join(root, '.cache', `jest-${projects.join('-')}.json`);
  mkdirSync(join(root, '.cache'), { recursive: true });
  spawnSync(bin('jest'), ['--selectProjects', ...projects, '--json', `--outputFile=${report}`, ...extra], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const { numPassedTests, numFailedTests, testResults } = JSON.parse(readFileSync(report, 'utf8'));
  passed += numPassedTests;
  failed +=
    numFailedTests +
    testResults.filter((t) => t.status === 'failed' && t.assertionResults.length === 0).length;
}

function installPrograms() {
  const missing = Object.entries(PROGRAMS).filter(([program]) => spawnSync('which', [program]).status !== 0);
  if (missing.length === 0) return;
  const packages = missing.map(([, name]) => name);
  console.log(`Installing Debian packages: ${packages.join(' ')}…`);
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', '-qq', ...args];
    run(command, rest, { env, stdio: ['ignore', 'ignore', 'inherit'] });
  };
  apt('update');
  apt('install', '-y', '--no-install-recommends', ...packages);
}
