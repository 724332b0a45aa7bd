import type { Pacer, Project } from '@stadion/core/document/model';
import { batchPlayer, type Batch, type BatchPlayer, type Goal } from '@stadion/core/forecast/tuning';

/** Batches to play; what they are played on comes with the first ones, and stays. */
export interface Batches {
  on?: { project: Project; pacer: Pacer; goal: Goal };
  batches: readonly Batch[];
}

/** The result of each batch. */
export type BatchesCame = ReturnType<BatchPlayer>[];

let play: BatchPlayer | undefined;

addEventListener('message', ({ data: { on, batches } }: MessageEvent<Batches>) => {
  if (on) play = batchPlayer(on.project, on.pacer, on.goal);
  postMessage(batches.map((batch) => play?.(batch) ?? { successes: 0, trials: 0 }) satisfies BatchesCame);
});
