// Prints sources of the core as one script: node scripts/bundle.mjs ENTRY NAME [--minify]. NAME is what the script calls its exports.
import { createRequire } from 'node:module';
import path from 'node:path';
import { pathToFileURL } from 'node:url';

const [entry, name, minify] = process.argv.slice(2);
const root = path.join(import.meta.dirname, '..');
const fromWeb = createRequire(path.join(root, 'packages/web/package.json'));
const { build } = await import(pathToFileURL(fromWeb.resolve('vite')).href);
const result = await build({
  configFile: false,
  logLevel: 'error',
  resolve: { conditions: ['source'] },
  build: {
    write: false,
    minify: minify === '--minify',
    lib: { entry: path.join(root, entry), formats: ['iife'], name },
  },
});
const [output] = Array.isArray(result) ? result : [result];
process.stdout.write(output.output[0].code);
