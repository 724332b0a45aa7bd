import {
  literal,
  type Amount,
  type Clock,
  type Condition,
  type Effect,
  type Piece,
  type Project,
  type Reading,
  type Rule,
  type Stars,
} from '@stadion/core/document/model';
import { makeStream } from '@stadion/core/basics/random';
import { garden } from '../../../core/src/testing/index.ts';

/*
 * Random rules for a bare garden, by a source of numbers: what a game may meet in a hand-off, in all its mixtures.
 */

/** Draws whole numbers below a bound. */
export type Draw = (below: number) => number;

/** A source of draws. */
export const drawing = (seed: number): Draw => {
  const stream = makeStream(seed, 7);
  return (below) => Math.floor(stream.next() * below);
};

const of = <T>(draw: Draw, list: readonly T[]): T => list[draw(list.length)]!;
const chance = (draw: Draw, percent: number): boolean => draw(100) < percent;

interface Readable {
  reading: Reading;
  /** The amount that it is compared with. */
  amounts: readonly Amount[];
}

const parameter = (key: string, times = 1, plus = 0): Amount => ({ from: 'parameter', parameter: key, times, plus });

const COUNTED: readonly Readable[] = [
  { reading: { reading: 'worth', of: 'any' }, amounts: [literal(4), literal(9), literal(17), parameter('beetles', 3)] },
  {
    reading: { reading: 'worth', of: 'any' },
    amounts: [{ from: 'share', share: { from: 'parameter', parameter: 'nectarNeeded' }, of: 'any', measure: 'worth' }],
  },
  { reading: { reading: 'collected', of: 'clover' }, amounts: [literal(1), literal(2), parameter('hornetsSent')] },
  { reading: { reading: 'left', of: 'any' }, amounts: [literal(3), literal(5)] },
  { reading: { reading: 'lives' }, amounts: [literal(1), literal(3)] },
  { reading: { reading: 'health' }, amounts: [literal(40), literal(95)] },
  { reading: { reading: 'timeElapsed' }, amounts: [literal(0.5), literal(1), parameter('nestRest', 0.2)] },
  { reading: { reading: 'timeLeft' }, amounts: [literal(0.5), literal(2)] },
  { reading: { reading: 'distance' }, amounts: [literal(1.5), literal(4)] },
  { reading: { reading: 'score' }, amounts: [literal(10), literal(24)] },
  { reading: { reading: 'tally', tally: 'stings' }, amounts: [literal(1), literal(3)] },
  { reading: { reading: 'tries' }, amounts: [literal(1), literal(2)] },
];
const ON_OFF: readonly Reading[] = [
  { reading: 'inside', zone: 'shade' },
  { reading: 'inside', zone: 'hive' },
  { reading: 'latch', latch: 'latch' },
  { reading: 'touching', kind: 'beetle' },
];
const COMPARISONS = ['atLeast', 'moreThan', 'atMost', 'lessThan', 'exactly', 'not'] as const;
const GROUPS = ['all', 'any', 'none', 'atLeast', 'inOrder'] as const;

/** @param memory may it ask for what was before: held for a time, one after the other? */
export function condition(draw: Draw, id: string, depth: number, memory = true): Condition {
  if (depth > 0 && chance(draw, 45)) {
    const is = of(draw, memory ? GROUPS : GROUPS.filter((group) => group !== 'inOrder'));
    const count = is === 'atLeast' ? { count: literal(draw(3)) } : {};
    const children = Array.from({ length: draw(4) }, (_, index) =>
      condition(draw, `${id}-${index}`, depth - 1, memory),
    );
    return { id, is, of: children, ...count };
  }
  const held = memory && chance(draw, 30) ? { heldSeconds: literal(of(draw, [0.05, 0.1, 0.35])) } : {};
  if (chance(draw, 35)) return { id, is: 'onOff', reading: of(draw, ON_OFF), on: chance(draw, 70), ...held };
  const { reading, amounts } = of(draw, COUNTED);
  return { id, is: 'compare', reading, comparison: of(draw, COMPARISONS), amount: of(draw, amounts), ...held };
}

