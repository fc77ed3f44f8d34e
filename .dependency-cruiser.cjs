/** The layers: who may import whom. */
const layer = (name, from, to) => ({ name, severity: 'error', from: { path: from }, to: { path: to } });

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    layer('core-is-alone', '^src/core', '^src/(app|ui|server|workers|cli|pool)'),
    {
      name: 'core-has-few-packages',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.(test|fixture)\\.ts$' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'], pathNot: 'node_modules/(zod|ts-fsrs)/' },
    },
    layer('ui-knows-core-and-workers', '^src/ui', '^src/(app|server|cli|pool)'),
    layer('server-knows-core', '^src/server', '^src/(app|ui|workers|cli)'),
    {
      name: 'cli-knows-core-backup-and-seals',
      severity: 'error',
      from: { path: '^src/cli', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(app|ui|server|workers|pool)', pathNot: '^src/server/(backup|db|restore|verify)\\.ts$' },
    },
    layer('pool-knows-core-and-papers', '^src/pool', '^src/(app|server|workers|cli|ui/(?!card/|theme/|parts/when))'),
    layer('workers-know-core', '^src/workers', '^src/(app|ui|server|cli)'),
    {
      name: 'core-by-its-doors',
      comment: 'Each core folder is entered by its index.ts; inside core, and from outside.',
      severity: 'error',
      from: { path: '^src/core/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/([^/]+)/', pathNot: ['^src/core/$1/', '^src/core/[^/]+/index\\.ts$'] },
    },
    {
      name: 'core-by-its-doors-from-outside',
      severity: 'error',
      from: { path: '^src/(app|ui|server|workers|cli|pool)' },
      to: { path: '^src/core/', pathNot: '^src/core/[^/]+/index\\.ts$' },
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
