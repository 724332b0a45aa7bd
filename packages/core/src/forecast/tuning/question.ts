import type { Project } from '../../document/model/index.ts';
import { bringThere, type Brought } from './bringThere.ts';
import type { FitAsked, RampFit } from './fitAsked.ts';
import { fitRamps } from './fitRamps.ts';
import { CLEARED, type Goal } from './goal.ts';
import type { Search } from './search.ts';
import { moversLine, parameterLine, type TuningLine } from './line.ts';
import { sweepOver, type Sweep, type SweepAsked } from './sweep.ts';
import { moversOf, type Mover, type Movers } from './whatMovesIt.ts';

/** Which value brings a level to a goal. */
export interface BringAsked {
  /** From 1. */
  position: number;
  goal: Goal;
  /** One parameter by its key, or several with what a step of each does. */
  by: string | readonly Mover[];
}

/** Requests of the searches, by name. */
export interface TuningAsked {
  bring: BringAsked;
  sweep: SweepAsked;
  fit: FitAsked;
  /** @param position from 1 */
  movers: { position: number };
}

/** Results of the searches, by name. */
export interface TuningFound {
  bring: Brought;
  sweep: Sweep;
  fit: RampFit;
  movers: Movers;
}

export type TuningName = keyof TuningAsked;

/** The line along which a level is brought to a goal. */
export function lineOf(project: Project, { position, by }: BringAsked): TuningLine {
  if (typeof by !== 'string') return moversLine(project, position, by);
  const parameter = project.parameters.find(({ key }) => key === by);
  return parameter ? parameterLine(project, position, parameter) : moversLine(project, position, []);
}

const BEGIN: { [Name in TuningName]: (project: Project, asked: TuningAsked[Name]) => Search<TuningFound[Name]> } = {
  bring: (project, asked) => bringThere(asked.position, lineOf(project, asked), asked.goal),
  sweep: sweepOver,
  fit: fitRamps,
  movers: (project, { position }) => moversOf(project, position),
};

/** Begins to find out what was asked. */
export const searchFor = <Name extends TuningName>(
  project: Project,
  name: Name,
  asked: TuningAsked[Name],
): Search<TuningFound[Name]> => BEGIN[name](project, asked);

/** Returns what counts as a success in the attempts of a search. */
export const goalOf = <Name extends TuningName>(asked: TuningAsked[Name]): Goal =>
  'goal' in asked ? asked.goal : CLEARED;
