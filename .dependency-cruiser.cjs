/** Who may import whom (docs/decisions and the map in README). Each rule names the floor it protects. */
const floor = (name) => `^${name}/`;
const packages = (name) => `(^|/)node_modules/${name}/`;
module.exports = {
  forbidden: [
    {
      // Plain values in, plain values out: a table of endings, a table of time zones, a generator of random numbers from a seed.
      name: 'core-imports-three-libraries',
      severity: 'error',
      from: { path: floor('core'), pathNot: ['[.]test[.]ts$', '/testing/random[A-Z][^/]*[.]ts$'] },
      to: { pathNot: ['^core/', packages('(stemmer|@date-fns/tz|pure-rand)')] },
    },
    {
      name: 'contract-imports-core-and-zod',
      severity: 'error',
      from: { path: floor('contract'), pathNot: '[.]test[.]ts$' },
      to: { pathNot: ['^(core|contract)/', packages('zod')] },
    },
    { name: 'server-never-imports-web', severity: 'error', from: { path: floor('server') }, to: { path: '^(web|e2e|bench)/' } },
    { name: 'web-never-imports-server', severity: 'error', from: { path: floor('web') }, to: { path: '^(server|demo|e2e|bench)/' } },
    { name: 'demo-imports-core-and-contract', severity: 'error', from: { path: floor('demo') }, to: { path: '^(server|web|e2e|bench)/' } },
    { name: 'e2e-drives-from-outside', severity: 'error', from: { path: floor('e2e') }, to: { path: '^(server|web|core|bench)/' } },
    {
      name: 'rooms-meet-at-their-index',
      severity: 'error',
      from: { path: '^(core|server/features|web/features)/([^/]+)/' },
      to: {
        path: '^(core|server/features|web/features)/([^/]+)/',
        pathNot: ['^$1/$2/', '^(core|server/features|web/features)/[^/]+/index[.]tsx?$'],
      },
    },
    {
      name: 'sequelize-stays-in-repositories',
      severity: 'error',
      from: {
        path: floor('server'),
        pathNot: ['^server/(db/|database[.]ts)', '/model[.]ts$', '/([a-z]+R|r)epository[.]ts$', '[.]test[.]ts$', '^server/testing/'],
      },
      // The type of a transaction may be handed through.
      to: { path: packages('sequelize'), dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'express-stays-out-of-services',
      severity: 'error',
      from: { path: '/(service|repository|model)[.]ts$' },
      to: { path: packages('express') },
    },
    {
      // A migration is history: it stays as it was, whatever becomes of the program.
      name: 'migrations-are-run-never-used',
      severity: 'error',
      from: { path: floor('server'), pathNot: ['^server/db/', '[.]test[.]ts$'] },
      to: { path: '^server/db/migrations/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'resolvable', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: '^sequelize/lib/' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
    },
  },
};
