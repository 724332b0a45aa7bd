// Prints the attempt hashes' sources as one script for the browser.
import { createRequire } from 'node:module';
import path from 'node:path';
import { pathToFileURL } from 'node:url';

const fromWeb = createRequire(path.join(import.meta.dirname, '../../packages/web/package.json'));
const { build } = await import(pathToFileURL(fromWeb.resolve('vite')).href);
const result = await build({
  configFile: false,
  logLevel: 'error',
  resolve: { conditions: ['source'] },
  build: {
    write: false,
    minify: false,
    lib: {
      entry: path.join(import.meta.dirname, '../../packages/core/src/testing/index.ts'),
      formats: ['iife'],
      name: 'hashes',
    },
  },
});
const [output] = Array.isArray(result) ? result : [result];
process.stdout.write(output.output[0].code);
