/** Imports run downwards only: islands → charts → core; pages → store, formats → core; core → its numeric library. */
const only = (name, from, to, comment) => ({
  name,
  comment,
  severity: 'error',
  from: { path: from },
  to: { path: '^(src|demo|tests|scripts|bench)/', pathNot: to },
});
/** The core's parts from the floor up: each may import those before it, and itself. */
const floors = [
  ['numeric'],
  ['distributions', 'kernels'],
  ['procedures'],
  ['readings', 'working'],
  ['understanding'],
  // What a question may choose depends on its kind.
  ['question', 'analyses/(facts|kinds)\\.ts', 'analyses/.*/facts\\.ts'],
  ['answer'],
  ['planning'],
  ['words'],
  ['drawing'],
  ['scenes'],
  ['analyses'],
  ['answering', 'telling'],
  ['figures'],
  ['write-up'],
  ['study'],
];
/** Types alone may be named from above: a table's procedures speak of its readings, a log of the study's content. */
const coreRules = floors.flatMap((own, place) => {
  const below = floors.slice(0, place + 1).flat();
  const facts = 'analyses/(facts|kinds)\\.ts|analyses/.*/facts\\.ts';
  return own.map((part) => ({
    name: `core-${part.replace(/[^a-z]+/g, '-')}-looks-down`,
    severity: 'error',
    from: {
      path: `^src/core/${part.endsWith('ts') ? part : `${part}/`}`,
      ...(part === 'analyses' ? { pathNot: `^src/core/(${facts})` } : {}),
    },
    to: {
      path: `^src/core/(?!${below.map((b) => (b.endsWith('ts') ? b : `${b}/`)).join('|')})`,
      dependencyTypesNot: ['type-only'],
    },
  }));
});
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      comment: 'Nothing runs in a circle, types neither: what two name of each other stands in a file of its own.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    only('core-stands-alone', '^src/core/', '^src/core/', 'The core imports nothing from outside itself.'),
    {
      name: 'core-packages',
      comment: 'The core may use d3-array, ml-matrix, escape-string-regexp and Valibot, nothing else.',
      severity: 'error',
      from: { path: '^src/core/' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core', 'unknown', 'npm-no-pkg'],
        pathNot: 'node_modules/(@types/d3-array|d3-array|escape-string-regexp|ml-matrix|valibot)/',
      },
    },
    only(
      'charts-use-core',
      '^src/charts/',
      '^src/(charts|core)/',
      'Charts draw scenes; they know no store and no page.',
    ),
    only('formats-use-core', '^src/formats/', '^src/(formats|core)/', 'Formats turn bytes into the model and back.'),
    only(
      'workers-use-formats',
      '^src/workers/',
      '^src/(workers|charts|formats|core)/',
      'Workers run the same core, charts and formats, off the main thread.',
    ),
    only('store-uses-core', '^src/store/', '^src/(store|core)/', 'The store keeps the model; it knows no page.'),
    only(
      'islands-look-down',
      '^src/islands/',
      '^src/(islands|charts|formats|core|styles|workers)/',
      'Islands reach the store through endpoints only.',
    ),
    only(
      'server-uses-store',
      '^src/server/',
      '^(src/(server|store|formats|charts|core)|demo)/',
      'What the endpoints share; figures are laid out there as on the page.',
    ),
    only(
      'demo-is-made-of-core',
      '^demo/skerrow',
      '^(demo|src/core)/',
      'The demo study is made-up readings in the model.',
    ),
    ...coreRules,
    only(
      'kinds-through-the-registry',
      '^src/core/analyses/(?!kinds\\.ts|registry\\.ts)',
      '^src/core/(?!analyses/(kinds|registry)\\.ts|answering/|telling/|figures/|write-up/|study/|planning/)|^src/core/analyses/kinds\\.ts',
      'A kind of question knows what lies below it, and neither the registry nor who asks it.',
    ),
    {
      name: 'nobody-passes-the-registry',
      comment:
        'What is done for a kind of question is asked of the registry, what it lets one choose of the list of kinds.',
      severity: 'error',
      from: { path: '^(src|demo)/', pathNot: '^src/core/analyses/' },
      to: { path: '^src/core/analyses/(?!registry\\.ts|kinds\\.ts|facts\\.ts|analysis\\.ts)' },
    },
    {
      name: 'tests-are-not-imported',
      severity: 'error',
      from: { path: '^(src|demo)/' },
      to: { path: '^(tests|bench)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(dist|\\.astro)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json', '.astro'],
    },
  },
};
