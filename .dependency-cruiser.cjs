/** The import rules of docs/decisions/0001-rooms.md, checked on every test run. */
module.exports = {
  forbidden: [
    {
      name: 'core-stands-alone',
      comment: 'core runs in Node, in a worker and in a test unchanged',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^(store|web|bin|gauges)/|node_modules/(react|react-dom|next|pg|drizzle-orm|@holotonos)/' },
    },
    {
      name: 'core-no-node',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-doors-only',
      comment:
        'inside core, another folder is entered by its index; schemas and vocabulary may be named directly, kinds of entry by the list of them, and what a group of measures is by its registry, which stands below all reports',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '\\.test\\.ts$|job/kinds\\.ts$' },
      to: {
        path: '^core/src/([^/]+)/.+',
        pathNot:
          '^core/src/$1/|/index\\.ts$|\\.schema\\.ts$|/generated/|solvers/(contract|checks)\\.ts$|units/units\\.ts$|measures/registry\\.ts$',
      },
    },
    {
      name: 'store-knows-core-only',
      severity: 'error',
      from: { path: '^store/src' },
      to: { path: '^(web|bin|gauges)/|node_modules/(react|react-dom|next)/' },
    },
    {
      name: 'gauges-know-core-only',
      comment: 'the stand-ins play devices: they must not see the database or the pages',
      severity: 'error',
      from: { path: '^gauges/src' },
      to: { path: '^(store|web|bin)/|node_modules/(react|react-dom|next|pg|drizzle-orm)/' },
    },
    {
      name: 'what-is-drawn-never-touches-the-database',
      severity: 'error',
      from: { path: '^web/src/(app/.*/_[^/]+|figure|files|frame|job|live|outbox|photos|shop|tube|ui|workers)/' },
      to: {
        path: '^(store|gauges)/|^web/src/server/|node_modules/(pg|drizzle-orm)/',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'shared-rooms-know-no-screen',
      comment: 'a screen is entered by its page; what two screens need lives in a shared room',
      severity: 'error',
      from: { path: '^web/src/', pathNot: '^web/src/app/' },
      to: { path: '^web/src/app/', pathNot: '\\.test\\.tsx?$' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: 'generated/' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.next|generated/' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
    },
  },
};
