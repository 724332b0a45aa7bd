import { findingsAt, type Finding } from '@stadion/core/findings';
import type { Level, Project } from '@stadion/core/model';
import { valuesAt } from '@stadion/core/ramps';
import { useMemo } from 'react';
import { useProject } from './hooks.ts';

interface Known {
  kinds: Project['kinds'];
  run: Project['run'];
  standing: Project['standing'];
  expectations: Project['expectations'];
  player: Project['player'];
  tallies: Project['tallies'];
  score: Project['score'];
  words: Project['words'];
  values: string;
  slotId: string;
  findings: Finding[];
}

/** What was found at a level at a position, for as long as nothing that it depends on has changed. */
const known = new WeakMap<Level, Map<number, Known>>();

function findingsHere(project: Project, position: number): Finding[] {
  const slot = project.slots[position - 1];
  const level = slot && project.levels[slot.levelId];
  if (!slot || !level) return [];
  const values = JSON.stringify(valuesAt(project, position));
  const { kinds, run, words, standing, expectations, player, tallies, score } = project;
  const byPosition = known.get(level) ?? new Map<number, Known>();
  const before = byPosition.get(position);
  if (
    before?.kinds === kinds &&
    before.run === run &&
    before.words === words &&
    before.standing === standing &&
    before.expectations === expectations &&
    before.player === player &&
    before.tallies === tallies &&
    before.score === score &&
    before.values === values &&
    before.slotId === slot.id
  ) {
    return before.findings;
  }
  const findings = findingsAt(project, position);
  known.set(
    level,
    byPosition.set(position, {
      kinds,
      run,
      words,
      standing,
      expectations,
      player,
      tallies,
      score,
      values,
      slotId: slot.id,
      findings,
    }),
  );
  return findings;
}

/** Everything found in the project, in the order of the sequence; only what an edit touched is checked again. */
export function useFindings(): Finding[] {
  const project = useProject();
  return useMemo(() => project.slots.flatMap((_, index) => findingsHere(project, index + 1)), [project]);
}
