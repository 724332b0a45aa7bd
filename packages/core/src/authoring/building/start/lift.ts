import { USUAL_LIFT } from '../../../play/movement/index.ts';
import {
  fromParameter,
  literal,
  usualLosses,
  type Condition,
  type Kinds,
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
  costsALife,
  ease,
  insideOf,
  levelFrom,
  parameter,
  share,
  winningRule,
  startKit,
} from './parts.ts';

const GOALS = {
  height: {
    label: 'reach a height',
    says: 'Up a shaft with ledges, past what flies across, before the clock runs out.',
  },
  hold: { label: 'hold a height', says: 'Reach a height and stay there for some seconds, with things in the air.' },
  finish: {
    label: 'reach the goal',
    says: 'Carried forward through gaps in walls, above and below; a wall that is touched costs a life.',
  },
} as const;
type Goal = keyof typeof GOALS;

const SHAFT = { width: 16, height: 30 } as const;
const TUNNEL = { width: 60, height: 14 } as const;
/** Ledges of the shaft: their rows from the top, on alternating sides. */
const LEDGE_ROWS = [24, 19, 14, 9, 5] as const;
/** Columns with a gap: the distance of the first from the start, and the distance between them. */
const FIRST_COLUMN = 10;
/** Cells that a gap is higher or lower than the one before it. */
const GAP_OFF = 4;

function parametersOf(goal: Goal, levels: number): Parameter[] {
  const birds = parameter('birdSpeed', 'Bird speed', 'real', 'units/s', [0.5, 10], {
    shape: ease(goal === 'height' ? [2.82, 7.35] : [2, 5.5], levels),
    roundTo: 0.05,
  });
  switch (goal) {
    case 'height':
      return [
        parameter('heightNeeded', 'Height needed', 'real', 'units', [3, 30], {
          shape: { type: 'hold', value: 27.5 },
        }),
        birds,
        clockParameter([9.8, 8.4], levels),
      ];
    case 'hold':
      return [
        parameter('heightHeld', 'Height to hold', 'real', 'units', [3, 30], { shape: { type: 'hold', value: 18 } }),
        parameter('heldFor', 'Held for', 'seconds', 's', [0.5, 20], {
          shape: ease([4.74, 6.64], levels),
          roundTo: 0.1,
        }),
        { ...birds, sane: { min: 0.5, max: 14 }, ramp: { ...birds.ramp, shape: ease([4.16, 11.49], levels) } },
        clockParameter([15.57, 12.48], levels),
      ];
    case 'finish':
      return [
        parameter('forward', 'Speed forward', 'real', 'units/s', [1, 10], {
          shape: ease([6.79, 7.91], levels),
          roundTo: 0.1,
        }),
        parameter('pull', 'Pull downwards', 'real', 'units/s²', [4, 40], {
          shape: ease([24.45, 26.15], levels),
          roundTo: 0.5,
        }),
        clockParameter([54.7, 35.5], levels),
      ];
  }
}

function shaft(position: number, passed: number): string[] {
  const { width, height } = SHAFT;
  const many = 2 + Math.round(passed * (LEDGE_ROWS.length - 2));
  const ledges = new Map(LEDGE_ROWS.slice(0, many).map((row, index) => [row as number, (index + position) % 2 === 0]));
  return Array.from({ length: height }, (_, y) => {
    if (y === height - 1) return '#'.repeat(width);
    const left = ledges.get(y);
    const inner = width - 2;
    const ledge = 7 + (position % 2);
    const cells =
      left === undefined
        ? '.'.repeat(inner)
        : left
          ? '#'.repeat(ledge) + '.'.repeat(inner - ledge)
          : '.'.repeat(inner - ledge) + '#'.repeat(ledge);
    return `#${cells}#`;
  });
}

