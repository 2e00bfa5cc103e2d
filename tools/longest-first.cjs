// Which suites a test run begins with: those that take longest, so that no core waits at the end for one of them. Where nothing is known yet of a
// suite the runner goes by the size of its file, which says little here.
const { default: Sequencer } = require('@jest/test-sequencer');

/** Those that take longest where sweeps are whole. */
const WHOLE = ['e2e/safe', 'reference/focus', 'reference/forecast', 'finder/world'];
/** Longest first; the rest may come in any order. */
const LONG = [
  ...(process.env.VELMO_LONG === '1' ? WHOLE : []),
  'e2e/lent-camera',
  'e2e/sizes',
  'finder/exposure',
  'finder/world',
  'e2e/workers',
  'e2e/first-light',
  'e2e/looking-again',
  'reference/shoot',
  'e2e/check',
  'reference/cli',
  'e2e/safe',
  'reference/forecast',
  'reference/bracket',
  'reference/dng-readers',
  'reference/metering',
  'e2e/tabs',
  'e2e/wide',
  'e2e/white',
  'reference/white',
  'reference/leaving',
  'reference/credit',
  'e2e/framing',
  'e2e/rolls',
  'e2e/exposure',
  'e2e/drive',
  'e2e/outside',
  'reference/focus',
  'e2e/guide',
  'e2e/focus',
  'scene/as-captured',
  'review/difference',
  'scene/fine-plates',
  'scene/grain-kernel',
  'scene/scene',
];

module.exports = class extends Sequencer {
  sort(tests) {
    const place = ({ path }) => {
      const found = LONG.findIndex(
        (name) => path.endsWith(`${name}.test.ts`) || path.endsWith(`${name}.test.tsx`),
      );
      return found < 0 ? LONG.length : found;
    };
    return [...tests].sort((a, b) => place(a) - place(b));
  }
};
