// For the test runner: types, JSX and modules taken away by esbuild, in a few milliseconds a file. Functions stay as they are written, for
// tests send them into pages. Suites that put mocks in place of modules go through Babel, which moves those above the imports.
const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');
const { extname } = require('node:path');
const { transformSync, version } = require('esbuild');

const LOADERS = { '.ts': 'ts', '.tsx': 'tsx', '.js': 'jsx', '.jsx': 'jsx', '.mjs': 'jsx', '.cjs': 'jsx' };
/**
 * On the file's first line, so that lines stay where they are. Each module has its own name for Math: tests run in a sandbox whose globals are
 * looked up through the host at every use, which makes a pass over pixels twenty times slower than it is.
 */
const MATH = 'const Math = globalThis.Math;';
const ADDRESS = "const __address = require('url').pathToFileURL(__filename).href;";

const esbuilt = (source, path, options) =>
  transformSync(source, {
    loader: LOADERS[extname(path)] ?? 'js',
    target: 'es2022',
    jsx: 'automatic',
    sourcefile: path,
    sourcesContent: false,
    define: { 'import.meta.url': '__address' },
    ...options,
  });

/** Moves mocks above the imports. */
let babel;
const hoisting = () =>
  (babel ??= require('babel-jest').default.createTransformer({
    configFile: false,
    plugins: ['@babel/plugin-transform-modules-commonjs', '@babel/plugin-transform-dynamic-import'],
  }));

module.exports = {
  process(source, path, options) {
    const address = source.includes('import.meta.url') ? ADDRESS : '';
    // What stands in for a module may name nothing of its file.
    if (source.includes('jest.mock(')) {
      const { code } = esbuilt(source, path, { sourcemap: 'inline' });
      return hoisting().process(address + code, path, options);
    }
    const own = /\b(?:const|let|var|function|class|import) Math\b/.test(source) ? '' : MATH;
    const { code, map } = esbuilt(source, path, {
      format: 'cjs',
      sourcemap: 'external',
      supported: { 'dynamic-import': false },
    });
    return { code: own + address + code, map };
  },
  getCacheKey(source, path, { configString }) {
    return createHash('sha256')
      .update(readFileSync(__filename))
      .update(`${version} ${configString} ${path}\n`)
      .update(source)
      .digest('hex');
  },
};
