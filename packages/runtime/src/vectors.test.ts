import { describe, expect, it } from '@jest/globals';
import fs from 'node:fs';
import path from 'node:path';
import { depth } from '../../core/src/testing/index.ts';
import { judgeVector } from './testing/secondJudge.ts';
import { vectorOf, type Vector } from './testing/vectors.ts';

const FILE = path.join(import.meta.dirname, '../../../docs/conformance.json');
const { vectors } = JSON.parse(fs.readFileSync(FILE, 'utf8')) as { vectors: Vector[] };

describe('conformance vectors', () => {
  it('are what the judge says today', () => {
    // A rule of judging that is changed on purpose changes these: write them again by `npm run vectors`.
    expect(vectors).toHaveLength(300);
    for (let index = 0; index < vectors.length; index += depth(1, 6))
      expect([index, vectorOf(index + 1)]).toEqual([index, vectors[index]]);
  });

  it('show every way to end, warnings, and attempts that go on', () => {
    const all = vectors.flatMap(({ verdicts }) => verdicts);
    const count = (is: (one: (typeof all)[number]) => boolean): number => all.filter(is).length;
    expect(count((one) => 'fired' in one)).toBeGreaterThan(300);
    expect(count((one) => 'warned' in one)).toBeGreaterThan(20);
    expect(count((one) => 'ended' in one && one.ended === 'won' && one.stars > 1)).toBeGreaterThan(20);
    expect(count((one) => 'ended' in one && one.by === null)).toBeGreaterThan(20);
    expect(vectors.filter(({ verdicts }) => !verdicts.some((one) => 'ended' in one)).length).toBeGreaterThan(20);
  });

  it('are met by a judge that is written from docs/porting.md alone', () => {
    vectors.forEach((vector, index) => expect([index, judgeVector(vector)]).toEqual([index, vector.verdicts]));
  });
});
