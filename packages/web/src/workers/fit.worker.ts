import type { Pacer, Project } from '@stadion/core/model';
import { fitRamps, type FitAsked, type RampFit } from '@stadion/core/tuning';

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

let current = 0;

/** Lets a waiting message in. */
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

async function answer({ id, project, pacer, asked }: FitRequest): Promise<void> {
  current = id;
  const fitting = fitRamps(project, pacer, asked);
  for (;;) {
    const done = !fitting.next();
    postMessage({ id, fit: fitting.read(), done } satisfies FitAnswer);
    if (done) return;
    await pause();
    if (current !== id) return;
  }
}

addEventListener('message', (event: MessageEvent<FitRequest>) => void answer(event.data));
