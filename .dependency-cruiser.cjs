/** The arrows run one way: core ← contract ← server, web; nothing imports e2e, demo or bench. */
const only = (from, allowed) => ({
  name: `${from}-looks-only-at-${allowed.join('-') || 'itself'}`,
  severity: 'error',
  from: { path: `^${from}/src` },
  to: {
    path: '^(core|contract|server|web|e2e|demo|bench|tools)/',
    pathNot: `^(${[from, ...allowed].join('|')})/`,
  },
});

module.exports = {
  forbidden: [
    only('core', []),
    only('contract', ['core']),
    only('server', ['core', 'contract']),
    only('web', ['core', 'contract']),
    {
      name: 'core-needs-no-platform',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.spec\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-stays-plain',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.spec\\.ts$' },
      to: { path: 'node_modules', pathNot: 'node_modules/date-fns' },
    },
    {
      name: 'packages-by-their-front-door',
      severity: 'error',
      from: { path: '^(contract|server|web|bench|e2e)/' },
      to: { path: '^(core|contract)/(src|dist)/.+', pathNot: ['/dist/index\\.', '^(core|contract)/src/'] },
    },
    {
      // What strokes do to an edge is reckoned in core/work alone. The curve by place is still its own.
      name: 'steel-is-reckoned-in-work',
      severity: 'error',
      from: {
        path: '^core/src/(record|run|session|advice|puzzle|stops|simulate)/',
        pathNot: ['\\.spec\\.ts$', 'record/(camber-state|step-work)\\.ts$', 'simulate/camber-years\\.ts$'],
      },
      to: { path: '^core/src/abrasive/removal\\.ts$' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
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
