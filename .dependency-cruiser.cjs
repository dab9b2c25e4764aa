/** What each room of the core may build on; whatever is not listed here knows nothing of the others. */
const ROOMS = {
  number: [],
  box: ['number', 'measure'],
  train: ['number', 'box'],
  count: ['number', 'box', 'train'],
  measure: ['number'],
  job: ['number', 'box', 'train', 'count', 'measure'],
  drawing: ['number', 'box'],
  assembly: ['number', 'box', 'measure', 'job', 'drawing'],
  shift: ['number', 'box', 'train'],
  faults: ['number', 'measure', 'box', 'train', 'job', 'shift'],
  drive: ['number', 'box', 'train', 'shift'],
}

/** What each folder of logic in the app may know of the app besides itself. */
const FOLDERS = {
  words: ['words', 'settings'],
  files: ['words', 'views', 'settings'],
  views: ['words', 'files', 'settings'],
  client: ['words', 'files', 'views', 'settings'],
}

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
      from: { path: '^core/box/types\\.ts$' },
      to: { path: '.' },
    },
    ...Object.entries(ROOMS).map(([room, builtOn]) => ({
      name: `core-${room}-knows-its-place`,
      severity: 'error',
      from: { path: `^core/${room}/`, pathNot: '\\.test\\.ts$' },
      to: { path: '^core/', pathNot: `^core/(${[room, ...builtOn].join('|')})/` },
    })),
    ...Object.entries(FOLDERS).map(([folder, known]) => ({
      name: `app-${folder}-knows-its-place`,
      severity: 'error',
      from: { path: `^app/${folder}/`, pathNot: '\\.test\\.ts$' },
      to: { path: '^app/', pathNot: `^app/(${[folder, ...known].join('|')})[/.]` },
    })),
    {
      name: 'views-and-files-are-without-react',
      severity: 'error',
      from: { path: '^app/(views|files|words)/' },
      to: { path: '^node_modules/(react|react-dom|react-router|radix-ui)/' },
    },
    {
      name: 'the-server-draws-and-uses-no-other-component',
      severity: 'error',
      from: { path: '^app/\\.server/' },
      to: { path: '^app/(components|client|routes)/', pathNot: '^app/components/section/' },
    },
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'server-code-stays-on-the-server',
      comment: 'All else runs in the browser too.',
      severity: 'error',
      from: { path: '^app/(client|components|files|views|words|workers)/' },
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
