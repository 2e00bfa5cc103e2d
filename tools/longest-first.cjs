// Which suites a test run begins with: those that take longest, so that no core waits at the end for one of them. Where nothing is known yet of a
// suite the runner goes by the size of its file, which says little here.
const { default: Sequencer } = require('@jest/test-sequencer');

/** Longest first; the rest may come in any order. */
const LONG = [
  'e2e/sizes',
  'e2e/workers',
  'e2e/looking-again',
  'e2e/lent-camera',
  'finder/world',
  'e2e/first-light',
  'e2e/safe',
  'finder/exposure',
  'reference/cli',
  'e2e/wide',
  'e2e/tabs',
  'e2e/check',
  'e2e/white',
  'e2e/rolls',
  'e2e/drive',
  'reference/dng-readers',
  'reference/forecast',
  'reference/white',
  'reference/leaving',
  'reference/focus',
  'reference/metering',
  'review/difference',
  'scene/fine-plates',
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
