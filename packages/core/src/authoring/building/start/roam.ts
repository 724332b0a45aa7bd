import {
  fromParameter,
  literal,
  usualEnding,
  usualLosses,
  usualShooting,
  type Clock,
  type Kinds,
  type Level,
  type Parameter,
  type Piece,
  type Rule,
  type Stars,
} from '../../../document/model/index.ts';
import { scattered } from '../scatter.ts';
import { fieldAt } from './grounds.ts';
import {
  clockParameter,
  clockTimes,
  compare,
  ease,
  insideOf,
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
  reach: { label: 'reach a place', says: 'The goal lies across the ground; chasers and patrols are in between.' },
  gather: {
    label: 'gather a share',
    says: 'A share of what lies on the ground has to be gathered before the clock runs out.',
  },
  beat: { label: 'beat all enemies', says: 'The player shoots; every enemy that comes has to be beaten.' },
  survive: { label: 'survive', says: 'Hold out until the clock is down, with more sent as it goes.' },
} as const;
type Goal = keyof typeof GOALS;

const TOKENS = 12;

function parametersOf(goal: Goal, levels: number): Parameter[] {
  const every = Math.max(1, Math.round(levels / 4));
  const { speed, sent, rest, clock } = COURSES[goal];
  const shared = [
    parameter('enemySpeed', 'Enemy speed', 'real', 'units/s', [0.5, 6], { shape: ease(speed, levels), roundTo: 0.01 }),
    parameter('enemiesSent', 'Enemies sent', 'whole', '', [0, 12], {
      shape: { type: 'steps', from: sent, add: 1, every, startingAt: 1 },
    }),
    parameter('restBetween', 'Rest between them', 'seconds', 's', [1, 30], { shape: ease(rest, levels), roundTo: 0.1 }),
    clockParameter(clock, levels, goal === 'survive' ? 'Time to survive' : undefined),
  ];
  if (goal !== 'gather') return shared;
  return [...shared, shareParameter([0.5, 0.85], levels)];
}

/** Numbers of each goal with which the usual pacers come near the wanted rates. Units per second, enemies, seconds. */
const COURSES: Readonly<Record<Goal, { speed: Course; sent: number; rest: Course; clock: Course }>> = {
  reach: { speed: [3.06, 3.58], sent: 1, rest: [5.38, 2.59], clock: [16.43, 10.02] },
  gather: { speed: [2, 3.2], sent: 1, rest: [9, 5], clock: [36, 28] },
  beat: { speed: [3.3, 4.68], sent: 3, rest: [2.3, 1], clock: [32.8, 26] },
  survive: { speed: [2.4, 2.75], sent: 3, rest: [4, 2.6], clock: [20, 30.5] },
};

/** Sight of chasers, units: nobody survives by standing still, and no enemy that must be beaten waits out of sight. */
const SIGHT: Readonly<Record<Goal, number>> = { reach: 6, gather: 6, beat: 30, survive: 12 };

function kindsOf(goal: Goal): Kinds {
  const speed = fromParameter('enemySpeed');
  const health = goal === 'beat' ? { health: literal(2) } : {};
  return {
    collectables: goal === 'beat' ? [] : [TOKEN],
    enemies: [
      {
        id: 'chaser',
        name: 'Chaser',
        movement: 'chase',
        speed,
        radius: 0.35,
        sight: literal(SIGHT[goal]),
        ...health,
      },
      ...(goal === 'beat'
        ? []
        : [
            {
              id: 'patrol',
              name: 'Patrol',
              movement: 'patrol' as const,
              speed: { ...speed, times: 0.8 },
              radius: 0.35,
            },
          ]),
    ],
    hazards: [],
  };
}

function winOf(goal: Goal): Rule[] {
  switch (goal) {
    case 'reach':
      return winningRule(insideOf('goal'));
    case 'gather':
      return winningRule(shareAsked());
    case 'beat':
      return winningRule(compare({ reading: 'enemiesLeft', of: 'any' }, 0, 'atMost'));
    // The clock itself is what wins.
    case 'survive':
      return [];
  }
}

function clockOf(goal: Goal): Clock {
  const survives = goal === 'survive';
  return {
    limitSeconds: fromParameter('clock'),
    starts: survives ? 'load' : 'firstMove',
    warnAtSeconds: literal(10),
    parSeconds: null,
    atExpiry: survives ? 'win' : 'lose',
  };
}

/** A share of the clock that has to be left, or a number of lives where the clock wins. */
function starsOf(goal: Goal): Stars {
  if (goal === 'survive')
    return { is: 'ladder', reading: 'lives', direction: 'atLeast', thresholds: [null, literal(2), literal(3)] };
  return {
    is: 'ladder',
    reading: 'timeLeft',
    direction: 'atLeast',
    thresholds: [null, clockTimes(0.45), clockTimes(0.7)],
  };
}

/** No two levels in a row begin alike. */
function piecesOf(goal: Goal, position: number): Piece[] {
  const at = (x: number, y: number) => ({ x: x + 0.5, y: y + 0.5 });
  const middle = goal === 'survive';
  return [
    { id: 'start', piece: 'start', at: middle ? at(5, 6) : at(2, 6) },
    ...(goal === 'reach'
      ? [{ id: 'goal', piece: 'goal' as const, name: 'Goal', at: { x: 18, y: 5 }, width: 2, height: 3 }]
      : []),
    { id: 'chaser', piece: 'enemy', kind: 'chaser', at: at(15 + ((position * 2) % 3), 5 + (position % 3)) },
    goal === 'beat'
      ? { id: 'chaser-2', piece: 'enemy', kind: 'chaser', at: at(15 + ((position * 3) % 4), 10) }
      : { id: 'patrol', piece: 'enemy', kind: 'patrol', at: at(12, 2), path: [at(12, 10)] },
    {
      id: 'nest',
      piece: 'spawner',
      kind: 'chaser',
      at: { x: 11, y: 6.5 },
      starts: 'load',
      howMany: fromParameter('enemiesSent'),
      firstAfterSeconds: literal(3),
      everySeconds: fromParameter('restBetween'),
      safeDistance: 5,
      spread: { width: 18, height: 9 },
    },
  ];
}

function levelAt(position: number, goal: Goal, levels: number, { collectables }: Kinds): Level {
  const token = collectables[0]?.id;
  const bare = fieldAt(position, share(position, levels), piecesOf(goal, position));
  const count = goal === 'gather' ? TOKENS : TOKENS / 2;
  return {
    id: `level-${position}`,
    name: `Level ${position}`,
    brief: '',
    ground: token ? scattered(bare, { kind: token, count, fromStart: 3, apart: 2.5, seed: position }).ground : bare,
    rules: winOf(goal),
    standingRulesOff: [],
    clock: clockOf(goal),
    stars: starsOf(goal),
    tie: 'win',
    ending: usualEnding(),
  };
}

/** Free in the plane, seen from above. */
export const roamKit = startKit<Goal>('roam', {
  says: 'Seen from above; the player goes in every direction and walls are in the way.',
  goals: GOALS,
  kindsOf,
  standingOf: (_goal, kinds) => usualLosses(kinds.enemies.map(({ id }) => id)),
  playerOf: (goal) => (goal === 'beat' ? { shooting: usualShooting() } : {}),
  parametersOf,
  levelAt,
});
