import { prepareBout, type PreparedBout } from '../play/bouts/index.ts';
import { literal, type Action, type Bouts, type Fighter } from '../document/model/index.ts';
import { Dice } from './randomProjects.ts';

const statisticsOf = (health: number, strength: number, guard: number, focus: number, swiftness: number) =>
  Object.fromEntries(
    Object.entries({ health, strength, guard, focus, swiftness }).map(([key, value]) => [
      key,
      literal(Math.round(value)),
    ]),
  );

/**
 * A random fight: one to three of ours against one to five of theirs, with one to four actions. Their health is chosen
 * so that the fight is neither sure to be won nor sure to be lost.
 */
export function randomBout(seed: number): PreparedBout {
  const dice = new Dice(seed);
  const more = (share: number): number => 1 + share * (dice.below(101) / 50 - 1);
  const action = (id: string, formula: string, rest: Partial<Action> = {}): Action => ({
    ...{ id, name: id, strikes: 'one', does: 'harm', formula, spread: dice.below(4) / 10, chance: 1, costs: {} },
    ...rest,
  });
  const actions = [
    action('strike', 'max(1, mine(strength) - theirs(guard) / 3)', { chance: 0.8 + dice.below(5) / 20 }),
    action('heavy', 'mine(strength) * 1.8 - theirs(guard) / 3', { costs: { focus: 4 } }),
    action('sweep', 'mine(strength) / 2', { strikes: 'all' }),
    action('mend', 'mine(strength) * 1.5', { does: 'heal', strikes: 'ally', costs: { focus: 3 } }),
  ];
  // One action alone is a fight, too: then only whom it strikes is a choice.
  const known = actions.slice(0, 1 + dice.below(actions.length));
  const ours = 1 + dice.below(3);
  const kinds = 1 + dice.below(2);
  const many = 1 + dice.below(5);
  const uses = (of: readonly Action[]): Fighter['uses'] =>
    Object.fromEntries(of.map(({ id }) => [id, { weight: 1 + dice.below(3) }]));
  const one = (id: string, side: Fighter['side'], statistics: Fighter['statistics']): Fighter => ({
    ...{ id, name: id, side, worn: [], takes: {} },
    ...{ statistics, uses: uses(side === 'ours' ? known : known.slice(0, 2)) },
  });
  const party = Array.from({ length: ours }, (_, index) =>
    one(
      `our-${index}`,
      'ours',
      statisticsOf(70 * more(0.3), 14 * more(0.3), 9 * more(0.5), dice.below(20), 8 * more(0.5)),
    ),
  );
  // Killing them one by one halves what they do on average.
  const foes = Array.from({ length: kinds }, (_, index) =>
    one(
      `their-${index}`,
      'theirs',
      statisticsOf(
        ((90 * ours) / Math.sqrt(many) / Math.sqrt(many + 1)) * more(0.2),
        ((11 * Math.sqrt(ours)) / Math.sqrt(many)) * more(0.2) + 3,
        7 * more(0.5),
        12,
        8 * more(0.5),
      ),
    ),
  );
  const bouts: Bouts = {
    order: dice.isBelow(0.7) ? 'rounds' : 'gauges',
    experience: { type: 'hold', value: 10 },
    statistics: [
      { key: 'health', name: 'Health', role: 'lost' },
      { key: 'strength', name: 'Strength', role: 'strikes' },
      { key: 'guard', name: 'Guard', role: 'protects' },
      { key: 'focus', name: 'Focus', role: 'other' },
      { key: 'swiftness', name: 'Swiftness', role: 'first' },
    ],
    ...{ elements: [], actions: known, fighters: [...party, ...foes], groups: [] },
  };
  const members = Array.from({ length: many }, (_, index) => ({
    fighter: foes[index % kinds]!.id,
    count: literal(1),
  }));
  return prepareBout(bouts, {
    party: party.map(({ id }) => ({ fighter: id, level: 1 })),
    group: { id: 'group', name: 'group', members },
    ...{ mayWithdraw: false, values: {}, position: 1, positions: 1 },
  });
}
