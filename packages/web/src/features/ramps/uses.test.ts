import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { usesInWords } from './uses.ts';
import { positionsInWords } from './words.ts';

const project = homeBeforeDusk();
const usesOf = (key: string, position = 7) =>
  usesInWords(
    project,
    project.parameters.find((entry) => entry.key === key)!,
    position,
  );

describe('what uses a parameter', () => {
  it('is said with what is made of it and what that comes to', () => {
    // 2.55 at level 7, pinned; the milestone of level 16 changes it, which is no number.
    const uses = usesOf('hornetSpeed');
    expect(uses.filter(({ words }) => !words.startsWith('The Garden Path')).slice(0, 4)).toEqual([
      { words: 'bee: speed', made: '× 1.5 + 2.6', value: expect.closeTo(6.425, 9), at: 7, slotId: 'slot-7' },
      { words: 'Hornet: speed', made: '', value: 2.55, at: 7, slotId: 'slot-7' },
      { words: 'Wasp: speed', made: '× 0.8 + 0.4', value: expect.closeTo(2.44, 9), at: 7, slotId: 'slot-7' },
      { words: 'Long Shadows: a rule', made: '', at: 16, slotId: 'slot-16' },
    ]);
    expect(uses).toContainEqual({
      words: 'The Mown Rows: lane, speed',
      made: '× 1.1',
      value: expect.closeTo(2.97, 9),
      at: 23,
      slotId: 'slot-23',
    });
  });

  it('stands at its own level, or at the selected one where that is it', () => {
    const clocks = usesOf('clock', 5);
    expect(clocks[0]).toMatchObject({ words: 'Clover Steps: clock, limit', at: 1, value: 48 });
    expect(clocks.find(({ at }) => at === 5)?.words).toBe('Garden Walls: clock, limit');
  });

  it('of a share is that share of what is placed', () => {
    const [first] = usesOf('nectarNeeded');
    expect(first).toMatchObject({ words: 'Clover Steps: a rule', made: 'of what is placed', at: 1 });
    expect(first!.value! % 1).toBe(0);
  });
});

describe('positions in words', () => {
  it.each([
    [[4], '4'],
    [[4, 5], '4, 5'],
    [[3, 4, 5, 6, 8, 20, 21, 22], '3–6, 8, 20–22'],
    [[], ''],
  ])('%j', (positions, expected) => {
    expect(positionsInWords(positions)).toBe(expected);
  });
});
