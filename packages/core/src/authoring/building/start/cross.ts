import { USUAL_CROSS } from '../../../play/movement/index.ts';
import {
  fromParameter,
  literal,
  usualLosses,
  type Level,
  type Parameter,
  type Piece,
  type Project,
  type Rule,
} from '../../../document/model/index.ts';
import { drawAt } from '../../../basics/random/index.ts';
import {
  clockParameter,
  compare,
  ease,
  insideOf,
  levelFrom,
  parameter,
  share,
  shareAsked,
  shareParameter,
  TOKEN,
  winningRule,
  type Course,
  startKit,
} from './parts.ts';

const GOALS = {
  reach: { label: 'reach the far side', says: 'Across lanes of traffic, before the clock runs out.' },
  often: {
    label: 'cross a number of times',
    says: 'At each crossing the player is back at the start and the traffic is a little faster.',
  },
  gather: {
    label: 'gather a share',
    says: 'Tokens lie on and between the lanes; a share of them has to be gathered.',
  },
} as const;
type Goal = keyof typeof GOALS;

/** A field of usual size: the goal above, the start below, a strip to rest on in the middle. */
const FIELD = { width: 19, height: 13 } as const;
const MIDDLE = 6;
/** Rows that are lanes, in the order in which they come to be: the later a level, the more of them. */
const LANE_ROWS = [3, 9, 4, 8, 10, 2, 11, 1, 7, 5] as const;
const FEWEST_LANES = 4;
/** Share of the one speed at which each row drives. */
const PACES = [1, 0.7, 1.25, 0.85, 1.1] as const;
const TOKENS = 10;

/** The numbers of each goal over the sequence, for about the wanted rates by the usual pacers. Units per second, seconds. */
const COURSES: Readonly<Record<Goal, { traffic: Course; gap: Course; clock: Course }>> = {
  reach: { traffic: [2.49, 5.71], gap: [2.6, 1.71], clock: [16.43, 12.46] },
  often: { traffic: [2.59, 3.5], gap: [3.22, 2.2], clock: [61.7, 43.9] },
  gather: { traffic: [2.2, 3.2], gap: [3.28, 1.9], clock: [60, 41.5] },
};

function parametersOf(goal: Goal, levels: number): Parameter[] {
  const { traffic, gap, clock } = COURSES[goal];
  const shared = [
    parameter('traffic', 'Traffic speed', 'real', 'units/s', [0.5, 10], {
      shape: ease(traffic, levels),
      roundTo: 0.05,
    }),
    parameter('gap', 'Seconds between two', 'seconds', 's', [0.8, 8], {
      shape: ease(gap, levels),
      roundTo: 0.1,
    }),
    clockParameter(clock, levels),
  ];
  if (goal === 'often')
    return [
      ...shared,
      parameter('crossings', 'Crossings needed', 'whole', '', [1, 10], {
        shape: { type: 'steps', from: 2, add: 1, every: Math.max(1, Math.round(levels / 3)), startingAt: 1 },
        atMost: 4,
      }),
    ];
  if (goal === 'gather') return [...shared, shareParameter([0.5, 0.77], levels)];
  return shared;
}

function lanesAt(position: number, passed: number): Piece[] {
  const many = FEWEST_LANES + Math.round(passed * (LANE_ROWS.length - FEWEST_LANES));
  return LANE_ROWS.slice(0, many).map((row, index): Piece => {
    const right = (index + position) % 2 === 0;
    return {
      id: `lane-${index + 1}`,
      piece: 'lane',
      kind: index % 3 === 2 ? 'truck' : 'cart',
      at: { x: 0.5, y: row + 0.5 },
      towards: right ? 'right' : 'left',
      length: index % 3 === 2 ? 3 : 1.5,
      speed: { ...fromParameter('traffic'), times: PACES[(index + position) % PACES.length] as number },
      spacing: 'seconds',
      every: fromParameter('gap'),
      jitter: 0.25,
    };
  });
}

function tokensAt(position: number): Piece[] {
  return Array.from({ length: TOKENS }, (_, index): Piece => ({
    id: `token-${index + 1}`,
    piece: 'collectable',
    kind: 'token',
    at: {
      x: 1.5 + Math.floor(drawAt(position, index, 1) * (FIELD.width - 2)),
      y: 1.5 + ((index * 7 + position) % (FIELD.height - 2)),
    },
  }));
}

/** Faster by a share at each crossing, and back at the start. */
const crossing: Rule = {
  id: 'crossed',
  when: { id: 'over', is: 'onOff', reading: { reading: 'inside', zone: 'far' }, on: true },
  then: [
    { effect: 'parameter', parameter: 'traffic', change: 'times', by: literal(1.1) },
    { effect: 'back', to: 'start' },
  ],
  fires: 'eachTime',
};

const winOf = (goal: Goal): Rule[] =>
  goal === 'reach'
    ? winningRule(insideOf('far'))
    : goal === 'often'
      ? [crossing, ...winningRule(compare({ reading: 'crossings' }, fromParameter('crossings')))]
      : winningRule(shareAsked());

function levelAt(position: number, goal: Goal, levels: number): Level {
  const { width, height } = FIELD;
  return levelFrom(position, {
    brief: '',
    ground: {
      kind: 'cross',
      rows: Array.from({ length: height }, () => '.'.repeat(width)),
      pieces: [
        { id: 'start', piece: 'start', at: { x: Math.floor(width / 2) + 0.5, y: height - 0.5 } },
        { id: 'far', piece: 'goal', name: 'Far side', at: { x: 0, y: 0 }, width, height: 1 },
        {
          id: 'strip',
          piece: 'checkpoint',
          name: 'Middle strip',
          at: { x: Math.floor(width / 2) + 0.5, y: MIDDLE + 0.5 },
        },
        ...lanesAt(position, share(position, levels)),
        ...(goal === 'gather' ? tokensAt(position) : []),
      ],
    },
    rules: winOf(goal),
    stars: [0.4, 0.6],
  });
}

const vehicle = (id: string, name: string, mark: string): Project['kinds']['enemies'][number] => ({
  id,
  name,
  movement: 'still',
  speed: literal(0),
  radius: 0.4,
  look: { mark, colour: 'claret' },
});

/** From cell to cell, across lanes of traffic. */
export const crossKit = startKit<Goal>('cross', {
  says: 'Seen from above; the player goes from cell to cell, between and over what drives along the rows.',
  goals: GOALS,
  kindsOf: (goal) => ({
    collectables: goal === 'gather' ? [TOKEN] : [],
    enemies: [vehicle('cart', 'Cart', 'square'), vehicle('truck', 'Truck', 'crate')],
    hazards: [],
  }),
  standingOf: (_goal, { enemies }) => usualLosses(enemies.map(({ id }) => id)),
  playerOf: () => ({ moves: { cross: USUAL_CROSS } }),
  parametersOf,
  levelAt,
});
