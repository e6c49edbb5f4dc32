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

/** Packages that compute and touch nothing else: all that core may use. */
const PURE_PACKAGES = [
  'simple-statistics',
  'jstat',
  'papaparse',
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
