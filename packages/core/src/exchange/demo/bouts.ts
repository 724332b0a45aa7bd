import {
  fromParameter,
  literal,
  type Action,
  type Amount,
  type Bouts,
  type Fighter,
  type Group,
} from '../../document/model/index.ts';

type Numbers = Readonly<Record<string, number | readonly [first: number, last: number] | Amount>>;

/** Numbers as they are said: one that grows has two, at level 1 and at level 99. */
const statisticsOf = (numbers: Numbers): Fighter['statistics'] =>
  Object.fromEntries(
    Object.entries(numbers).map(([key, value]) => [
      key,
      typeof value === 'number'
        ? literal(value)
        : 'from' in value
          ? value
          : {
              from: 'growth' as const,
              shape: {
                type: 'points' as const,
                between: 'straight' as const,
                points: [
                  { position: 1, value: value[0] },
                  { position: 99, value: value[1] },
                ],
              },
            },
    ]),
  );

const fighter = (
  id: string,
  name: string,
  side: Fighter['side'],
  numbers: Numbers,
  uses: Fighter['uses'],
  more: Partial<Fighter> = {},
): Fighter => ({ ...{ id, name, side, worn: [], takes: {}, uses }, statistics: statisticsOf(numbers), ...more });

const gives = (experience: number, coins: number, ...things: [name: string, chance: number][]): Fighter['gives'] => ({
  ...{ experience: literal(experience), coins: literal(coins) },
  things: things.map(([name, chance]) => ({ name, chance })),
});

const action = (id: string, name: string, formula: string, more: Partial<Action> = {}): Action => ({
  ...{ id, name, formula, strikes: 'one', does: 'harm', spread: 0.1, chance: 1, costs: {} },
  ...more,
});

const group = (id: string, name: string, ...members: Group['members']): Group => ({ id, name, members });

/** The bee and the guard of the hive against ants, a wasp captain, and a spider that fights otherwise once it is hurt. */
export const gardenBouts = (): Bouts => ({
  order: 'rounds',
  experience: { type: 'steps', from: 40, add: 22, every: 1, startingAt: 1 },
  statistics: [
    { key: 'health', name: 'Health', role: 'lost' },
    { key: 'strength', name: 'Strength', role: 'strikes' },
    { key: 'guard', name: 'Guard', role: 'protects' },
    { key: 'focus', name: 'Focus', role: 'other' },
    { key: 'ward', name: 'Ward', role: 'protects' },
    { key: 'swiftness', name: 'Swiftness', role: 'first' },
  ],
  elements: [
    { id: 'venom', name: 'Venom' },
    { id: 'smoke', name: 'Smoke' },
  ],
  actions: [
    action('sting', 'Sting', 'max(1, mine(strength) - theirs(guard) / 3)', { spread: 0.2, chance: 0.95 }),
    action('venom-sting', 'Venom sting', 'max(1, mine(strength) * 2 - theirs(ward) / 2)', {
      ...{ element: 'venom', costs: { focus: 4 } },
    }),
    action('nectar', 'Nectar', '20 + mine(ward)', { strikes: 'ally', does: 'heal', spread: 0, costs: { focus: 3 } }),
    action('shove', 'Shove', 'max(1, mine(strength) * 0.7 - theirs(guard) / 4)', { strikes: 'all', chance: 0.9 }),
    action('bite', 'Bite', 'max(0, mine(strength) - theirs(guard) / 2)', { chance: 0.9 }),
    action('web', 'Web', 'max(1, mine(strength) / 2 - theirs(ward) / 4)', { strikes: 'all', chance: 0.85 }),
  ],
  fighters: [
    fighter(
      'bee',
      'Bee',
      'ours',
      {
        ...{ health: [60, 620], strength: [14, 150], guard: [9, 95], focus: [12, 90], ward: [8, 90] },
        swiftness: [8, 60],
      },
      { sting: { weight: 1 }, 'venom-sting': { weight: 1 }, nectar: { weight: 1 } },
    ),
    fighter(
      'hive-guard',
      'Hive guard',
      'ours',
      { health: [90, 900], strength: [11, 120], guard: [14, 140], focus: 0, ward: [6, 70], swiftness: [4, 30] },
      { sting: { weight: 1 }, shove: { weight: 1 } },
    ),
    fighter(
      'ant',
      'Ant',
      'theirs',
      { health: 30, strength: fromParameter('antStrength'), guard: 6, focus: 0, ward: 4, swiftness: 6 },
      { bite: { weight: 1 } },
      { gives: gives(10, 3, ['Crumb', 0.25]), takes: { venom: 1.5 } },
    ),
    fighter(
      'soldier-ant',
      'Soldier ant',
      'theirs',
      {},
      { bite: { weight: 3 }, sting: { weight: 1 } },
      {
        like: {
          fighter: 'ant',
          changes: {
            health: { times: 1.8, plus: 0 },
            guard: { times: 1.5, plus: 0 },
            strength: { times: 1.2, plus: 0 },
          },
        },
        gives: gives(18, 6, ['Ant shield', 0.1]),
      },
    ),
    fighter(
      'wasp-captain',
      'Wasp captain',
      'theirs',
      { health: 140, strength: 20, guard: 12, focus: 20, ward: 10, swiftness: 9 },
      { sting: { weight: 3 }, 'venom-sting': { weight: 1, belowHealth: 0.5 }, shove: { weight: 1, everyTurns: 3 } },
      { gives: gives(60, 25, ['Wasp wing', 0.5]), takes: { venom: 0.6 } },
    ),
    fighter(
      'spider',
      'Spider',
      'theirs',
      { health: 260, strength: 22, guard: 12, focus: 30, ward: 16, swiftness: 7 },
      {
        bite: { weight: 3 },
        web: { weight: 1, aboveHealth: 0.5 },
        'venom-sting': { weight: 2, belowHealth: 0.5 },
      },
      { gives: gives(110, 40, ['Silk', 0.02]), takes: { venom: 0.5, smoke: 2 } },
    ),
  ],
  groups: [
    group('ants', 'Ants on the path', { fighter: 'ant', count: literal(2) }),
    group('fruit-ants', 'Ants on the fruit', { fighter: 'ant', count: literal(3) }),
    group(
      'ant-patrol',
      'Ant patrol',
      { fighter: 'soldier-ant', count: literal(1) },
      { fighter: 'ant', count: literal(2) },
    ),
    group(
      'ant-column',
      'Ant column',
      { fighter: 'soldier-ant', count: literal(2) },
      { fighter: 'ant', count: fromParameter('hornetsSent') },
    ),
    group(
      'captain',
      'The wasp captain',
      { fighter: 'wasp-captain', count: literal(1) },
      { fighter: 'ant', count: fromParameter('hornetsSent') },
    ),
    group('spider', 'The spider', { fighter: 'spider', count: literal(1) }),
  ],
});
