import { describe, expect, it } from '@jest/globals';
import { FindingBook } from '../../findings/index.ts';
import { importProject } from '../../formats/index.ts';
import { prepareLevel } from '../../grounds/index.ts';
import { documentOf } from '../../model/index.ts';
import { valuesAt } from '../../ramps/index.ts';
import { reachOf } from '../../scene/index.ts';
import { readyGame, seedOf } from '../../trials/index.ts';
import { START_GOALS, StartChoices, startProject, type StartGoal } from '../index.ts';

const GOALS = Object.keys(START_GOALS) as StartGoal[];
const CASES = GOALS.flatMap((goal) => [1, 2, 12, 60].map((levels) => [goal, levels] as const));

describe('a project started from three answers', () => {
  it.each(CASES)('%s, %i levels: is whole, has nothing to find, and all can be reached', (goal, levels) => {
    const project = startProject({ moves: 'roam', goal, levels });
    expect(importProject(documentOf(project))).toMatchObject({ ok: true });
    expect(project.slots).toHaveLength(levels);
    expect(new FindingBook().of(project)).toEqual([]);
    for (const level of Object.values(project.levels)) expect(reachOf(level).unreachable).toEqual([]);
    expect(project.tiers).toHaveLength(Math.min(3, levels));
  });

  it.each(GOALS)('%s: its numbers follow ramps, and its grounds differ', (goal) => {
    const project = startProject({ moves: 'roam', goal, levels: 12 });
    const speed = valuesAt(project, 12)['enemySpeed'] as number;
    expect(speed).toBeGreaterThan(valuesAt(project, 1)['enemySpeed'] as number);
    const grounds = Object.values(project.levels).map(({ ground }) => JSON.stringify([ground.rows, ground.pieces]));
    expect(new Set(grounds).size).toBeGreaterThanOrEqual(10);
  });

  it.each(GOALS)('%s: steady players clear the first level nearly always and the last one sometimes', (goal) => {
    const project = startProject({ moves: 'roam', goal, levels: 12 });
    const rate = (position: number): number => {
      const game = readyGame(prepareLevel(project, position));
      const won = Array.from({ length: 40 }, (_, i) => game.play(project.pacers[1]!, seedOf(i)).won);
      return won.filter(Boolean).length / won.length;
    };
    expect(rate(1)).toBeGreaterThanOrEqual(0.85);
    expect(rate(12)).toBeGreaterThan(0.3);
    expect(rate(12)).toBeLessThanOrEqual(1);
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
