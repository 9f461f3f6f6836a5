/** Which folder may import which; docs/architecture.md says why. */
const only = (folder, allowed) => ({
  name: `${folder}-imports-only-${allowed.join('-') || 'itself'}`,
  severity: 'error',
  from: { path: `^${folder}/`, pathNot: '\\.test\\.tsx?$' },
  to: {
    path: '^(core|library|contract|server|app|demo|tools|e2e)/',
    pathNot: `^(${[folder, ...allowed].join('|')})/`,
  },
});

module.exports = {
  forbidden: [
    only('core', []),
    only('library', ['core']),
    only('contract', ['core']),
    only('server', ['core', 'contract', 'library']),
    only('app', ['core', 'contract', 'library']),
    only('demo', ['core', 'contract', 'library', 'server']),
    only('e2e', ['core', 'library']),
    {
      name: 'core-has-no-packages',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'] },
    },
    {
      name: 'library-has-no-packages',
      severity: 'error',
      from: { path: '^library/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'] },
    },
    {
      name: 'app-has-no-server-packages',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: 'node_modules/(pg|express|pino|node-pg-migrate|ajv|jsonc-parser)/' },
    },
    {
      // Two files may name each other's types; at run time there is one direction.
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
  },
};
