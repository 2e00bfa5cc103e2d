// What makes the built scripts small: esbuild, quicker than the bundler's own. Names that are seen from outside a module stay.
const { transformSync } = require('esbuild');

/** A minifier as Metro calls it for each module; no source maps are shipped. */
module.exports = ({ code, filename }) =>
  transformSync(code, { minify: true, target: 'es2022', legalComments: 'none', sourcefile: filename });
