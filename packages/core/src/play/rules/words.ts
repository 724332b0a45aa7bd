import type { Amount, Comparison, Condition, Effect, Project, Reading, Rule } from '../../document/model/index.ts';
import { COMPARISON_WORDS } from './compare.ts';
import { READINGS } from './readings.ts';
import { leaves } from './walk.ts';

/** The names a sentence needs. */
export type Names = Pick<Project, 'words' | 'kinds' | 'parameters' | 'tallies' | 'lengths'> & {
  /** Names of the level's pieces that have one, by id. */
  pieces: Readonly<Record<string, string>>;
  /** Those of the game's bouts. */
  fighters: readonly { id: string; name: string }[];
};

const collectable = (names: Names, kind: string): string =>
  names.kinds.collectables.find((entry) => entry.id === kind)?.name.toLowerCase() ?? kind;
const toucher = (names: Names, kind: string): string =>
  [...names.kinds.enemies, ...names.kinds.hazards].find((entry) => entry.id === kind)?.name.toLowerCase() ?? kind;
const tallyName = (names: Names, id: string): string => names.tallies.find((tally) => tally.id === id)?.name ?? id;
const fighterName = (names: Names, id: string): string =>
  names.fighters.find((fighter) => fighter.id === id)?.name.toLowerCase() ?? id;
const pieceName = (names: Names, id: string): string => names.pieces[id] ?? id;
const article = (word: string): string => (/^[aeiou]/.test(word) ? `an ${word}` : `a ${word}`);

/** A reading as it stands in a sentence. @example 'nectar gathered' */
export function readingInWords(reading: Reading, names: Names): string {
  const { player, worth } = names.words;
  switch (reading.reading) {
    case 'score':
      return 'score';
    case 'worth':
      return reading.of === 'any' ? `${worth} gathered` : `${worth} from ${collectable(names, reading.of)}`;
    case 'collected':
      return reading.of === 'any' ? 'pieces gathered' : `${collectable(names, reading.of)} gathered`;
    case 'left':
      return reading.of === 'any' ? 'pieces left' : `${collectable(names, reading.of)} left`;
    case 'enemiesLeft':
      return reading.of === 'any' ? 'enemies left' : `${toucher(names, reading.of)} left`;
    case 'enemiesBeaten':
      return reading.of === 'any' ? 'enemies beaten' : `${toucher(names, reading.of)} beaten`;
    case 'lives':
      return 'lives';
    case 'health':
      return 'health';
    case 'tries':
      return 'tries at this level';
    case 'timeElapsed':
      return 'time taken';
    case 'timeLeft':
      return 'time left';
    case 'height':
      return `height of the ${player}`;
    case 'distance':
      return `way the ${player} has gone`;
    case 'tally':
      return `“${tallyName(names, reading.tally)}”`;
    case 'phase':
      return `phase of ${pieceName(names, reading.piece)}`;
    case 'latch':
      return `${pieceName(names, reading.latch)} is on`;
    case 'gate':
      return `${pieceName(names, reading.gate)} is open`;
    case 'inside':
      return `the ${player} is inside ${pieceName(names, reading.zone)}`;
    case 'touching':
      return `${article(toucher(names, reading.kind))} touches the ${player}`;
    case 'offGround':
      return `the ${player} has left the ground`;
    case 'crossings':
      return 'crossings';
    case 'row':
      return 'the row, from the lower edge';
    case 'onFloor':
      return `the ${player} stands on something`;
    case 'fallSpeed':
      return 'units a second downwards';
    case 'climbRate':
      return 'units a second upwards';
    case 'touchingWall':
      return `the ${player} touches a wall`;
    case 'sectionsPassed':
      return 'sections passed';
    case 'blocked':
      return `a wall stops the ${player}`;
    case 'sideBeaten':
      return reading.side === 'ours' ? 'the party is beaten' : 'the other side is beaten';
    case 'rounds':
      return 'rounds';
    case 'fallen':
      return 'fallen of the party';
    case 'healthShare':
      return `health left of ${fighterName(names, reading.fighter)}`;
  }
}

const isPlural = (reading: Reading): boolean =>
  reading.reading === 'lives' ||
  reading.reading === 'tries' ||
  reading.reading === 'crossings' ||
  reading.reading === 'sectionsPassed' ||
  reading.reading === 'rounds' ||
  reading.reading === 'fallen' ||
  ((reading.reading === 'collected' ||
    reading.reading === 'left' ||
    reading.reading === 'enemiesLeft' ||
    reading.reading === 'enemiesBeaten') &&
    reading.of === 'any');

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
    case 'placed':
      return 'all that is placed';
    case 'share':
      return amount.share.from === 'number'
        ? `${Number((amount.share.value * 100).toPrecision(6))} % of what is placed`
        : `${amountInWords(amount.share, names)} of what is placed`;
  }
}

