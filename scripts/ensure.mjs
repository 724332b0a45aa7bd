// Plain Node, no dependencies: makes a fresh clone runnable. Skips what is done.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';

export const root = path.join(import.meta.dirname, '..');
const startedAt = Date.now();

export const say = (what) => console.log(`${what} (${((Date.now() - startedAt) / 1000).toFixed(1)} s)`);

/** Runs a command; its failure ends this process with its code. */
export function run(command, args, env = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  if (result.status === 0) return;
  console.error(`Failed: ${command} ${args.join(' ')}`);
  process.exit(result.status ?? 1);
}

const read = (file) => {
  try {
    return fs.readFileSync(path.join(root, file), 'utf8');
  } catch {
    return '';
  }
};

function hash(files) {
  const sum = createHash('sha256');
  for (const file of files) sum.update(file).update('\0').update(read(file)).update('\0');
  return sum.digest('hex');
}

const SKIPPED = new Set(['node_modules', 'dist', 'dist-types', 'data']);
const walk = (folder) =>
  fs
    .readdirSync(path.join(root, folder), { withFileTypes: true })
    .flatMap((entry) => {
      const inner = path.join(folder, entry.name);
      if (SKIPPED.has(entry.name) || entry.name.endsWith('.tsbuildinfo')) return [];
      return entry.isDirectory() ? walk(inner) : [inner];
    })
    .sort();

export function ensureInstalled() {
  const stamp = 'node_modules/.stadion-lock';
  const lock = hash(['package-lock.json']);
  if (read(stamp) === lock) return;
  say('Installing packages');
  // A production environment must not drop the build tools.
  run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund', '--loglevel=error']);
  fs.writeFileSync(path.join(root, stamp), lock);
}

export function ensureBuilt() {
  const stamp = 'node_modules/.stadion-build';
  const sources = hash(['package-lock.json', 'tsconfig.base.json', ...walk('packages')]);
  const built = ['packages/web/dist/index.html', 'packages/server/dist/main.js'].every((file) =>
    fs.existsSync(path.join(root, file)),
  );
  if (built && read(stamp) === sources) return;
  say('Building');
  run('npm', ['run', '--silent', 'build'], { NODE_ENV: 'production' });
  fs.writeFileSync(path.join(root, stamp), sources);
}

/** What tests need of Debian: a browser, and the Redis that workers share. */
export function ensureTestPrograms() {
  const missing = [
    ['/usr/bin/chromium', 'chromium'],
    ['/usr/bin/chromedriver', 'chromium-driver'],
    ['/usr/bin/redis-server', 'redis-server'],
  ].flatMap(([file, name]) => (fs.existsSync(file) ? [] : [name]));
  if (missing.length === 0) return;
  if (process.getuid?.() !== 0) {
    console.error(
      `The tests need Debian's ${missing.join(' and ')}. Please install: apt-get install ${missing.join(' ')}`,
    );
    process.exit(1);
  }
  say('Installing what the tests need');
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  const apt = ['-o', 'DPkg::Lock::Timeout=300', '-qq', '-y', '--no-install-recommends'];
  run('apt-get', ['-o', 'DPkg::Lock::Timeout=300', '-qq', 'update'], env);
  run('apt-get', [...apt, 'install', ...missing, 'fonts-liberation'], env);
}
