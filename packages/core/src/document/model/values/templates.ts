import { literal } from './literal.ts';
import type { Ending } from '../schema/ending.ts';
import type { Level } from '../schema/level.ts';
import { usualAudience, usualPacers } from './usualPacers.ts';
import { PROJECT_FORMAT, PROJECT_VERSION } from './format.ts';
import type { Project } from '../schema/project.ts';
import type { Rule } from '../schema/rule.ts';
import type { Run, TallyPolicies, TallyPolicy } from '../schema/run.ts';

/** The plain ending: a breath, then on with it, or once more. */
export const usualEnding = (): Ending => ({
  won: { freezeSeconds: literal(0.5), goesOn: [], message: '', holdSeconds: literal(1.5), next: { to: 'nextSlot' } },
  lost: { freezeSeconds: literal(0.5), goesOn: [], message: '', holdSeconds: literal(1.5), next: { to: 'retry' } },
});

const usualRun = (): Run => ({
  livesAtStart: literal(3),
  livesAtMost: null,
  lifeEvery: null,
  order: 'inOrder',
  afterLast: 'end',
  unlock: { by: 'win' },
  onGameOver: 'firstSlot',
  keep: {
    score: usualTallyPolicies('score'),
    lives: usualTallyPolicies('lives'),
    collected: usualTallyPolicies('collected'),
    stars: usualTallyPolicies('stars'),
  },
});

/** The losses that fit most games: a touch of any of these kinds takes a life, and none left ends the attempt. */
export const usualLosses = (touching: readonly string[]): Rule[] => [
  {
    id: 'out-of-lives',
    when: {
      id: 'no-lives',
      is: 'compare',
      reading: { reading: 'lives' },
      comparison: 'atMost',
      amount: literal(0),
    },
    then: [{ effect: 'lose', cause: 'Out of lives' }],
    fires: 'once',
  },
  ...touching.map((kind): Rule => ({
    id: `touch-${kind}`,
    when: { id: `touches-${kind}`, is: 'onOff', reading: { reading: 'touching', kind }, on: true },
    then: [{ effect: 'loseLife', lives: literal(1), back: 'start', resets: [] }],
    fires: 'eachTime',
  })),
];

/** How a player shoots that has just learned it. */
export const usualShooting = (): NonNullable<Project['player']['shooting']> => ({
  aim: 'nearest',
  everySeconds: literal(0.5),
  speed: literal(9),
  reach: literal(6),
  damage: literal(1),
  ammunition: null,
});

const kept: TallyPolicy = { is: 'keep' };
const reset: TallyPolicy = { is: 'reset', to: null };

/** The usual policies: a retry gives back what the attempt gathered, a game over resets everything, stars stay for good. */
export const usualTallyPolicies = (tally: string): TallyPolicies =>
  tally === 'stars'
    ? { retry: kept, next: kept, gameOver: kept }
    : tally === 'lives'
      ? { retry: kept, next: kept, gameOver: reset }
      : tally === 'collected'
        ? { retry: reset, next: reset, gameOver: reset }
        : { retry: kept, next: kept, gameOver: reset };

/** A project with one kind of everything and no levels yet: enough that the first added level can be played. */
export function emptyProject(name: string): Project {
  return {
    format: PROJECT_FORMAT,
    version: PROJECT_VERSION,
    name,
    words: { player: 'player', worth: 'points' },
    player: {
      moves: { roam: { speed: literal(5), acceleration: literal(30) } },
      radius: 0.32,
      graceSeconds: 1.5,
      health: literal(100),
      shooting: null,
    },
    lengths: { metresPerUnit: 1, shown: 'units' },
    score: [{ id: 'worth', reading: { reading: 'worth', of: 'any' }, times: literal(1) }],
    tallies: [],
    standing: usualLosses(['chaser']),
    run: usualRun(),
    kinds: {
      collectables: [{ id: 'token', name: 'Token', worth: literal(5) }],
      enemies: [
        { id: 'chaser', name: 'Chaser', movement: 'chase', speed: literal(2.5), radius: 0.35, sight: literal(6) },
      ],
      hazards: [],
    },
    parameters: [],
    tiers: [{ id: 'tier-1', name: 'All levels', from: 1 }],
    levels: {},
    expectations: [],
    slots: [],
    pacers: usualPacers(),
    audience: usualAudience(),
  };
}

const ROWS = [
  '####################',
  '#..................#',
  '#..................#',
  '#.....######.......#',
  '#..................#',
  '#..................#',
  '#..........#.......#',
  '#..........#.......#',
  '#..........#.......#',
  '#..................#',
  '#..................#',
  '####################',
];

const SPOTS = [
  [3.5, 2.5],
  [8.5, 1.5],
  [13.5, 3.5],
  [7.5, 5.5],
  [9.5, 8.5],
  [14.5, 7.5],
  [4.5, 9.5],
  [16.5, 9.5],
] as const;

/** The usual losses, less what standing rules see to already. */
function ownLosses({ standing, kinds }: Project): Rule[] {
  const inForce = standing.filter((rule) => rule.off !== true);
  const does = (effect: 'lose' | 'loseLife'): boolean =>
    inForce.some((rule) => rule.then.some((other) => other.effect === effect));
  const [enemy] = kinds.enemies;
  return usualLosses(enemy && !does('loseLife') ? [enemy.id] : []).filter(
    ({ id }) => id !== 'out-of-lives' || !does('lose'),
  );
}

/** A small level that can be won at once: gather half of what is placed, then reach the goal. */
export function newLevel(project: Project, id: string, name: string): Level {
  const collectable = project.kinds.collectables[0];
  const enemy = project.kinds.enemies[0];
  return {
    id,
    name,
    brief: '',
    ground: {
      kind: 'roam',
      rows: [...ROWS],
      pieces: [
        { id: 'start', piece: 'start', at: { x: 2.5, y: 5.5 } },
        { id: 'goal', piece: 'goal', name: 'Goal', at: { x: 17, y: 2 }, width: 2, height: 2 },
        ...(collectable
          ? SPOTS.map(([x, y], index) => ({
              id: `c-${index + 1}`,
              piece: 'collectable' as const,
              kind: collectable.id,
              at: { x, y },
            }))
          : []),
        ...(enemy ? [{ id: 'e-1', piece: 'enemy' as const, kind: enemy.id, at: { x: 15.5, y: 5.5 } }] : []),
      ],
    },
    rules: [
      {
        id: 'won',
        when: {
          id: 'w',
          is: 'all',
          of: [
            {
              id: 'w1',
              is: 'compare',
              reading: { reading: 'worth', of: 'any' },
              comparison: 'atLeast',
              amount: { from: 'share', share: literal(0.5), of: 'any', measure: 'worth' },
            },
            { id: 'w2', is: 'onOff', reading: { reading: 'inside', zone: 'goal' }, on: true },
          ],
        },
        then: [{ effect: 'win' }],
        fires: 'once',
      },
      ...ownLosses(project),
    ],
    standingRulesOff: [],
    clock: {
      limitSeconds: literal(60),
      starts: 'firstMove',
      warnAtSeconds: literal(10),
      parSeconds: null,
      atExpiry: 'lose',
    },
    stars: { is: 'ladder', reading: 'timeLeft', direction: 'atLeast', thresholds: [null, literal(25), literal(45)] },
    tie: 'win',
    ending: usualEnding(),
  };
}