/** How the conditions of a group join, before them. */
export function groupInWords(condition: Extract<Condition, { of: unknown }>, names: Pick<Names, 'parameters'>): string {
  switch (condition.is) {
    case 'inOrder':
      return 'one after the other';
    case 'atLeast':
      return `at least ${condition.count ? amountInWords(condition.count, names) : '1'} of`;
    default:
      return `${condition.is} of`;
  }
}

/** A condition in one line. @example 'all of: nectar gathered is at least 104; the bee is inside Hive mouth for 0.5 s' */
export function conditionInWords(condition: Condition, names: Names): string {
  if ('of' in condition) {
    const parts = condition.of.map((child) => conditionInWords(child, names)).join('; ');
    return `${groupInWords(condition, names)}: ${parts === '' ? 'nothing' : parts}`;
  }
  const held = condition.heldSeconds ? ` for ${amountInWords(condition.heldSeconds, names)} s` : '';
  const reading = readingInWords(condition.reading, names);
  if (condition.is === 'onOff') return `${condition.on ? '' : 'not: '}${reading}${held}`;
  const { amount, comparison } = condition;
  // A share is written as people say it.
  const isShare = READINGS[condition.reading.reading].unit === 'share' && amount.from === 'number';
  const said = isShare ? `${Number((amount.value * 100).toPrecision(6))} %` : amountInWords(amount, names);
  return `${reading} ${comparisonInWords(condition.reading, comparison)} ${said}${held}`;
}

/** Short names of causes by reading, for lives lost without a named cause. */
const USUAL_CAUSES: Readonly<Partial<Record<Reading['reading'], string>>> = {
  offGround: 'a fall',
  health: 'no health left',
  touchingWall: 'a wall',
  blocked: 'a wall',
  height: 'the height',
  timeElapsed: 'too much time',
  sideBeaten: 'a lost fight',
};

/** Returns what a rule did to the player, in two or three words for the legend of a bar. @example 'hornet' */
export function causeInWords(rule: Rule, names: Names): string {
  for (const effect of rule.then) {
    if (effect.effect === 'lose') return effect.cause;
    if (effect.effect === 'loseLife' && effect.cause !== undefined) return effect.cause;
  }
  const readings = leaves(rule.when).map(({ leaf }) => leaf.reading);
  const touching = readings.find((reading) => reading.reading === 'touching');
  if (touching && 'kind' in touching) return toucher(names, touching.kind);
  const named = readings.flatMap(({ reading }) => USUAL_CAUSES[reading] ?? [])[0];
  return named ?? conditionInWords(rule.when, names);
}

/** Returns an effect in a few words. @example 'opens Garden gate' */
export function effectInWords(effect: Effect, names: Names): string {
  switch (effect.effect) {
    case 'win':
      return 'it is won';
    case 'lose':
      return `it is lost: ${effect.cause}`;
    case 'loseLife':
      return effect.lives.from === 'number' && effect.lives.value === 1
        ? 'costs a life'
        : `costs ${amountInWords(effect.lives, names)} lives`;
    case 'back':
      return `puts the ${names.words.player} back to ${effect.to === 'start' ? 'the start' : 'the last checkpoint'}`;
    case 'gate':
      return `${effect.open ? 'opens' : 'closes'} ${pieceName(names, effect.gate)}`;
    case 'wave':
      return `sends the wave of ${pieceName(names, effect.spawner)}`;
    case 'reveal':
      return `reveals ${pieceName(names, effect.piece)}`;
    case 'score':
      return `adds ${amountInWords(effect.add, names)} to the score`;
    case 'tally':
      return `adds ${amountInWords(effect.add, names)} to “${tallyName(names, effect.tally)}”`;
    case 'heal':
      return `heals ${amountInWords(effect.by, names)}`;
    case 'hurt':
      return `hurts by ${amountInWords(effect.by, names)}`;
    case 'parameter': {
      const label = amountInWords({ from: 'parameter', parameter: effect.parameter }, names);
      const by = amountInWords(effect.by, names);
      if (effect.change === 'set') return `sets ${label} to ${by}`;
      return effect.change === 'times' ? `multiplies ${label} by ${by}` : `adds ${by} to ${label}`;
    }
    case 'message':
      return `says “${effect.text}”`;
    case 'cue':
      return `cues “${effect.name}”${effect.at === undefined ? '' : ` at ${pieceName(names, effect.at)}`}`;
  }
}

/** A rule in a label is no longer than this, in characters. */
const MOST_IN_LABEL = 70;

/** A rule in one short line, for labels. @example 'a hornet touches the bee → costs a life' */
export function ruleInWords(rule: Rule, names: Names): string {
  const words = `${conditionInWords(rule.when, names)} → ${rule.then.map((effect) => effectInWords(effect, names)).join(', ')}`;
  return words.length > MOST_IN_LABEL ? `${words.slice(0, MOST_IN_LABEL)}…` : words;
}
