/** Anything but the core may write the log, and give heavy work to a thread. */
const TOOLS = ['^src/log\\.ts$', '^src/workers/runElsewhere\\.ts$']

/** Imports point one way: app → api → clockwork → (papers, stand-ins) → services → (core, data); core → nothing of ours. */
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  from: { path: `^src/${from}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: '^(src|demo|scripts|tests)/',
    pathNot: [`^src/${from}/`, ...allowed.map((a) => `^src/${a}/`), ...(from === 'core' ? [] : TOOLS)],
  },
})

module.exports = {
  forbidden: [
    only('core-knows-nobody', 'core', []),
    only('data-knows-core', 'data', ['core']),
    only('services-know-core-and-data', 'services', ['core', 'data']),
    only('papers-know-services', 'papers', ['core', 'data', 'services']),
    only('standins-know-data', 'standins', ['core', 'data']),
    only('clockwork-knows-services', 'clockwork', ['core', 'data', 'services', 'papers', 'standins']),
    only('api-knows-services', 'api', ['core', 'data', 'services', 'papers', 'standins', 'clockwork']),
    {
      name: 'ui-knows-core',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/(app|api|papers|standins|clockwork)/' },
    },
    {
      name: 'ui-takes-types-of-data-alone',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/(data|services)/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: {
        dependencyTypes: ['npm', 'core'],
        pathNot: ['node_modules/(decimal\\.js|temporal-polyfill|temporal-spec)/'],
      },
    },
    {
      name: 'core-folders-by-their-index',
      severity: 'error',
      from: { path: '^src/(?!core/)' },
      to: { path: '^src/core/[a-z]+/', pathNot: '^src/core/[a-z]+/index\\.ts$' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
