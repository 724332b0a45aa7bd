import path from 'node:path';
import { defineConfig, defaultClientConditions } from 'vite';

/** One file without dependencies each, for browsers, workers and Node: what every game needs, and fights for those that have them. */
export default defineConfig(({ mode }) => {
  const [entry, fileName] = mode === 'fights' ? ['fight', 'stadion-fights'] : ['index', 'stadion-runtime'];
  return {
    resolve: { conditions: ['source', ...defaultClientConditions] },
    build: {
      target: 'es2022',
      // Whitespace, too: a library is bundled again only by those who want to.
      rolldownOptions: { output: { minify: { compress: true, mangle: true, codegen: { removeWhitespace: true } } } },
      emptyOutDir: false,
      lib: { entry: path.join(import.meta.dirname, `src/${entry}.ts`), formats: ['es'], fileName },
    },
  };
});
