import type { Amount, Comparison, Condition, Project, Reading, Rule } from '../model/index.ts';
import { COMPARISON_WORDS } from './compare.ts';
import { leaves } from './walk.ts';

/** The names a sentence needs. */
export type Names = Pick<Project, 'words' | 'kinds' | 'parameters'> & {
  /** Names of the level's goal zones, by id. */
  goals: Readonly<Record<string, string>>;
};

const collectable = (names: Names, kind: string): string =>
  names.kinds.collectables.find((entry) => entry.id === kind)?.name.toLowerCase() ?? kind;
const enemy = (names: Names, kind: string): string =>
  names.kinds.enemies.find((entry) => entry.id === kind)?.name.toLowerCase() ?? kind;

/** A reading as it stands in a sentence. @example 'nectar gathered' */
export function readingInWords(reading: Reading, names: Names): string {
  switch (reading.reading) {
    case 'worth':
      return reading.of === 'any'
        ? `${names.words.worth} gathered`
        : `${names.words.worth} from ${collectable(names, reading.of)}`;
    case 'collected':
      return reading.of === 'any' ? 'pieces gathered' : `${collectable(names, reading.of)} gathered`;
    case 'left':
      return reading.of === 'any' ? 'pieces left' : `${collectable(names, reading.of)} left`;
    case 'lives':
      return 'lives';
    case 'timeElapsed':
      return 'time taken';
    case 'timeLeft':
      return 'time left';
    case 'inside':
      return `the ${names.words.player} is inside ${names.goals[reading.zone] ?? reading.zone}`;
    case 'touching':
      return `a ${enemy(names, reading.kind)} touches the ${names.words.player}`;
  }
}

const isPlural = (reading: Reading): boolean =>
  reading.reading === 'lives' ||
  ((reading.reading === 'collected' || reading.reading === 'left') && reading.of === 'any');

/** A comparison as it follows its reading. @example 'are at most', after “lives” */
export function comparisonInWords(reading: Reading, comparison: Comparison): string {
  const words = COMPARISON_WORDS[comparison];
  return isPlural(reading) ? words.replace(/^is/, 'are') : words;
}

/** An amount as its source, not its value. @example '“Nectar needed” of what is placed' */
export function amountInWords(amount: Amount, names: Pick<Names, 'parameters'>): string {
  const label = (key: string): string => names.parameters.find((parameter) => parameter.key === key)?.label ?? key;
  switch (amount.from) {
    case 'number':
      return String(Number(amount.value.toPrecision(12)));
    case 'parameter': {
      const times = amount.times === undefined || amount.times === 1 ? '' : ` × ${amount.times}`;
      const plus =
        amount.plus === undefined || amount.plus === 0
          ? ''
          : amount.plus > 0
            ? ` + ${amount.plus}`
            : ` − ${-amount.plus}`;
      return `“${label(amount.parameter)}”${times}${plus}`;
    }
    case 'share':
      return amount.share.from === 'number'
        ? `${Number((amount.share.value * 100).toPrecision(6))} % of what is placed`
        : `${amountInWords(amount.share, names)} of what is placed`;
  }
}

/** A condition in one line. @example 'all of: nectar gathered is at least 104; the bee is inside Hive mouth for 0.5 s' */
export function conditionInWords(condition: Condition, names: Names): string {
  if ('of' in condition) {
    const parts = condition.of.map((child) => conditionInWords(child, names)).join('; ');
    return `${condition.is} of: ${parts === '' ? 'nothing' : parts}`;
  }
  const held = condition.heldSeconds ? ` for ${amountInWords(condition.heldSeconds, names)} s` : '';
  const reading = readingInWords(condition.reading, names);
  if (condition.is === 'onOff') return `${condition.on ? '' : 'not: '}${reading}${held}`;
  return `${reading} ${comparisonInWords(condition.reading, condition.comparison)} ${amountInWords(condition.amount, names)}${held}`;
}

/** What a rule did to the player, in the two or three words a bar's legend has room for. @example 'hornet' */
export function causeInWords(rule: Rule, names: Names): string {
  const lose = rule.then.find((effect) => effect.effect === 'lose');
  if (lose) return lose.cause;
  const touching = leaves(rule.when).find(({ leaf }) => leaf.reading.reading === 'touching')?.leaf.reading;
  return touching && 'kind' in touching ? enemy(names, touching.kind) : conditionInWords(rule.when, names);
}
