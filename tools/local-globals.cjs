// For the test runner: gives each module its own name for Math. Tests run in a sandbox whose globals are looked up through the
// host at every use, which makes a pass over pixels twenty times slower than it is.
module.exports = ({ template }) => ({
  visitor: {
    Program(path) {
      if (!path.scope.hasOwnBinding('Math'))
        path.unshiftContainer('body', template.ast('const Math = globalThis.Math;'));
    },
  },
});
