import type { Pacer, Project } from '@stadion/core/model';
import { moversOf, type Movers } from '@stadion/core/tuning';

/** Asks what moves the level at a position; a later question takes the place of an earlier one. */
export interface MoversRequest {
  id: number;
  /** Other levels than the one at the position may be left out. */
  project: Project;
  position: number;
  pacer: Pacer;
}

export interface MoversAnswer {
  id: number;
  /** Keys of the parameters that act at this level. */
  keys: readonly string[];
  movers: Movers;
  done: boolean;
}

/** Enough to tell half a step of most parameters from nothing, and a wait of some seconds. */
const ATTEMPTS = 2400;
const DRAWS_AT_ONCE = 4;
const ANSWER_EVERY_MS = 400;

let current = 0;

/** Lets a waiting message in. */
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

async function answer({ id, project, position, pacer }: MoversRequest): Promise<void> {
  current = id;
  const trials = moversOf(project, position, pacer);
  let told = performance.now();
  for (;;) {
    trials.play(DRAWS_AT_ONCE);
    const now = performance.now();
    const { attempts } = trials;
    const done = attempts >= ATTEMPTS || trials.keys.length === 0;
    if (done || now - told > ANSWER_EVERY_MS) {
      told = now;
      postMessage({ id, keys: trials.keys, movers: trials.read(), done } satisfies MoversAnswer);
    }
    if (done) return;
    await pause();
    if (current !== id) return;
  }
}

addEventListener('message', (event: MessageEvent<MoversRequest>) => void answer(event.data));
