import path from 'node:path';
import { defineConfig, defaultServerConditions } from 'vite';

const server = (name: string): string => path.join(import.meta.dirname, '../server/src', name);

/** The server with Stadion's own code in it, for the package; what it needs besides is installed with the package. */
export default defineConfig({
  resolve: { conditions: ['source', ...defaultServerConditions] },
  ssr: { noExternal: [/^@stadion\//] },
  build: {
    ssr: true,
    outDir: path.join(import.meta.dirname, 'serve/packages/server/dist'),
    target: 'node20',
    emptyOutDir: true,
    rolldownOptions: {
      input: {
        main: server('main.ts'),
        worker: server('jobs/worker.ts'),
        fileWorker: server('jobs/fileWorker.ts'),
      },
      output: { entryFileNames: '[name].js' },
    },
  },
});
