import { startingJudgeOf, worthAtStart, type PreparedLevel } from '../attempt/index.ts';
import { prepareBoutLevel, startingBoutJudgeOf, type PreparedBoutLevel } from '../bouts/index.ts';
import { prepareLevel } from '../grounds/index.ts';
import type { Project } from '../model/index.ts';
import type { Values } from '../ramps/index.ts';
import type { StartingJudge } from '../rules/index.ts';

/** A level at one slot as it is played: on its ground, or by its bout. */
export type PreparedGame = PreparedLevel | PreparedBoutLevel;

export const isBout = (game: PreparedGame): game is PreparedBoutLevel => game.kind === 'bout';

/**
 * Resolves the level that stands at a position.
 *
 * @param position from 1
 * @param values of all parameters, where they are others than the project's there
 * @throws RangeError where the sequence has no such position
 */
export function prepareGame(project: Project, position: number, values?: Values): PreparedGame {
  const level = project.levels[project.slots[position - 1]?.levelId ?? ''];
  const { bouts } = project;
  return level?.bout && bouts
    ? prepareBoutLevel({ ...project, bouts }, level, level.bout, position, values)
    : prepareLevel(project, position, values);
}

/** The judge of a level with what it sees before anything has happened, and the worth of all there is, by kind. */
export type StartingAt = StartingJudge & { worth: number[] };

/** For judging cases without playing. @param position from 1 */
export function startingJudgeAt(project: Project, position: number): StartingAt {
  const game = prepareGame(project, position);
  return isBout(game)
    ? { ...startingBoutJudgeOf(game), worth: new Array<number>(game.sizes.collectables + 1).fill(0) }
    : { ...startingJudgeOf(game), worth: worthAtStart(game) };
}
