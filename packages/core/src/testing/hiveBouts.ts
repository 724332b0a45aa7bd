import { literal, type Action, type Bouts, type Fighter, type Group } from '../document/model/index.ts';
import { prepareBout, type PreparedBout } from '../play/bouts/index.ts';

const action = (id: string, formula: string, more: Partial<Action> = {}): Action => ({
  ...{ id, name: id, strikes: 'one', does: 'harm', formula, spread: 0, chance: 1, costs: {} },
  ...more,
});

const fighter = (
  id: string,
  side: Fighter['side'],
  statistics: Record<string, number>,
  uses: Fighter['uses'],
  more: Partial<Fighter> = {},
): Fighter => ({
  ...{ id, name: id, side, worn: [], uses, takes: {} },
  statistics: Object.fromEntries(Object.entries(statistics).map(([key, value]) => [key, literal(value)])),
  ...more,
});

/** The bee and the guard of the hive against ants, a wasp captain and a spider. A new object at every call. */
export const hiveBouts = (): Bouts => ({
  order: 'rounds',
  experience: {
    type: 'points',
    between: 'straight',
    points: [
      { position: 1, value: 40 },
      { position: 99, value: 20_000 },
    ],
  },
  statistics: [
    { key: 'health', name: 'Health', role: 'lost' },
    { key: 'strength', name: 'Strength', role: 'strikes' },
    { key: 'guard', name: 'Guard', role: 'protects' },
    { key: 'focus', name: 'Focus', role: 'other' },
    { key: 'swiftness', name: 'Swiftness', role: 'first' },
  ],
  elements: [
    { id: 'venom', name: 'Venom' },
    { id: 'smoke', name: 'Smoke' },
  ],
  actions: [
    action('sting', 'max(1, mine(strength) - theirs(guard) / 3)', { spread: 0.2, chance: 0.95 }),
    action('bite', 'max(0, mine(strength) - theirs(guard) / 2)', { spread: 0.1, chance: 0.9 }),
    action('venom-sting', 'mine(strength) * 2 - theirs(guard) / 3', { element: 'venom', costs: { focus: 4 } }),
    action('buzz', 'mine(strength) / 2', { strikes: 'all' }),
    action('nectar', '25', { does: 'heal', strikes: 'ally', costs: { focus: 3 } }),
  ],
  fighters: [
    fighter(
      'bee',
      'ours',
      { health: 60, strength: 14, guard: 9, focus: 12, swiftness: 8 },
      { sting: { weight: 1 }, 'venom-sting': { weight: 1 }, nectar: { weight: 1 } },
    ),
    fighter(
      'guard',
      'ours',
      { health: 90, strength: 11, guard: 15, focus: 0, swiftness: 4 },
      { sting: { weight: 1 }, buzz: { weight: 1 } },
    ),
    fighter(
      'ant',
      'theirs',
      { health: 30, strength: 12, guard: 6, swiftness: 6 },
      { bite: { weight: 3 } },
      {
        gives: { experience: literal(10), coins: literal(3), things: [{ name: 'crumb', chance: 0.25 }] },
        takes: { venom: 2 },
      },
    ),
    fighter(
      'soldier-ant',
      'theirs',
      {},
      { bite: { weight: 3 }, sting: { weight: 1 } },
      { like: { fighter: 'ant', changes: { guard: { times: 1.5, plus: 0 }, health: { times: 2, plus: 5 } } } },
    ),
    fighter(
      'wasp-captain',
      'theirs',
      { health: 120, strength: 17, guard: 12, focus: 20, swiftness: 9 },
      { sting: { weight: 3 }, 'venom-sting': { weight: 1, belowHealth: 0.5 }, buzz: { weight: 1, everyTurns: 3 } },
      { takes: { venom: 0.6, smoke: 0 } },
    ),
  ],
  groups: [
    { id: 'two-ants', name: 'Two ants', members: [{ fighter: 'ant', count: literal(2) }] },
    {
      id: 'captain',
      name: 'The captain',
      members: [
        { fighter: 'wasp-captain', count: literal(1) },
        { fighter: 'ant', count: literal(2) },
      ],
    },
  ],
});

/** A bout of some of them. */
export function hiveBout(
  group: Group | string,
  {
    bouts = hiveBouts(),
    party = ['bee', 'guard'],
    level = 1,
  }: { bouts?: Bouts; party?: string[]; level?: number } = {},
): PreparedBout {
  return prepareBout(bouts, {
    party: party.map((id) => ({ fighter: id, level })),
    group: typeof group === 'string' ? bouts.groups.find(({ id }) => id === group)! : group,
    ...{ mayWithdraw: true, values: {}, position: 1, positions: 1 },
  });
}

/** A group with a number of each fighter. */
export const groupOf = (members: Record<string, number>): Group => ({
  ...{ id: 'group', name: 'A group' },
  members: Object.entries(members).map(([id, count]) => ({ fighter: id, count: literal(count) })),
});
