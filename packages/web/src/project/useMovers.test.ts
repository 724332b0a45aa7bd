import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/demo';
import { prepareGame } from '@stadion/core/trials';
import { onlyLevelAt } from './useMovers.ts';

describe('a project with one level only', () => {
  it('is played at that level as the whole one is, also with fights on the way', () => {
    const project = homeBeforeDusk();
    const level = project.levels[project.slots[23]!.levelId]!;
    expect(Object.keys(onlyLevelAt(project, 24).levels)).toEqual([level.id]);
    expect(prepareGame(onlyLevelAt(project, 24), 24)).toEqual(prepareGame(project, 24));
    const losing = { ...level, meetings: { ...level.meetings!, whenLost: 'lost' as const } };
    const other = { ...project, levels: { ...project.levels, [level.id]: losing } };
    expect(prepareGame(onlyLevelAt(other, 24), 24)).toEqual(prepareGame(other, 24));
    expect(onlyLevelAt(project, 99).levels).toEqual({});
  });
});
