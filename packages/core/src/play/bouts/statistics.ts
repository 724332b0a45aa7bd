import type { Amount, Bouts, Fighter, Group, LevelBout, Project } from '../../document/model/index.ts';
import { namesIn, parseFormula, PLAIN, rawValue, type Values } from '../../document/ramps/index.ts';
import type { PreparedAction, PreparedBout, PreparedFighter } from './prepared.ts';

/** Levels that a member of a party can have. */
export const MOST_LEVEL = 99;
/** More of one kind than this do not stand in a group, and no more members than this in all. */
export const MOST_MEMBERS = 8;
const MOST_ROUNDS = 200;
const MOST_STATISTIC = 1e9;

/** Returns the number of an amount in a bout: nothing is placed there, so shares are 0. */
export function boutAmount(amount: Amount, values: Values): number {
  if (amount.from === 'number') return amount.value;
  if (amount.from !== 'parameter') return 0;
  return (values[amount.parameter] ?? 0) * (amount.times ?? 1) + (amount.plus ?? 0);
}

const kept = (value: number): number => (Number.isFinite(value) ? Math.min(MOST_STATISTIC, Math.max(0, value)) : 0);

/** Growth follows the curve: its value at the level, from 1, as a whole number. */
const grown = (shape: Parameters<typeof rawValue>[0]['shape'], level: number): number =>
  Math.round(
    rawValue({ shape }, Math.min(MOST_LEVEL, Math.max(1, Math.round(level))), { ...PLAIN, levels: MOST_LEVEL }),
  );

/** Statistics by key, without what is worn. One that goes round in a circle of likenesses is 0. */
function plainStatistics(
  bouts: Bouts,
  fighter: Fighter,
  level: number,
  values: Values,
  seen: readonly string[] = [],
): Record<string, number> {
  const { like } = fighter;
  const other = like && !seen.includes(like.fighter) ? bouts.fighters.find(({ id }) => id === like.fighter) : undefined;
  const of = other && plainStatistics(bouts, other, level, values, [...seen, fighter.id]);
  return Object.fromEntries(
    bouts.statistics.map(({ key }) => {
      const own = fighter.statistics[key];
      if (own) return [key, kept(own.from === 'growth' ? grown(own.shape, level) : boutAmount(own, values))];
      const change = like?.changes[key];
      return [key, kept((of?.[key] ?? 0) * (change?.times ?? 1) + (change?.plus ?? 0))];
    }),
  );
}

/**
 * A fighter's statistics, in the order of the project's.
 *
 * @param level of a member of the party, from 1
 * @param values of parameters at the level of the sequence
 */
export function statisticsOf(bouts: Bouts, fighter: Fighter, level: number, values: Values): number[] {
  const plain = plainStatistics(bouts, fighter, level, values);
  return bouts.statistics.map(({ key }) =>
    kept(fighter.worn.reduce((sum, { plus }) => sum + (plus[key] ?? 0), plain[key] ?? 0)),
  );
}

function preparedFighter(bouts: Bouts, fighter: Fighter, level: number, values: Values): PreparedFighter {
  return {
    ...{ id: fighter.id, name: fighter.name, statistics: statisticsOf(bouts, fighter, level, values) },
    takes: bouts.elements.map(({ id }) => fighter.takes[id] ?? 1),
    uses: bouts.actions.flatMap(({ id }, action) => {
      const use = fighter.uses[id];
      if (!use) return [];
      const { weight, belowHealth = 1, aboveHealth = -1, everyTurns = 1 } = use;
      return [{ action, weight, below: belowHealth, above: aboveHealth, everyTurns }];
    }),
  };
}

/** Members of a group, one by one. */
export function membersOf({ fighters }: Bouts, { members }: Group, values: Values): Fighter[] {
  const all = members.flatMap(({ fighter, count }) => {
    const kind = fighters.find(({ id }) => id === fighter);
    const many = Math.min(MOST_MEMBERS, Math.max(0, Math.round(boutAmount(count, values))));
    return kind ? new Array<Fighter>(many).fill(kind) : [];
  });
  return all.slice(0, MOST_MEMBERS);
}

/** A meeting: the party, the group, and the position in the sequence. */
export interface Meeting {
  /** Ids of the party, each with its level, and names of what it wears at other times and has taken off. */
  party: readonly { fighter: string; level: number; without?: readonly string[] }[];
  group: Group;
  mayWithdraw: boolean;
  values: Values;
  /** The position, and how many there are. */
  position: number;
  positions: number;
}

/** A group of nobody. */
export const NOBODY: Group = { id: '', name: '', members: [] };

/** The meeting that decides a level, with its levels as they are at a position. */
export function meetingOf(
  { bouts, slots }: Pick<Project, 'slots'> & { bouts: Bouts },
  { group, party }: LevelBout,
  position: number,
  values: Values,
): Meeting {
  return {
    party: party.map(({ fighter, level }) => ({ fighter, level: Math.round(boutAmount(level, values)) })),
    group: bouts.groups.find(({ id }) => id === group) ?? NOBODY,
    ...{ mayWithdraw: false, values, position, positions: slots.length },
  };
}

/** A formula as it is worked out; null where it cannot be read. */
function treeOf(formula: string): PreparedAction['formula'] {
  const parsed = parseFormula(formula);
  return parsed.ok ? parsed.root : null;
}

/** Returns the values of the parameters that a formula names: other parameters do not change the bout. */
function namedIn({ actions }: Bouts, values: Values): Values {
  const names = new Set(actions.flatMap(({ formula }) => namesIn(formula)));
  return Object.fromEntries(Object.entries(values).filter(([key]) => names.has(key)));
}

/** All that a bout depends on; fighters and actions that are not there are left out. */
export function prepareBout(bouts: Bouts, meeting: Meeting): PreparedBout {
  const { party, group, values, mayWithdraw, position, positions } = meeting;
  const places = new Map(bouts.statistics.map(({ key }, index) => [key, index]));
  const elements = bouts.elements.map(({ id }) => id);
  return {
    order: bouts.order,
    statistics: bouts.statistics.map(({ key, name, role }) => ({ key, name, role })),
    actions: bouts.actions.map(
      ({ id, name, strikes, does, formula, spread, chance, element, costs }): PreparedAction => ({
        ...{ id, name, strikes, does, spread, chance, formula: treeOf(formula) },
        element: element === undefined ? -1 : elements.indexOf(element),
        costs: Object.entries(costs).flatMap(([key, amount]) => {
          const statistic = places.get(key);
          return statistic === undefined ? [] : [{ statistic, amount }];
        }),
      }),
    ),
    ours: party.flatMap(({ fighter, level, without = [] }) => {
      const member = bouts.fighters.find(({ id }) => id === fighter);
      if (!member) return [];
      const worn = member.worn.filter(({ name }) => !without.includes(name));
      return [preparedFighter(bouts, { ...member, worn }, level, values)];
    }),
    theirs: membersOf(bouts, group, values).map((member) => preparedFighter(bouts, member, 1, values)),
    ...{ mayWithdraw, mostRounds: MOST_ROUNDS, values: namedIn(bouts, values), level: position, levels: positions },
  };
}
