import {
  boutsEntryOf,
  freshId,
  freshName,
  literal,
  type Action,
  type Bouts,
  type Fighter,
  type Group,
  type Level,
  type Meetings,
  type Id,
  type MintId,
  type Statistic,
} from '../../document/model/index.ts';
import type { PatchOperation } from '../../basics/patch/index.ts';
import { parseFormula } from '../../document/ramps/index.ts';
import { addAt, at, removeAt, replaceAt, setOptional, type NamedEdit } from './edit.ts';
import { appendEntries } from './order.ts';

const USUAL_STATISTICS: readonly Statistic[] = [
  { key: 'health', name: 'Health', role: 'lost' },
  { key: 'strength', name: 'Strength', role: 'strikes' },
  { key: 'guard', name: 'Guard', role: 'protects' },
  { key: 'focus', name: 'Focus', role: 'other' },
  { key: 'ward', name: 'Ward', role: 'protects' },
  { key: 'swiftness', name: 'Swiftness', role: 'first' },
];

const usualNumbers = (factor: number): Fighter['statistics'] =>
  Object.fromEntries(
    Object.entries({ health: 60, strength: 14, guard: 9, focus: 12, ward: 8, swiftness: 8 }).map(([key, value]) => [
      key,
      literal(Math.round(value * factor)),
    ]),
  );

const usualFighter = (id: Id, name: string, side: Fighter['side'], factor: number): Fighter => ({
  ...{ id, name, side, worn: [], takes: {} },
  statistics: usualNumbers(factor),
  uses: { strike: { weight: 1 } },
  ...(side === 'theirs' ? { gives: { experience: literal(10), coins: literal(2), things: [] } } : {}),
});

/** The first fight of a game: usual statistics, one action, one on either side. */
export function startBouts(playerName: string): NamedEdit {
  const bouts: Bouts = {
    ...{ order: 'rounds', statistics: [...USUAL_STATISTICS], elements: [] },
    experience: { type: 'steps', from: 40, add: 15, every: 1, startingAt: 1 },
    actions: [
      {
        ...{ id: 'strike', name: 'Strike', strikes: 'one', does: 'harm', spread: 0.1, chance: 0.95, costs: {} },
        formula: 'max(1, mine(strength) - theirs(guard) / 3)',
      },
    ],
    fighters: [usualFighter('hero', playerName, 'ours', 1), usualFighter('foe', 'Foe', 'theirs', 0.6)],
    groups: [{ id: 'one-foe', name: 'One foe', members: [{ fighter: 'foe', count: literal(1) }] }],
  };
  return { label: 'Fight by turns', patch: [addAt(at('bouts'), boutsEntryOf(bouts))] };
}

type Made = NamedEdit & { id: Id };

const namesOf = (all: readonly { name: string }[]): Set<string> => new Set(all.map(({ name }) => name));
const idsOf = (all: readonly { id: Id }[]): Set<Id> => new Set(all.map(({ id }) => id));

/** A fighter more: on our side with usual numbers; an enemy like another, where there is one. */
export function addFighter(bouts: Bouts, side: Fighter['side'], like?: Fighter, mint: MintId = freshId): Made {
  const name = freshName(like ? like.name : side === 'ours' ? 'Companion' : 'Foe', namesOf(bouts.fighters));
  const id = mint(name, idsOf(bouts.fighters));
  const [action] = bouts.actions;
  const fighter: Fighter = like
    ? { ...like, id, name, side, statistics: {}, worn: [], like: { fighter: like.id, changes: {} } }
    : { ...usualFighter(id, name, side, 1), uses: action ? { [action.id]: { weight: 1 } } : {} };
  const { order: _order, ...entry } = fighter;
  return { id, label: `Add fighter ${name}`, patch: appendEntries(['bouts', 'fighters'], bouts.fighters, [entry]) };
}

/** Takes a fighter away, out of groups as well; what was like it keeps the numbers it had by `numbers`. */
export function removeFighter(
  bouts: Bouts,
  fighter: Fighter,
  numbers: (like: Fighter) => Readonly<Record<string, number>>,
): NamedEdit {
  const likes = bouts.fighters.filter(({ like }) => like?.fighter === fighter.id);
  const groups = bouts.groups.filter(({ members }) => members.some((member) => member.fighter === fighter.id));
  const without = ({ members }: Group): Group['members'] => members.filter((member) => member.fighter !== fighter.id);
  return {
    label: `Remove fighter ${fighter.name}`,
    patch: [
      ...likes.flatMap((each): PatchOperation[] => [
        removeAt(at('bouts', 'fighters', each.id, 'like')),
        replaceAt(
          at('bouts', 'fighters', each.id, 'statistics'),
          Object.fromEntries(Object.entries(numbers(each)).map(([key, value]) => [key, literal(value)])),
        ),
      ]),
      ...groups.map((group) =>
        without(group).length === 0
          ? removeAt(at('bouts', 'groups', group.id))
          : replaceAt(at('bouts', 'groups', group.id, 'members'), without(group)),
      ),
      removeAt(at('bouts', 'fighters', fighter.id)),
    ],
  };
}

