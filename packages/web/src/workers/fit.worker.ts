import type { Pacer, Project } from '@stadion/core/model';
import { fitRamps, type FitAsked, type RampFit } from '@stadion/core/tuning';
import { answering } from './answering.ts';

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

answering(({ project, pacer, asked }: FitRequest) => {
  const fitting = fitRamps(project, pacer, asked);
  return { step: () => fitting.next(), read: (): Omit<FitAnswer, 'id' | 'done'> => ({ fit: fitting.read() }) };
}, 0);
