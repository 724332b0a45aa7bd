import { describe, expect, it } from '@jest/globals';
import { namesFor } from '../attempt/index.ts';
import { literal, type Condition, type Level, type Piece, type Project } from '../../document/model/index.ts';
import { atLeast, garden, is, rule } from '../../testing/index.ts';
import { numbersIn, objectiveInWords } from './index.ts';

const exit: Piece = { id: 'exit', piece: 'goal', name: 'Exit', at: { x: 15, y: 4 }, width: 2, height: 3 };
const inside = is('in', { reading: 'inside', zone: 'exit' });
const group = (kind: 'all' | 'any' | 'inOrder', ...of: Condition[]): Condition => ({ id: 'group', is: kind, of });
const say = numbersIn({}, { count: {}, worth: {} });

/** The objective of the garden, won by conditions. */
function objective(
  conditions: Condition[],
  change: (level: Level, project: Project) => void = () => undefined,
): string {
  const project = garden({
    pieces: [exit],
    rules: conditions.map((when, index) => rule(`won-${index}`, when, [{ effect: 'win' }])),
    change: (project, level) => change(level, project),
  });
  const level = project.levels['clover-steps']!;
  return objectiveInWords(project, level, namesFor(project, level), say);
}

describe('the objective of a level', () => {
  it.each<[string, Condition[]]>([
    ['Reach Exit.', [inside]],
    ['Gather 12 nectar, then reach Exit.', [group('all', inside, atLeast('w', { reading: 'worth', of: 'any' }, 12))]],
    ['Gather 3 clover or reach Exit.', [group('any', atLeast('c', { reading: 'collected', of: 'clover' }, 3), inside)]],
    ['Reach a score of 50, or reach Exit.', [atLeast('s', { reading: 'score' }, 50), inside]],
    ['Pass 6 sections.', [atLeast('p', { reading: 'sectionsPassed' }, 6)]],
    ['', []],
  ])('is %j', (words, conditions) => {
    expect(objective(conditions)).toBe(words);
  });

  it('says what the end of the clock asks for', () => {
    const ends = (atExpiry: 'win' | 'grade') => (level: Level) =>
      void (level.clock = { ...level.clock, limitSeconds: literal(30), atExpiry });
    expect(objective([], ends('win'))).toBe('Hold out until the clock ends.');
    expect(objective([], ends('grade'))).toBe('Earn a star before the clock ends.');
  });

  it('says a height in feet as it was typed', () => {
    const inFeet = (_level: Level, project: Project): void =>
      void (project.lengths = { metresPerUnit: 1, shown: 'feet' });
    expect(objective([atLeast('h', { reading: 'height' }, 80 * 0.3048)], inFeet)).toBe('Get to a height of 80 ft.');
  });
});
