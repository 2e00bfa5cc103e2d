// Stands before fast-check: properties are tried on the same cases in every run of `npm test`, on others in each of the long checks.
const fc = require('../node_modules/fast-check/lib/cjs/fast-check.js');

if (process.env.VELMO_LONG !== '1') fc.configureGlobal({ seed: 20 });
module.exports = fc;
