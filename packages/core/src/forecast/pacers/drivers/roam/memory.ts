import { collectablesOf, type AttemptState } from '../../../../play/attempt/index.ts';

/** After so long without gathering anything a player takes more risks. */
const IMPATIENT_AFTER_TICKS = 300;
/** At one spot for so long, a player takes itself to be held up. */
const HELD_UP_AFTER_TICKS = 120;
/** Held up for so long at one spot, a player with lives to spare goes on whatever it costs. */
const DESPERATE_AFTER_TICKS = 300;
/** One who has come further than this is not held up. Units. */
const SPOT_RADIUS = 2.5;

/** Memory of a player on a roam ground between decisions. */
export interface RoamMemory {
  /** Index of the collectable headed for, -1 for none. */
  target: number;
  /** When the target was last chosen, and when something was last gathered or beaten. */
  targetTick: number;
  progressTick: number;
  /** Where the player has been held up since when. */
  spotX: number;
  spotY: number;
  spotTick: number;
  lives: number;
  /** Does the way lead where it hurts, there being no other? */
  crosses: boolean;
  /** How many pieces lay on the ground, and how many enemies had been beaten, at the last decision. */
  remaining: number;
  beaten: number;
  /** Median worth of a piece of this ground, points: a planner goes a longer way for a piece that pays more. */
  usualWorth: number;
}

/** Returns the memory of a player before its first decision. */
export function startMemory(state: AttemptState): RoamMemory {
  const { all, remainingCount } = collectablesOf(state);
  const worths = all.reduce((sum, { worth }) => sum + Math.max(0, worth), 0);
  return {
    target: -1,
    targetTick: 0,
    progressTick: 0,
    spotX: state.body.x,
    spotY: state.body.y,
    spotTick: 0,
    lives: state.observed.lives,
    crosses: false,
    remaining: remainingCount,
    beaten: 0,
    usualWorth: all.length === 0 ? 0 : worths / all.length,
  };
}

/** Notes what has been gathered or beaten, and whether the player has come on. */
export function noteProgress(state: AttemptState, memory: RoamMemory): void {
  const { observed, tick, body } = state;
  const { remainingCount } = collectablesOf(state);
  const beaten = observed.enemiesBeaten.at(-1) as number;
  // More on the ground than before: what was gathered has been given back, and patience with it.
  const gathered = remainingCount !== memory.remaining || beaten !== memory.beaten;
  if (gathered) memory.progressTick = tick;
  const dx = body.x - memory.spotX;
  const dy = body.y - memory.spotY;
  if (gathered || observed.lives !== memory.lives || dx * dx + dy * dy > SPOT_RADIUS * SPOT_RADIUS) {
    memory.spotX = body.x;
    memory.spotY = body.y;
    memory.spotTick = tick;
  }
  memory.lives = observed.lives;
  memory.remaining = remainingCount;
  memory.beaten = beaten;
}

/** Has it gathered or beaten nothing for so long that it takes more risks? */
export const isImpatient = ({ progressTick }: RoamMemory, tick: number): boolean =>
  tick - progressTick > IMPATIENT_AFTER_TICKS;

/** Has it been at one spot for so long that it takes care with its steps? */
export const isHeldUp = ({ spotTick }: RoamMemory, tick: number): boolean => tick - spotTick > HELD_UP_AFTER_TICKS;

/** Has it been there for so long that it goes on whatever it costs, with lives to spare? */
export const isDesperate = ({ spotTick, lives }: RoamMemory, tick: number): boolean =>
  lives > 1 && tick - spotTick > DESPERATE_AFTER_TICKS;
