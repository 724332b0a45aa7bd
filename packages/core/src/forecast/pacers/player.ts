import type { Abilities } from '../../basics/abilities/index.ts';
import { FIRE, type AttemptState } from '../../play/attempt/index.ts';
import { makeStream } from '../../basics/random/index.ts';
import { TICKS_PER_SECOND } from '../../play/rules/index.ts';
import type { Driver, Player } from './driver.ts';
import { nextDrift } from './faults/drift.ts';
import { isAbsent } from './faults/lapses.ts';
import { actAt, intend, makeReaction } from './faults/reaction.ts';
import { emptyNeeds } from './goals/index.ts';

/** A player decides about ten times a second. */
export const TICKS_BETWEEN_DECISIONS = 6;
const DECISIONS_PER_MINUTE = (60 * TICKS_PER_SECOND) / TICKS_BETWEEN_DECISIONS;
/** Purpose of the stream for a player's faults; see makeStream. */
const FAULTS = 2;

/** A player for an attempt, by the driver of its kind of ground. @param seed the attempt's */
export function makePlayerOn(driver: Driver, state: AttemptState, abilities: Abilities, seed: number): Player {
  const { kindsOfCollectable, kindsOfEnemy } = state.world.level.motion;
  return {
    abilities,
    driver,
    memory: driver.start(state),
    needs: emptyNeeds(kindsOfCollectable, kindsOfEnemy),
    fires: false,
    late: 0,
    reaction: makeReaction(abilities.reactionMs),
    drift: 0,
    lapses: { untilTick: -1 },
    stream: makeStream(seed, FAULTS),
  };
}

/** Does a player decide before the tick that follows `tick` ticks? */
export const isDecidedAt = (tick: number): boolean => tick % TICKS_BETWEEN_DECISIONS === 0;

/** Decides with the same number of draws every time. */
function decide(player: Player, state: AttemptState): number {
  const { abilities, stream, driver } = player;
  player.drift = nextDrift(player.drift, stream);
  const absent = isAbsent(player.lapses, state.tick, abilities.lapsesPerMinute / DECISIONS_PER_MINUTE, stream);
  const kept = player.reaction.input;
  // Nobody is so absent as to walk into what lies before them.
  if (absent && driver.absent) return driver.absent(kept % FIRE);
  if (absent && !driver.leadsIntoHarm(player, state, kept % FIRE)) return kept;
  const input = driver.decide(player, state, player.memory);
  const off = driver.misdirected(player, state, input, player.drift * abilities.aimErrorDegrees);
  return off + (player.fires ? FIRE : 0);
}

/** The input for the next tick: what was decided a reaction ago. Call it once before every step. */
export function playerInput(player: Player, state: AttemptState): number {
  if (isDecidedAt(state.tick)) {
    player.late = 0;
    const input = decide(player, state);
    intend(player.reaction, state.tick + player.late, input);
  }
  return actAt(player.reaction, state.tick);
}
