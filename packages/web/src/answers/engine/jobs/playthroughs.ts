import type { Project } from '@stadion/core/document/model';
import { playthroughsOf, type AttemptRow, type Funnel, type Playthroughs } from '@stadion/core/forecast/trials';
import type { Job, Work } from '../answering.ts';

export interface KnownPacer {
  pacer: string;
  /** Names all that its runs depend on: runs that were played for the same are not played again. */
  key: string;
  slots: [slotId: string, rows: readonly AttemptRow[]][];
}

interface Played {
  id: string;
  played: number;
  runs: Playthroughs;
}

/** Pacers whose runs through the sequence are played. */
export interface PlaythroughsQuestion {
  project: Project;
  /** Pacers whose attempts are known at every slot. */
  known: KnownPacer[];
  /** Runs of each pacer. */
  runs: number;
}

export interface PlaythroughsAnswer {
  /** The funnel of each pacer until now. */
  funnels: [pacer: string, funnel: Funnel][];
}

const RUNS_AT_ONCE = 4;

/** Playthroughs of the last question, by the keys of its pacers. */
let before = new Map<string, Played>();

function begin({ project, known, runs }: PlaythroughsQuestion): Work<PlaythroughsAnswer> {
  const now = new Map<string, Played>();
  for (const { pacer: id, key, slots } of known) {
    const pacer = project.pacers.find((entry) => entry.id === id);
    if (pacer) now.set(key, before.get(key) ?? { id, played: 0, runs: playthroughsOf(project, pacer, new Map(slots)) });
  }
  before = now;
  const all = [...now.values()];
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
    read: () => ({ funnels: all.map((each) => [each.id, each.runs.read()]) }),
  };
}

/** Many runs through the sequence by each pacer. */
export const playthroughs: Job<PlaythroughsQuestion, PlaythroughsAnswer> = { everyMs: 600, begin };
