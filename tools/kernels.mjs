// `node tools/kernels.mjs [--check]`: makes the kernels from AssemblyScript and puts them beside it as text, or says which are out of date.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(fileURLToPath(import.meta.url), '..', '..');
const folder = join(root, 'src', 'core', 'kernels');
const HEAD = '// Made by tools/kernels.mjs from AssemblyScript. Not to be changed by hand.\n';
const FLAGS = ['-O3', '--enable', 'simd', '--runtime', 'stub', '--noAssert', '--initialMemory', '1'];

/** By a name that is worked out: its types would take the place of Node's. */
const COMPILER = ['assemblyscript', 'asc'].join('/');

/** File names and what is to be in them. @throws Error with what the compiler says */
async function kernelFiles() {
  const { default: asc } = await import(COMPILER);
  const files = new Map();
  for (const name of readdirSync(join(folder, 'assembly'))) {
    let binary;
    const { error, stderr } = await asc.main(
      // Sources are named from the root: names may end up in the module.
      ['--baseDir', root, `src/core/kernels/assembly/${name}`, ...FLAGS, '--outFile', 'kernel.wasm'],
      { writeFile: (_, content) => (binary = content) },
    );
    if (error) throw new Error(`${name}: ${stderr.toString()}`);
    const text = Buffer.from(binary).toString('base64');
    files.set(join(folder, name.replace(/\.ts$/, '.generated.js')), `${HEAD}exports.wasm =\n  '${text}';\n`);
  }
  return files;
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  for (const [file, text] of await kernelFiles()) {
    if (!process.argv.includes('--check')) writeFileSync(file, text);
    else if (readFileSync(file, 'utf8') !== text) {
      console.error(`${file} is out of date: node tools/kernels.mjs`);
      process.exitCode = 1;
    }
  }
