// `npm run demo [-- --port N]`: installs what is missing, builds what has changed, serves the app until Ctrl-C.
import { spawn } from 'node:child_process';
import { installPackages, root } from './install.mjs';

const port = askedPort(process.argv.slice(2));
installPackages();
const { buildAll } = await import('./build.mjs');
buildAll();
const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', port], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

/** `--port N` or `--port=N`, before anything is installed or built. */
function askedPort(words) {
  let asked = '8787';
  for (let i = 0; i < words.length; i++) {
    const [name, inline] = words[i].split(/=(.*)/s);
    if (name !== '--port') refuse(`npm run demo does not know ${words[i]}: only --port N`);
    asked = inline ?? words[++i] ?? '';
  }
  if (!/^\d{1,5}$/.test(asked) || Number(asked) > 65535)
    refuse(`--port needs a number from 0 to 65535, not ${asked || 'nothing'}`);
  return asked;
}

function refuse(message) {
  console.error(message);
  process.exit(2);
}
