import {
  addTally,
  emptyTally,
  forecastOf,
  isPreciseEnough,
  playBatch,
  type Forecast,
  type Tally,
  type TrialQuestion,
} from '@stadion/core/forecast/trials';
import type { Job } from '../answering.ts';
import { helpers, helpersBesideEdits, type Helper } from '../helpers.ts';
import { InOrder } from '../inOrder.ts';
import { runnerForLatest } from '../runnerForLatest.ts';

export interface ForecastQuestion {
  question: TrialQuestion;
  /** Number of cores of this machine. */
  cores: number;
}

export interface ForecastAnswer {
  forecast: Forecast;
}

const BATCH = 10;
/** Number of attempts before the first answer; later answers come no more often than they can be read. */
const FIRST_ANSWER = 30;

const runnerOf = runnerForLatest();
/** Kept from question to question: each remembers the attempts that it has played. */
let crew: Helper[] | undefined;

/** Attempts at one level until the clear rate is precise enough. */
export const forecast: Job<ForecastQuestion, ForecastAnswer> = {
  everyMs: 120,
  firstMs: 0,
  begin({ question, cores }) {
    crew ??= helpers.lend(helpersBesideEdits(cores));
    const { population } = question;
    const hands = crew.map((helper) => helper.handFor('attempts', question));
    const order = new InOrder<Tally>({
      helpers: hands.length,
      here(at) {
        const tally = emptyTally();
        playBatch(runnerOf(question), population, at * BATCH, BATCH, tally);
        return tally;
      },
      ask(helper, at) {
        void hands[helper]?.({ first: at * BATCH, count: BATCH }).then((tally) => tally && order.arrived(at, tally));
      },
    });
    const tally = emptyTally();
    return {
      async step() {
        const part = await order.take();
        if (!part) return false;
        addTally(tally, part);
        return !isPreciseEnough(tally, question.precision);
      },
      read: () => (tally.attempts < FIRST_ANSWER ? undefined : { forecast: forecastOf(tally) }),
      end: () => order.end(),
    };
  },
};
