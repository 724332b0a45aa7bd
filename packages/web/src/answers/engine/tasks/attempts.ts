import { emptyTally, playBatch, type Tally, type TrialQuestion } from '@stadion/core/forecast/trials';
import { runnerForLatest } from '../runnerForLatest.ts';

/** Numbers of the attempts to play. */
export interface Attempts {
  first: number;
  count: number;
}

const runnerOf = runnerForLatest();

/** Plays attempts of a forecast. */
export const attempts =
  (question: TrialQuestion) =>
  ({ first, count }: Attempts): Tally => {
    const tally = emptyTally();
    playBatch(runnerOf(question), question.population, first, count, tally);
    return tally;
  };
