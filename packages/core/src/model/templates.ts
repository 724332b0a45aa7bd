import { literal } from './amount.ts';
import type { Level } from './level.ts';
import { PROJECT_FORMAT, PROJECT_VERSION, type Project } from './project.ts';

/** A project with one kind of everything and no levels yet: enough that the first added level can be played. */
export function emptyProject(name: string): Project {
  return {
    format: PROJECT_FORMAT,
    version: PROJECT_VERSION,
    name,
    words: { player: 'player', worth: 'points' },
    player: { speed: literal(5), acceleration: literal(30), radius: 0.32, graceSeconds: 1.5 },
    run: { livesAtStart: literal(3) },
    kinds: {
      collectables: [{ id: 'token', name: 'Token', worth: literal(5) }],
      enemies: [
        { id: 'chaser', name: 'Chaser', movement: 'chase', speed: literal(2.5), radius: 0.35, sight: literal(6) },
      ],
    },
    parameters: [],
    tiers: [{ id: 'tier-1', name: 'All levels', from: 1 }],
    levels: {},
    slots: [],
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

/** A small level that can be won at once: gather half of what is placed, then reach the exit. */
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
        { id: 'exit', piece: 'goal', name: 'Exit', at: { x: 17, y: 2 }, width: 2, height: 2 },
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
            { id: 'w2', is: 'onOff', reading: { reading: 'inside', zone: 'exit' }, on: true },
          ],
        },
        then: [{ effect: 'win' }],
        fires: 'once',
      },
      {
        id: 'out-of-lives',
        when: { id: 'l1', is: 'compare', reading: { reading: 'lives' }, comparison: 'atMost', amount: literal(0) },
        then: [{ effect: 'lose', cause: 'Out of lives' }],
        fires: 'once',
      },
      ...(enemy
        ? [
            {
              id: 'touch',
              when: {
                id: 't1',
                is: 'onOff' as const,
                reading: { reading: 'touching' as const, kind: enemy.id },
                on: true,
              },
              then: [{ effect: 'loseLife' as const, lives: literal(1), back: 'start' as const }],
              fires: 'eachTime' as const,
            },
          ]
        : []),
    ],
    clock: { limitSeconds: literal(60), starts: 'firstMove', warnAtSeconds: literal(10), atExpiry: 'lose' },
    stars: { is: 'ladder', reading: 'timeLeft', thresholds: [null, literal(40), literal(50)] },
    tie: 'win',
  };
}
