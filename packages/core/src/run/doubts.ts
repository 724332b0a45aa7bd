import { RUN_EVENTS, type Project } from '../model/index.ts';
import { tallyPolicyOf, runTallies, starsAsked } from './plan.ts';

/** Something about the sequence's bookkeeping that a designer should look at. */
export interface RunDoubt {
  /** Path into the document. */
  path: (string | number)[];
  sentence: string;
}

const starsOf = (project: Project, position: number): number => {
  const level = project.levels[project.slots[position - 1]?.levelId ?? ''];
  if (!level) return 0;
  return level.stars.is === 'ladder' ? level.stars.thresholds.length : level.stars.conditions.length;
};

/** What looks wrong in how a run goes: gates nobody can open, endings that lead nowhere, tallies that only grow. */
export function runDoubts(project: Project): RunDoubt[] {
  const doubts: RunDoubt[] = [];
  let earnable = 0;
  project.slots.forEach((slot, index) => {
    const asked = starsAsked(project, index + 1);
    if (asked > earnable)
      doubts.push({
        path: ['slots', slot.id, 'starGate'],
        sentence: `Slot ${index + 1} asks for ${asked} stars, and the slots before it give ${earnable} at most.`,
      });
    earnable += starsOf(project, index + 1);
    const level = project.levels[slot.levelId];
    const next = level?.ending.won.next;
    if (next?.to === 'slot' && next.slot === slot.id)
      doubts.push({
        path: ['levels', slot.levelId, 'ending', 'won', 'next'],
        sentence: `Winning slot ${index + 1} leads to slot ${index + 1} again.`,
      });
  });
  const endsInMiddle = project.slots.some((slot, index) => {
    const level = project.levels[slot.levelId];
    return index < project.slots.length - 1 && level?.ending.won.next.to === 'endOfRun';
  });
  if (endsInMiddle)
    doubts.push({
      path: ['slots'],
      sentence: 'A level before the last one ends the run: the slots after it are not reached.',
    });
  for (const tally of runTallies(project)) {
    if (tally === 'stars' || tally === 'score' || tally === 'lives') continue;
    if (RUN_EVENTS.every((event) => tallyPolicyOf(project, tally, event).is === 'keep'))
      doubts.push({ path: ['run', 'keep', tally], sentence: `“${tally}” is never reset: it only grows.` });
  }
  return doubts;
}
