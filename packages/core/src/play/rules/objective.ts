import type { Amount, Condition, Level, Project } from '../../document/model/index.ts';
import type { Values } from '../../document/ramps/index.ts';
import type { Placed } from './placed.ts';
import { resolveAmount } from './resolve.ts';
import { rulesOf } from './rulesOf.ts';
import { amountInWords, conditionInWords, readingInWords, type Names } from './words.ts';

const MOST_CHARACTERS = 400;
/** Source: the international foot, 1959. */
const METRES_PER_FOOT = 0.3048;

/** How an amount is said: as its number at a slot, or as where it comes from. @param scale what the number is multiplied by first */
export type SayAmount = (amount: Amount, scale?: number) => string;

/** Says amounts as their numbers at a slot, with two digits after the point at most. */
export const numbersIn =
  (values: Values, placed: Placed): SayAmount =>
  (amount, scale = 1) =>
    String(Math.round(resolveAmount(amount, values, placed) * scale * 100) / 100);

/** A height or a way in the unit that the project shows. @param units kept in units */
function lengthInWords(amount: Amount, { lengths }: Names, say: SayAmount): string {
  const { metresPerUnit, shown } = lengths;
  const [scale, unit] = {
    units: [1, 'units'],
    metres: [metresPerUnit, 'm'],
    feet: [metresPerUnit / METRES_PER_FOOT, 'ft'],
  }[shown] as [number, string];
  const said = say(amount, scale);
  return Number.isNaN(Number(said)) ? said : `${said} ${unit}`;
}

const isPlace = (condition: Condition): boolean =>
  condition.is === 'onOff' && condition.on && condition.reading.reading === 'inside';

/** Returns the task that a condition gives the player. @example 'gather 12 clover' */
function taskInWords(condition: Condition, names: Names, say: SayAmount): string {
  if ('of' in condition) {
    const tasks = (list: readonly Condition[]): string[] =>
      list.map((part) => taskInWords(part, names, say)).filter((task) => task !== '');
    switch (condition.is) {
      case 'inOrder':
        return tasks(condition.of).join(', then ');
      case 'any':
        return tasks(condition.of).join(' or ');
      case 'all': {
        // A place comes last: it is where the player goes once all else is done.
        const places = tasks(condition.of.filter(isPlace));
        const others = tasks(condition.of.filter((part) => !isPlace(part))).join(' and ');
        return [others, ...places].filter((task) => task !== '').join(', then ');
      }
      case 'none':
        return `avoid this: ${condition.of.map((part) => conditionInWords(part, names)).join(' or ')}`;
      default:
        return `do ${condition.count ? say(condition.count) : '1'} of these: ${tasks(condition.of).join(', ')}`;
    }
  }
  const { reading } = condition;
  if (condition.is === 'onOff') {
    if (!condition.on) return conditionInWords(condition, names);
    if (reading.reading === 'inside') return `reach ${names.pieces[reading.zone] ?? reading.zone}`;
    if (reading.reading === 'latch') return `touch ${names.pieces[reading.latch] ?? reading.latch}`;
    if (reading.reading === 'gate') return `open ${names.pieces[reading.gate] ?? reading.gate}`;
    return reading.reading === 'sideBeaten' && reading.side === 'theirs'
      ? 'beat the other side'
      : conditionInWords(condition, names);
  }
  const amount = say(condition.amount);
  const thing = readingInWords(reading, names).replace(/ (gathered|beaten)$/, '');
  if (condition.comparison === 'atMost' && reading.reading === 'enemiesLeft')
    return reading.of === 'any' ? 'beat all enemies' : `beat every ${thing.replace(/ left$/, '')}`;
  if (condition.comparison !== 'atLeast') return conditionInWords(condition, names);
  switch (reading.reading) {
    case 'worth':
      return `gather ${amount} ${reading.of === 'any' ? names.words.worth : thing}`;
    case 'collected':
      return `gather ${condition.amount.from === 'placed' ? 'every' : amount} ${thing}`;
    case 'enemiesBeaten':
      return `beat ${amount} ${thing}`;
    case 'sectionsPassed':
      return `pass ${amount} sections`;
    case 'crossings':
      return `cross ${amount} times`;
    case 'score':
      return `reach a score of ${amount}`;
    case 'height':
      return `get to a height of ${lengthInWords(condition.amount, names, say)}`;
    case 'distance':
      return `go ${lengthInWords(condition.amount, names, say)} far`;
    case 'timeElapsed':
      return `hold out for ${amount} s`;
    default:
      return conditionInWords(condition, names);
  }
}

/**
 * Returns what the player has to do, read from the rules that win and the clock. Empty where nothing wins.
 *
 * @param say how amounts are said; by their source when absent, so that it is the same at every slot
 */
export function objectiveInWords(
  project: Pick<Project, 'standing'>,
  level: Level,
  names: Names,
  say: SayAmount = (amount) => amountInWords(amount, names),
): string {
  const ways = rulesOf(project, level).flatMap(({ rule }) =>
    rule.then.some(({ effect }) => effect === 'win') ? [taskInWords(rule.when, names, say)] : [],
  );
  const { clock } = level;
  const byClock =
    clock.limitSeconds === null || clock.atExpiry === 'lose'
      ? []
      : [clock.atExpiry === 'win' ? 'hold out until the clock ends' : 'earn a star before the clock ends'];
  const words = [...new Set([...ways, ...byClock])].filter((task) => task !== '').join(', or ');
  return words === '' ? '' : `${words[0]!.toUpperCase()}${words.slice(1)}.`.slice(0, MOST_CHARACTERS);
}
