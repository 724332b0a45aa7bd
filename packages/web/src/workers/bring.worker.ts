import type { Pacer, Project } from '@stadion/core/model';
import { bringThere, moversLine, parameterLine, type Brought, type Goal, type Mover } from '@stadion/core/tuning';

/** Asks for the value that brings a level to a goal; a later question takes the place of an earlier one. */
export interface BringRequest {
  id: number;
  /** Other levels than the one at the position may be left out. */
  project: Project;
  position: number;
  pacer: Pacer;
  goal: Goal;
  /** One parameter by its key, or several with what a step of each does. */
  by: string | readonly Mover[];
}

export interface BringAnswer {
  id: number;
  brought: Brought;
  done: boolean;
}

const ANSWER_EVERY_MS = 250;

let current = 0;

/** Lets a waiting message in. */
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

async function answer({ id, project, position, pacer, goal, by }: BringRequest): Promise<void> {
  current = id;
  const parameter = typeof by === 'string' ? project.parameters.find(({ key }) => key === by) : undefined;
  if (typeof by === 'string' && !parameter) return;
  const line = parameter
    ? parameterLine(project, position, parameter)
    : moversLine(project, position, by as readonly Mover[]);
  const search = bringThere(project, position, pacer, line, goal);
  let told = performance.now();
  for (;;) {
    const done = !search.next();
    const now = performance.now();
    if (done || now - told > ANSWER_EVERY_MS) {
      told = now;
      postMessage({ id, brought: search.read(), done } satisfies BringAnswer);
    }
    if (done) return;
    await pause();
    if (current !== id) return;
  }
}

addEventListener('message', (event: MessageEvent<BringRequest>) => void answer(event.data));
