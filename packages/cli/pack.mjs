// Puts the application beside the commands before the package is packed: the server, the interface, the sample game.
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';

const here = import.meta.dirname;
const packages = path.join(here, '..');
const serve = path.join(here, 'serve');

/** Built files that are copied from the folder of packages to the same place in the package. */
const COPIED = ['server/src/db/migrations', 'web/dist', 'sample-game', 'runtime/dist'];

fs.rmSync(serve, { recursive: true, force: true });
execFileSync('npm', ['run', 'build'], { cwd: path.join(here, '../..'), stdio: ['ignore', 'ignore', 'inherit'] });
execFileSync('npx', ['vite', 'build', '--config', 'serve.config.ts'], {
  cwd: here,
  stdio: ['ignore', 'ignore', 'inherit'],
});
for (const folder of COPIED)
  fs.cpSync(path.join(packages, folder), path.join(serve, 'packages', folder), { recursive: true });
// So that what is in it is read as modules.
fs.writeFileSync(path.join(serve, 'package.json'), `${JSON.stringify({ type: 'module', private: true })}\n`);
