// `node tools/weight.mjs`: what the repository weighs. No file over 3 MB, none that is only a pointer to one, and pictures of the documents that
// are pictures, each at most 500 KB and all together 6 MB.
import { execFileSync } from 'node:child_process';
import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './install.mjs';

const MOST_FILE = 3_000_000;
const MOST_PICTURE = 500_000;
const MOST_PICTURES = 6_000_000;
/** Large by their nature: the scene that the program opens with, in all its detail. */
const LARGER = new Map([['assets/scenes/wheel-bench.wide.vsc', 4_000_000]]);
const PNG = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
const POINTER = Buffer.from('version https://git-lfs');

const files = execFileSync('git', ['ls-files', '-z'], { cwd: root, encoding: 'utf8' })
  .split('\0')
  .filter(Boolean);
const troubles = [];
let pictures = 0;
for (const file of files) {
  const size = statSync(join(root, file), { throwIfNoEntry: false })?.size;
  if (size === undefined) continue;
  const head = readFileSync(join(root, file)).subarray(0, POINTER.length);
  if (head.equals(POINTER)) troubles.push(`${file} is a pointer's text`);
  if (size > (LARGER.get(file) ?? MOST_FILE)) troubles.push(`${file} has ${size} bytes`);
  if (!/^docs\/.*\.png$/.test(file)) continue;
  pictures += size;
  if (size > MOST_PICTURE) troubles.push(`${file} has ${size} bytes: pictures have ${MOST_PICTURE} at most`);
  if (!head.subarray(0, PNG.length).equals(PNG)) troubles.push(`${file} is no picture`);
}
if (pictures > MOST_PICTURES)
  troubles.push(`pictures have ${pictures} bytes together: ${MOST_PICTURES} at most`);
for (const trouble of troubles) console.error(trouble);
if (troubles.length > 0) process.exitCode = 1;
