import type { Project } from '@stadion/core/document/model';
import { valuesAt } from '@stadion/core/document/ramps';
import {
  enterAttempt,
  startPlaythrough,
  type AttemptEntry,
  type PlaythroughState,
  playthroughPlanOf,
} from '@stadion/core/play/playthrough';
import { placedOn } from '@stadion/core/play/attempt';

/** Longer runs are not read line by line. */
export const MOST_ENTRIES = 60;
export const SEED = 1;

/** Result of a usual attempt at a position: two thirds of the worth that is placed, and two stars. */
export function usualEntry(project: Project, position: number, change: Partial<AttemptEntry> = {}): AttemptEntry {
  const level = project.levels[project.slots[(position - 1) % Math.max(1, project.slots.length)]?.levelId ?? ''];
  const placed = level ? placedOn(project, level, valuesAt(project, position)) : undefined;
  return {
    result: 'won',
    stars: 2,
    score: Math.round(((placed?.worth['any'] ?? 0) * 2) / 3),
    collected: Math.round(((placed?.count['any'] ?? 0) * 2) / 3),
    livesLost: 0,
    tallies: {},
    ...change,
  };
}

/** Attempts written down one after the other, each at the slot that the run has come to. */
function write(
  project: Project,
  next: (run: PlaythroughState, index: number) => AttemptEntry | undefined,
): AttemptEntry[] {
  const entries: AttemptEntry[] = [];
  const plan = playthroughPlanOf(project);
  let run = startPlaythrough(plan, SEED);
  while (!run.over && entries.length < MOST_ENTRIES) {
    const entry = next(run, entries.length);
    if (!entry) break;
    entries.push(entry);
    run = enterAttempt(plan, run, entry, SEED).after;
  }
  return entries;
}

/** Runs to begin from. */
export const SCRIPTS: readonly { label: string; entries: (project: Project) => AttemptEntry[] }[] = [
  {
    label: 'wins everything',
    entries: (project) =>
      write(project, ({ position }, index) =>
        index < Math.min(project.slots.length + 2, 30) ? usualEntry(project, position) : undefined,
      ),
  },
  {
    label: 'loses a life at every third',
    entries: (project) =>
      write(project, ({ position }, index) =>
        index < 24
          ? usualEntry(project, position, index % 3 === 2 ? { result: 'lost', stars: 0, livesLost: 1 } : {})
          : undefined,
      ),
  },
  {
    label: 'a game over at slot 5',
    entries: (project) => {
      let isLost = false;
      return write(project, ({ position, tallies }, index) => {
        if (index > 9) return undefined;
        if (position < 5 || isLost) return usualEntry(project, position);
        isLost = true;
        // Without points: a life given for points would put the game over off.
        return usualEntry(project, position, { result: 'lost', stars: 0, score: 0, livesLost: tallies['lives'] ?? 1 });
      });
    },
  },
];
