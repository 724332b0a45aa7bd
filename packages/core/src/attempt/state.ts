import { cellAt, type Body, type Spot } from '../ground/index.ts';
import { startVerdicts, type Observed, type Verdicts } from '../rules/index.ts';
import { startObserved } from './observed.ts';
import { viewOf, type View, type World } from './world.ts';

/** One class for all movements with a switch: fast, and readable (measured against one class each). */
export interface Enemy extends Body {
  index: number;
  kind: number;
  movement: 'chase' | 'patrol' | 'still';
  speed: number;
  sight: number;
  /** Not yet sent, or beaten, while false. */
  active: boolean;
  /** What is left of it; 0 for one that cannot be beaten. */
  health: number;
  homeX: number;
  homeY: number;
  /** Where it heads for right now. */
  aimX: number;
  aimY: number;
  /** The velocity it wants. */
  wantX: number;
  wantY: number;
  /** Ticks for which a chaser still follows after losing sight. */
  memoryTicks: number;
  /** Cell where a chaser last saw the player. */
  targetCell: number;
  path: readonly { x: number; y: number }[];
  pathStep: number;
  pathDirection: number;
  source: World['level']['motion']['enemies'][number];
}

export interface Collectable {
  kind: number;
  worth: number;
  x: number;
  y: number;
  gathered: boolean;
  hidden: boolean;
}

/** Something shot, by the player (kind -1) or by an emitter (its kind of hazard). */
export interface Shot {
  active: boolean;
  kind: number;
  x: number;
  y: number;
  vx: number;
  vy: number;
  /** Units it still goes. */
  reach: number;
}

/** Something worth telling, at its tick. `rule` is an index into the level's rules, -1 for the clock. */
export type Happening =
  | { tick: number; what: 'clock started' | 'warned' | 'fell' }
  | { tick: number; what: 'gathered' | 'revealed'; kind: number; collectable: number }
  | { tick: number; what: 'sent' | 'beaten'; enemy: number }
  | { tick: number; what: 'latched'; latch: number }
  | { tick: number; what: 'gate'; gate: number; open: boolean }
  | { tick: number; what: 'checkpoint'; checkpoint: number }
  | { tick: number; what: 'wave'; spawner: number; rule: number }
  | { tick: number; what: 'milestone'; rule: number; effect: number }
  | { tick: number; what: 'life lost'; rule: number; x: number; y: number }
  | { tick: number; what: 'won' | 'lost'; rule: number; x: number; y: number };

interface SpawnerState {
  sent: number;
  dueTick: number;
  /** Sends at all: at once, or once a milestone has said so. */
  started: boolean;
  /** Index of its first enemy in the pool. */
  firstEnemy: number;
}

/** What a milestone says, until when. */
interface Message {
  /** Index of the rule, -1 for none. */
  rule: number;
  effect: number;
  untilTick: number;
}

/** A live ramp as milestones have turned it: its value × times + plus. */
export interface Followed {
  reading: number;
  times: number;
  plus: number;
}

/** One attempt under way: plain mutable objects, all made at the start, none in a step. */
export interface AttemptState {
  world: World;
  seed: number;
  tick: number;
  phase: 'playing' | 'won' | 'lost';
  player: Body;
  /** The heading last steered, in which the player shoots. */
  facing: number;
  /** Ticks for which nothing touches the player. */
  graceTicks: number;
  clockRuns: boolean;
  warned: boolean;
  /** The ground with its gates as they are. */
  view: View;
  /** Gates that are to close as soon as nobody stands in them. */
  closing: boolean[];
  /** Where a life goes on, index of a checkpoint; -1 for the start. */
  checkpoint: number;
  enemies: Enemy[];
  /** The enemies from left to right, for finding pairs that are close. */
  sweep: Enemy[];
  spawners: SpawnerState[];
  emitterDueTick: number[];
  shots: Shot[];
  /** Ticks until the player can shoot again; shots left, -1 for without end. */
  reloadTicks: number;
  ammunition: number;
  collectables: Collectable[];
  /** Indices of the collectables to be gathered, in no order; the first `remainingCount` count. */
  remaining: number[];
  remainingCount: number;
  /** Kinds of hazard that were stood in at the last tick. */
  stoodIn: number[];
  /** By enemy: did it touch the player at the last tick? */
  wasTouching: boolean[];
  /** Values of the parameters that change during the attempt. */
  dials: number[];
  /** By live ramp: where its reading stood when it was last read, and what milestones have made of it since the start. */
  followed: Followed[];
  speed: number;
  message: Message;
  /** By zone: tick of its last cue, -1 for none. */
  cuedTick: number[];
  observed: Observed;
  verdicts: Verdicts;
  /** The rule that took the last life, -2 if none was lost. */
  lastLifeRule: number;
  /** Ticks since the end. */
  afterTicks: number;
  happenings: Happening[];
}

