import type { Pacer, Project } from '@stadion/core/document/model';
import { batchPlayer, type Batch, type BatchPlayer, type Goal } from '@stadion/core/forecast/tuning';

export interface Played {
  project: Project;
  pacer: Pacer;
  goal: Goal;
}

/** Plays batches of a search. */
export function batches({ project, pacer, goal }: Played): (part: readonly Batch[]) => ReturnType<BatchPlayer>[] {
  const play = batchPlayer(project, pacer, goal);
  return (part) => part.map((batch) => play(batch));
}
