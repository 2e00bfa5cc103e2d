// The kernels that ship are the ones that their sources make.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

it('kernels are up to date (node tools/kernels.mjs)', () => {
  const { status, stderr } = spawnSync(process.execPath, [join(__dirname, 'kernels.mjs'), '--check']);
  expect(stderr.toString()).toBe('');
  expect(status).toBe(0);
});
