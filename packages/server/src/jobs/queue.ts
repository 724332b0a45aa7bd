import type { PreparedLevel } from '@stadion/core/attempt';
import type { Pacer } from '@stadion/core/pacers';
import type { Tally } from '@stadion/core/trials';

/** So many attempts at one level by one pacer. */
export interface BatchTask {
  /** Names the level, so that a worker can keep what it has made ready. */
  levelKey: string;
  level: PreparedLevel;
  pacer: Pacer;
  first: number;
  count: number;
}

/** Plays batches somewhere: threads of this process, or machines elsewhere. */
export interface TrialQueue {
  /** How many batches it plays at the same time. */
  readonly width: number;
  play(task: BatchTask): Promise<Tally>;
  close(): Promise<void>;
}