function makeEnemy(
  { grid }: View,
  source: World['level']['motion']['enemies'][number],
  index: number,
  active: boolean,
): Enemy {
  return {
    index,
    kind: source.kind,
    movement: source.movement,
    speed: source.speed,
    sight: source.sight,
    radius: source.radius,
    active,
    health: source.health,
    x: source.x,
    y: source.y,
    vx: 0,
    vy: 0,
    homeX: source.x,
    homeY: source.y,
    aimX: source.x,
    aimY: source.y,
    wantX: 0,
    wantY: 0,
    memoryTicks: 0,
    targetCell: cellAt(grid, source.x, source.y),
    path: source.path,
    pathStep: 0,
    pathDirection: 1,
    source,
  };
}

/** Most shots in the air at once. */
const SHOTS = 48;

const makeShot = (): Shot => ({ active: false, kind: -1, x: 0, y: 0, vx: 0, vy: 0, reach: 0 });

/** A new attempt, before its first tick. The same world, seed and inputs give the same attempt, bit for bit. @param seed whole number, 32 bits */
export function startAttempt(world: World, seed: number): AttemptState {
  const { motion, judging } = world.level;
  const observed = startObserved(world.level, world);
  const view = viewOf(world, observed.gates);
  const enemies = motion.enemies.map((source, index) => makeEnemy(view, source, index, true));
  const spawners = motion.spawners.map((source) => {
    const firstEnemy = enemies.length;
    for (let i = 0; i < source.howMany; i++) enemies.push(makeEnemy(view, source, enemies.length, false));
    return { sent: 0, dueTick: source.firstAfterTicks, started: !source.waits, firstEnemy };
  });
  const remaining = motion.collectables.flatMap((piece, index) => (piece.hidden ? [] : [index]));
  const anyShots = motion.player.shooting !== null || motion.emitters.length > 0;
  return {
    world,
    seed,
    tick: 0,
    phase: 'playing',
    player: { x: motion.start.x, y: motion.start.y, vx: 0, vy: 0, radius: motion.player.radius },
    facing: 0,
    graceTicks: 0,
    clockRuns: judging.clockStarts === 'load',
    warned: false,
    view,
    closing: motion.gates.map(() => false),
    checkpoint: -1,
    enemies,
    sweep: [...enemies],
    spawners,
    emitterDueTick: motion.emitters.map((emitter) => emitter.everyTicks),
    shots: anyShots ? Array.from({ length: SHOTS }, makeShot) : [],
    reloadTicks: 0,
    ammunition: motion.player.shooting?.ammunition ?? 0,
    collectables: motion.collectables.map((source) => ({ ...source, gathered: false })),
    remaining,
    remainingCount: remaining.length,
    stoodIn: motion.kindsOfHazard.map(() => 0),
    wasTouching: enemies.map(() => false),
    dials: [...motion.dials],
    followed: (motion.liveRamps ?? []).map(() => ({ reading: Number.NaN, times: 1, plus: 0 })),
    speed: motion.player.speed,
    message: { rule: -1, effect: 0, untilTick: 0 },
    cuedTick: judging.zones.map(() => -1),
    observed,
    verdicts: startVerdicts(world.judge),
    lastLifeRule: -2,
    afterTicks: 0,
    happenings: [],
  };
}

/** Where a life goes on. */
export const placeOfReturn = (state: AttemptState, back: 'start' | 'checkpoint'): Spot => {
  const { start, checkpoints } = state.world.level.motion;
  return (back === 'checkpoint' ? checkpoints[state.checkpoint] : undefined) ?? start;
};