export function addAction(bouts: Bouts, mint: MintId = freshId): Made {
  const name = freshName('Action', namesOf(bouts.actions));
  const id = mint(name, idsOf(bouts.actions));
  const strikes = bouts.statistics.find(({ role }) => role === 'strikes') ?? bouts.statistics[0];
  const action: Action = {
    ...{ id, name, strikes: 'one', does: 'harm', spread: 0, chance: 1, costs: {} },
    formula: strikes ? `mine(${strikes.key})` : '1',
  };
  return { id, label: `Add action ${name}`, patch: appendEntries(['bouts', 'actions'], bouts.actions, [action]) };
}

/** Takes an action away, and from all who could do it. */
export const removeAction = (bouts: Bouts, action: Action): NamedEdit => ({
  label: `Remove action ${action.name}`,
  patch: [
    ...bouts.fighters.flatMap(({ id, uses }) =>
      uses[action.id] ? [removeAt(at('bouts', 'fighters', id, 'uses', action.id))] : [],
    ),
    removeAt(at('bouts', 'actions', action.id)),
  ],
});

/** Lets a fighter do something, otherwise than before, or no more. */
export const setUse = (
  fighter: Fighter,
  action: Pick<Action, 'id' | 'name'>,
  use: Fighter['uses'][string] | undefined,
): NamedEdit => ({
  label: use ? `${fighter.name}: ${action.name}` : `${fighter.name} without ${action.name}`,
  patch: setOptional(at('bouts', 'fighters', fighter.id, 'uses', action.id), fighter.uses[action.id], use),
});

/** A number of a fighter's own; undefined for that of the one it is like. */
export const setStatistic = (
  fighter: Fighter,
  { key, name }: Statistic,
  value: Fighter['statistics'][string] | undefined,
): NamedEdit => ({
  label: `${name} of ${fighter.name}`,
  patch: setOptional(at('bouts', 'fighters', fighter.id, 'statistics', key), fighter.statistics[key], value),
});

/** How a number differs from that of the one a fighter is like; undefined for the same. */
export function setLikeness(
  fighter: Fighter,
  { key, name }: Statistic,
  change: { times: number; plus: number } | undefined,
): NamedEdit | undefined {
  if (!fighter.like) return undefined;
  const said = change ? ` × ${change.times}${change.plus === 0 ? '' : ` + ${change.plus}`}` : ' as the other';
  return {
    label: `${name} of ${fighter.name}${said}`,
    patch: setOptional(at('bouts', 'fighters', fighter.id, 'like', 'changes', key), fighter.like.changes[key], change),
  };
}

export function addGroup(bouts: Bouts, mint: MintId = freshId): Made | undefined {
  const foe = bouts.fighters.find(({ side }) => side === 'theirs');
  if (!foe) return undefined;
  const name = freshName('Group', namesOf(bouts.groups));
  const id = mint(name, idsOf(bouts.groups));
  const group: Group = { id, name, members: [{ fighter: foe.id, count: literal(1) }] };
  return { id, label: `Add group ${name}`, patch: appendEntries(['bouts', 'groups'], bouts.groups, [group]) };
}

/** Lets a level have bouts on its way, otherwise than before, or none. */
export const setMeetings = (level: Level, meetings: Meetings | undefined): NamedEdit => ({
  label: meetings ? `Meetings of ${level.name}` : `No meetings in ${level.name}`,
  patch: setOptional(at('levels', level.id, 'meetings'), level.meetings, meetings),
});

/** Takes a group away, out of all meetings as well; a level that met nobody else has none any more. */
export function removeGroup(levels: readonly Level[], group: Group): NamedEdit {
  return {
    label: `Remove group ${group.name}`,
    patch: [
      ...levels.flatMap(({ id, meetings }): PatchOperation[] => {
        if (!meetings || !Object.hasOwn(meetings.groups, group.id)) return [];
        return Object.keys(meetings.groups).length === 1
          ? [removeAt(at('levels', id, 'meetings'))]
          : [removeAt(at('levels', id, 'meetings', 'groups', group.id))];
      }),
      removeAt(at('bouts', 'groups', group.id)),
    ],
  };
}

export function addElement(bouts: Bouts, mint: MintId = freshId): Made {
  const name = freshName('Element', namesOf(bouts.elements));
  const id = mint(name, idsOf(bouts.elements));
  return {
    id,
    label: `Add element ${name}`,
    patch: appendEntries(['bouts', 'elements'], bouts.elements, [{ id, name }]),
  };
}

