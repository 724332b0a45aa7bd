import {
  fromParameter,
  literal,
  PROJECT_FORMAT,
  PROJECT_VERSION,
  slugOf,
  usualAudience,
  usualPacers,
  usualTallyPolicies,
  type Level,
  type Parameter,
  type Project,
} from '../../document/model/index.ts';
import { usualBoutRules, usualBoutStars } from '../../authoring/edits/index.ts';
import { USUAL_LEAP, USUAL_LIFT, USUAL_RUN } from '../../play/movement/index.ts';
import { gardenBouts } from './bouts.ts';
import { drawGround } from './ground.ts';
import { longHedge } from './hedge.ts';
import { LAYOUTS } from './layouts.ts';
import { plainClock, plainEnding, plainRules, plainStars, SKETCHES, type Sketch } from './levels.ts';
import { standingRules } from './rules.ts';

const grown = (fighter: string) => ({ fighter, level: fromParameter('partyLevel') });

function level(sketch: Sketch): Level {
  const { name, brief, note, rules, standingRulesOff, clock, stars, tie, ending, meets, bout } = sketch;
  return {
    id: slugOf(name),
    name,
    brief,
    ...(note === undefined ? {} : { note }),
    ...(meets && {
      meetings: { groups: meets.groups, many: literal(meets.many), mayWithdraw: true, whenLost: 'goOn' as const },
    }),
    ...(bout && { bout: { group: bout.group, party: ['bee', ...bout.with].map(grown) } }),
    ground:
      'hedge' in sketch
        ? longHedge(sketch.hedge)
        : drawGround(LAYOUTS[sketch.layout], sketch.turn, sketch.kind, sketch.lanes),
    rules: rules ?? (bout ? usualBoutRules() : plainRules()),
    standingRulesOff: standingRulesOff ?? (bout ? ['hornet-touch', 'wasp-touch', 'worn-out'] : []),
    clock: { ...plainClock(), ...(bout && { limitSeconds: null, warnAtSeconds: null }), ...clock },
    stars: stars ?? (bout ? usualBoutStars() : plainStars()),
    tie: tie ?? 'win',
    ending: ending ? ending(plainEnding()) : plainEnding(),
  };
}

const PARAMETERS: readonly Parameter[] = [
  {
    key: 'hornetSpeed',
    label: 'Hornet speed',
    unit: 'units/s',
    number: 'real',
    sane: { min: 0.5, max: 4.5 },
    ramp: { shape: { type: 'steps', from: 2, add: 0.1, every: 2, startingAt: 1 }, atMost: 2.7, roundTo: 0.05 },
    pins: { 'slot-7': 2.55, 'slot-14': 2.3, 'slot-21': 2.5, 'slot-24': 2.9 },
    note: 'The bee flies 4.6: above that nobody gets away.',
  },
  {
    key: 'hornetsSent',
    label: 'Hornets sent',
    unit: 'count',
    number: 'whole',
    sane: { min: 0, max: 12 },
    ramp: { shape: { type: 'steps', from: 0, add: 1, every: 4, startingAt: 2 }, atMost: 4, roundTo: 1 },
    pins: { 'slot-13': 2, 'slot-20': 2, 'slot-21': 2 },
    note: 'Sent from the nest, besides the one that is there at the start.',
  },
  {
    key: 'nectarNeeded',
    label: 'Nectar needed',
    unit: 'of what is placed',
    number: 'share',
    sane: { min: 0.1, max: 1 },
    ramp: { shape: { type: 'steps', from: 0.5, add: 0.05, every: 4, startingAt: 1 }, atMost: 0.75, roundTo: 0.01 },
    pins: {},
    note: '',
  },
  {
    key: 'clock',
    label: 'Clock',
    unit: 'seconds',
    number: 'seconds',
    sane: { min: 15, max: 120 },
    ramp: { shape: { type: 'steps', from: 48, add: -1, every: 2, startingAt: 3 }, atLeast: 40, roundTo: 1 },
    pins: {},
    note: '',
  },
  {
    key: 'nestRest',
    label: 'Rest between hornets',
    unit: 'seconds',
    number: 'seconds',
    sane: { min: 1, max: 20 },
    ramp: { shape: { type: 'steps', from: 9, add: -0.5, every: 3, startingAt: 1 }, atLeast: 5.5, roundTo: 0.5 },
    pins: {},
    note: '',
  },
  {
    key: 'hornetSight',
    label: 'Hornet sight',
    unit: 'units',
    number: 'real',
    sane: { min: 1, max: 20 },
    ramp: { shape: { type: 'hold', value: 5 } },
    pins: { 'slot-16': 18, 'slot-24': 9.7 },
    note: '',
  },
  {
    key: 'beetles',
    label: 'Beetles',
    unit: 'count',
    number: 'whole',
    sane: { min: 0, max: 12 },
    ramp: { shape: { type: 'formula', text: '2 + floor((level - 1) / 6)' }, atMost: 8, roundTo: 1 },
    pins: { 'slot-12': 6 },
    note: 'To be dusted off where there are any.',
  },
  {
    key: 'partyLevel',
    label: 'Party level',
    unit: 'level',
    number: 'whole',
    sane: { min: 1, max: 12 },
    ramp: { shape: { type: 'steps', from: 1, add: 1, every: 5, startingAt: 1 }, roundTo: 1 },
    pins: { 'slot-14': 4 },
    note: 'Of the bee and the guard where a bout decides.',
  },
  {
    key: 'antStrength',
    label: 'Ant strength',
    unit: 'strength',
    number: 'real',
    sane: { min: 4, max: 40 },
    ramp: { shape: { type: 'steps', from: 12, add: 1, every: 4, startingAt: 1 }, roundTo: 0.5 },
    pins: { 'slot-10': 15, 'slot-14': 12 },
    note: 'Soldier ants have a fifth more.',
  },
];

