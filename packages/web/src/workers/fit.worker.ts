import type { Pacer, Project } from '@stadion/core/model';
import { fitPlayer, fitRamps, partsOf, type FitAsked, type FitBatch, type RampFit } from '@stadion/core/tuning';
import { answering, pause } from './answering.ts';
import type { FitBatches, FitBatchesWon } from './fitBatches.worker.ts';
import { handOf, handsHere, shared } from './shared.ts';

/** Asks for ramps that bring a stretch to what is wanted; a later question takes the place of an earlier one. */
export interface FitRequest {
  id: number;
  project: Project;
  pacer: Pacer;
  asked: FitAsked;
}

export interface FitAnswer {
  id: number;
  fit: RampFit;
  done: boolean;
}

/** Batches that are handed over together hold about so many attempts; one of many is handed over in parts. */
const TOGETHER = 40;
const MOST_IN_PART = 20;

/** Batches in bundles that take about as long. */
function bundled(batches: readonly FitBatch[]): FitBatch[][] {
  const bundles: FitBatch[][] = [];
  let room = 0;
  for (const batch of batches) {
    if (room < batch.count) {
      bundles.push([]);
      room = TOGETHER;
    }
    bundles.at(-1)!.push(batch);
    room -= batch.count;
  }
  return bundles;
}

type Bundle = readonly FitBatch[];

/** Workers besides this one; begun with the first question. */
let helpers: ((job: FitBatches) => Promise<FitBatchesWon>)[] | undefined;

answering(({ project, pacer, asked }: FitRequest, isAwaited) => {
  const fitting = fitRamps(project, asked);
  const play = fitPlayer(project, pacer);
  helpers ??= Array.from({ length: handsHere() - 1 }, () =>
    handOf<FitBatches, FitBatchesWon>(
      new Worker(new URL('./fitBatches.worker.ts', import.meta.url), { type: 'module' }),
    ),
  );
  const here = async (bundle: Bundle): Promise<number[]> => {
    // A later question is let in between.
    await pause();
    return bundle.map(play);
  };
  const hands = [here];
  for (const help of helpers) {
    let knows = false;
    hands.push((batches) => {
      const on = knows ? undefined : { project, pacer };
      knows = true;
      return help({ batches, ...(on && { on }) });
    });
  }
  return {
    async step() {
      const parts = fitting.due().map((batch) => partsOf(batch, MOST_IN_PART));
      const won = (await shared(bundled(parts.flat()), hands, isAwaited)).flat();
      if (!isAwaited()) return false;
      let at = 0;
      fitting.take(parts.map(({ length }) => won.slice(at, (at += length)).reduce((sum, each) => sum + each, 0)));
      return fitting.due().length > 0;
    },
    read: (): Omit<FitAnswer, 'id' | 'done'> => ({ fit: fitting.read() }),
  };
}, 0);
