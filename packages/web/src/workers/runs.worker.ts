import type { Project } from '@stadion/core/model';
import { runsOf, type BookedRow, type Funnel } from '@stadion/core/trials';

/** Asks for many runs through the sequence; a later question takes the place of an earlier one. */
export interface RunsRequest {
  id: number;
  project: Project;
  /** By pacer and slot: attempts that are known. */
  known: [pacer: string, slots: [slotId: string, rows: readonly BookedRow[]][]][];
  /** Runs of each pacer. */
  runs: number;
}

export interface RunsAnswer {
  id: number;
  /** By pacer, as far as they have come. */
  funnels: [pacer: string, funnel: Funnel][];
  done: boolean;
}

const RUNS_AT_ONCE = 4;
const ANSWER_EVERY_MS = 600;

let current = 0;

/** Lets a waiting message in. */
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

async function answer({ id, project, known, runs }: RunsRequest): Promise<void> {
  current = id;
  const all = known.flatMap(([id, slots]) => {
    const pacer = project.pacers.find((entry) => entry.id === id);
    return pacer ? [{ id, runs: runsOf(project, pacer, new Map(slots)) }] : [];
  });
  let told = performance.now();
  for (let played = 0; current === id; played += RUNS_AT_ONCE) {
    for (const each of all) {
      each.runs.play(Math.min(RUNS_AT_ONCE, runs - played));
      await pause();
      if (current !== id) return;
    }
    const done = played + RUNS_AT_ONCE >= runs || all.length === 0;
    if (done || performance.now() - told > ANSWER_EVERY_MS) {
      told = performance.now();
      const funnels = all.map((each): [string, Funnel] => [each.id, each.runs.read()]);
      postMessage({ id, funnels, done } satisfies RunsAnswer);
    }
    if (done) return;
  }
}

addEventListener('message', (event: MessageEvent<RunsRequest>) => void answer(event.data));
