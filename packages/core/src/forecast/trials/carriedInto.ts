import type { Condition, Level, Project, ReadingName } from '../../document/model/index.ts';
import { eachCondition, rulesOf } from '../../play/rules/index.ts';

/** The parts of a playthrough's state that a level reads. */
export interface Carried {
  /** Lives in another way than that they run out. */
  lives: boolean;
  tries: boolean;
  tallies: boolean;
}

/** “Lives at most 0”: being out of them, which lives lost tell by themselves. */
const isOutOfLives = (condition: Condition): boolean =>
  condition.is === 'compare' &&
  condition.reading.reading === 'lives' &&
  condition.comparison === 'atMost' &&
  condition.amount.from === 'number' &&
  condition.amount.value === 0;

/** Returns the parts of a playthrough's state on which attempts at a level depend. */
export function carriedInto(project: Project, level: Level): Carried {
  const read = new Set<ReadingName | 'out of lives'>();
  const look = (whole: Condition): void =>
    eachCondition(whole, (condition) => {
      if ('reading' in condition) read.add(isOutOfLives(condition) ? 'out of lives' : condition.reading.reading);
    });
  for (const { rule } of rulesOf(project, level)) look(rule.when);
  if (level.clock.starts === 'condition' && level.clock.startsWhen) look(level.clock.startsWhen);
  const { stars } = level;
  if (stars.is === 'ladder') read.add(stars.reading);
  else for (const condition of stars.conditions) if (condition) look(condition);
  for (const { reading } of project.score) read.add(reading.reading);
  return { lives: read.has('lives'), tries: read.has('tries'), tallies: read.has('tally') };
}
