/**
 * Which room may import which; docs/architecture.md says why. Rooms of a list are told from the bottom
 * up: each may import those before it, and no other. Tests may import what they need.
 */
const TEST = '\\.test\\.tsx?$';

/** A room imports itself and the ones named; everything else of ours is forbidden. */
const only = (room, allowed) => ({
  name: `${room.replaceAll('/', '-')}-imports-only-${allowed.join('-').replaceAll('/', '-') || 'itself'}`,
  severity: 'error',
  from: { path: `^${room}/`, pathNot: TEST },
  to: {
    path: '^(core|library|contract|server|app|demo|tools|e2e)/',
    pathNot: `^(${[room, ...allowed].join('|')})/`,
  },
});

/** Rooms of which each may import those before it. */
const upwards = (inside, rooms) =>
  rooms.map((room, i) =>
    only(
      `${inside}/${room}`,
      rooms.slice(0, i).map((each) => `${inside}/${each}`),
    ),
  );

/** Small files at the top of the core that everything in it may use: results, chance, subsets, what is joined. */
const coreRules = upwards('core', [
  'trade',
  'diagram',
  'fault',
  'meter',
  'circuit',
  'behaviour',
  'drawing',
  'call',
  'inference',
  'plan',
  'decide',
  'simulate',
  'draft',
  'describe',
]).map((rule) => ({
  ...rule,
  to: { ...rule.to, pathNot: `${rule.to.pathNot}|^core/(result|chance|subsets|joined)\\.ts$` },
}));

const appOnly = (room, allowed) =>
  only(`app/${room}`, ['core', 'library', 'contract', ...allowed.map((each) => `app/${each}`)]);
const BELOW_FEATURES = ['search', 'state', 'sync', 'theme', 'ui', 'workers'];

module.exports = {
  forbidden: [
    only('core', []),
    ...coreRules,
    only('library', ['core']),
    only('contract', ['core']),
    only('server', ['core', 'contract', 'library']),
    only('app', ['core', 'contract', 'library']),
    appOnly('sync', []),
    appOnly('search', []),
    appOnly('workers', ['search']),
    appOnly('state', ['sync']),
    appOnly('theme', ['state']),
    appOnly('ui', ['theme', 'state', 'sync', 'search']),
    ...['calculators', 'day', 'diagrams', 'photos', 'safety'].map((feature) =>
      appOnly(`features/${feature}`, BELOW_FEATURES),
    ),
    // What is put back is compared with its photo.
    appOnly('features/ledger', [...BELOW_FEATURES, 'features/photos']),
    // What is typed is drawn beside it.
    appOnly('features/editor', [...BELOW_FEATURES, 'features/diagrams']),
    // A call is begun beside the drawing of its unit.
    appOnly('features/calls', [
      ...BELOW_FEATURES,
      'features/diagrams',
      'features/ledger',
      'features/photos',
    ]),
    // What is decided asks for the cause, which the ledger keeps.
    appOnly('features/decide', [...BELOW_FEATURES, 'features/ledger', 'features/photos']),
    appOnly('features/report', [...BELOW_FEATURES, 'features/ledger']),
    // Diagnosing a unit shows its drawing and the tables of its switches.
    appOnly('features/switchProof', [
      ...BELOW_FEATURES,
      'features/safety',
      'features/ledger',
      'features/photos',
    ]),
    appOnly('features/diagnosis', [
      ...BELOW_FEATURES,
      'features/safety',
      'features/ledger',
      'features/diagrams',
      'features/switchProof',
      'features/photos',
    ]),
    only('demo', ['core', 'contract', 'library', 'server']),
    // What is expected of a unit is prepared as the application has it.
    only('e2e', ['core', 'library', 'contract', 'tools/preparations']),
    {
      name: 'core-has-no-packages',
      severity: 'error',
      from: { path: '^core/', pathNot: TEST },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'] },
    },
    {
      name: 'library-has-no-packages',
      severity: 'error',
      from: { path: '^library/', pathNot: TEST },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'] },
    },
    {
      name: 'app-has-no-server-packages',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: 'node_modules/(pg|express|pino|node-pg-migrate|ajv|jsonc-parser|lru-cache)/' },
    },
    {
      // Types count as well: two files that name each other's types are one idea in two places.
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
  },
};
