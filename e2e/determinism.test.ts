import { describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import path from 'node:path';
import { boutHashes, finalHashes, kindHashes, type PatchSuiteTest } from '@stadion/core/testing';
import { createRequire } from 'node:module';
import { journey } from '../harness/journey.ts';

const ROOT = path.join(import.meta.dirname, '..');
const at = journey();
const SEEDS = 200;

/** The same sources as one script for the browser. */
const bundle = (): string =>
  execFileSync(
    process.execPath,
    [path.join(ROOT, 'scripts/bundle.mjs'), 'packages/core/src/testing/index.ts', 'hashes'],
    { encoding: 'utf8', maxBuffer: 1 << 26 },
  );

describe('the same seed', () => {
  it(`gives the same attempt in Node and in the browser, bit for bit, over ${SEEDS} seeds`, async () => {
    const code = bundle();
    await at.open('level/slot-1');
    await at.page.driver.manage().setTimeouts({ script: 60_000 });
    const inBrowser = await at.page.driver.executeScript<number[]>(`${code}; return hashes.finalHashes(${SEEDS});`);
    const inNode = finalHashes(SEEDS);
    expect(inNode).toHaveLength(SEEDS);
    expect(new Set(inNode).size).toBeGreaterThan(SEEDS * 0.95);
    expect(inBrowser).toEqual(inNode);
  });

  it('gives the same bout, turn by turn, over 200 seeds', async () => {
    const inBrowser = await at.page.driver.executeScript(`${bundle()}; return hashes.boutHashes(200);`);
    const inNode = boutHashes(200);
    expect(new Set(inNode).size).toBeGreaterThan(190);
    expect(inBrowser).toEqual(inNode);
  });

  it('gives the same attempt on every kind of ground, over 50 seeds each', async () => {
    const inBrowser = await at.page.driver.executeScript(`${bundle()}; return hashes.kindHashes(50);`);
    expect(inBrowser).toEqual(kindHashes(50));
  });
});

describe('a JSON Patch', () => {
  it('is applied in the browser as the JSON Patch test suite has it', async () => {
    const load = createRequire(import.meta.url);
    const suite = ['tests.json', 'spec_tests.json'].flatMap(
      (file) => load(`json-patch-test-suite/${file}`) as PatchSuiteTest[],
    );
    await at.open('level/slot-1');
    const script = `${bundle()}; return hashes.patchSuiteFailures(arguments[0]);`;
    expect(await at.page.driver.executeScript<string[]>(script, suite)).toEqual([]);
  });
});
