import type { Pacer, Project } from '@stadion/core/model';
import { fitPlayer, type FitBatch } from '@stadion/core/tuning';

/** Batches to play; what they are played on comes with the first ones, and stays. */
export interface FitBatches {
  on?: { project: Project; pacer: Pacer };
  batches: readonly FitBatch[];
}

/** Attempts cleared, by batch. */
export type FitBatchesWon = number[];

let play: ReturnType<typeof fitPlayer> | undefined;

addEventListener('message', ({ data: { on, batches } }: MessageEvent<FitBatches>) => {
  if (on) play = fitPlayer(on.project, on.pacer);
  postMessage(batches.map((batch) => play?.(batch) ?? 0) satisfies FitBatchesWon);
});
