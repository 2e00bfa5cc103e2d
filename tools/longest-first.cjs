// Which suites a test run begins with: those that take longest, so that no core waits at the end for one of them. Where nothing is known yet of a
// suite the runner goes by the size of its file, which says little here.
const { default: Sequencer } = require('@jest/test-sequencer');

/** Longest first; the rest may come in any order. */
const LONG = [
  'reference/cli',
  'reference/forecast',
  'reference/focus',
  'reference/white',
  'reference/metering',
  'reference/dng-readers',
  'reference/scenes',
  'reference/defocus',
  'reference/leaving',
  'reference/peaking',
  'review/difference',
  'scene/fine-plates',
  'dng/dng',
  'scene/zoom-and-depth',
  'scene/as-captured',
  'sensor/sensor',
  'scene/scene',
  'scene/grain-kernel',
  'scene/unpack-kernel',
  'frame/picture-frame',
];

module.exports = class extends Sequencer {
  sort(tests) {
    const place = ({ path }) => {
      const found = LONG.findIndex((name) => path.endsWith(`${name}.test.ts`));
      return found < 0 ? LONG.length : found;
    };
    return [...tests].sort((a, b) => place(a) - place(b));
  }
};
