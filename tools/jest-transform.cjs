// For the test runner: types, JSX and modules taken away by esbuild, in a few milliseconds a file. Functions stay as they are written, for
// tests send them into pages. Suites that put mocks in place of modules go through Babel, which moves those above the imports.
const { createHash } = require('node:crypto');
const { extname } = require('node:path');
const { transformSync, version } = require('esbuild');

const LOADERS = { '.ts': 'ts', '.tsx': 'tsx', '.js': 'jsx', '.jsx': 'jsx', '.mjs': 'jsx', '.cjs': 'jsx' };
/**
 * On the file's first line, so that lines stay where they are. Each module has its own name for Math: tests run in a sandbox whose globals are
 * looked up through the host at every use, which makes a pass over pixels twenty times slower than it is.
 */
const MATH = 'const Math = globalThis.Math;';
const ADDRESS = "const __address = require('url').pathToFileURL(__filename).href;";

let babel;
const mocking = () =>
  (babel ??= require('babel-jest').default.createTransformer({
    configFile: false,
    presets: ['@babel/preset-typescript', ['@babel/preset-react', { runtime: 'automatic' }]],
    plugins: ['@babel/plugin-transform-modules-commonjs', '@babel/plugin-transform-dynamic-import'],
  }));

module.exports = {
  process(source, path, options) {
    if (source.includes('jest.mock(')) return mocking().process(source, path, options);
    const { code, map } = transformSync(source, {
      loader: LOADERS[extname(path)] ?? 'js',
      format: 'cjs',
      target: 'es2022',
      jsx: 'automatic',
      sourcemap: 'external',
      sourcefile: path,
      sourcesContent: false,
      define: { 'import.meta.url': '__address' },
      supported: { 'dynamic-import': false },
    });
    const own = /\b(?:const|let|var|function|class|import) Math\b/.test(source) ? '' : MATH;
    const address = source.includes('import.meta.url') ? ADDRESS : '';
    return { code: own + address + code, map };
  },
  getCacheKey(source, path, { configString }) {
    return createHash('sha256')
      .update(`${version} ${__filename} ${configString} ${path}\n`)
      .update(source)
      .digest('hex');
  },
};
