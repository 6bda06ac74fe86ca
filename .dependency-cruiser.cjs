/** Anything but the core may write the log, keep something once a process, and give heavy work to a thread. */
const TOOLS = ['^src/log\\.ts$', '^src/keptOnce\\.ts$', '^src/workers/run(Elsewhere|Apart)\\.ts$']

/**
 * Imports point one way: app → api → clockwork → (documents, services, stand-ins) → model → data → core;
 * contract → core; ui → (core, contract) and types; core → nothing of ours (see docs/decisions/22-the-layout.md).
 */
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
    only('contract-knows-core', 'contract', ['core']),
    only('model-knows-data', 'model', ['core', 'data', 'contract']),
    only('services-know-the-model', 'services', ['core', 'data', 'contract', 'model']),
    only('documents-know-the-model', 'documents', ['core', 'data', 'contract', 'model']),
    only('standins-know-data', 'standins', ['core', 'data']),
    only('lists-are-columns', 'lists', ['core', 'contract', 'model']),
    {
      name: 'lists-take-types-of-the-model-alone',
      severity: 'error',
      from: { path: '^src/lists/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/model/', dependencyTypesNot: ['type-only'] },
    },
    only('clockwork-knows-services', 'clockwork', [
      'core',
      'data',
      'contract',
      'model',
      'services',
      'documents',
      'standins',
    ]),
    only('api-knows-services', 'api', [
      'core',
      'data',
      'contract',
      'model',
      'services',
      'documents',
      'standins',
      'clockwork',
      'lists',
    ]),
    {
      name: 'pages-read-the-model',
      severity: 'error',
      from: { path: '^src/app/' },
      to: { path: '^src/(data|standins|clockwork)/' },
    },
    only('workers-know-what-they-run', 'workers', ['core', 'documents', 'services', 'api', 'data']),
    {
      name: 'ui-knows-core',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/(app|api|documents|standins|clockwork)/' },
    },
    {
      name: 'ui-takes-types-of-data-alone',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/(data|model|services)/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: {
        dependencyTypes: ['npm', 'core'],
        pathNot: ['node_modules/(big\\.js|fast-xml-parser|temporal-polyfill|temporal-spec)/'],
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
