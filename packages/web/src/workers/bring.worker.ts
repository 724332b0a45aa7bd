import type { Pacer, Project } from '@stadion/core/model';
import { bringThere, moversLine, parameterLine, type Brought, type Goal, type Mover } from '@stadion/core/tuning';
import { answering } from './answering.ts';

/** Asks for the value that brings a level to a goal; a later question takes the place of an earlier one. */
export interface BringRequest {
  id: number;
  /** Other levels than the one at the position may be left out. */
  project: Project;
  position: number;
  pacer: Pacer;
  goal: Goal;
  /** One parameter by its key, or several with what a step of each does. */
  by: string | readonly Mover[];
}

export interface BringAnswer {
  id: number;
  brought: Brought;
  done: boolean;
}

const ANSWER_EVERY_MS = 250;

answering(({ project, position, pacer, goal, by }: BringRequest) => {
  const parameter = typeof by === 'string' ? project.parameters.find(({ key }) => key === by) : undefined;
  const line = parameter
    ? parameterLine(project, position, parameter)
    : moversLine(project, position, typeof by === 'string' ? [] : by);
  const search = bringThere(project, position, pacer, line, goal);
  return { step: () => search.next(), read: (): Omit<BringAnswer, 'id' | 'done'> => ({ brought: search.read() }) };
}, ANSWER_EVERY_MS);
