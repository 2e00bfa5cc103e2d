// Renders every plate of a scene with POV-Ray: `npx tsx tools/scenes/render.ts [SCENE]`. Finished plates are kept in
// .cache/scenes under the hash of their source; the wheel bench takes about 45 minutes on two cores.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, renameSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { PLATE_SIZE, renderFile, sourceDir } from './files';

const id = process.argv[2] ?? 'wheel-bench';
const { lamps } = JSON.parse(readFileSync(join(sourceDir(id), 'scene.json'), 'utf8')) as {
  lamps: { plate: string }[];
};
const include = ['/usr/share/povray-3.7/include', '/usr/share/povray/include'].find((d) => existsSync(d));
if (!include || spawnSync('povray', ['--version']).error) {
  console.error('POV-Ray is not installed: apt-get install povray povray-includes');
  process.exit(2);
}
for (const plate of ['DEPTH', ...lamps.map((lamp) => lamp.plate)]) {
  const target = renderFile(id, plate);
  if (existsSync(target)) {
    console.log(`${plate}: already rendered`);
    continue;
  }
  mkdirSync(dirname(target), { recursive: true });
  const partial = target.replace(/\.exr$/, '.part.exr');
  const smooth = plate === 'DEPTH' ? ['-A'] : ['+A0.08', '+AM2', '+R3'];
  const size = [`+W${PLATE_SIZE}`, `+H${PLATE_SIZE}`];
  console.log(`${plate}: rendering ${PLATE_SIZE}×${PLATE_SIZE}`);
  const run = spawnSync(
    'povray',
    [`+I${id}.pov`, `+O${partial}`, '+FE', ...size, ...smooth, '-D', `+L${include}`, `Declare=${plate}=1`],
    { cwd: sourceDir(id), stdio: ['ignore', 'ignore', 'pipe'], maxBuffer: 1 << 26 },
  );
  if (run.status !== 0) {
    console.error(run.stderr.toString().split('\n').slice(-12).join('\n'));
    process.exit(1);
  }
  renameSync(partial, target);
}
