import type { Project } from '@stadion/core/document/model';
import { playthroughsOf, type AttemptRow, type Funnel, type Runs } from '@stadion/core/forecast/trials';
import { answering } from './answering.ts';

export interface KnownPacer {
  pacer: string;
  /** Names all that its runs depend on: runs that were played for the same are not played again. */
  key: string;
  slots: [slotId: string, rows: readonly AttemptRow[]][];
}

interface Played {
  id: string;
  played: number;
  runs: Runs;
}

/** Asks for many runs through the sequence; a later question takes the place of an earlier one. */
export interface PlaythroughsRequest {
  id: number;
  project: Project;
  /** Pacers whose attempts are known at every slot. */
  known: KnownPacer[];
  /** Runs of each pacer. */
  runs: number;
}

export interface PlaythroughsAnswer {
  id: number;
  /** The funnel of each pacer until now. */
  funnels: [pacer: string, funnel: Funnel][];
  done: boolean;
}

const RUNS_AT_ONCE = 4;
const ANSWER_EVERY_MS = 600;

/** Playthroughs of the last question, by the keys of its pacers. */
let before = new Map<string, Played>();

answering(({ project, known, runs }: PlaythroughsRequest) => {
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
    read: (): Omit<PlaythroughsAnswer, 'id' | 'done'> => ({ funnels: all.map((each) => [each.id, each.runs.read()]) }),
  };
}, ANSWER_EVERY_MS);
