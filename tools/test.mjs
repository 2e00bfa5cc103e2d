// `npm test`: installs what is missing (npm and Debian packages), then runs every check, both cores at work. The last line counts them.
// `npm run test:long` runs the same with all that sweeps leave out here, and other engines; `npm run test:engines` those alone.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
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
/** And those that other engines come in. */
const ENGINE_PROGRAMS = {
  'firefox-esr': 'firefox-esr',
  WebKitWebDriver: 'webkit2gtk-driver',
  Xvfb: 'xvfb',
};
const LONG = process.argv.includes('--long');
const ENGINES_ALONE = process.argv.includes('--engines');
const ENGINES = LONG || ENGINES_ALONE;
const started = Date.now();

installPackages();
installPrograms(ENGINES ? { ...PROGRAMS, ...ENGINE_PROGRAMS } : PROGRAMS);
mkdirSync(join(root, '.cache'), { recursive: true });

let [passed, failed] = [0, 0];
/** What each suite took. */
const took = [];
/** What failed and why: told again at the end, where a log that was cut still has it. */
const failures = [];
const bin = (name) => join(root, 'node_modules', '.bin', name);
const env = { ...process.env, ...(LONG && { VELMO_LONG: '1' }) };

// One core builds what pages under test are served; the other checks what needs no build.
const light = built('buildForTests');
const served = light.then(() => built('buildApp'));
// Told where it is waited for.
for (const build of [light, served]) build.catch(() => undefined);
if (!ENGINES_ALONE) await checkAll();
await light;
await served;
if (ENGINES) {
  const engines = [PROGRAMS.chromium, ENGINE_PROGRAMS['firefox-esr'], ENGINE_PROGRAMS.WebKitWebDriver];
  // Which versions of them: the driver of one tells no version of its own.
  run('dpkg-query', ['-W', ...engines]);
  // One engine at a time: each has its own browser, and both cores.
  await jest(['engines'], 1);
}
tellSeconds();
tellFailures();
console.log(`${seconds(Date.now() - started)} in all`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);

async function checkAll() {
  await check('types', process.execPath, [join(root, 'node_modules/typescript-7/bin/tsc'), '--noEmit']);
  await check('lint', bin('oxlint'), ['.']);
  await check('format', bin('oxfmt'), ['--check', '.']);
  const layers = ['app', 'src', 'cli', 'server', 'bench', 'tools'];
  await check('import direction', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', ...layers]);
  await check('names in general code', bin('tsx'), ['tools/names.ts']);
  await check('unused code', bin('knip'), ['--no-config-hints']);
  await check('weight of the repository', process.execPath, ['tools/weight.mjs']);
  // Units need no app: they have the core that is free by now, until it is there.
  await light;
  const units = jest(['units'], 1);
  await served;
  await Promise.all([units, jest(['screens', 'reference', 'e2e'], 4)]);
}

function seconds(ms) {
  return `${(ms / 1000).toFixed(1)} s`;
}

async function check(name, command, args) {
  const from = Date.now();
  const { status, said } = await ended(spawn(command, args, { cwd: root }));
  const good = status === 0;
  if (good) passed++;
  else failed++;
  console.log(`${good ? '✓' : '✕'} ${name} (${seconds(Date.now() - from)})`);
  if (good) return;
  console.log(said);
  failures.push({ name, why: said });
}

/** Something of `build.mjs`. @throws Error with what the build said when it fails */
async function built(what) {
  const from = Date.now();
  const build = `import('./tools/build.mjs').then((build) => build.${what}())`;
  const { status, said } = await ended(spawn(process.execPath, ['-e', build], { cwd: root }));
  if (status !== 0) throw new Error(`The app could not be built\n${said}`);
  console.log(`✓ ${what} (${seconds(Date.now() - from)})`);
}

function ended(child) {
  return new Promise((resolve, reject) => {
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (bytes) => (said += bytes));
    child.on('error', reject);
    child.on('close', (status) => resolve({ status, said }));
  });
}

/**
 * Runs projects of jest and adds their tests to the count; a suite that cannot start counts as one failure, and so does a run without a report.
 * More suites at a time than there are cores: those in a browser wait for frames now and then. Of what a browser leaves open nothing is waited for.
 */
async function jest(projects, suites) {
  const report = join(root, '.cache', `jest-${projects.join('-')}.json`);
  rmSync(report, { force: true });
  const runner = join(root, 'node_modules', 'jest', 'bin', 'jest.js');
  const child = spawn(
    process.execPath,
    [
      ...[runner, '--selectProjects', ...projects, `--maxWorkers=${suites}`, '--forceExit'],
      ...['--json', `--outputFile=${report}`],
    ],
    { cwd: root, env, stdio: ['ignore', 'ignore', 'inherit'] },
  );
  await ended(child);
  if (!existsSync(report)) {
    failures.push({ name: `The tests of ${projects.join(', ')}`, why: 'They gave no report.' });
    failed++;
    return;
  }
  const { numPassedTests, numFailedTests, testResults } = JSON.parse(readFileSync(report, 'utf8'));
  passed += numPassedTests;
  failed +=
    numFailedTests +
    testResults.filter((t) => t.status === 'failed' && t.assertionResults.length === 0).length;
  for (const { name, startTime, endTime, status, message, assertionResults } of testResults) {
    const suite = name.slice(root.length + 1);
    took.push({ suite, ms: endTime - startTime });
    const red = assertionResults.filter((test) => test.status === 'failed');
    for (const test of red)
      failures.push({ name: `${suite} › ${test.fullName}`, why: test.failureMessages.join('\n') });
    if (status === 'failed' && red.length === 0) failures.push({ name: suite, why: message });
  }
}

function tellSeconds() {
  console.log('Seconds a suite:');
  for (const { suite, ms } of took.sort((a, b) => b.ms - a.ms))
    console.log(`${seconds(ms).padStart(9)}  ${suite}`);
}

function tellFailures() {
  const LINES = 12;
  for (const { name, why } of failures)
    console.log(`✕ ${name}\n${why.trim().split('\n').slice(0, LINES).join('\n')}`);
}

function installPrograms(wanted) {
  const missing = Object.entries(wanted).filter(([program]) => spawnSync('which', [program]).status !== 0);
  if (missing.length === 0) return;
  const packages = missing.map(([, name]) => name);
  console.log(`Installing Debian packages: ${packages.join(' ')}…`);
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const quiet = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', '-qq', ...args];
    run(command, rest, { env: quiet, stdio: ['ignore', 'ignore', 'inherit'] });
  };
  apt('update');
  apt('install', '-y', '--no-install-recommends', ...packages);
}
