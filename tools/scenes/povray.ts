// Calls POV-Ray for one plate of one scene.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { scenesDir, sourceDir } from './files';

const include = ['/usr/share/povray-3.7/include', '/usr/share/povray/include'].find((d) => existsSync(d));

export function rendererIsThere(): boolean {
  return include !== undefined && !spawnSync('povray', ['--version']).error;
}

export interface Render {
  id: string;
  /** A lamp's plate, DEPTH or SURFACE. */
  plate: string;
  fieldDeg: number;
  size: number;
  /** Coarse light, no smoothing: for a look, or a check. */
  draft?: boolean;
}

/** @throws Error with the renderer's last words when it fails */
export function render(order: Render, target: string): void {
  renderIn(sourceDir(order.id), order, target);
}

/** Renders a source that lies in `folder`, which is searched before the shared one. */
export function renderIn(folder: string, { id, plate, fieldDeg, size, draft }: Render, target: string): void {
  const light = plate !== 'DEPTH' && plate !== 'SURFACE';
  const smooth = light && !draft ? ['+A0.3', '+AM2', '+R2'] : ['-A'];
  const declare = [`${plate}=1`, `FIELD=${fieldDeg}`, `DRAFT=${draft ? 1 : 0}`].map((d) => `Declare=${d}`);
  const run = spawnSync(
    'povray',
    [
      `+I${id}.pov`,
      `+O${target}`,
      '+FE',
      `+W${size}`,
      `+H${size}`,
      ...smooth,
      '-D',
      `+L${folder}`,
      `+L${include}`,
      `+L${scenesDir}`,
      ...declare,
    ],
    { cwd: folder, stdio: ['ignore', 'ignore', 'pipe'], maxBuffer: 1 << 26 },
  );
  if (run.status !== 0) throw new Error(run.stderr.toString().split('\n').slice(-12).join('\n'));
}
