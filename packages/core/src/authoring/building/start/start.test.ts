import { describe, expect, it } from '@jest/globals';
import { FindingBook } from '../../findings/index.ts';
import { importProject } from '../../../exchange/formats/index.ts';
import { REST, startAttempt, step } from '../../../play/attempt/index.ts';
import { makeWorld, prepareLevel } from '../../../play/movement/index.ts';
import { documentOf } from '../../../document/model/index.ts';
import { PERFECT } from '../../../forecast/pacers/index.ts';
import { valuesAt } from '../../../document/ramps/index.ts';
import { reachOf } from '../../../play/scene/index.ts';
import { isThorough } from '../../../testing/index.ts';
import { levelRunner, seedOf } from '../../../forecast/trials/index.ts';
import { START_KITS, StartChoices, startGoals, startProject, type StartMoves } from '../index.ts';

const WAYS = (Object.keys(START_KITS) as StartMoves[]).flatMap((moves) =>
  Object.keys(startGoals(moves)).map((goal) => [moves, goal] as const),
);
/** One of them by `npm test`, all by `npm run check`. */
const PLAYED = isThorough ? WAYS : WAYS.slice(0, 1);
const CASES = WAYS.flatMap(([moves, goal]) =>
  (isThorough ? [1, 12, 24] : [1, 12]).map((levels) => [moves, goal, levels] as const),
);

describe('a project started from three answers', () => {
  it.each(CASES)('%s, %s, %i levels: is whole, has nothing to find, and all can be reached', (moves, goal, levels) => {
    const project = startProject({ moves, goal, levels });
    expect(importProject(documentOf(project))).toMatchObject({ ok: true });
    expect(project.slots).toHaveLength(levels);
    expect(new FindingBook().of(project)).toEqual([]);
    for (const level of Object.values(project.levels)) expect(reachOf(level).unreachable).toEqual([]);
    expect(project.tiers).toHaveLength(Math.min(3, levels));
  });

  it.each(WAYS)('%s, %s: its numbers follow ramps, and its grounds differ', (moves, goal) => {
    const project = startProject({ moves, goal, levels: 12 });
    const [first, last] = [valuesAt(project, 1), valuesAt(project, 12)];
    const moved = project.parameters.filter(({ key }) => first[key] !== last[key]);
    expect(moved.length).toBeGreaterThanOrEqual(2);
    const grounds = Object.values(project.levels).map(({ ground }) => JSON.stringify([ground.rows, ground.pieces]));
    expect(new Set(grounds).size).toBeGreaterThanOrEqual(10);
  });

  it.each(PLAYED)(
    '%s, %s: steady players clear the first level nearly always and the last one sometimes',
    (moves, goal) => {
      const project = startProject({ moves, goal, levels: 12 });
      const rate = (position: number): number => {
        const game = levelRunner(prepareLevel(project, position));
        const won = Array.from({ length: 24 }, (_, i) => game.play(project.pacers[1]!, seedOf(i)).won);
        return won.filter(Boolean).length / won.length;
      };
      expect(rate(1)).toBeGreaterThanOrEqual(0.85);
      expect(rate(12)).toBeGreaterThan(0.3);
      expect(rate(12)).toBeLessThanOrEqual(1);
    },
  );

  it.each(PLAYED)('%s, %s: a player without mistakes clears it to the end', (moves, goal) => {
    const project = startProject({ moves, goal, levels: 12 });
    const without = { abilities: PERFECT, spread: 0 };
    for (const position of [7, 12]) {
      const game = levelRunner(prepareLevel(project, position));
      const won = Array.from({ length: 10 }, (_, i) => game.play(without, seedOf(i)).won);
      expect([position, won.filter(Boolean).length >= 9]).toEqual([position, true]);
    }
  });

  it('that is about surviving is not won by standing still', () => {
    const project = startProject({ moves: 'roam', goal: 'survive', levels: 12 });
    for (const position of [1, 12]) {
      const state = startAttempt(makeWorld(prepareLevel(project, position)), seedOf(1));
      while (state.phase === 'playing') step(state, REST);
      expect([position, state.phase]).toEqual([position, 'lost']);
    }
  });

  it('is not made of a goal that does not fit what moves', () => {
    const result = StartChoices.safeParse({ moves: 'cross', goal: 'survive', levels: 3 });
    expect(result.error?.issues[0]?.message).toMatch(/crosses lanes.*one of: reach, often, gather/);
  });

  it.each([
    [0, /At least one level/],
    [61, /At most 60 levels/],
    [2.5, /whole number/],
  ])('is not made of %d levels', (levels, said) => {
    const result = StartChoices.safeParse({ moves: 'roam', goal: 'reach', levels });
    expect(result.error?.issues[0]?.message).toMatch(said);
  });
});
