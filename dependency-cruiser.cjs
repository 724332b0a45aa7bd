// The storeys of core, lowest first: each imports its own and those before it.
const storeys = ['basics', 'document', 'play', 'forecast', 'authoring', 'exchange'];
// Orders within a storey that matter: left may be imported by right, never the reverse.
const orders = [
  ['document', ['model', 'ramps']],
  ['play', ['rules', 'grid', 'attempt', 'movement', 'scene']],
  ['play', ['rules', 'playthrough']],
  ['play', ['rules', 'bouts']],
  ['forecast', ['pacers', 'trials', 'tuning']],
  ['authoring', ['building', 'edits', 'findings', 'changes']],
  ['exchange', ['formats', 'contract']],
];
// The same for the web: no folder is both above and below another.
const webLayers = [
  'ui',
  'api',
  'store',
  'address',
  'columns',
  'readings',
  'answers',
  'parts',
  'sentences',
  'features',
  'shell',
];
const rule = (name, from, to) => ({ name, severity: 'error', from, to });
const test = '(\\.test\\.tsx?$|/testing/)';

module.exports = {
  forbidden: [
    rule('no-circular', {}, { circular: true }),
    // The sample game loads the built runtime from the server.
    rule('not-to-unresolvable', { pathNot: '^packages/sample-game/' }, { couldNotResolve: true }),
    rule(
      'core-imports-core-only',
      { path: '^packages/core/src', pathNot: test },
      { pathNot: ['^packages/core/src', '^node_modules/(zod|pure-rand|json-merge-patch)/'] },
    ),
    rule(
      'no-schema-code-in-the-runtime-folders',
      {
        path: '^packages/core/src/(document/ramps|play/(rules|attempt|movement|bouts)|forecast/(pacers|trials))/',
        pathNot: test,
      },
      { path: '^packages/core/src/document/model/', dependencyTypesNot: ['type-only'] },
    ),
    rule(
      'the-runtime-carries-rules-ramps-and-run',
      { path: '^packages/runtime/src', pathNot: test },
      {
        path: '^(packages|node_modules)/',
        pathNot: ['^packages/runtime/', '^packages/core/src/play/(rules|playthrough|bouts)/index\\.ts$'],
        dependencyTypesNot: ['type-only'],
      },
    ),
    rule(
      'packages-by-front-door',
      { path: '^packages/([^/]+)/' },
      {
        path: '^packages/',
        pathNot: [
          '^packages/$1/',
          '^packages/core/src/[a-z]+/[a-z]+/index\\.ts$',
          '^packages/core/src/testing/index\\.ts$',
          '^packages/files/src/index\\.ts$',
        ],
      },
    ),
    rule(
      'folders-by-index',
      { path: '^packages/core/src/([^/]+/[^/]+)/' },
      { path: '^packages/core/src/[^/]+/[^/]+/.+', pathNot: ['^packages/core/src/$1/', '/index\\.ts$'] },
    ),
    ...storeys
      .slice(0, -1)
      .map((storey, i) =>
        rule(
          `core-${storey}-stays-below`,
          { path: `^packages/core/src/${storey}/`, pathNot: test },
          { path: `^packages/core/src/(${storeys.slice(i + 1).join('|')})/` },
        ),
      ),
    ...orders.flatMap(([storey, folders]) =>
      folders
        .slice(0, -1)
        .map((folder, i) =>
          rule(
            `core-${folder}-stays-below-${folders[i + 1]}`,
            { path: `^packages/core/src/${storey}/${folder}/`, pathNot: test },
            { path: `^packages/core/src/${storey}/(${folders.slice(i + 1).join('|')})/` },
          ),
        ),
    ),
    rule(
      'web-features-stand-alone',
      { path: '^packages/web/src/features/([^/]+)/', pathNot: test },
      { path: '^packages/web/src/features/', pathNot: '^packages/web/src/features/$1/' },
    ),
    ...webLayers
      .slice(0, -1)
      .map((layer, i) =>
        rule(
          `web-${layer}-stays-below`,
          { path: `^packages/web/src/${layer}/`, pathNot: test },
          { path: `^packages/web/src/(${webLayers.slice(i + 1).join('|')})/` },
        ),
      ),
    rule(
      'the-engine-calls-only-the-core',
      { path: '^packages/web/src/answers/engine/' },
      { path: '^packages/web/src/', pathNot: '^packages/web/src/answers/engine/' },
    ),
    rule(
      'server-features-stand-alone',
      { path: '^packages/server/src/features/([^/]+)/', pathNot: test },
      { path: '^packages/server/src/features/', pathNot: '^packages/server/src/features/$1/' },
    ),
    rule('migrations-are-frozen', { path: '/db/migrations/' }, { path: '^packages/' }),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.tests.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist(-types)?/|\\.css$|\\?worker$' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['source', 'import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
    },
  },
};
