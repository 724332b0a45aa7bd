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
import { answering } from './answering.ts';
import type { ForecastBatch, ForecastBatchCame } from './forecastBatches.worker.ts';
import { helperCount } from './workerPool.ts';
import { InOrder } from './inOrder.ts';
import { runnerForLatest } from './runnerForLatest.ts';

/** Asks for a forecast; a later question takes the place of an earlier one. */
export interface ForecastRequest {
  id: number;
  question: TrialQuestion;
  /** Number of cores of this machine. */
  cores: number;
}

export interface ForecastAnswer {
  id: number;
  forecast: Forecast;
  done: boolean;
}

const BATCH = 10;
/** Number of attempts before the first answer; later answers come no more often than they can be read. */
const FIRST_ANSWER = 30;
const ANSWER_EVERY_MS = 120;

const gameOf = runnerForLatest();
let helpers: Worker[] | undefined;
/** The work in progress. */
let current: { id: number; order: InOrder<Tally> } | undefined;

function startHelpers(count: number): Worker[] {
  return Array.from({ length: count }, () => {
    const worker = new Worker(new URL('./forecastBatches.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data: { id, at, tally } }: MessageEvent<ForecastBatchCame>) => {
      if (id === current?.id) current.order.arrived(at, tally);
    });
    return worker;
  });
}

answering(
  ({ id, question, cores }: ForecastRequest) => {
    helpers ??= startHelpers(helperCount(cores));
    const { population } = question;
    const told = new Set<Worker>();
    const order = new InOrder<Tally>({
      helpers: helpers.length,
      here(at) {
        const tally = emptyTally();
        playBatch(gameOf(question), population, at * BATCH, BATCH, tally);
        return tally;
      },
      ask(helper, at) {
        const worker = helpers?.[helper];
        if (!worker) return;
        const isFirst = !told.has(worker);
        told.add(worker);
        const batch: ForecastBatch = { id, at, first: at * BATCH, count: BATCH, ...(isFirst && { question }) };
        worker.postMessage(batch);
      },
    });
    current?.order.end();
    current = { id, order };
    const tally = emptyTally();
    return {
      async step() {
        const part = await order.take();
        if (!part) return false;
        addTally(tally, part);
        return !isPreciseEnough(tally, question.precision);
      },
      read: (): Omit<ForecastAnswer, 'id' | 'done'> | undefined =>
        tally.attempts < FIRST_ANSWER ? undefined : { forecast: forecastOf(tally) },
      end: () => order.end(),
    };
  },
  ANSWER_EVERY_MS,
  0,
);
