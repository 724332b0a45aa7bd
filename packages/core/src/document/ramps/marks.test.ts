import { describe, expect, it } from '@jest/globals';
import { changeOf, laneMarks } from './index.ts';

const sane = { min: 0, max: 10 };

describe('what stands out along a lane', () => {
  it.each([
    ['steps', [1, 1, 2, 2, 5, 5], { position: 5, by: 3 }, null, []],
    ['a fall', [9, 8, 2, 1], { position: 3, by: -6 }, null, []],
    ['a long stretch', [1, 2, 3, 3, 3, 3, 4], { position: 2, by: 1 }, { from: 3, to: 6 }, []],
    ['one value throughout', [5, 5, 5, 5, 5], null, null, []],
    ['values beyond the sane range', [-1, 0, 10, 10.5], { position: 3, by: 10 }, null, [1, 4]],
    ['nothing', [], null, null, []],
    ['one level', [3], null, null, []],
  ])('%s', (_case, values, largestJump, flat, outside) => {
    expect(laneMarks(values, sane)).toEqual({ largestJump, flat, outside });
  });

  it('names the first of equal jumps', () => {
    expect(laneMarks([0, 0.1, 0.2, 0.30000000000000004], sane).largestJump?.position).toBe(2);
  });
});

describe('a change', () => {
  it.each([
    [2, 3, 1, 0.5],
    [4, 3, -1, -0.25],
    [-2, -1, 1, 0.5],
    [0, 3, 3, null],
  ])('from %d to %d is %d, as a share %s', (before, after, by, share) => {
    expect(changeOf(before, after)).toEqual({ by, share });
  });
});
