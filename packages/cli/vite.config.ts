import path from 'node:path';
import { defineConfig, defaultServerConditions } from 'vite';

/** One file with all that it needs, so that the package can be installed by itself. */
export default defineConfig({
  resolve: { conditions: ['source', ...defaultServerConditions] },
  ssr: { noExternal: true },
  build: {
    ssr: path.join(import.meta.dirname, 'src/main.ts'),
    outDir: path.join(import.meta.dirname, 'dist'),
    target: 'node20',
    emptyOutDir: false,
    rolldownOptions: { output: { entryFileNames: 'stadion.js' } },
  },
});
