import {
  freshId,
  literal,
  type Bouts,
  type Level,
  type LevelBout,
  type MintId,
  type Project,
  type ReadingName,
  type Rule,
  type Stars,
} from '../../document/model/index.ts';
import { harmTable, makeBoutWorld, meetingOf, prepareBout } from '../../play/bouts/index.ts';
import type { PatchOperation } from '../../basics/patch/index.ts';
import { valuesAt } from '../../document/ramps/index.ts';
import { BOUT_READINGS, leaves } from '../../play/rules/index.ts';
import { addAt, at, removeAt, replaceAt, setOptional, type NamedEdit } from './edit.ts';
import { appendEntries } from './order.ts';
import { freshRule, takenConditions, takenRules } from './rules.ts';

/** Stars of somebody who fights alone: rounds at most, as times of those that it needs if all goes well. */
const QUICK = [2, 1.4] as const;

/** Default party size. */
const USUAL_PARTY = 4;

const beaten = (id: string, side: 'ours' | 'theirs', effect: Rule['then'][number]): Rule => ({
  ...{ id, fires: 'once', then: [effect] },
  when: { id: `${id}-side`, is: 'onOff', reading: { reading: 'sideBeaten', side }, on: true },
});

/** Rules of a new bout. */
export const usualBoutRules = (): Rule[] => [
  beaten('they-are-beaten', 'theirs', { effect: 'win' }),
  beaten('we-are-beaten', 'ours', { effect: 'lose', cause: 'The party is beaten' }),
];

/** Nobody fell, or one at most; of somebody alone, how quickly it was won. @param rounds that somebody alone needs, if all goes well */
export function usualBoutStars(rounds?: number): Stars {
  if (rounds === undefined)
    return { is: 'ladder', reading: 'fallen', direction: 'atMost', thresholds: [null, literal(1), literal(0)] };
  const quickest = Math.ceil(rounds * QUICK[1]);
  const quick = Math.max(quickest + 1, Math.ceil(rounds * QUICK[0]));
  return {
    is: 'ladder',
    reading: 'rounds',
    direction: 'atMost',
    thresholds: [null, literal(quick), literal(quickest)],
  };
}

/** Rounds that somebody who fights alone needs if every hit is the best one; undefined for more than one, or where it cannot be done. */
function roundsAlone(project: Project, level: Level, bout: LevelBout): number | undefined {
  const { bouts, slots } = project;
  if (!bouts || bout.party.length !== 1) return undefined;
  const position = Math.max(1, slots.findIndex(({ levelId }) => levelId === level.id) + 1);
  const world = makeBoutWorld(
    prepareBout(bouts, meetingOf({ bouts, slots }, bout, position, valuesAt(project, position))),
  );
  const harm = harmTable(world);
  const rounds = world.fighters.slice(1).reduce((sum, _, index) => {
    const hits = harm.filter(({ target }) => target === index + 1).map((each) => each.hits);
    return sum + Math.min(...hits);
  }, 0);
  return rounds > 0 && rounds <= world.bout.mostRounds ? rounds : undefined;
}

/** Everybody of ours, at the first level, against the first group; undefined where a side is missing. */
export function usualBout({ fighters, groups }: Bouts): LevelBout | undefined {
  const [group] = groups;
  const ours = fighters.filter(({ side }) => side === 'ours').slice(0, USUAL_PARTY);
  if (!group || ours.length === 0) return undefined;
  return { group: group.id, party: ours.map(({ id }) => ({ fighter: id, level: literal(1) })) };
}

const isOfBouts = ({ when }: Rule): boolean =>
  leaves(when).some(({ leaf }) => BOUT_READINGS.includes(leaf.reading.reading));

/** Readings that a bout has as a ground does. */
const IN_BOTH: ReadonlySet<ReadingName> = new Set(['score', 'lives', 'tries', 'timeLeft', 'timeElapsed', 'tally']);

