import {
  emptyTally,
  forecastOf,
  isPreciseEnough,
  playBatch,
  readyGame,
  type Forecast,
  type TrialQuestion,
} from '@stadion/core/trials';

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

let current = 0;

/** Lets a waiting message in. */
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

async function answer({ id, question }: ForecastRequest): Promise<void> {
  current = id;
  const game = readyGame(question.level);
  const tally = emptyTally();
  let told = 0;
  for (;;) {
    playBatch(game, question.population, tally.attempts, BATCH, tally);
    const done = isPreciseEnough(tally, question.precision);
    const now = performance.now();
    if (done || (tally.attempts >= FIRST_ANSWER && now - told > ANSWER_EVERY_MS)) {
      told = now;
      postMessage({ id, forecast: forecastOf(tally), done } satisfies ForecastAnswer);
    }
    if (done) return;
    await pause();
    if (current !== id) return;
  }
}

addEventListener('message', (event: MessageEvent<ForecastRequest>) => void answer(event.data));
