import { USUAL_RUN } from '../../../play/movement/index.ts';
import {
  fromParameter,
  literal,
  type Condition,
  type Ground,
  type Level,
  type Parameter,
  type Kinds,
  type Rule,
  type Section,
} from '../../../document/model/index.ts';
import { drawnSection, type SectionLegend } from '../sections.ts';
import { compare, ease, levelFrom, parameter, TOKEN, winningRule, type Course, startKit } from './parts.ts';

const GOALS = {
  pass: { label: 'pass a number of sections', says: 'Stretch follows stretch, each pool harder than the one before.' },
  gather: { label: 'gather a number', says: 'Tokens lie along the way, some of them only for those who jump.' },
  score: { label: 'reach a score', says: 'What is gathered and every section passed count together.' },
} as const;
type Goal = keyof typeof GOALS;

const HEIGHT = 10;
/** Row of the floor. */
const FLOOR = 8;

const LEGEND: SectionLegend = {
  o: { piece: 'collectable', kind: 'token' },
  '^': { piece: 'hazard', kind: 'spikes' },
  w: { piece: 'enemy', kind: 'walker', heading: 180 },
};

/** The lower rows of each section; the last two are its floor. */
const SECTIONS: readonly (readonly [name: string, tier: number, rows: readonly string[]])[] = [
  [
    'Small pit',
    1,
    [
      '..........oo............',
      '........................',
      '..o.o..........o.o......',
      '##########..############',
      '##########..############',
    ],
  ],
  [
    'Step',
    1,
    [
      '..........oo............',
      '........................',
      '..o.o.....##....o.o.....',
      '########################',
      '########################',
    ],
  ],
  [
    'Thorn',
    1,
    [
      '...........o............',
      '..........o.o...........',
      '..o........^......o.o...',
      '########################',
      '########################',
    ],
  ],
  [
    'Flat stretch',
    1,
    [
      '........................',
      '........................',
      '..o.o.o.o....o.o.o.o....',
      '########################',
      '########################',
    ],
  ],
  [
    'Wide pit',
    2,
    [
      '..........ooo...........',
      '........................',
      '..o.............o.o.....',
      '##########...###########',
      '##########...###########',
    ],
  ],
  [
    'Beam',
    2,
    [
      '.........####...........',
      '.........####...........',
      '..o.......oo......o.o...',
      '########################',
      '########################',
    ],
  ],
  [
    'Two steps',
    2,
    [
      '......oo........oo......',
      '........................',
      '......##........##......',
      '########################',
      '########################',
    ],
  ],
  [
    'Walker',
    2,
    [
      '........................',
      '.........o.o............',
      '..o...........w.....o...',
      '########################',
      '########################',
    ],
  ],
  [
    'Long pit',
    3,
    [
      '.....oooo......ooo......',
      '........................',
      '..o.......o.........o...',
      '#####....######...######',
      '#####....######...######',
    ],
  ],
  [
    'Pit and beam',
    3,
    [
      '.....oo.....####...oo...',
      '............####........',
      '..o......o...oo.........',
      '#####..############..###',
      '#####..############..###',
    ],
  ],
  [
    'Thorns and pit',
    3,
    [
      '....o.....oo.....o......',
      '........................',
      '....^............^..o...',
      '#########....###########',
      '#########....###########',
    ],
  ],
  [
    'Walker and steps',
    3,
    [
      '......oo........oo......',
      '........................',
      '......##..w.....##......',
      '########################',
      '########################',
    ],
  ],
];

const sections = (withTokens: boolean): Section[] =>
  SECTIONS.map(([name, tier, rows]) => {
    const section = drawnSection(name, tier, rows, HEIGHT, LEGEND);
    return withTokens ? section : { ...section, pieces: section.pieces.filter(({ piece }) => piece !== 'collectable') };
  });

/** Floor to run up on, longer at some levels than at others. */
function opening(position: number): Ground['rows'] {
  const width = 12 + (position % 13);
  return Array.from({ length: HEIGHT }, (_, y) => (y >= FLOOR ? '#' : '.').repeat(width));
}

/** Speed of the player over the sequence, units per second. */
const RUNNING: Readonly<Record<Goal, Course>> = { pass: [5.5, 11], gather: [7.7, 13.7], score: [7.72, 11.84] };
/** Speed of what walks towards the player over the sequence, units per second. */
const WALKING: Readonly<Record<Goal, Course>> = { pass: [0.8, 2], gather: [1.3, 2.6], score: [1.07, 2.11] };

