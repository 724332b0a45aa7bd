import {
  fromParameter,
  literal,
  usualEnding,
  type Clock,
  type Condition,
  type Ending,
  type Ground,
  type Rule,
  type StarReading,
  type Stars,
} from '../../document/model/index.ts';
import type { LaneSketch, Turn } from './ground.ts';
import type { LayoutName } from './layouts.ts';
import {
  atLeastOf,
  compare,
  eachTime,
  gathered,
  group,
  home,
  lost,
  nectarAtLeast,
  needed,
  on,
  once,
  shareOfNectar,
  won,
} from './rules.ts';

/** Where a level is played: on a garden that is drawn, or along a number of tiers of the long hedge. */
type Where =
  | {
      layout: LayoutName;
      turn: Turn;
      /** How the bee moves there; free in the plane when absent. */
      kind?: Ground['kind'];
      lanes?: readonly LaneSketch[];
    }
  | { hedge: number };

/** One level by its differences from the usual one. */
export type Sketch = Told & Where;

interface Told {
  name: string;
  brief: string;
  /** Why it is so. */
  note?: string;
  wanted: number;
  rules?: Rule[];
  standingRulesOff?: string[];
  clock?: Partial<Clock>;
  stars?: Stars;
  tie?: 'win' | 'loss';
  ending?: (usual: Ending) => Ending;
  starGate?: number;
  /** The fight that decides it in place of its ground: against whom, and who comes along besides the bee. */
  bout?: { group: string; with: readonly string[] };
  /** Groups that are met on the way, by share, and how many meetings there are. */
  meets?: { groups: Record<string, number>; many: number };
}

export const ladder = (
  reading: StarReading,
  thresholds: (number | null)[],
  direction: 'atLeast' | 'atMost' = 'atLeast',
): Stars => ({
  is: 'ladder',
  reading,
  direction,
  thresholds: thresholds.map((threshold) => (threshold === null ? null : literal(threshold))),
});

const usual = won(nectarAtLeast(needed), home(0.5));
const costsALife = (id: string, when: Condition): Rule =>
  eachTime(id, when, { effect: 'loseLife', lives: literal(1), back: 'checkpoint', resets: [] });
const inTheWater = costsALife('in-the-water', on('wet', { reading: 'offGround' }));
const underTheMower = costsALife('under-the-mower', on('touches-mower', { reading: 'touching', kind: 'mower' }));
const stretches = (many: number, id = 'stretches'): Condition =>
  compare(id, { reading: 'sectionsPassed' }, 'atLeast', many);
const offTheHedge: readonly Rule[] = [
  lost('fell', 'Fell off the hedge', on('falls', { reading: 'offGround' })),
  lost('stopped', 'Ran into the hedge', on('is-stopped', { reading: 'blocked' })),
];
const shows = (text: string, seconds = 3) => ({ effect: 'message' as const, text, seconds: literal(seconds) });

