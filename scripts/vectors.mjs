// npm run vectors: writes docs/conformance.json anew, after a rule of judging was changed on purpose.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { root } from './ensure.mjs';

const program = `
  import fs from 'node:fs';
  import { vectorOf } from './packages/runtime/src/testing/vectors.ts';
  const vectors = Array.from({ length: 300 }, (_, index) => vectorOf(index + 1));
  const lines = vectors.map((vector) => JSON.stringify(vector)).join(',\\n');
  fs.writeFileSync('docs/conformance.json', '{"format":"stadion-conformance","version":1,"vectors":[\\n' + lines + '\\n]}\\n');
`;
const { status } = spawnSync(
  process.execPath,
  ['--conditions=source', '--import', 'tsx', '--input-type=module', '-e', program],
  { cwd: path.resolve(root), stdio: 'inherit' },
);
process.exitCode = status ?? 1;
