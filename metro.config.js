// Metro as Expo sets it up, with what is not used of libraries left out. Metro takes a library whole; of those here a few names are used, so
// they are bundled apart, each to a fraction of its size, and parts of others are emptied. (The schema library's ES modules also export a
// function named Object, which the code that Metro wraps around every module takes for the platform's.)
const { build } = require('esbuild');
const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

/** What is used of each library. A name that is missing here fails when the app is built. */
const USED = {
  '@sinclair/typebox': [
    ...['Array', 'Boolean', 'Integer', 'Literal', 'Null', 'Number', 'Object', 'Optional', 'Readonly'],
    ...['Record', 'String', 'Union', 'Unsafe'],
  ],
  '@tanstack/react-query': ['QueryClient', 'QueryClientProvider', 'useMutation', 'useQuery'],
  'react-native-gesture-handler': ['Gesture', 'GestureDetector', 'GestureHandlerRootView'],
  'react-native-svg': ['default', 'Circle', 'Ellipse', 'G', 'Line', 'Path', 'Polygon', 'Rect'],
};
/** Asked for by libraries that do without them here: animation, and frames of other platforms. */
const UNUSED = ['react-native-reanimated', 'react-native-worklets', 'color', 'react-native-screens'];
/** Navigators, links and screens of the router that nothing here shows, and what it forks and takes along all the same. */
const UNUSED_PARTS =
  /expo-router\/build\/(layouts\/(Tabs|experimental-stack|stack-utils)|stack|native-tabs|color|standard-navigation|views\/(Sitemap|Toast|ErrorBoundary)|link\/(LinkWithPreview|ExpoLink|BaseExpoRouterLink|elements|preview\/(HrefPreview|native))|react-navigation\/(bottom-tabs|native-stack|elements|core\/(StaticNavigation|getStateFromPath|getPathFromState)|routers\/(Tab|Drawer)Router|native\/(createStaticNavigation|useLinking|NavigationContainer|createMemoryHistory|Link|useLinkProps)))(\/|\.js)/;
/** What libraries call, extend or lay around the page while they load, so that something must stand in its place. */
const STOOD_IN = [
  /expo-router\/(build\/(fork\/native-stack\/createNativeStackNavigator|screensFeatureFlags|views\/Unmatched|link\/Link)\.js|vendor\/react-helmet-async\/)/,
  /react-native-web\/dist\/vendor\/react-native\/(VirtualizedList|VirtualizedSectionList|FlatList|SectionList|Animated|LayoutAnimation|PanResponder)/,
  /react-native-web\/dist\/exports\/(Touchable[A-Z]|CheckBox|Switch|Picker|ProgressBar|Button|KeyboardAvoidingView|Modal|YellowBox|LogBox|Vibration|Share|ImageBackground|Animated|ActivityIndicator)/,
];
/** Of the libraries that are bundled apart: an older engine of gestures, and what is drawn with them. */
const UNUSED_APART =
  /@egjs\/hammerjs|react-native-gesture-handler\/lib\/module\/(web_hammer|web\/handlers\/(Fling|Rotation|Hover|Manual)GestureHandler|components\/(Drawer|Swip|Reanimated|touchables|Pressable|Gesture(Buttons|Components)|Text))/;

const apart = (library) => join(__dirname, '.cache', 'libraries', `${library.replace('/', '-')}.js`);
const emptied = {
  name: 'emptied',
  setup: (run) =>
    run.onLoad({ filter: UNUSED_APART }, () => ({ contents: 'module.exports = {};', loader: 'js' })),
};
const bundleApart = ([library, names]) =>
  build({
    stdin: { contents: `export { ${names.join(', ')} } from '${library}';`, resolveDir: __dirname },
    outfile: apart(library),
    bundle: true,
    minify: true,
    format: 'esm',
    external: ['react', 'react/jsx-runtime', 'react-native', ...UNUSED],
    resolveExtensions: ['.web.js', '.js'],
    mainFields: ['module', 'main'],
    define: { __DEV__: 'false', 'process.env.NODE_ENV': '"production"' },
    loader: { '.js': 'jsx' },
    jsx: 'automatic',
    plugins: [emptied],
    logLevel: 'error',
  });

const config = getDefaultConfig(__dirname);
config.transformer.minifierPath = join(__dirname, 'tools', 'minify.cjs');
// Short names for what wraps each module are the minifier's work too.
config.transformer.unstable_disableNormalizePseudoGlobals = true;
const standIn = join(__dirname, 'tools', 'stand-in.cjs');
config.resolver.resolveRequest = (context, name, platform) => {
  if (Object.hasOwn(USED, name)) return { type: 'sourceFile', filePath: apart(name) };
  if (UNUSED.includes(name)) return { type: 'empty' };
  const found = context.resolveRequest(context, name, platform);
  const path = found.filePath ?? '';
  if (STOOD_IN.some((part) => part.test(path))) return { type: 'sourceFile', filePath: standIn };
  return UNUSED_PARTS.test(path) ? { type: 'empty' } : found;
};

module.exports = async () => {
  await Promise.all(Object.entries(USED).map(bundleApart));
  return config;
};
