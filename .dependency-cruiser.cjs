/** Imports run downwards only: islands → charts → core; pages → store, formats → core; core → its numeric library. */
const only = (name, from, to, comment) => ({
  name,
  comment,
  severity: 'error',
  from: { path: from },
  to: { path: '^(src|demo|tests|scripts|bench)/', pathNot: to },
});
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    only('core-stands-alone', '^src/core/', '^src/core/', 'The core imports nothing from outside itself.'),
    {
      name: 'core-packages',
      comment: 'The core may use d3-array and Valibot, nothing else.',
      severity: 'error',
      from: { path: '^src/core/' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core', 'unknown', 'npm-no-pkg'],
        pathNot: 'node_modules/(@types/d3-array|d3-array|valibot)/',
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
    {
      name: 'numeric-is-the-floor',
      severity: 'error',
      from: { path: '^src/core/numeric/' },
      to: { path: '^src/core/(?!numeric/)' },
    },
    {
      name: 'kernels-on-numeric',
      severity: 'error',
      from: { path: '^src/core/kernels/' },
      to: { path: '^src/core/(?!numeric/|kernels/)' },
    },
    {
      name: 'distributions-on-numeric',
      severity: 'error',
      from: { path: '^src/core/distributions/' },
      to: { path: '^src/core/(?!numeric/|distributions/)' },
    },
    {
      name: 'procedures-on-distributions',
      severity: 'error',
      from: { path: '^src/core/procedures/' },
      to: { path: '^src/core/(?!numeric/|distributions/|procedures/|kernels/)' },
    },
    {
      name: 'answers-know-no-words',
      severity: 'error',
      from: { path: '^src/core/answer/' },
      to: { path: '^src/core/(words|scenes)/' },
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
