// npm run dev: the server from its sources on one port, Vite in front of it on another, both watching.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { ensureInstalled, root } from './ensure.mjs';

ensureInstalled();
const api = process.env.API_PORT ?? '3000';
const children = [];
let stopping = false;

function stop() {
  if (stopping) return;
  stopping = true;
  for (const child of children) child.kill('SIGTERM');
}

function go(name, args, cwd, env) {
  const child = spawn(process.execPath, args, {
    cwd,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  for (const stream of [child.stdout, child.stderr]) {
    stream.on('data', (data) => process.stdout.write(String(data).replace(/^(?=.)/gm, `[${name}] `)));
  }
  child.on('exit', (code) => {
    console.log(`[${name}] ended with ${code}`);
    stop();
  });
  children.push(child);
}

const watch = ['packages/server/src', 'packages/core/src'].map((folder) => `--watch-path=${folder}`);
go(
  'server',
  [...watch, '--watch-preserve-output', '--conditions=source', '--import', 'tsx', 'packages/server/src/main.ts'],
  root,
  { PORT: api },
);
go('web', [path.join(root, 'packages/web/node_modules/vite/bin/vite.js')], path.join(root, 'packages/web'), {
  API_PORT: api,
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop);
