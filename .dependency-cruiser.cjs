/** The arrows run one way: core ← contract ← server, web; nothing imports e2e, demo or benchmarks. */
const only = (from, allowed) => ({
  name: `${from}-looks-only-at-${allowed.join('-') || 'itself'}`,
  severity: 'error',
  from: { path: `^${from}/src` },
  to: {
    path: '^(core|contract|server|web|e2e|demo|benchmarks|tools)/',
    pathNot: `^(${[from, ...allowed].join('|')})/`,
  },
});

/** Layers of a folder, the lowest first: each looks only at those before it. */
const downwards = (folder, layers) =>
  layers.map((layer, i) => ({
    name: `${layer.replace(/[()|]/g, ' ').trim().split(' ')[0]}-looks-downwards`,
    severity: 'error',
    from: { path: `^${folder}/${layer}/`, pathNot: '\\.spec\\.ts$' },
    to: { path: `^${folder}/(${layers.slice(i + 1).join('|') || '$^'})/` },
  }));

module.exports = {
  forbidden: [
    only('core', []),
    only('contract', ['core']),
    only('server', ['core', 'contract']),
    only('web', ['core', 'contract']),
    {
      name: 'core-needs-no-platform',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.spec\\.ts$|/testing/' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-stays-plain',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.spec\\.ts$|/testing/' },
      // Small, pure packages of numbers may stand in for code of our own.
      to: {
        path: 'node_modules',
        pathNot: 'node_modules/(date-fns|ml-[a-z-]+|d3-[a-z]+|simple-statistics)/',
      },
    },
    {
      name: 'packages-by-their-front-door',
      severity: 'error',
      from: { path: '^(contract|server|web|demo|benchmarks|e2e)/' },
      to: {
        path: '^(core|contract)/(src|dist)/.+',
        pathNot: ['^core/dist/[a-z]+/index\\.', '^contract/dist/index\\.', '^(core|contract)/src/'],
      },
    },
    {
      // What strokes do to an edge is reckoned in core/work alone. The curve by place is still its own.
      name: 'steel-is-reckoned-in-work',
      severity: 'error',
      from: {
        path: '^core/src/(record|run|advice|simulate)/',
        pathNot: ['\\.spec\\.ts$', 'record/(camber-state|step-work)\\.ts$'],
      },
      to: { path: '^core/src/abrasive/removal\\.ts$' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'storage-and-platform-know-no-feature',
      severity: 'error',
      from: { path: '^server/src/(platform|storage)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^server/src/(features|workers)/' },
    },
    {
      name: 'features-by-their-front-door',
      severity: 'error',
      from: { path: '^server/src/features/([^/]+)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^server/src/features/', pathNot: ['^server/src/features/$1/', '/(index|tables)\\.ts$'] },
    },
    ...downwards('web/src/app', [
      'platform',
      'data',
      'ui',
      'words',
      'drawings',
      'parts',
      '(tool|run|strop|stones|guides|patterns|ledger|puzzle|judged|settings|first-run)',
      'shell',
    ]),
    {
      name: 'rooms-know-no-other-room',
      severity: 'error',
      from: {
        path: '^web/src/app/(tool/[^/]+|run|strop|stones|guides|patterns|ledger|puzzle|judged|settings|first-run)/',
        pathNot: '\\.spec\\.ts$',
      },
      to: {
        path: '^web/src/app/(tool|run|strop|stones|guides|patterns|ledger|puzzle|judged|settings|first-run)/',
        pathNot: '^web/src/app/$1/',
      },
    },
  ],
  options: {
    doNotFollow: { path: ['node_modules', '/dist/'] },
    exclude: { path: ['/dist/.+\\.spec\\.'] },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};
