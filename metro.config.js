// Metro as Expo sets it up, but for the schema library: Metro takes a library whole, and of this one a few functions are used. So they are
// bundled apart, a twentieth of its size. (Its ES modules also export a function named Object, which the code that Metro wraps around
// every module takes for the platform's.)
const { buildSync } = require('esbuild');
const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const LIBRARY = '@sinclair/typebox';
const USED = ['Array', 'Boolean', 'Integer', 'Literal', 'Null', 'Number', 'Object', 'Optional', 'Readonly'];
const USED_TOO = ['Record', 'String', 'Union', 'Unsafe'];
const bundled = join(__dirname, '.cache', 'schema-library.js');

buildSync({
  stdin: {
    contents: `export { ${[...USED, ...USED_TOO].join(', ')} } from '${LIBRARY}';`,
    resolveDir: __dirname,
  },
  outfile: bundled,
  bundle: true,
  minify: true,
  format: 'cjs',
  logLevel: 'error',
});

const config = getDefaultConfig(__dirname);
/** Asked for by libraries that do without it: nothing here is animated by it, and it is a third of the page's script. */
const UNUSED = ['react-native-reanimated', 'react-native-worklets'];
config.resolver.resolveRequest = (context, name, platform) => {
  if (name === LIBRARY) return { type: 'sourceFile', filePath: bundled };
  return UNUSED.includes(name) ? { type: 'empty' } : context.resolveRequest(context, name, platform);
};

module.exports = config;
