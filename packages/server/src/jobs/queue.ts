import type { Tally, TrialQuestion } from '@stadion/core/forecast/trials';

/** A number of attempts at one question. */
export interface BatchTask {
  /** Names the question among the blobs. */
  question: string;
  /** Number of its first attempt. */
  first: number;
  count: number;
}

/** Large things by the names of what is in them: a question travels to a worker once, not with every batch. */
export interface Blobs {
  put(name: string, question: TrialQuestion): void;
  get(name: string): TrialQuestion | undefined;
  delete(name: string): void;
}

/** Whose a task is, and how soon its turn comes: a smaller rank comes first. */
export interface Place {
  group: string;
  rank: number;
}

/** Plays batches somewhere: threads of this process, or machines elsewhere. */
export interface WorkQueue {
  /** How many batches it plays at the same time. */
  readonly width: number;
  readonly blobs: Blobs;
  /** @returns the attempts, or the first of them where they take long; rejected where they failed or the group was dropped */
  put(task: BatchTask, place: Place): Promise<Tally>;
  /** Takes out everything of a group that is not played yet, and stops what is. */
  drop(group: string): void;
  close(): Promise<void>;
}