function parametersOf(goal: Goal, levels: number): Parameter[] {
  const asked = {
    pass: parameter('sections', 'Sections to pass', 'whole', '', [1, 60], { shape: ease([4, 14], levels), roundTo: 1 }),
    gather: parameter('tokens', 'Tokens needed', 'whole', '', [1, 200], { shape: ease([27, 69], levels), roundTo: 1 }),
    score: parameter('wanted', 'Score wanted', 'whole', '', [10, 2000], {
      shape: ease([153, 450], levels),
      roundTo: 10,
    }),
  };
  return [
    parameter('runSpeed', 'Running speed', 'real', 'units/s', [2, 14], {
      shape: ease(RUNNING[goal], levels),
      roundTo: 0.1,
    }),
    parameter('walkerSpeed', 'Walker speed', 'real', 'units/s', [0, 5], {
      shape: ease(WALKING[goal], levels),
      roundTo: 0.1,
    }),
    asked[goal],
  ];
}

function winOf(goal: Goal): Rule[] {
  switch (goal) {
    case 'pass':
      return winningRule(compare({ reading: 'sectionsPassed' }, fromParameter('sections')));
    case 'gather':
      return winningRule(compare({ reading: 'collected', of: 'any' }, fromParameter('tokens')));
    case 'score':
      return winningRule(compare({ reading: 'score' }, fromParameter('wanted')));
  }
}

type OnOff = Extract<Condition, { is: 'onOff' }>['reading'];

/** One mistake ends a run. @param when id of the condition */
const ends = (id: string, when: string, reading: OnOff, cause: string): Rule => ({
  id,
  when: { id: when, is: 'onOff', reading, on: true },
  then: [{ effect: 'lose', cause }],
  fires: 'once',
});

function levelAt(position: number, goal: Goal): Level {
  const level = levelFrom(position, {
    brief: '',
    ground: {
      kind: 'run',
      rows: opening(position),
      pieces: [{ id: 'start', piece: 'start', at: { x: 2.5, y: FLOOR - 0.5 } }],
      drawnBy: 'sectionsPassed',
      sections: sections(goal !== 'pass'),
    },
    rules: winOf(goal),
    stars:
      goal !== 'score'
        ? { is: 'ladder', reading: 'timeElapsed', direction: 'atMost', thresholds: [null] }
        : { is: 'ladder', reading: 'collected', direction: 'atLeast', thresholds: [null, literal(14), literal(24)] },
  });
  return { ...level, clock: { ...level.clock, limitSeconds: null, warnAtSeconds: null } };
}

const walker: Kinds['enemies'][number] = {
  id: 'walker',
  name: 'Walker',
  movement: 'walk',
  speed: fromParameter('walkerSpeed'),
  radius: 0.35,
  look: { mark: 'dome', colour: 'claret' },
};

/** Carried forward through sections that get harder. */
export const runKit = startKit<Goal>('run', {
  says: 'Seen from aside; the player runs by itself, jumps and slides, section after section.',
  goals: GOALS,
  kindsOf: (goal) => ({
    collectables: goal === 'pass' ? [] : [TOKEN],
    enemies: [walker],
    hazards: [{ id: 'spikes', name: 'Thorn', damage: literal(0), acts: 'atTouch' }],
  }),
  standingOf: () => [
    ends('touch-walker', 'touches-walker', { reading: 'touching', kind: 'walker' }, 'A walker'),
    ends('touch-spikes', 'touches-spikes', { reading: 'touching', kind: 'spikes' }, 'Thorns'),
    ends('stopped', 'blocked', { reading: 'blocked' }, 'Stopped by a wall'),
    ends('fell', 'falls', { reading: 'offGround' }, 'Fell'),
  ],
  playerOf: () => ({ moves: { run: { ...USUAL_RUN, speed: fromParameter('runSpeed') } } }),
  parametersOf,
  levelAt: (position, goal) => levelAt(position, goal),
  besides: (goal) => ({
    ...(goal === 'score'
      ? {
          score: [
            { id: 'gathered', reading: { reading: 'worth' as const, of: 'any' }, times: literal(1) },
            { id: 'passed', reading: { reading: 'sectionsPassed' as const }, times: literal(10) },
          ],
        }
      : {}),
    liveTiers: {
      sectionsPassed: [
        { id: 'warm', name: 'Warm-up', from: 0 },
        { id: 'pace', name: 'Pace', from: 3 },
        { id: 'sprint', name: 'Sprint', from: 7 },
      ],
    },
  }),
});
