import { USUAL_LEAP } from '../../../play/movement/index.ts';
import {
  fromParameter,
  literal,
  usualLosses,
  type Kinds,
  type Level,
  type Parameter,
  type Piece,
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
  shareAsked,
  shareParameter,
  TOKEN,
  winningRule,
  type Course,
  startKit,
} from './parts.ts';

const GOALS = {
  reach: {
    label: 'reach a place',
    says: 'Over pits and past walkers to the goal at the far end, before the clock runs out.',
  },
  gather: { label: 'gather a share', says: 'Tokens lie on floors and ledges; a share of them has to be gathered.' },
  beat: { label: 'beat all walkers', says: 'Enemies are beaten by jumping on them: beat them all.' },
} as const;
type Goal = keyof typeof GOALS;

const FIELD = { width: 44, height: 13 } as const;
/** Row of the floor. */
const FLOOR = 11;
const PITS = [8, 15, 22, 29, 35] as const;
const LEDGES = [
  [5, 9, 4],
  [12, 9, 3],
  [18, 8, 4],
  [26, 9, 3],
  [31, 8, 4],
] as const;
const TOKENS = 12;

/** The numbers of each goal over the sequence, for about the wanted rates by the usual pacers. Units per second, seconds. */
const COURSES: Readonly<Record<Goal, { walkers: Course; clock: Course }>> = {
  reach: { walkers: [1.32, 1.9], clock: [21.4, 19.8] },
  gather: { walkers: [1.87, 3.43], clock: [54.85, 34.81] },
  beat: { walkers: [1, 2.6], clock: [50, 40] },
};

function parametersOf(goal: Goal, levels: number): Parameter[] {
  const { walkers, clock } = COURSES[goal];
  const shared = [
    parameter('walkerSpeed', 'Walker speed', 'real', 'units/s', [0.2, 6], {
      shape: ease(walkers, levels),
      roundTo: 0.05,
    }),
    clockParameter(clock, levels),
  ];
  return [
    ...shared,
    goal === 'gather'
      ? shareParameter([0.59, 0.94], levels)
      : parameter('jump', 'Jump height', 'real', 'units', [1.2, 5], {
          shape: ease(goal === 'reach' ? [2.8, 2.57] : [3, 2.3], levels),
          roundTo: 0.05,
        }),
  ];
}

/** Pits, wider the later a level, and ledges above them. */
function rowsAt(position: number, passed: number): string[] {
  const { width, height } = FIELD;
  const wide = 2 + Math.round(passed * 1.4);
  const pits = PITS.slice(0, 2 + Math.round(passed * 3)).map((x) => x + (position % 3));
  const isPit = (x: number): boolean => pits.some((from) => x >= from && x < from + wide);
  return Array.from({ length: height }, (_, y) =>
    Array.from({ length: width }, (_, x) => {
      if (x === 0 || x === width - 1) return '#';
      if (y >= FLOOR) return isPit(x) ? '.' : '#';
      return LEDGES.some(
        ([from, row, length]) => y === row && x >= from + (position % 2) && x < from + (position % 2) + length,
      )
        ? '-'
        : '.';
    }).join(''),
  );
}

const standsOn = (rows: readonly string[], x: number): boolean => rows[FLOOR]?.[x] === '#';

function walkersAt(position: number, passed: number, rows: readonly string[]): Piece[] {
  const many = 2 + Math.round(passed * 3);
  return Array.from({ length: many }, (_, index): Piece => {
    let x = 12 + Math.round((index * 27) / many) + (position % 2);
    while (!standsOn(rows, x)) x++;
    return {
      id: `walker-${index + 1}`,
      piece: 'enemy',
      kind: 'walker',
      at: { x: x + 0.5, y: FLOOR - 0.5 },
      heading: index % 2 === 0 ? 180 : 0,
    };
  });
}

function tokensAt(position: number, rows: readonly string[]): Piece[] {
  return Array.from({ length: TOKENS }, (_, index): Piece => {
    const ledge = LEDGES[index % LEDGES.length] as (typeof LEDGES)[number];
    let x = 4 + Math.floor(drawAt(position, index, 9) * (FIELD.width - 8));
    while (!standsOn(rows, x)) x++;
    const at =
      index % 2 === 0
        ? { x: ledge[0] + 1.5 + (index % 3) * 0.5 + (position % 2), y: ledge[1] - 0.5 }
        : { x: x + 0.5, y: FLOOR - 0.5 };
    return { id: `token-${index + 1}`, piece: 'collectable', kind: 'token', at };
  });
}

function winOf(goal: Goal): Rule[] {
  switch (goal) {
    case 'reach':
      return winningRule(insideOf('goal'));
    case 'gather':
      return winningRule(shareAsked());
    case 'beat':
      return winningRule(compare({ reading: 'enemiesLeft', of: 'any' }, 0, 'atMost'));
  }
}

const fallen = costsALife('fell', 'falls', { reading: 'offGround' });

function levelAt(position: number, goal: Goal, levels: number): Level {
  const passed = share(position, levels);
  const rows = rowsAt(position, passed);
  return levelFrom(position, {
    brief: '',
    ground: {
      kind: 'leap',
      rows,
      pieces: [
        { id: 'start', piece: 'start', at: { x: 2.5, y: FLOOR - 0.5 } },
        ...(goal === 'reach'
          ? [
              {
                id: 'goal',
                piece: 'goal' as const,
                name: 'Goal',
                at: { x: FIELD.width - 4, y: FLOOR - 3 },
                width: 2,
                height: 3,
              },
            ]
          : []),
        ...walkersAt(position, passed, rows),
        ...(goal === 'gather' ? tokensAt(position, rows) : []),
      ],
    },
    rules: winOf(goal),
    stars: [0.3, 0.5],
  });
}

const walker: Kinds['enemies'][number] = {
  id: 'walker',
  name: 'Walker',
  movement: 'walk',
  speed: fromParameter('walkerSpeed'),
  radius: 0.4,
  look: { mark: 'dome', colour: 'claret' },
  health: literal(1),
  fromAbove: true,
};

/** Walk and jump, seen from aside. */
export const leapKit = startKit<Goal>('leap', {
  says: 'Seen from aside; the player walks, jumps over pits and onto ledges, and falls.',
  goals: GOALS,
  kindsOf: (goal) => ({ collectables: goal === 'gather' ? [TOKEN] : [], enemies: [walker], hazards: [] }),
  standingOf: () => [...usualLosses(['walker']), fallen],
  playerOf: (goal) => ({
    moves: { leap: goal === 'gather' ? USUAL_LEAP : { ...USUAL_LEAP, jumpHeight: fromParameter('jump') } },
  }),
  parametersOf,
  levelAt,
});