/** Takes an element away: actions are made of nothing then, and nobody takes it otherwise. */
export const removeElement = (bouts: Bouts, element: Bouts['elements'][number]): NamedEdit => ({
  label: `Remove element ${element.name}`,
  patch: [
    ...bouts.actions.flatMap((action) =>
      action.element === element.id ? [removeAt(at('bouts', 'actions', action.id, 'element'))] : [],
    ),
    ...bouts.fighters.flatMap(({ id, takes }) =>
      Object.hasOwn(takes, element.id) ? [removeAt(at('bouts', 'fighters', id, 'takes', element.id))] : [],
    ),
    removeAt(at('bouts', 'elements', element.id)),
  ],
});

/** A key that formulas can read, from a name. @example statisticKey('Inner fire', new Set()) // 'innerFire' */
export function statisticKey(name: string, taken: ReadonlySet<string>): string {
  const words = name
    .replace(/^[^a-zA-Z]+/, '')
    .split(/[^a-zA-Z0-9]+/)
    .filter((word) => word !== '');
  const joined = words
    .map((word, index) =>
      index === 0 ? word.toLowerCase() : `${word[0]!.toUpperCase()}${word.slice(1).toLowerCase()}`,
    )
    .join('')
    .slice(0, 40);
  const base = joined === '' ? 'statistic' : joined;
  let key = base;
  for (let number = 2; taken.has(key); number++) key = `${base}${number}`;
  return key;
}

export function addStatistic(bouts: Bouts): NamedEdit {
  const name = freshName('Statistic', namesOf(bouts.statistics));
  const key = statisticKey(name, new Set(bouts.statistics.map((each) => each.key)));
  const statistic: Statistic = { key, name, role: 'other' };
  return {
    label: `Add statistic ${name}`,
    patch: appendEntries(['bouts', 'statistics'], bouts.statistics, [statistic]),
  };
}

const movedKey = <T>(of: Readonly<Record<string, T>>, from: string, to: string | undefined): Record<string, T> =>
  Object.fromEntries(
    Object.entries(of).flatMap(([key, value]) =>
      key !== from ? [[key, value] as const] : to === undefined ? [] : [[to, value] as const],
    ),
  );

/** A formula that reads a statistic by its new key; one that cannot be read stays as it is. */
function renamedIn(text: string, from: string, to: string): string {
  const parsed = parseFormula(text);
  if (!parsed.ok) return text;
  return parsed.statistics
    .filter(({ name }) => name === from)
    .toSorted((one, other) => other.column - one.column)
    .reduce((said, { column }) => said.slice(0, column - 1) + to + said.slice(column - 1 + from.length), text);
}

/** All that names a statistic by its key, with another key, or without it. */
function rekeyed(bouts: Bouts, from: string, to: string | undefined): PatchOperation[] {
  const has = (of: object): boolean => Object.hasOwn(of, from);
  return [
    ...bouts.fighters.flatMap(({ id, statistics, like, worn }): PatchOperation[] => [
      ...(has(statistics)
        ? [replaceAt(at('bouts', 'fighters', id, 'statistics'), movedKey(statistics, from, to))]
        : []),
      ...(like && has(like.changes)
        ? [replaceAt(at('bouts', 'fighters', id, 'like', 'changes'), movedKey(like.changes, from, to))]
        : []),
      ...(worn.some(({ plus }) => has(plus))
        ? [
            replaceAt(
              at('bouts', 'fighters', id, 'worn'),
              worn.map((thing) => ({ ...thing, plus: movedKey(thing.plus, from, to) })),
            ),
          ]
        : []),
    ]),
    ...bouts.actions.flatMap(({ id, costs, formula }): PatchOperation[] => {
      const said = to === undefined ? formula : renamedIn(formula, from, to);
      return [
        ...(has(costs) ? [replaceAt(at('bouts', 'actions', id, 'costs'), movedKey(costs, from, to))] : []),
        ...(said === formula ? [] : [replaceAt(at('bouts', 'actions', id, 'formula'), said)]),
      ];
    }),
  ];
}

/** Gives a statistic another name: formulas, fighters and costs go along. */
export function renameStatistic(bouts: Bouts, statistic: Statistic, name: string): NamedEdit {
  const { key: from } = statistic;
  const to = statisticKey(name, new Set(bouts.statistics.flatMap(({ key }) => (key === from ? [] : [key]))));
  const label = `Statistic ${name}`;
  if (to === from) return { label, patch: [replaceAt(at('bouts', 'statistics', from, 'name'), name)] };
  const entry = boutsEntryOf(bouts).statistics[from];
  return {
    label,
    patch: [
      removeAt(at('bouts', 'statistics', from)),
      addAt(at('bouts', 'statistics', to), { ...entry, name }),
      ...rekeyed(bouts, from, to),
    ],
  };
}

/** Takes a statistic away; formulas that read it say so. */
export const removeStatistic = (bouts: Bouts, { key, name }: Statistic): NamedEdit => ({
  label: `Remove statistic ${name}`,
  patch: [...rekeyed(bouts, key, undefined), removeAt(at('bouts', 'statistics', key))],
});
