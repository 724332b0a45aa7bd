// Left may be imported by right, never the reverse. This line is the architecture of core.
const coreLayers = [
  'wording',
  'memo',
  'stats',
  'random',
  'abilities',
  'patch',
  'model',
  'ramps',
  'rules',
  'ground',
  'attempt',
  'grounds',
  'scene',
  'run',
  'pacers',
  'bouts',
  'trials',
  'tuning',
  'building',
  'edits',
  'findings',
  'changes',
  'formats',
  'contract',
  'demo',
];
// The same for the web: no folder is both above and below another.
const webLayers = ['ui', 'api', 'project', 'sentences', 'features', 'shell'];
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
      { path: '^packages/core/src/(ramps|rules|attempt|grounds|pacers|bouts|trials)/', pathNot: test },
      { path: '^packages/core/src/model/', dependencyTypesNot: ['type-only'] },
    ),
    rule(
      'the-runtime-carries-rules-ramps-and-run',
      { path: '^packages/runtime/src', pathNot: test },
      {
        path: '^(packages|node_modules)/',
        pathNot: ['^packages/runtime/', '^packages/core/src/(rules|run|bouts)/index\\.ts$'],
        dependencyTypesNot: ['type-only'],
      },
    ),
    rule(
      'packages-by-front-door',
      { path: '^packages/([^/]+)/' },
      {
        path: '^packages/',
        pathNot: ['^packages/$1/', '^packages/core/src/[^/]+/index\\.ts$', '^packages/files/src/index\\.ts$'],
      },
    ),
    rule(
      'folders-by-index',
      { path: '^packages/core/src/([^/]+)/' },
      { path: '^packages/core/src/[^/]+/.+', pathNot: ['^packages/core/src/$1/', '/index\\.ts$'] },
    ),
    ...coreLayers
      .slice(0, -1)
      .map((layer, i) =>
        rule(
          `core-${layer}-stays-below`,
          { path: `^packages/core/src/${layer}/`, pathNot: test },
          { path: `^packages/core/src/(${coreLayers.slice(i + 1).join('|')})/` },
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
      'web-workers-call-only-the-core',
      { path: '^packages/web/src/workers/' },
      { path: '^packages/web/src/(api|project|sentences|features|shell|ui)/' },
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
