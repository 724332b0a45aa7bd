import {
  addTally,
  emptyTally,
  forecastOf,
  isPreciseEnough,
  type Forecast,
  type Tally,
  type TrialQuestion,
} from '@stadion/core/forecast/trials';
import type { Job } from '../answering.ts';
import { helpers, helpersBesideEdits, type Helper } from '../helpers.ts';
import { InOrder } from '../inOrder.ts';
import { attempts } from '../tasks/attempts.ts';

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

/** Kept from question to question: each remembers the attempts that it has played. */
let crew: Helper[] | undefined;

/** Attempts at one level until the clear rate is precise enough. */
export const forecast: Job<ForecastQuestion, ForecastAnswer> = {
  everyMs: 120,
  firstMs: 0,
  begin({ question, cores }) {
    crew ??= helpers.lend(helpersBesideEdits(cores));
    const hands = crew.map((helper) => helper.handFor('attempts', question));
    const play = attempts(question);
    const batch = (at: number) => ({ first: at * BATCH, count: BATCH });
    const order = new InOrder<Tally>({
      helpers: hands.length,
      here: (at) => play(batch(at)),
      ask(helper, at) {
        void hands[helper]?.(batch(at)).then((tally) => tally && order.arrived(at, tally));
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
