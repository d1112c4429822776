/** One-way doors: web -> core <- server. Only the type of the API passes from server to web. */
module.exports = {
  forbidden: [
    { name: 'core-stands-alone', severity: 'error', from: { path: '^core' }, to: { path: '^(web|server|demo)' } },
    {
      name: 'core-knows-no-platform',
      comment: 'core computes; it reads no file, clock or screen',
      severity: 'error',
      from: { path: '^core', pathNot: '[.]test[.]ts$|^core/testing' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-packages',
      comment: 'schemas, grammar, a language library and the readers of open formats are all that core borrows',
      severity: 'error',
      from: { path: '^core', pathNot: '[.]test[.]ts$|^core/testing' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'npm-peer'],
        pathNot:
          'node_modules/(zod|pluralize|@types/pluralize|compromise|damerau-levenshtein|@types/damerau-levenshtein|mammoth|marked|media-captions|papaparse|@types/papaparse)/',
      },
    },
    {
      name: 'bench-knows-no-language',
      comment: 'what words mean is asked of core/reading, whatever the language',
      severity: 'error',
      from: { path: '^core/bench', pathNot: '[.]test[.]ts$' },
      to: { path: '^core/(language|reading/en)' },
    },
    { name: 'server-knows-no-screen', severity: 'error', from: { path: '^server' }, to: { path: '^web' } },
    {
      name: 'only-main-knows-the-demo',
      severity: 'error',
      from: { path: '^(core|server|web)', pathNot: '^server/main[.]ts$' },
      to: { path: '^demo' },
    },
    {
      name: 'web-takes-types-only',
      severity: 'error',
      from: { path: '^web' },
      to: { path: '^server', dependencyTypesNot: ['type-only'], pathNot: '^server/ground/roles[.]ts$' },
    },
    {
      name: 'web-knows-no-node',
      severity: 'error',
      from: { path: '^web', pathNot: '[.]test[.]ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: {
      path: 'node_modules/(?!(zod|pluralize|compromise|damerau-levenshtein|mammoth|marked|media-captions|papaparse)/)',
    },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.json'],
    },
  },
};
