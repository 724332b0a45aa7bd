import type { Condition, Level, Project } from '../model/index.ts';
import { rulesOf } from './rulesOf.ts';
import { amountInWords, conditionInWords, readingInWords, type Names } from './words.ts';

const MOST_CHARACTERS = 400;

/** What a condition asks of the player. @example 'gather 12 clover' */
function taskInWords(condition: Condition, names: Names): string {
  if ('of' in condition) {
    if (condition.of.length === 0) return '';
    const tasks = condition.of.map((part) => taskInWords(part, names)).filter((task) => task !== '');
    switch (condition.is) {
      case 'inOrder':
        return tasks.join(', then ');
      case 'any':
        return tasks.join(' or ');
      case 'all': {
        // A place comes last: it is where the player goes once all else is done.
        const [places, others] = [condition.of.filter(isPlace), condition.of.filter((part) => !isPlace(part))];
        return [...others, ...places]
          .map((part) => taskInWords(part, names))
          .filter((task) => task !== '')
          .join(', then ');
      }
      default:
        return conditionInWords(condition, names);
    }
  }
  const { reading } = condition;
  if (condition.is === 'onOff') {
    if (reading.reading === 'inside' && condition.on) return `reach ${names.pieces[reading.zone] ?? reading.zone}`;
    if (reading.reading === 'latch' && condition.on) return `touch ${names.pieces[reading.latch] ?? reading.latch}`;
    if (reading.reading === 'sideBeaten' && reading.side === 'theirs') return 'beat the other side';
    return conditionInWords(condition, names);
  }
  const amount = amountInWords(condition.amount, names);
  const isLeast = condition.comparison === 'atLeast';
  if (isLeast && reading.reading === 'worth' && reading.of === 'any') return `gather ${amount} ${names.words.worth}`;
  if (isLeast && (reading.reading === 'worth' || reading.reading === 'collected'))
    return condition.amount.from === 'placed'
      ? `gather ${readingInWords(reading, names).replace(/ gathered$/, '')}: ${amount}`
      : `gather ${amount} ${readingInWords(reading, names).replace(/ gathered$/, '')}`;
  if (isLeast && reading.reading === 'sectionsPassed') return `pass ${amount} sections`;
  if (isLeast && reading.reading === 'crossings') return `cross ${amount} times`;
  if (reading.reading === 'enemiesLeft' && condition.comparison === 'atMost') return 'beat all enemies';
  return conditionInWords(condition, names);
}

const isPlace = (condition: Condition): boolean =>
  condition.is === 'onOff' && condition.on && condition.reading.reading === 'inside';

/** What the player has to do, read off the rules that win and the clock. Empty where nothing wins. */
export function objectiveInWords(project: Pick<Project, 'standing'>, level: Level, names: Names): string {
  const ways = rulesOf(project, level).flatMap(({ rule }) =>
    rule.then.some(({ effect }) => effect === 'win') ? [taskInWords(rule.when, names)] : [],
  );
  const { clock } = level;
  const byClock =
    clock.limitSeconds === null || clock.atExpiry === 'lose'
      ? []
      : [clock.atExpiry === 'win' ? 'hold out until the clock ends' : 'earn a star before the clock ends'];
  const words = [...ways, ...byClock].filter((task) => task !== '').join(', or ');
  return words === '' ? '' : `${words[0]!.toUpperCase()}${words.slice(1)}.`.slice(0, MOST_CHARACTERS);
}

/** The brief of a level: written by hand, or else what the rules that win say. */
export const briefOf = (project: Pick<Project, 'standing'>, level: Level, names: Names): string =>
  level.brief === '' ? objectiveInWords(project, level, names) : level.brief;
