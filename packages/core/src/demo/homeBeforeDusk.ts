import { fromParameter, literal, slugOf, type Level, type Parameter, type Project, type Rule } from '../model/index.ts';
import { drawGround, type Turn } from './ground.ts';
import type { LayoutName } from './layouts.ts';
import { gatherAndGoHome, gatherKindAndGoHome, gatherOnly, losses, needed } from './rules.ts';

interface Sketch {
  name: string;
  brief: string;
  layout: LayoutName;
  turn: Turn;
  wanted: number;
  won?: Rule;
  /** Seconds left for the second and third star. */
  stars?: [number, number];
}

const ENOUGH = 'Gather enough nectar and slip back into the hive.';

/** In the order of the sequence. Three hold an honest mistake, one of each class that Stadion finds. */
const SKETCHES: readonly Sketch[] = [
  {
    name: 'Clover Steps',
    brief: 'The first flowers of the day: gather half and come home.',
    layout: 'meadow',
    turn: 'as drawn',
    wanted: 0.97,
  },
  { name: 'Dew on the Beds', brief: ENOUGH, layout: 'beds', turn: 'as drawn', wanted: 0.96 },
  {
    name: 'Orchard Round',
    brief: 'A wasp keeps the middle: go around.',
    layout: 'orchard',
    turn: 'as drawn',
    wanted: 0.95,
  },
  { name: 'Two Ponds', brief: ENOUGH, layout: 'ponds', turn: 'as drawn', wanted: 0.94 },
  { name: 'Garden Walls', brief: 'Three rooms, one way home.', layout: 'walls', turn: 'as drawn', wanted: 0.92 },
  { name: 'The Old Hedge', brief: ENOUGH, layout: 'hedge', turn: 'as drawn', wanted: 0.9 },
  {
    name: 'Lavender Bank',
    brief: 'Gather enough nectar and slip back into the hive before the hornets wake.',
    layout: 'bank',
    turn: 'as drawn',
    wanted: 0.88,
    // An honest mistake: nobody can have more time left than the clock gives.
    stars: [12, 70],
  },
  { name: 'Midday Meadow', brief: ENOUGH, layout: 'meadow', turn: 'left to right', wanted: 0.9 },
  {
    name: 'Four Lavenders',
    brief: 'Four lavenders at least, and enough of everything.',
    layout: 'beds',
    turn: 'left to right',
    wanted: 0.87,
    won: gatherKindAndGoHome('lavender', 4, needed),
  },
  {
    name: 'Snail Shell',
    brief: 'In to the middle, where the hive hangs.',
    layout: 'spiral',
    turn: 'as drawn',
    wanted: 0.86,
  },
  {
    name: 'Sunlit Ponds',
    brief: 'No need to come home: gather, that is all.',
    layout: 'ponds',
    turn: 'left to right',
    wanted: 0.85,
    // An honest mistake: 0 of whatever is placed are gathered before the bee has moved.
    won: gatherOnly(literal(0)),
  },
  { name: 'Orchard at Noon', brief: ENOUGH, layout: 'orchard', turn: 'left to right', wanted: 0.84 },
  { name: 'Behind the Walls', brief: ENOUGH, layout: 'walls', turn: 'left to right', wanted: 0.83 },
  { name: 'Hedge and Ditch', brief: ENOUGH, layout: 'hedge', turn: 'left to right', wanted: 0.81 },
  { name: 'Steep Bank', brief: ENOUGH, layout: 'bank', turn: 'left to right', wanted: 0.8 },
  { name: 'Long Shadows', brief: ENOUGH, layout: 'meadow', turn: 'upside down', wanted: 0.78 },
  {
    name: 'The Greedy Bee',
    brief: 'Take everything the beds have to give.',
    layout: 'beds',
    turn: 'upside down',
    wanted: 0.75,
    // An honest mistake: more than is placed.
    won: gatherAndGoHome(literal(132), 0.5),
  },
  {
    name: 'Tea in the Orchard',
    brief: 'A breather: the hive is near.',
    layout: 'orchard',
    turn: 'upside down',
    wanted: 0.86,
  },
  { name: 'Last Light on the Ponds', brief: ENOUGH, layout: 'ponds', turn: 'upside down', wanted: 0.74 },
  { name: 'Garden Gate', brief: ENOUGH, layout: 'walls', turn: 'upside down', wanted: 0.72 },
  { name: 'Hedge by Dusk', brief: ENOUGH, layout: 'hedge', turn: 'upside down', wanted: 0.7 },
  { name: 'The Far Bank', brief: ENOUGH, layout: 'bank', turn: 'upside down', wanted: 0.68 },
  { name: 'Snail Shell by Night', brief: ENOUGH, layout: 'spiral', turn: 'left to right', wanted: 0.65 },
  { name: 'Home Before Dusk', brief: 'The last flight home.', layout: 'spiral', turn: 'upside down', wanted: 0.6 },
];

function level(sketch: Sketch): Level {
  const [two, three] = sketch.stars ?? [12, 22];
  return {
    id: slugOf(sketch.name),
    name: sketch.name,
    brief: sketch.brief,
    ground: drawGround(sketch.layout, sketch.turn),
    rules: [sketch.won ?? gatherAndGoHome(needed, 0.5), ...losses],
    clock: { limitSeconds: fromParameter('clock'), starts: 'firstMove', warnAtSeconds: literal(12), atExpiry: 'lose' },
    stars: { is: 'ladder', reading: 'timeLeft', thresholds: [null, literal(two), literal(three)] },
    tie: 'win',
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
    pins: { 'slot-7': 2.55, 'slot-14': 2.3, 'slot-21': 2.2 },
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
    pins: {},
    note: '',
  },
];

/** Home Before Dusk, the demo project: 24 levels in four tiers. A new document at every call. */
export function homeBeforeDusk(): Project {
  const levels = SKETCHES.map(level);
  return {
    format: 'stadion-project',
    version: 1,
    name: 'Home Before Dusk',
    words: { player: 'bee', worth: 'nectar' },
    player: { speed: literal(4.6), acceleration: literal(26), radius: 0.3, graceSeconds: 1.5 },
    run: { livesAtStart: literal(4) },
    kinds: {
      collectables: [
        { id: 'clover', name: 'Clover', worth: literal(4) },
        { id: 'lavender', name: 'Lavender', worth: literal(9) },
        { id: 'royal-bloom', name: 'Royal bloom', worth: literal(26) },
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
      ],
    },
    parameters: PARAMETERS.map((parameter) => structuredCloneOf(parameter)),
    tiers: [
      { id: 'morning', name: 'Morning', from: 1 },
      { id: 'midday', name: 'Midday', from: 8 },
      { id: 'afternoon', name: 'Afternoon', from: 13 },
      { id: 'dusk', name: 'Dusk', from: 19 },
    ],
    levels: Object.fromEntries(levels.map((entry) => [entry.id, structuredCloneOf(entry)])),
    slots: SKETCHES.map((sketch, index) => ({
      id: `slot-${index + 1}`,
      levelId: slugOf(sketch.name),
      wanted: sketch.wanted,
    })),
  };
}

/** The document is plain JSON; sketches share rules, a document must not share parts. */
const structuredCloneOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
