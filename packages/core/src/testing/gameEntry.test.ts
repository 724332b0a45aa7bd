import { describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import path from 'node:path';
import { gzipSync } from 'node:zlib';

const root = path.join(import.meta.dirname, '../../../..');
const bundle = (): string =>
  execFileSync(
    process.execPath,
    [path.join(root, 'scripts/bundle.mjs'), 'packages/core/src/testing/gameEntry.ts', 'game', '--minify'],
    { encoding: 'utf8' },
  );

describe('ramps and judge, as a game would take them along', () => {
  it('bring neither schemas nor the reader of formulas nor what only editing needs', () => {
    const code = bundle();
    expect(code).not.toContain('This bracket is never closed');
    expect(code).not.toContain('ZodError');
    expect(code).not.toContain('First step');
    expect(gzipSync(code).length).toBeLessThan(12_000);
  });
});
