import { findingsAt, type Finding } from '@stadion/core/findings';
import { parametersIn, type Level, type Project } from '@stadion/core/model';
import { valuesIn } from '@stadion/core/ramps';
import { useDeferredValue, useMemo } from 'react';
import { useProject } from './hooks.ts';
import { rampsOf } from './ramps.ts';

interface Known {
  kinds: Project['kinds'];
  run: Project['run'];
  standing: Project['standing'];
  expectations: Project['expectations'];
  player: Project['player'];
  tallies: Project['tallies'];
  score: Project['score'];
  words: Project['words'];
  /** What the ramps give here, and those that can go wrong by themselves. */
  values: string;
  slotId: string;
  findings: Finding[];
}

/** What was found at a level at a position, for as long as nothing that it depends on has changed. */
const known = new WeakMap<Level, Map<number, Known>>();

const followed = new WeakMap<object, string[]>();

/** The keys of the parameters that a part of the document follows. */
function followedBy(part: object): string[] {
  const keys = followed.get(part) ?? [...parametersIn(part)];
  followed.set(part, keys);
  return keys;
}

/** The ramps that findings are about, as text. */
const tellingRamps = ({ parameters, liveTiers }: Project): string =>
  JSON.stringify([
    parameters.flatMap(({ key, label, ramp, sane }) =>
      ramp.axis !== undefined || ramp.shape.type === 'formula' ? [[key, label, ramp, sane]] : [],
    ),
    liveTiers,
  ]);

function findingsHere(project: Project, position: number, telling: string): Finding[] {
  const slot = project.slots[position - 1];
  const level = slot && project.levels[slot.levelId];
  if (!slot || !level) return [];
  const { kinds, run, words, standing, expectations, player, tallies, score } = project;
  const table = rampsOf(project);
  const keys = [level, slot, kinds, run, standing, player, score].flatMap((part) => followedBy(part));
  const values = `${telling}${keys.map((key) => table.rows.get(key)?.values[position - 1]).join()}`;
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
  const findings = findingsAt(project, position, valuesIn(table, position));
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

const all = new WeakMap<Project, Finding[]>();

/** Everything found in a project, worked out once for all who show it. */
function findingsIn(project: Project): Finding[] {
  const found = all.get(project);
  if (found) return found;
  const telling = tellingRamps(project);
  const findings = project.slots.flatMap((_, index) => findingsHere(project, index + 1, telling));
  all.set(project, findings);
  return findings;
}

/** Everything found in the project, in the order of the sequence; only what an edit touched is checked again, after the edit is drawn. */
export function useFindings(): Finding[] {
  const project = useDeferredValue(useProject());
  return useMemo(() => findingsIn(project), [project]);
}
