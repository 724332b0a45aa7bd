import type { Pacer, Project } from '@stadion/core/model';
import { sweepOver, type Sweep, type SweepAsked } from '@stadion/core/tuning';
import { answering } from './answering.ts';

/** Asks for a sweep; a later question takes the place of an earlier one. */
export interface SweepRequest {
  id: number;
  project: Project;
  pacer: Pacer;
  asked: SweepAsked;
}

export interface SweepAnswer {
  id: number;
  sweep: Sweep;
  done: boolean;
}

/** Attempts at each point: about ±5 points at 80 %. */
export const SWEEP_ATTEMPTS = 240;
const ANSWER_EVERY_MS = 500;

answering(({ project, pacer, asked }: SweepRequest) => {
  const sweeping = sweepOver(project, pacer, asked);
  return {
    step() {
      sweeping.next();
      const { least, points } = sweeping.read();
      return least < SWEEP_ATTEMPTS && points.length > 0;
    },
    read: (): Omit<SweepAnswer, 'id' | 'done'> => ({ sweep: sweeping.read() }),
  };
}, ANSWER_EVERY_MS);
