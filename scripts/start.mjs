// npm start: installs, builds, migrates, seeds the demo, serves everything on one port.
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureBuilt, ensureInstalled, root } from './ensure.mjs';

ensureInstalled();
ensureBuilt();
process.env.NODE_ENV ??= 'production';
await import(pathToFileURL(path.join(root, 'packages/server/dist/main.js')).href);
