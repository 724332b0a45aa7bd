// npm test: format, lint, types, layers, unit tests, browser tests; then one line of counts.
import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { ensureTestPrograms, ensureBuilt, ensureInstalled, root, say } from './ensure.mjs';

ensureInstalled();
// Kept until the next run, to look up what took how long.
const reports = path.join(root, 'node_modules/.cache/stadion-tests');
fs.rmSync(reports, { recursive: true, force: true });
fs.mkdirSync(reports, { recursive: true });
const SLOWEST = 10;
let passed = 0;
let failed = 0;

/** Runs what looks at the code, two at a time; each one's output comes when it is done. */
async function checks(list) {
  const waiting = [...list];
  const next = async () => {
    for (let one = waiting.shift(); one; one = waiting.shift()) {
      const [name, command, args] = one;
      const ok = await new Promise((resolve) => {
        const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
        let output = '';
        for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (output += data));
        child.once('close', (status) => {
          if (status !== 0) process.stderr.write(output);
          resolve(status === 0);
        });
      });
      if (ok) passed++;
      else failed++;
      say(`${ok ? 'ok    ' : 'FAILED'} ${name}`);
    }
  };
  await Promise.all([next(), next()]);
}

/** The files that took longest. */
const slowest = (results) =>
  results
    .map(({ name, startTime, endTime }) => ({ file: path.relative(root, name), seconds: (endTime - startTime) / 1000 }))
    .sort((one, other) => other.seconds - one.seconds)
    .slice(0, SLOWEST);

function jest(name, args) {
  const report = path.join(reports, `${name}.json`);
  const env = { ...process.env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' };
  const result = spawnSync('npx', ['jest', '--json', `--outputFile=${report}`, ...args], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env,
  });
  const counts = fs.existsSync(report)
    ? JSON.parse(fs.readFileSync(report, 'utf8'))
    : { numPassedTests: 0, numFailedTests: 0, numRuntimeErrorTestSuites: 1 };
  passed += counts.numPassedTests;
  failed += counts.numFailedTests + counts.numRuntimeErrorTestSuites;
  if (result.status !== 0 && counts.numFailedTests + counts.numRuntimeErrorTestSuites === 0) failed++;
  say(
    `${result.status === 0 ? 'ok    ' : 'FAILED'} ${name}: ${counts.numPassedTests} passed, ${counts.numFailedTests} failed`,
  );
  for (const { file, seconds } of slowest(counts.testResults ?? [])) say(`       ${seconds.toFixed(1)} s  ${file}`);
}

await checks([
  ['types', 'npm', ['run', '--silent', 'types']],
  ['lint', 'npm', ['run', '--silent', 'lint']],
  ['format', 'npx', ['oxfmt', '--list-different', '.']],
  ['layers', 'npm', ['run', '--silent', 'layers']],
]);
ensureTestPrograms();
jest('unit', []);
ensureBuilt();
jest('browser', ['--config', 'e2e/jest.config.mjs']);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
