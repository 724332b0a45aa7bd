import { memoizeByObject } from '@stadion/core/basics/memo';
import type { Project } from '@stadion/core/document/model';
import { causeInWords } from '@stadion/core/play/rules';
import { GAVE_UP, LOST_FIGHT, TOO_COSTLY, type EndingCount } from '@stadion/core/forecast/trials';
import { levelHere, type LevelContext } from './levelContext.ts';

/** Levels as they were looked up last, by position: many causes are asked for at a time. */
const looked = memoizeByObject((_project: Project) => new Map<number, LevelContext | undefined>());

/** Name of a rule that takes lives, at a position. @param rule its index in force */
export function lifeCause(project: Project, position: number, rule: number): string {
  const levels = looked(project);
  if (!levels.has(position)) levels.set(position, levelHere(project, position));
  const here = levels.get(position);
  const inForce = here?.rules[rule]?.rule;
  return here && inForce ? causeInWords(inForce, here.names) : 'lives lost';
}

/** How a lost attempt ended, in words. */
export function endingName(here: LevelContext, { rule, lifeRule }: Pick<EndingCount, 'rule' | 'lifeRule'>): string {
  if (rule === -1) return 'Out of time';
  if (rule === GAVE_UP) return 'Gave up';
  if (rule === LOST_FIGHT) return 'Lost a fight on the way';
  if (rule === TOO_COSTLY) return 'Too costly to try';
  const ended = here.rules[rule]?.rule;
  const life = here.rules[lifeRule]?.rule;
  if (!ended) return 'Lost';
  const cause = causeInWords(ended, here.names);
  return life && life !== ended ? `${cause}: ${causeInWords(life, here.names)}` : cause;
}