function tunnel(position: number, passed: number): string[] {
  const { width, height } = TUNNEL;
  const apart = Math.round(11 - 2 * passed);
  const gap = Math.round(3.6 - 0.6 * passed);
  const gaps = new Map<number, number>();
  const most = height - 1 - gap;
  let top = Math.round((height - gap) / 2);
  for (let x = FIRST_COLUMN, n = 0; x < width - 6; x += apart, n++) {
    // Each gap is equally far from the one before it, so levels differ by their numbers rather than by luck.
    const off = drawAt(position, n, 3) < 0.5 ? -GAP_OFF : GAP_OFF;
    top += top + off < 1 || top + off > most ? -off : off;
    gaps.set(x, top);
  }
  return Array.from({ length: height }, (_, y) =>
    Array.from({ length: width }, (_, x) => {
      const top = gaps.get(x);
      return y === 0 || y === height - 1 || (top !== undefined && (y < top || y >= top + gap)) ? '#' : '.';
    }).join(''),
  );
}

/** Birds fly across between the ledges, one way and the other. */
function birdsAt(position: number, passed: number): Piece[] {
  const many = 3 + Math.round(passed * 3);
  return Array.from({ length: many }, (_, index): Piece => ({
    id: `bird-${index + 1}`,
    piece: 'enemy',
    kind: 'bird',
    at: { x: 1.5 + Math.floor(drawAt(position, index, 5) * (SHAFT.width - 3)), y: 21.5 - index * 3 - (position % 3) },
    heading: (index + position) % 2 === 0 ? 0 : 180,
  }));
}

function winOf(goal: Goal): Rule[] {
  switch (goal) {
    case 'height':
      return winningRule(compare({ reading: 'height' }, fromParameter('heightNeeded')));
    case 'hold': {
      const when = compare({ reading: 'height' }, fromParameter('heightHeld')) as Extract<Condition, { is: 'compare' }>;
      return winningRule({ ...when, heldSeconds: fromParameter('heldFor') });
    }
    case 'finish':
      return winningRule(insideOf('finish'));
  }
}

const wallTouched = costsALife('touch-wall', 'touches-wall', { reading: 'touchingWall' });

function levelAt(position: number, goal: Goal, levels: number): Level {
  const passed = share(position, levels);
  const { width, height } = TUNNEL;
  return levelFrom(position, {
    brief: '',
    ground: {
      kind: 'lift',
      rows: goal === 'finish' ? tunnel(position, passed) : shaft(position, passed),
      pieces:
        goal === 'finish'
          ? [
              { id: 'start', piece: 'start', at: { x: 2.5, y: height / 2 } },
              { id: 'finish', piece: 'goal', name: 'Finish', at: { x: width - 3, y: 1 }, width: 3, height: height - 2 },
            ]
          : [
              { id: 'start', piece: 'start', at: { x: SHAFT.width / 2 + 0.5, y: SHAFT.height - 1.5 } },
              ...birdsAt(position, passed),
            ],
    },
    rules: winOf(goal),
    stars:
      goal === 'finish'
        ? { is: 'ladder', reading: 'lives', direction: 'atLeast', thresholds: [null, literal(2), literal(3)] }
        : [0.4, 0.6],
  });
}

const movesOf = (goal: Goal): NonNullable<Project['player']['moves']['lift']> =>
  goal === 'finish'
    ? { ...USUAL_LIFT, forward: fromParameter('forward'), steer: literal(0), gravity: fromParameter('pull') }
    : USUAL_LIFT;

const bird: Kinds['enemies'][number] = {
  id: 'bird',
  name: 'Bird',
  movement: 'cross',
  speed: fromParameter('birdSpeed'),
  radius: 0.35,
  look: { mark: 'upside-triangle', colour: 'claret' },
};

/** Hold to rise, seen from aside. */
export const liftKit = startKit<Goal>('lift', {
  says: 'Seen from aside; the player rises while a key is held, and sinks otherwise, up a shaft or forward through gaps.',
  goals: GOALS,
  kindsOf: (goal) => ({ collectables: [], enemies: goal === 'finish' ? [] : [bird], hazards: [] }),
  standingOf: (goal, { enemies }) => {
    const losses = usualLosses(enemies.map(({ id }) => id));
    return goal === 'finish' ? [...losses, wallTouched] : losses;
  },
  playerOf: (goal) => ({ moves: { lift: movesOf(goal) } }),
  parametersOf,
  levelAt,
});
