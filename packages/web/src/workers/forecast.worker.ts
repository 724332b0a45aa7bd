import {
  emptyTally,
  forecastOf,
  isPreciseEnough,
  playBatch,
  recordedGame,
  type Forecast,
  type RecordedGame,
  type TrialQuestion,
} from '@stadion/core/trials';
import { answering } from './answering.ts';

/** Asks for a forecast; a later question takes the place of an earlier one. */
export interface ForecastRequest {
  id: number;
  question: TrialQuestion;
}

export interface ForecastAnswer {
  id: number;
  forecast: Forecast;
  done: boolean;
}

const BATCH = 10;
/** The first answer comes after so many attempts, later ones not more often than they can be read. */
const FIRST_ANSWER = 30;
const ANSWER_EVERY_MS = 120;

/** The level asked for last, with its attempts: an edit that leaves the motion alone is answered from them. */
let before: { game: RecordedGame; population: string } | undefined;

answering(
  ({ question }: ForecastRequest) => {
    const population = JSON.stringify(question.population);
    const game = recordedGame(question.level, before?.population === population ? before.game : undefined);
    before = { game, population };
    const tally = emptyTally();
    return {
      step() {
        playBatch(game, question.population, tally.attempts, BATCH, tally);
        return !isPreciseEnough(tally, question.precision);
      },
      read: (): Omit<ForecastAnswer, 'id' | 'done'> | undefined =>
        tally.attempts < FIRST_ANSWER ? undefined : { forecast: forecastOf(tally) },
    };
  },
  ANSWER_EVERY_MS,
  0,
);
