// Imports run downward only: app → screens → live → library, ui → camera → workers → vault → core; terminal and server stand on the core alone. Inside
// core every folder is a layer of its own. A folder that stands in none is an error. No circles.
const { readdirSync } = require('node:fs');
const { join } = require('node:path');

const layers = [
  ['app'],
  ['src/screens'],
  ['src/live'],
  ['src/library', 'src/ui'],
  ['src/camera'],
  ['src/workers'],
  ['src/vault'],
  ['cli', 'server'],
  ['src/core'],
];
/** From later to earlier. */
const core = [
  ['frame'],
  ['advice'],
  ['scene'],
  ['formats'],
  ['finder'],
  ['review'],
  ['white'],
  ['scopes'],
  ['dng'],
  ['raw'],
  ['focus'],
  ['facts'],
  ['setup'],
  ['setting'],
  ['meter'],
  ['combine'],
  ['sensor'],
  ['sequence'],
  ['define'],
  ['exposure'],
  ['body'],
  ['manners'],
  ['light'],
  ['colour'],
  ['units'],
  ['optics'],
  ['numeric'],
  ['kernels'],
  ['platform'],
];

/** Folders beneath `root` that stand in no layer, and layers that are no folders. @throws Error that names them */
function complete(root, named) {
  const there = readdirSync(join(__dirname, root), { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name);
  const odd = [
    ...there.filter((name) => !named.includes(name)).map((name) => `${root}/${name} stands in no layer`),
    ...named.filter((name) => !there.includes(name)).map((name) => `there is no folder ${root}/${name}`),
  ];
  if (odd.length > 0) throw new Error(`.dependency-cruiser.cjs: ${odd.join('; ')}`);
}
complete('src/core', core.flat());
complete(
  'src',
  layers
    .flat()
    .filter((name) => name.startsWith('src/'))
    .map((name) => name.slice('src/'.length)),
);

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
      name: 'port-queue-and-finder-know-no-scene-and-no-worker',
      severity: 'error',
      from: {
        path: '^src/(camera/[^/]+\\.ts$|core/finder/|core/facts/|core/frame/queue\\.ts$)',
        pathNot: '\\.test\\.tsx?$',
      },
      to: { path: '^src/(core/scene|workers)/|\\.worker\\.ts$' },
    },
    {
      name: 'desk-screens-port-and-queue-know-no-simulated-optic',
      severity: 'error',
      from: {
        path: '^src/(screens/|live/|camera/[^/]+\\.ts$|core/facts/|core/frame/queue\\.ts$)',
        pathNot: '\\.test\\.tsx?$',
      },
      to: { path: '^src/core/sensor/(cameras|simulated-optic|sim-)' },
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
