import { startingJudgeOf, worthAtStart, type PreparedLevel } from '../../play/attempt/index.ts';
import {
  levelBefore,
  prepareBoutLevel,
  prepareMeetings,
  startingBoutJudgeOf,
  withoutNames,
  type PreparedBoutLevel,
  type PreparedMeetings,
  type WithBouts,
} from '../../play/bouts/index.ts';
import { prepareLevel } from '../../play/movement/index.ts';
import type { Level, Meetings, Project } from '../../document/model/index.ts';
import { valuesAt, type Values } from '../../document/ramps/index.ts';
import type { StartingJudge } from '../../play/rules/index.ts';
import type { PreparedWay } from './meetingGame.ts';

/** A level played on its ground; with the fights on its way, where one of them can lose it. */
export type PreparedGround = PreparedLevel & { meetings?: PreparedMeetings };

/** A level at one slot as it is played: on its ground, or by its bout. */
export type ResolvedLevel = PreparedGround | PreparedBoutLevel;

export const hasBouts = (project: Project): project is WithBouts => project.bouts !== undefined;

export const isBout = (game: ResolvedLevel): game is PreparedBoutLevel => game.kind === 'bout';

export const hasMeetings = (game: PreparedGround): game is PreparedWay => game.meetings !== undefined;

/**
 * Resolves the level that stands at a position.
 *
 * @param position from 1
 * @param values of all parameters, where they are others than the project's there
 * @throws RangeError where the sequence has no such position
 */
export function resolveLevel(project: Project, position: number, values?: Values): ResolvedLevel {
  const level = project.levels[project.slots[position - 1]?.levelId ?? ''];
  if (!hasBouts(project) || !level) return prepareLevel(project, position, values);
  if (level.bout) return prepareBoutLevel(project, level, level.bout, position, values);
  const ground = prepareLevel(project, position, values);
  if (level.meetings?.whenLost !== 'lost') return ground;
  const meetings = meetingsAt(project, level, level.meetings, position, values);
  return { ...ground, meetings: { ...meetings, fights: meetings.fights.map(withoutNames) } };
}

/** Fights on the way through a level, with the party as far as it has come if all before were won. @param position from 1 */
export const meetingsAt = (
  project: WithBouts,
  level: Level,
  meetings: Meetings,
  position: number,
  values: Values = valuesAt(project, position),
): PreparedMeetings =>
  prepareMeetings(project, level, meetings, { position, values, partyLevel: levelBefore(project, position) });

/** The judge of a level with what it sees before anything has happened, and the worth of all there is, by kind. */
export type StartingAt = StartingJudge & { worth: number[] };

/** For judging cases without playing. @param position from 1 */
export function startingJudgeAt(project: Project, position: number): StartingAt {
  const game = resolveLevel(project, position);
  return isBout(game)
    ? { ...startingBoutJudgeOf(game), worth: new Array<number>(game.sizes.collectables + 1).fill(0) }
    : { ...startingJudgeOf(game), worth: worthAtStart(game) };
}
