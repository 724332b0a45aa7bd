import { causeInWords } from '@stadion/core/rules';
import { GAVE_UP, TOO_COSTLY, type EndingCount } from '@stadion/core/trials';
import type { LevelHere } from './levelHere.ts';

/** What a rule of the level that takes lives is called. @param rule its index in force */
export function lifeCause(here: LevelHere, rule: number): string {
  const inForce = here.rules[rule]?.rule;
  return inForce ? causeInWords(inForce, here.names) : 'lives lost';
}

/** How a lost attempt ended, in words. */
export function endingName(here: LevelHere, { rule, lifeRule }: Pick<EndingCount, 'rule' | 'lifeRule'>): string {
  if (rule === -1) return 'Out of time';
  if (rule === GAVE_UP) return 'Gave up';
  if (rule === TOO_COSTLY) return 'Too costly to try';
  const ended = here.rules[rule]?.rule;
  const life = here.rules[lifeRule]?.rule;
  if (!ended) return 'Lost';
  const cause = causeInWords(ended, here.names);
  return life && life !== ended ? `${cause}: ${causeInWords(life, here.names)}` : cause;
}
