// npm run worker: plays trials for servers that share a Redis with it.
import { ensureBuilt, ensureInstalled, root } from './ensure.mjs';
import { spawn } from 'node:child_process';

ensureInstalled();
ensureBuilt();
const worker = spawn(process.execPath, ['packages/server/dist/workerMain.js'], { cwd: root, stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => worker.kill(signal));
worker.once('exit', (code) => process.exit(code ?? 1));
