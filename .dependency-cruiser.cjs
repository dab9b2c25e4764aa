/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    {
      name: 'core-stays-pure',
      comment:
        'The core imports itself, fraction.js and fast-deep-equal, nothing else. Its tests may import more.',
      severity: 'error',
      from: { path: '^core/', pathNot: '(\\.test\\.ts$|^core/testing/)' },
      to: { pathNot: '^(core/(?!testing/)|node_modules/(fraction\\.js|fast-deep-equal)/)' },
    },
    {
      name: 'basic-types-import-nothing',
      severity: 'error',
      from: { path: '^core/types\\.ts$' },
      to: { path: '.' },
    },
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'server-code-stays-on-the-server',
      comment: 'Components and words run in the browser too.',
      severity: 'error',
      from: { path: '^app/(components|words|workers)/' },
      to: { path: '^app/\\.server/' },
    },
    {
      name: 'no-unresolvable',
      severity: 'error',
      from: { pathNot: '\\.test\\.ts$' },
      to: { couldNotResolve: true, pathNot: '^(virtual:|\\./\\+types/)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    exclude: { path: '(^|/)\\+types/' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types'] },
  },
}
