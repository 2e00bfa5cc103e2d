// What is served to pages under test: scenes with a part of their detail, and the demo's roll with a sixteenth of its sites. Both are made by
// `tools/build.mjs`.
import { join } from 'node:path';
import { defaultFolders, type ServerOptions } from '../../server/main';

const cache = join(__dirname, '..', '..', '.cache');

export const testFolders: ServerOptions = {
  ...defaultFolders,
  scenes: join(cache, 'light-scenes'),
  demo: join(cache, 'small-roll'),
};
