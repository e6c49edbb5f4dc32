// The floors of docs/architecture: an import may go down or stay in its own drawer, never up and never between client and server.
const FLOORS = {
  core: [],
  wire: ['core'],
  workers: ['wire', 'core'],
  client: ['wire', 'core'],
  server: ['wire', 'core'],
  ui: ['client', 'workers', 'wire', 'core'],
  pages: ['ui', 'server', 'wire', 'core'],
};

/** Core's folders in the order of the work: each may import only from itself, from those before it, and from core's own few files beside them. So
 *  there is no circle between two of them. */
const CORE_IN_ORDER = [
  'quantity',
  'people',
  'spec',
  'target',
  'preload',
  'verdict',
  'tool',
  'calibration',
  'recall',
  'rules',
  'order',
  'joint',
  'remedy',
  'trace',
  'device',
  'turn',
  'layout',
  'drawing',
  'simulate',
  'job',
  'view',
  'route',
  'command',
  'event',
  'ledger',
];

const coreRules = CORE_IN_ORDER.map((name, index) => ({
  name: `core-${name}`,
  severity: 'error',
  comment: `core/${name} comes before ${CORE_IN_ORDER.slice(index + 1).join(', ') || 'nothing'}`,
  from: { path: `^src/core/${name}/` },
  to: {
    path: '^src/core/[^/]+/',
    pathNot: CORE_IN_ORDER.slice(0, index + 1).map((each) => `^src/core/${each}/`),
  },
}));

/** Packages that compute and touch nothing else: all that core may use. */
const PURE_PACKAGES = [
  'simple-statistics',
  'jstat',
  'papaparse',
  'pure-rand',
  'dxf-parser',
  'saxes',
  'transformation-matrix',
  'svg-path-commander',
  'safe-stable-stringify',
  'zod',
  '@noble/hashes',
  '@noble/curves',
];

const floorRules = Object.entries(FLOORS).map(([floor, below]) => ({
  name: `floor-${floor}`,
  severity: 'error',
  comment: `src/${floor} may import only from itself and from: ${below.join(', ') || 'nothing'}`,
  from: { path: `^src/${floor}/` },
  to: { path: '^src/', pathNot: [floor, ...below].map((name) => `^src/${name}/`) },
}));

module.exports = {
  forbidden: [
    ...floorRules,
    ...coreRules,
    {
      name: 'core-alone',
      severity: 'error',
      comment:
        'what stands beside the folders of core imports none of them; a new folder has its place in the order',
      from: { path: '^src/core/[^/]+\\.ts$' },
      to: { path: '^src/core/[^/]+/' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'core uses no Node module and only small pure packages',
      from: { path: '^src/core/' },
      to: {
        pathNot: [
          '^src/',
          ...PURE_PACKAGES.map((name) => `node_modules/(@types/)?${name.replace('/', '[/_]+')}/`),
        ],
      },
    },
    {
      name: 'no-node-in-the-browser',
      severity: 'error',
      from: { path: '^src/(wire|client|ui|workers)/' },
      to: { dependencyTypes: ['core'] },
    },
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'not-resolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^astro:' },
    },
    {
      name: 'nothing-uses-tests-or-scripts',
      severity: 'error',
      from: { path: '^src/' },
      to: { path: '^(tests|scripts|demo)/' },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
