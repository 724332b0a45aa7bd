import path from 'node:path';
import { defineConfig, defaultClientConditions } from 'vite';

/** One file without dependencies, for browsers, workers and Node. */
export default defineConfig({
  resolve: { conditions: ['source', ...defaultClientConditions] },
  build: {
    target: 'es2022',
    // Whitespace, too: a library is bundled again only by those who want to.
    rolldownOptions: { output: { minify: { compress: true, mangle: true, codegen: { removeWhitespace: true } } } },
    emptyOutDir: false,
    lib: { entry: path.join(import.meta.dirname, 'src/index.ts'), formats: ['es'], fileName: 'stadion-runtime' },
  },
});
