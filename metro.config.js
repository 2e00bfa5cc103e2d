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
/** Asked for by libraries that do without them here: animation, and the frames and tabs of other platforms. A third of the page's script. */
const UNUSED = [...['react-native-reanimated', 'react-native-worklets', 'color']];
/** Parts of libraries that nothing here shows: navigators and links of the router beside its slot, gestures' own buttons and drawers and their older engine. */
const UNUSED_PARTS = [
  /expo-router\/build\/(layouts\/(Tabs|experimental-stack|stack-utils)|stack|native-tabs|color|standard-navigation)(\/|\.js)/,
  /expo-router\/build\/(link\/(LinkWithPreview|preview\/(HrefPreview|native))|views\/Sitemap|react-navigation\/(bottom-tabs|native-stack|elements))(\/|\.js)/,
  /react-native-gesture-handler\/lib\/module\/(web_hammer|components\/(DrawerLayout|Swipeable|Reanimated|touchables|Pressable|GestureButtons|GestureComponents))/,
];
config.resolver.resolveRequest = (context, name, platform) => {
  if (name === LIBRARY) return { type: 'sourceFile', filePath: bundled };
  if (UNUSED.includes(name)) return { type: 'empty' };
  const found = context.resolveRequest(context, name, platform);
  return UNUSED_PARTS.some((part) => part.test(found.filePath ?? '')) ? { type: 'empty' } : found;
};

module.exports = config;
