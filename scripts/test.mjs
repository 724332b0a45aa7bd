// npm test: format, lint, types, layers, unit tests, browser tests; then one line of counts.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensureBrowser, ensureBuilt, ensureInstalled, root, say } from './ensure.mjs';

ensureInstalled();
const reports = fs.mkdtempSync(path.join(os.tmpdir(), 'stadion-test-'));
let passed = 0;
let failed = 0;

function check(name, command, args) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit' });
  const ok = result.status === 0;
  if (ok) passed++;
  else failed++;
  say(`${ok ? 'ok    ' : 'FAILED'} ${name}`);
}

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
}

check('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
check('lint', 'npm', ['run', '--silent', 'lint']);
check('types', 'npm', ['run', '--silent', 'types']);
check('layers', 'npm', ['run', '--silent', 'layers']);
jest('unit', []);
ensureBrowser();
ensureBuilt();
jest('browser', ['--config', 'e2e/jest.config.mjs']);
fs.rmSync(reports, { recursive: true, force: true });
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
