import { emptyTally, playBatch, type Tally, type TrialQuestion } from '@stadion/core/forecast/trials';
import { runnerForLatest } from './runnerForLatest.ts';

/** Attempts of a forecast to play. The question comes with its first batch. */
export interface ForecastBatch {
  id: number;
  question?: TrialQuestion;
  at: number;
  first: number;
  count: number;
}

export interface ForecastBatchCame {
  id: number;
  at: number;
  tally: Tally;
}

const gameOf = runnerForLatest();
const waiting: ForecastBatch[] = [];
let latest = 0;
let current: { id: number; question: TrialQuestion } | undefined;

/** Turns of the loop without the wait of a timer. */
const channel = new MessageChannel();
channel.port1.onmessage = () => {
  const batch = waiting.shift();
  // A later question has come meanwhile: nobody waits for this one.
  if (!batch || batch.id !== latest) return;
  const { id, at, first, count } = batch;
  if (batch.question) current = { id, question: batch.question };
  if (current?.id !== id) return;
  const tally = emptyTally();
  const { question } = current;
  playBatch(gameOf(question), question.population, first, count, tally);
  postMessage({ id, at, tally } satisfies ForecastBatchCame);
};

addEventListener('message', ({ data }: MessageEvent<ForecastBatch>) => {
  latest = data.id;
  waiting.push(data);
  channel.port2.postMessage(null);
});
