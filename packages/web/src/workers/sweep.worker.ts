import type { Pacer, Project } from '@stadion/core/model';
import { sweepOver, type Sweep, type SweepAsked } from '@stadion/core/tuning';

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

let current = 0;

/** Lets a waiting message in. */
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

async function answer({ id, project, pacer, asked }: SweepRequest): Promise<void> {
  current = id;
  const sweeping = sweepOver(project, pacer, asked);
  let told = performance.now();
  for (;;) {
    sweeping.next();
    const sweep = sweeping.read();
    const done = sweep.least >= SWEEP_ATTEMPTS || sweep.points.length === 0;
    const now = performance.now();
    if (done || now - told > ANSWER_EVERY_MS) {
      told = now;
      postMessage({ id, sweep, done } satisfies SweepAnswer);
    }
    if (done) return;
    await pause();
    if (current !== id) return;
  }
}

addEventListener('message', (event: MessageEvent<SweepRequest>) => void answer(event.data));
