// npm run worker: plays trials for servers that share a Redis with it.
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureBuilt, ensureInstalled, root } from './ensure.mjs';

ensureInstalled();
ensureBuilt();
await import(pathToFileURL(path.join(root, 'packages/server/dist/workerMain.js')).href);