/** In the order of the sequence. Some hold an honest mistake, each of a class of its own: docs/guide/findings.md says what each teaches. */
export const SKETCHES: readonly Sketch[] = [
  {
    name: 'Clover Steps',
    brief: 'The first flowers of the day: gather half and come home.',
    layout: 'meadow',
    turn: 'as drawn',
    wanted: 0.97,
    stars: ladder('timeLeft', [null, 33, 35]),
  },
  {
    name: 'Dew on the Beds',
    brief: 'Ten flowers, whichever, before the dew is gone.',
    layout: 'beds',
    turn: 'as drawn',
    wanted: 0.96,
    rules: [won(gathered('any', 10, 'ten'), home(0.5))],
    stars: ladder('collected', [null, 11, 12]),
  },
  {
    name: 'Orchard Round',
    brief: 'Ants have come to the fallen fruit: drive them off, alone this time.',
    layout: 'orchard',
    turn: 'as drawn',
    wanted: 0.95,
    bout: { group: 'fruit-ants', with: [] },
    stars: ladder('rounds', [null, 4, 3], 'atMost'),
  },
  {
    name: 'Two Ponds',
    meets: { groups: { ants: 1 }, many: 2 },
    brief: 'Water wears the wings out: cross it quickly or not at all.',
    layout: 'pools',
    turn: 'as drawn',
    wanted: 0.94,
    clock: { limitSeconds: literal(21), warnAtSeconds: literal(5) },
    stars: ladder('timeLeft', [null, 7, 9]),
  },
  {
    name: 'Garden Walls',
    meets: { groups: { ants: 1 }, many: 2 },
    brief: 'Three rooms, one way home. Who is stung drops what it carries.',
    layout: 'walls',
    turn: 'as drawn',
    wanted: 0.92,
    stars: ladder('timeLeft', [null, 26, 30]),
    rules: [
      usual,
      {
        ...eachTime('hornet-robs', on('robbed', { reading: 'touching', kind: 'hornet' }), {
          effect: 'loseLife',
          lives: literal(1),
          back: 'start',
          resets: ['gathered'],
        }),
        replaces: 'hornet-touch',
      },
      eachTime('stung', on('wasp-again', { reading: 'touching', kind: 'wasp' }), {
        effect: 'tally',
        tally: 'stings',
        add: literal(1),
      }),
      lost('stung-thrice', 'Stung three times', compare('stings', { reading: 'tally', tally: 'stings' }, 'atLeast', 3)),
    ],
  },
  {
    name: 'The Garden Path',
    brief: 'All the lavender on both sides of the path, and home.',
    layout: 'path',
    turn: 'as drawn',
    kind: 'cross',
    lanes: [
      { row: 9, towards: 'right', times: 1, what: 'mower' },
      { row: 7, towards: 'left', times: 1.4, what: 'mower' },
      { row: 6, towards: 'left', times: 1.7, what: 'mower' },
      { row: 4, towards: 'right', times: 1.5, what: 'mower' },
      { row: 3, towards: 'left', times: 1.9, what: 'mower' },
    ],
    wanted: 0.9,
    stars: ladder('timeLeft', [null, 5, 7.5]),
    clock: { limitSeconds: literal(24), warnAtSeconds: literal(6) },
    rules: [won(gathered('lavender', { from: 'placed', of: 'lavender', measure: 'count' }), home(0.5)), underTheMower],
  },
  {
    name: 'Lavender Bank',
    meets: { groups: { ants: 0.7, 'ant-patrol': 0.3 }, many: 2 },
    brief: 'Gather enough nectar and slip back into the hive before the hornets wake.',
    note: 'The first level of the sequence that asks for both: enough nectar and the way home.',
    layout: 'bank',
    turn: 'as drawn',
    wanted: 0.88,
    // An honest mistake: nobody can have more time left than the clock gives.
    stars: ladder('timeLeft', [null, 12, 70]),
  },
  {
    name: 'Midday Meadow',
    brief: 'Along the top of the long hedge on foot, six stretches before the heat.',
    hedge: 2,
    wanted: 0.9,
    rules: [won(stretches(6)), ...offTheHedge],
    clock: { starts: 'load', parSeconds: literal(24) },
    stars: ladder('collected', [null, 34, 36]),
  },
  {
    name: 'Four Lavenders',
    meets: { groups: { ants: 0.5, 'ant-patrol': 0.5 }, many: 3 },
    brief: 'Four lavenders at least, and enough of everything.',
    layout: 'beds',
    turn: 'left to right',
    wanted: 0.87,
    rules: [
      won(
        gathered('lavender', 4, 'enough-of-one'),
        // An honest mistake: who has four has two.
        gathered('lavender', 2, 'some-of-one'),
        nectarAtLeast(needed),
        home(0.5),
      ),
    ],
  },
  {
    name: 'Snail Shell',
    brief: 'A patrol of soldier ants has moved into the snail shell.',
    layout: 'trellis',
    turn: 'as drawn',
    kind: 'leap',
    wanted: 0.86,
    bout: { group: 'ant-column', with: ['hive-guard'] },
  },
  {
    name: 'Sunlit Ponds',
    brief: 'No need to come home: gather, that is all.',
    layout: 'ponds',
    turn: 'left to right',
    wanted: 0.85,
    // An honest mistake: 0 of whatever is placed are gathered before the bee has moved.
    rules: [won(nectarAtLeast(0))],
  },
  {
    name: 'Orchard at Noon',
    brief: 'Up into the treetops: beetles sit on the blossoms. Dust them off with pollen, every one.',
    layout: 'treetops',
    turn: 'as drawn',
    kind: 'lift',
    wanted: 0.84,
    clock: { limitSeconds: literal(19), warnAtSeconds: literal(5) },
    rules: [
      won(
        compare('beetles-gone', { reading: 'enemiesLeft', of: 'beetle' }, 'atMost', 0),
        compare('as-many', { reading: 'enemiesBeaten', of: 'beetle' }, 'atLeast', fromParameter('beetles')),
      ),
    ],
    stars: ladder('timeElapsed', [null, 14, 10], 'atMost'),
  },
  {
    name: 'Behind the Walls',
    meets: { groups: { 'ant-patrol': 0.9, captain: 0.1 }, many: 3 },
    brief: 'The gate is shut: touch the latch, then bring the nectar home.',
    layout: 'gated',
    turn: 'as drawn',
    wanted: 0.83,
    rules: [
      won(nectarAtLeast(shareOfNectar(0.45)), on('gate-is-open', { reading: 'gate', gate: 'gate-1' }), home(0.5)),
      // An honest mistake: gone before it can be read.
      once('gate-told', on('latched', { reading: 'latch', latch: 'latch' }), shows('The garden gate swings open.', 1)),
    ],
  },
  {
    name: 'Hedge and Ditch',
    brief: 'The wasp captain holds the ditch, and its ants with it. Quick is fine, whole is finer.',
    layout: 'stones',
    turn: 'as drawn',
    kind: 'leap',
    wanted: 0.81,
    bout: { group: 'captain', with: ['hive-guard'] },
    stars: ladder('rounds', [null, 9, 8], 'atMost'),
  },
  {
    name: 'Steep Bank',
    brief: 'Up the chimney with some nectar before the light goes.',
    layout: 'chimney',
    turn: 'as drawn',
    kind: 'lift',
    wanted: 0.8,
    stars: ladder('timeLeft', [null, 4, 4.6]),
    clock: { limitSeconds: literal(15), warnAtSeconds: literal(4) },
    rules: [won(nectarAtLeast(shareOfNectar(0.6)), compare('high-up', { reading: 'height' }, 'atLeast', 11.5, 0.5))],
  },
  {
    name: 'Long Shadows',
    meets: { groups: { 'ant-patrol': 1 }, many: 3 },
    brief: 'Stay out of their reach until the clock ends.',
    layout: 'tower',
    turn: 'as drawn',
    wanted: 0.78,
    rules: [
      once(
        'they-wake',
        compare('half-time', { reading: 'timeElapsed' }, 'atLeast', 12),
        { effect: 'parameter', parameter: 'hornetSpeed', change: 'times', by: literal(1.7) },
        // An honest mistake: there are no beetles here.
        { effect: 'parameter', parameter: 'beetles', change: 'plus', by: literal(2) },
        shows('The hornets grow restless.'),
      ),
    ],
    standingRulesOff: ['wasp-touch'],
    clock: { limitSeconds: literal(25), starts: 'load', atExpiry: 'win' },
    stars: ladder('lives', [null, 2, 3]),
    tie: 'loss',
  },
  {
    name: 'The Greedy Bee',
    brief: 'Take everything the beds have to give.',
    layout: 'beds',
    turn: 'upside down',
    wanted: 0.75,
    // An honest mistake: more than is placed.
    rules: [won(nectarAtLeast(132), home(0.5))],
  },
  {
    name: 'Tea in the Orchard',
    brief: 'A breather on the hedge: nectar and stretches count together.',
    note: 'A breather after The Greedy Bee: nobody should need a second try here.',
    hedge: 3,
    wanted: 0.86,
    rules: [
      won(compare('enough-score', { reading: 'score' }, 'atLeast', 400)),
      ...offTheHedge,
      // An honest mistake: the rule above says it already.
      lost('fell-too', 'Fell off the hedge', on('falls-too', { reading: 'offGround' })),
      once('half-way', stretches(4, 'four-stretches'), { effect: 'score', add: literal(20) }, shows('Tea time!', 2)),
    ],
    clock: { limitSeconds: null, warnAtSeconds: null },
    stars: ladder('collected', [null, 57, 60]),
  },
  {
    name: 'Last Light on the Ponds',
    brief: 'Bring what you can; it is weighed when the light goes.',
    layout: 'lilies',
    turn: 'as drawn',
    kind: 'cross',
    lanes: [
      { row: 6, towards: 'right', times: 0.5, what: 'lily' },
      { row: 5, towards: 'left', times: 0.7, what: 'lily' },
      { row: 3, towards: 'right', times: 0.6, what: 'lily' },
      { row: 2, towards: 'left', times: 0.8, what: 'lily' },
    ],
    wanted: 0.74,
    rules: [inTheWater],
    clock: { atExpiry: 'grade', limitSeconds: literal(17), warnAtSeconds: literal(5) },
    stars: ladder('worth', [70, 75, 95]),
  },
  {
    name: 'Garden Gate',
    brief: 'On foot: up to the latch, through the gate, past the thistle. A broad leaf gives shelter.',
    layout: 'gateway',
    turn: 'as drawn',
    kind: 'leap',
    wanted: 0.72,
    stars: ladder('timeLeft', [null, 2.5, 5]),
    clock: { limitSeconds: literal(23.5), warnAtSeconds: literal(6) },
    rules: [
      won(nectarAtLeast(needed), home(0.5)),
      costsALife('into-the-pit', on('falls-in', { reading: 'offGround' })),
      once('told', on('latch-on', { reading: 'latch', latch: 'latch' }), shows('The gate is open.')),
    ],
    starGate: 20,
  },
  {
    name: 'Hedge by Dusk',
    brief: 'The whole hedge, to its broken end. Three ways to shine.',
    hedge: 4,
    wanted: 0.7,
    rules: [won(stretches(12)), ...offTheHedge],
    clock: { limitSeconds: literal(60) },
    stars: {
      is: 'conditions',
      conditions: [
        null,
        compare('star-lives', { reading: 'lives' }, 'atLeast', 4),
        group(
          'star-bloom',
          'all',
          gathered('royal-bloom', 1, 'star-royal'),
          compare('star-quick', { reading: 'timeLeft' }, 'atLeast', 20),
        ),
      ],
    },
  },
  {
    name: 'The Far Bank',
    meets: { groups: { 'ant-patrol': 0.8, captain: 0.2 }, many: 4 },
    brief: 'Over the poplars: to the fountain, then to the sundial, then home.',
    layout: 'poplars',
    turn: 'as drawn',
    kind: 'lift',
    wanted: 0.68,
    stars: ladder('timeLeft', [null, 2, 3.5]),
    clock: { limitSeconds: literal(22.5), warnAtSeconds: literal(6) },
    rules: [
      won(
        group(
          'round',
          'inOrder',
          on('at-fountain', { reading: 'inside', zone: 'fountain' }),
          on('at-sundial', { reading: 'inside', zone: 'sundial' }),
          home(0.5),
        ),
        atLeastOf(
          'two-of-three',
          2,
          gathered('clover', 3, 'three-clovers'),
          gathered('lavender', 2, 'two-lavenders'),
          gathered('royal-bloom', 1, 'the-bloom'),
        ),
      ),
    ],
  },
  {
    name: 'The Mown Rows',
    brief: 'Webs between the rows, and the spider in them: once it is hurt it fights otherwise.',
    layout: 'rows',
    turn: 'as drawn',
    kind: 'cross',
    lanes: [
      { row: 10, towards: 'right', times: 0.9, what: 'mower' },
      { row: 8, towards: 'left', times: 1.1, what: 'mower' },
      { row: 7, towards: 'right', times: 0.8, what: 'mower' },
      { row: 6, towards: 'left', times: 1.3, what: 'mower' },
      { row: 4, towards: 'right', times: 1.2, what: 'mower' },
      { row: 3, towards: 'left', times: 1, what: 'mower' },
      { row: 2, towards: 'right', times: 1.4, what: 'mower' },
    ],
    wanted: 0.65,
    bout: { group: 'spider', with: ['hive-guard'] },
    ending: (plain) => ({
      ...plain,
      lost: { ...plain.lost, freezeSeconds: literal(1), message: 'Spun up like a fly.' },
    }),
  },
  {
    name: 'Home Before Dusk',
    meets: { groups: { captain: 0.5, spider: 0.5 }, many: 2 },
    brief: 'The last flight home: latch, gate, bloom, hive.',
    note: 'The last level names the game: everything that was learned is asked for once.',
    layout: 'dusk',
    turn: 'as drawn',
    wanted: 0.6,
    rules: [
      won(
        nectarAtLeast(shareOfNectar(0.95)),
        group(
          'safe',
          'none',
          compare('too-worn', { reading: 'health' }, 'lessThan', 10),
          compare('too-late', { reading: 'timeLeft' }, 'lessThan', 1),
        ),
        home(0.5),
      ),
      once(
        'bloom-opens',
        nectarAtLeast(shareOfNectar(0.3), 'a-third'),
        { effect: 'reveal', piece: 'royal-bloom-1' },
        shows('A royal bloom opens near the hive.'),
      ),
      once(
        'last-wave',
        group(
          'late',
          'any',
          compare('last-light', { reading: 'timeLeft' }, 'atMost', 15),
          group(
            'rich',
            'all',
            nectarAtLeast(shareOfNectar(0.6), 'much'),
            on('gate-up', { reading: 'gate', gate: 'gate-1' }),
          ),
        ),
        { effect: 'wave', spawner: 'late-nest' },
        shows('They are coming!'),
      ),
      {
        ...once('nectar-heals', on('resting', { reading: 'inside', zone: 'hive' }), {
          effect: 'heal',
          by: literal(10),
        }),
        fires: 'every',
        everySeconds: literal(1),
      },
      once('hurry', compare('dusk-near', { reading: 'timeLeft' }, 'atMost', 10), { effect: 'cue', name: 'Dusk falls' }),
      lost('caught', 'Caught in a web', on('in-web', { reading: 'touching', kind: 'web' })),
      {
        ...once('too-far', compare('far', { reading: 'distance' }, 'atLeast', 400), {
          effect: 'lose',
          cause: 'Worn out',
        }),
        off: true,
      },
    ],
    stars: ladder('timeLeft', [null, 28, 35]),
    clock: { limitSeconds: literal(60) },
    ending: (plain) => ({
      won: { ...plain.won, message: 'Home before dusk.', holdSeconds: literal(3), next: { to: 'endOfRun' } },
      lost: { ...plain.lost, message: 'Night has come.' },
    }),
  },
];

/** Defaults of a sketch. */
export const plainRules = (): Rule[] => [usual];
export const plainClock = (): Clock => ({
  limitSeconds: fromParameter('clock'),
  starts: 'firstMove',
  warnAtSeconds: literal(12),
  parSeconds: null,
  atExpiry: 'lose',
});
export const plainStars = (): Stars => ladder('timeLeft', [null, 12, 22]);
export { usualEnding as plainEnding };
