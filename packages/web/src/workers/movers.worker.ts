import type { Pacer, Project } from '@stadion/core/model';
import { moversOf, type Movers } from '@stadion/core/tuning';
import { answering } from './answering.ts';

/** Asks what moves the level at a position; a later question takes the place of an earlier one. */
export interface MoversRequest {
  id: number;
  /** Other levels than the one at the position may be left out. */
  project: Project;
  position: number;
  pacer: Pacer;
}

export interface MoversAnswer {
  id: number;
  /** Keys of the parameters that act at this level. */
  keys: readonly string[];
  movers: Movers;
  done: boolean;
}

/** Enough to tell half a step of most parameters from nothing, and a wait of some seconds. */
const ATTEMPTS = 2400;
const DRAWS_AT_ONCE = 4;
const ANSWER_EVERY_MS = 400;

answering(({ project, position, pacer }: MoversRequest) => {
  const trials = moversOf(project, position, pacer);
  return {
    step() {
      trials.play(DRAWS_AT_ONCE);
      return trials.attempts < ATTEMPTS && trials.keys.length > 0;
    },
    read: (): Omit<MoversAnswer, 'id' | 'done'> => ({ keys: trials.keys, movers: trials.read() }),
  };
}, ANSWER_EVERY_MS);
