import type { Project } from '@stadion/core/model';
import { runsOf, type BookedRow, type Funnel } from '@stadion/core/trials';
import { answering } from './answering.ts';

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

answering(({ project, known, runs }: RunsRequest) => {
  const all = known.flatMap(([id, slots]) => {
    const pacer = project.pacers.find((entry) => entry.id === id);
    return pacer ? [{ id, played: 0, runs: runsOf(project, pacer, new Map(slots)) }] : [];
  });
  return {
    // The pacer with the fewest runs is next.
    step() {
      const next = all.toSorted((one, other) => one.played - other.played)[0];
      if (!next || next.played >= runs) return false;
      const count = Math.min(RUNS_AT_ONCE, runs - next.played);
      next.runs.play(count);
      next.played += count;
      return all.some(({ played }) => played < runs);
    },
    read: (): Omit<RunsAnswer, 'id' | 'done'> => ({ funnels: all.map((each) => [each.id, each.runs.read()]) }),
  };
}, ANSWER_EVERY_MS);
