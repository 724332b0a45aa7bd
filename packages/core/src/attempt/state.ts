import { cellAt, type Body } from '../ground/index.ts';
import { startVerdicts, type Observed, type Verdicts } from '../rules/index.ts';
import { startObserved } from './observed.ts';
import type { World } from './world.ts';

/** One class for all movements with a switch: fast, and readable (measured against one class each). */
export interface Enemy extends Body {
  index: number;
  kind: number;
  movement: 'chase' | 'patrol';
  speed: number;
  sight: number;
  /** Not yet sent while false. */
  active: boolean;
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
}

export interface Collectable {
  kind: number;
  worth: number;
  x: number;
  y: number;
  gathered: boolean;
}

/** Something worth telling, at its tick. `rule` is an index into the level's rules, -1 for the clock. */
export type Happening =
  | { tick: number; what: 'clock started' | 'warned' }
  | { tick: number; what: 'gathered'; kind: number; collectable: number }
  | { tick: number; what: 'sent'; enemy: number }
  | { tick: number; what: 'life lost'; rule: number; x: number; y: number }
  | { tick: number; what: 'won' | 'lost'; rule: number; x: number; y: number };

interface SpawnerState {
  sent: number;
  dueTick: number;
  /** Index of its first enemy in the pool. */
  firstEnemy: number;
}

/** One attempt under way: plain mutable objects, all made at the start, none in a step. */
export interface AttemptState {
  world: World;
  seed: number;
  tick: number;
  phase: 'playing' | 'won' | 'lost';
  player: Body;
  /** Ticks for which nothing touches the player. */
  graceTicks: number;
  clockRuns: boolean;
  warned: boolean;
  enemies: Enemy[];
  /** The enemies from left to right, for finding pairs that are close. */
  sweep: Enemy[];
  spawners: SpawnerState[];
  collectables: Collectable[];
  /** Indices of the collectables still on the ground, in no order; the first `remainingCount` count. */
  remaining: number[];
  remainingCount: number;
  observed: Observed;
  verdicts: Verdicts;
  /** The rule that took the last life, -2 if none was lost. */
  lastLifeRule: number;
  happenings: Happening[];
}

function makeEnemy(
  world: World,
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
    targetCell: cellAt(world.grid, source.x, source.y),
    path: source.path,
    pathStep: 0,
    pathDirection: 1,
  };
}

/** A new attempt, before its first tick. The same world, seed and inputs give the same attempt, bit for bit. @param seed whole number, 32 bits */
export function startAttempt(world: World, seed: number): AttemptState {
  const { motion, judging } = world.level;
  const enemies = motion.enemies.map((source, index) => makeEnemy(world, source, index, true));
  const spawners = motion.spawners.map((source) => {
    const firstEnemy = enemies.length;
    for (let i = 0; i < source.howMany; i++) enemies.push(makeEnemy(world, source, enemies.length, false));
    return { sent: 0, dueTick: source.firstAfterTicks, firstEnemy };
  });
  return {
    world,
    seed,
    tick: 0,
    phase: 'playing',
    player: { x: motion.start.x, y: motion.start.y, vx: 0, vy: 0, radius: motion.player.radius },
    graceTicks: 0,
    clockRuns: judging.clockStarts === 'load',
    warned: false,
    enemies,
    sweep: [...enemies],
    spawners,
    collectables: motion.collectables.map((source) => ({ ...source, gathered: false })),
    remaining: motion.collectables.map((_, index) => index),
    remainingCount: motion.collectables.length,
    observed: startObserved(world.level),
    verdicts: startVerdicts(world.judge),
    lastLifeRule: -2,
    happenings: [],
  };
}
