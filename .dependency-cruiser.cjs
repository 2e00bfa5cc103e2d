// Imports run downward only: app → screens → ui, live, library → camera → workers → vault → core; inside core from later
// to earlier. No circles.
const layers = [
  ['app'],
  ['src/screens'],
  ['src/live'],
  ['src/library', 'src/ui'],
  ['src/camera'],
  ['src/workers'],
  ['src/vault'],
  ['src/core'],
];
const core = [
  ['frame'],
  ['advice', 'setup', 'formats', 'review'],
  ['scene'],
  ['finder', 'dng'],
  ['white', 'focus'],
  ['scopes'],
  ['raw'],
  ['setting'],
  ['meter', 'combine'],
  ['sensor'],
  ['exposure'],
  ['optics', 'colour', 'body'],
  ['light'],
  ['units', 'numeric'],
  ['kernels'],
];
const upward = (names, prefix) =>
  names.flatMap((here, i) =>
    i === 0
      ? []
      : [
          {
            name: `no-upward-from-${here.join('-').replaceAll('/', '-')}`,
            severity: 'error',
            from: { path: here.map((n) => `^${prefix}${n}/`).join('|'), pathNot: '\\.test\\.tsx?$' },
            to: {
              path: names
                .slice(0, i)
                .flat()
                .map((n) => `^${prefix}${n}/`)
                .join('|'),
            },
          },
        ],
  );

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    ...upward(layers, ''),
    ...upward(core, 'src/core/'),
    {
      name: 'port-and-finder-know-no-scene-and-no-worker',
      severity: 'error',
      from: { path: '^src/(camera/[^/]+\\.ts$|core/finder/)', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/(core/scene|workers)/|\\.worker\\.ts$' },
    },
    {
      name: 'desk-and-screens-know-no-simulated-optic',
      severity: 'error',
      from: { path: '^src/(screens|live)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/core/sensor/(cameras|simulated-camera|sim-)' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.tsx?$' },
      to: {
        path: 'node_modules/(react|react-native|expo|zustand|@tanstack|comlink)|^(node:)?(fs|path|os|crypto)$',
      },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
    },
  },
};