/** Does a rule look at what only a ground has? Health is that of a body there, and that of the party in a bout. */
const isOfGrounds = ({ when }: Rule): boolean =>
  leaves(when).some(
    ({ leaf: { reading } }) => !IN_BOTH.has(reading.reading) && !BOUT_READINGS.includes(reading.reading),
  );

const groundRules = ({ standing }: Project): string[] => standing.filter(isOfGrounds).map(({ id }) => id);

const switched = (level: Level, { id, off }: Rule, on: boolean): PatchOperation[] =>
  setOptional(at('levels', level.id, 'rules', id, 'off'), off, on ? undefined : true);

/**
 * Lets a bout decide a level: its own rules are switched off, and standing ones that look at a ground, those of a bout
 * come in, its clock has no limit, and stars go by who has fallen, or by rounds where one fights alone. Its ground stays
 * as it is.
 */
export function decideByBout(project: Project, level: Level, bout: LevelBout, mint: MintId = freshId): NamedEdit {
  const own = level.rules.filter((rule) => !isOfBouts(rule));
  const [rules, conditions] = [takenRules(project, level), takenConditions(level)];
  const come = level.rules.length > own.length ? [] : usualBoutRules();
  return {
    label: `${level.name} is decided by a bout`,
    patch: [
      addAt(at('levels', level.id, 'bout'), bout),
      ...own.flatMap((rule) => switched(level, rule, false)),
      ...appendEntries(
        ['levels', level.id, 'rules'],
        level.rules,
        come.map((rule) => freshRule(rule, rules, conditions, mint)),
      ),
      ...groundRules(project)
        .filter((id) => !level.standingRulesOff.includes(id))
        .map((id) => addAt(at('levels', level.id, 'standingRulesOff', id), true)),
      replaceAt(at('levels', level.id, 'clock', 'limitSeconds'), null),
      replaceAt(at('levels', level.id, 'clock', 'warnAtSeconds'), null),
      replaceAt(at('levels', level.id, 'stars'), usualBoutStars(roundsAlone(project, level, bout))),
    ],
  };
}

/** Lets the ground decide a level again: rules that read a bout go, the others act again, and stars go by lives. */
export const decideByGround = (project: Project, level: Level): NamedEdit => ({
  label: `${level.name} is decided on its ground`,
  patch: [
    removeAt(at('levels', level.id, 'bout')),
    ...level.rules.flatMap((rule) =>
      isOfBouts(rule) ? [removeAt(at('levels', level.id, 'rules', rule.id))] : switched(level, rule, true),
    ),
    ...groundRules(project)
      .filter((id) => level.standingRulesOff.includes(id))
      .map((id) => removeAt(at('levels', level.id, 'standingRulesOff', id))),
    replaceAt(at('levels', level.id, 'stars'), {
      ...{ is: 'ladder', reading: 'lives', direction: 'atLeast' },
      thresholds: [null, literal(2), literal(3)],
    } satisfies Stars),
  ],
});

/** Changes the bout of a level. */
export const setLevelBout = (level: Level, bout: LevelBout, label: string): NamedEdit => ({
  label,
  patch: [replaceAt(at('levels', level.id, 'bout'), bout)],
});

/** Names of the levels whose bout, or whose rules, need a fighter or a group: it cannot go while they do. */
export function levelsNeeding(project: Project, what: { fighter: string } | { group: string }): string[] {
  const groups = project.bouts?.groups ?? [];
  const needs = ({ bout, rules }: Pick<Level, 'rules'> & Partial<Pick<Level, 'bout'>>): boolean => {
    if ('group' in what) return bout?.group === what.group;
    const met = groups.find(({ id }) => id === bout?.group)?.members ?? [];
    const reads = rules.some(({ when }) =>
      leaves(when).some(
        ({ leaf: { reading } }) => reading.reading === 'healthShare' && reading.fighter === what.fighter,
      ),
    );
    return reads || [...(bout?.party ?? []), ...met].some(({ fighter }) => fighter === what.fighter);
  };
  return [
    ...(needs({ rules: project.standing }) ? ['every level'] : []),
    ...Object.values(project.levels).flatMap((level) => (needs(level) ? [level.name] : [])),
  ];
}