/** Home Before Dusk, the demo project: 24 levels in four tiers. A new document at every call. */
export function homeBeforeDusk(): Project {
  const levels = SKETCHES.map(level);
  return {
    format: PROJECT_FORMAT,
    version: PROJECT_VERSION,
    name: 'Home Before Dusk',
    words: { player: 'bee', worth: 'nectar' },
    player: {
      moves: {
        roam: { speed: literal(4.6), acceleration: literal(26) },
        cross: { stepSeconds: literal(0.15), restSeconds: literal(0.05) },
        leap: { ...USUAL_LEAP, jumpHeight: literal(4) },
        run: { ...USUAL_RUN, speed: { from: 'parameter', parameter: 'hornetSpeed', times: 1.5, plus: 2.6 } },
        lift: USUAL_LIFT,
      },
      radius: 0.3,
      graceSeconds: 1.5,
      health: literal(100),
      shooting: {
        aim: 'nearest',
        everySeconds: literal(0.4),
        speed: literal(9),
        reach: literal(6),
        damage: literal(1),
        ammunition: null,
      },
    },
    lengths: { metresPerUnit: 0.5, shown: 'metres' },
    score: [
      { id: 'nectar', reading: { reading: 'worth', of: 'any' }, times: literal(1) },
      { id: 'quick', reading: { reading: 'timeLeft' }, times: literal(2) },
      { id: 'stretches', reading: { reading: 'sectionsPassed' }, times: literal(10) },
    ],
    tallies: [{ id: 'stings', name: 'Stings', start: 0 }],
    standing: standingRules(),
    run: {
      livesAtStart: literal(4),
      livesAtMost: literal(6),
      lifeEvery: literal(800),
      order: 'inOrder',
      afterLast: 'startOver',
      unlock: { by: 'win' },
      onGameOver: 'tierFirstSlot',
      keep: {
        score: usualTallyPolicies('score'),
        lives: usualTallyPolicies('lives'),
        collected: usualTallyPolicies('collected'),
        stars: usualTallyPolicies('stars'),
        stings: { retry: { is: 'reset', to: null }, next: { is: 'keep' }, gameOver: { is: 'reset', to: null } },
      },
    },
    kinds: {
      collectables: [
        { id: 'clover', name: 'Clover', worth: literal(4) },
        { id: 'lavender', name: 'Lavender', worth: literal(9) },
        {
          id: 'royal-bloom',
          name: 'Royal bloom',
          worth: literal(26),
          note: 'Worth a way round: about three lavenders.',
        },
      ],
      enemies: [
        {
          id: 'hornet',
          name: 'Hornet',
          movement: 'chase',
          speed: fromParameter('hornetSpeed'),
          radius: 0.34,
          sight: fromParameter('hornetSight'),
        },
        {
          id: 'wasp',
          name: 'Wasp',
          movement: 'patrol',
          speed: { from: 'parameter', parameter: 'hornetSpeed', times: 0.8, plus: 0.4 },
          radius: 0.3,
        },
        {
          id: 'beetle',
          name: 'Beetle',
          movement: 'still',
          speed: literal(0),
          radius: 0.4,
          damage: literal(20),
          health: literal(3),
          phases: [0.5],
        },
        {
          id: 'mower',
          name: 'Mower',
          movement: 'still',
          speed: literal(0),
          radius: 0.4,
          look: { mark: 'crate', colour: 'claret' },
        },
        {
          id: 'lily',
          name: 'Lily leaf',
          movement: 'still',
          speed: literal(0),
          radius: 0.4,
          look: { mark: 'leaf', colour: 'spruce' },
        },
      ],
      hazards: [
        { id: 'pond', name: 'Pond', damage: literal(45), acts: 'perSecond' },
        { id: 'web', name: 'Spider web', damage: literal(0), acts: 'atTouch' },
        { id: 'thorn', name: 'Thorn', damage: literal(35), acts: 'atTouch' },
      ],
    },
    bouts: gardenBouts(),
    parameters: PARAMETERS.map((parameter) => structuredCloneOf(parameter)),
    tiers: [
      { id: 'morning', name: 'Morning', from: 1 },
      { id: 'midday', name: 'Midday', from: 8 },
      { id: 'afternoon', name: 'Afternoon', from: 13 },
      { id: 'dusk', name: 'Dusk', from: 19 },
    ],
    liveTiers: {
      sectionsPassed: [
        { id: 'trimmed', name: 'Trimmed', from: 0 },
        { id: 'grown', name: 'Grown', from: 3 },
        { id: 'wild', name: 'Wild', from: 6 },
        { id: 'broken', name: 'Broken', from: 9 },
      ],
    },
    levels: Object.fromEntries(levels.map((entry) => [entry.id, structuredCloneOf(entry)])),
    slots: SKETCHES.map((sketch, index) => ({
      id: `slot-${index + 1}`,
      levelId: slugOf(sketch.name),
      wanted: sketch.wanted,
      ...(sketch.starGate === undefined ? {} : { starGate: literal(sketch.starGate) }),
    })),
    expectations: [{ id: 'first-is-easy', is: 'clearRate', slotId: 'slot-1', pacer: 'steady', low: 0.85, high: 1 }],
    pacers: usualPacers(),
    audience: usualAudience(),
  };
}

/** The document is plain JSON; sketches share rules, a document must not share parts. */
const structuredCloneOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
