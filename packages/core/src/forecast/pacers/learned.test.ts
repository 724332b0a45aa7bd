import { describe, expect, it } from '@jest/globals';
import { usualPacers } from '../../document/model/index.ts';
import { learnedAbilities } from './index.ts';

describe('a player who learns', () => {
  const { abilities } = usualPacers()[0]!;

  it('reacts and steers better with each try, by less and less, down to what learning leaves', () => {
    const at = (tries: number) => learnedAbilities(abilities, 0.4, tries).reactionMs / abilities.reactionMs;
    expect([at(1), at(2), at(3)].map((share) => Math.round(share * 1e6) / 1e6)).toEqual([1, 0.92, 0.856]);
    expect(at(60)).toBeCloseTo(0.6, 4);
    expect(learnedAbilities(abilities, 0.4, 5).aimErrorDegrees).toBeLessThan(abilities.aimErrorDegrees);
    expect(learnedAbilities(abilities, 0.4, 5).lapsesPerMinute).toBe(abilities.lapsesPerMinute);
  });

  it('without learning stays as it is', () => {
    expect(learnedAbilities(abilities, 0, 9)).toBe(abilities);
  });
});