function effect(draw: Draw): Effect {
  const effects: readonly Effect[] = [
    { effect: 'win' },
    { effect: 'lose', cause: 'Too late' },
    {
      effect: 'loseLife',
      lives: literal(1),
      back: of(draw, ['start', 'stay']),
      resets: of(draw, [[], ['score'], ['health', 'stings'], ['clock']]),
    },
    { effect: 'score', add: literal(draw(30) - 8) },
    { effect: 'tally', tally: 'stings', add: literal(draw(3)) },
    { effect: 'heal', by: literal(draw(40)) },
    { effect: 'hurt', by: literal(draw(40)) },
    {
      effect: 'parameter',
      parameter: of(draw, ['nectarNeeded', 'beetles', 'nestRest', 'clock']),
      change: of(draw, ['times', 'plus', 'set']),
      by: literal(of(draw, [0.5, 1, 1.5, 2])),
    },
    { effect: 'message', text: 'Listen!', seconds: literal(1) },
    { effect: 'cue', name: 'Bell' },
  ];
  return of(draw, chance(draw, 25) ? effects.slice(0, 2) : effects.slice(2));
}

const rule = (draw: Draw, id: string): Rule => ({
  id,
  when: condition(draw, id, 3),
  then: Array.from({ length: 1 + draw(3) }, () => effect(draw)),
  fires: of(draw, ['once', 'eachTime', 'every']),
  everySeconds: literal(of(draw, [0.1, 0.5])),
});

const clock = (draw: Draw): Clock => ({
  limitSeconds: of(draw, [null, literal(1), literal(1.5), parameter('clock', 0.04)]),
  starts: of(draw, ['load', 'firstMove', 'condition']),
  startsWhen: condition(draw, 'starts', 1),
  warnAtSeconds: of(draw, [null, literal(0.5)]),
  parSeconds: null,
  atExpiry: of(draw, ['lose', 'win', 'grade']),
});

const stars = (draw: Draw): Stars =>
  chance(draw, 50)
    ? {
        is: 'ladder',
        reading: of(draw, ['timeLeft', 'timeElapsed', 'score', 'lives', 'health', 'tries']),
        direction: of(draw, ['atLeast', 'atMost']),
        thresholds: [null, literal(1), literal(20)],
      }
    : {
        is: 'conditions',
        conditions: [null, condition(draw, 'star-2', 1), condition(draw, 'star-3', 2)],
      };

const PIECES: readonly Piece[] = [
  ...[3.2, 4.1, 5.5, 6.4, 7.7].map((x, index): Piece => ({
    id: `clover-${index}`,
    piece: 'collectable',
    kind: 'clover',
    at: { x, y: 5 + (index % 2) },
  })),
  { id: 'lavender-0', piece: 'collectable', kind: 'lavender', at: { x: 2.6, y: 4.2 } },
  { id: 'shade', piece: 'zone', name: 'Shade', at: { x: 3, y: 4 }, width: 2, height: 2 },
  { id: 'hive', piece: 'goal', name: 'Hive', at: { x: 5, y: 5 }, width: 2, height: 2 },
  { id: 'latch', piece: 'latch', name: 'Latch', at: { x: 3.6, y: 6.1 }, opens: [] },
  { id: 'beetle-0', piece: 'enemy', kind: 'beetle', at: { x: 6.2, y: 5.4 } },
];

/** Says every reading that the score is made of once, so that whoever looks at the conditions sees it. */
const shown: Rule = {
  id: 'shown',
  when: {
    id: 'shown',
    is: 'compare',
    reading: { reading: 'worth', of: 'any' },
    comparison: 'atLeast',
    amount: literal(1e9),
  },
  then: [{ effect: 'cue', name: 'Never' }],
  fires: 'once',
};

/** The demo with one level of random rules in a bare garden. Nothing there hurts but rules. */
export const randomProject = (draw: Draw): Project =>
  garden({
    pieces: [...PIECES],
    rules: [shown, ...Array.from({ length: 1 + draw(5) }, (_, index) => rule(draw, `r${index}`))],
    change(project, level) {
      project.slots = project.slots.slice(0, 1);
      project.levels = { [level.id]: level };
      project.tallies = [{ id: 'stings', name: 'Stings', start: 0 }];
      project.score = [{ id: 'nectar', reading: { reading: 'worth', of: 'any' }, times: literal(1) }];
      level.clock = clock(draw);
      level.stars = stars(draw);
      level.tie = of(draw, ['win', 'loss']);
      for (const kind of project.kinds.enemies) delete kind.damage;
      const along = project.parameters.find(({ key }) => key === 'nestRest')!;
      if (chance(draw, 50)) along.ramp = { ...along.ramp, axis: 'score' };
    },
  });
