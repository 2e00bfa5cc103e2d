// `npm run demo [-- --port N]`: installs what is missing, builds what has changed, serves the app until Ctrl-C.
import { spawn } from 'node:child_process';
import { installPackages, root } from './install.mjs';

const at = process.argv.indexOf('--port');
const port = at > 0 ? process.argv[at + 1] : '8787';
if (!/^\d{1,5}$/.test(port ?? '')) {
  console.error(`--port needs a number, not ${port}`);
  process.exit(2);
}
installPackages();
const { buildAll } = await import('./build.mjs');
buildAll();
const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', port], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
