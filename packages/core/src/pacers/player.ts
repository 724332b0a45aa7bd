import { FIRE, headingInput, REST, type AttemptState } from '../attempt/index.ts';
import { HEADINGS } from '../ground/index.ts';
import { makeStream } from '../random/index.ts';
import { emptyNeeds } from './needs.ts';
import type { Abilities } from './pacer.ts';
import type { Player } from './playerState.ts';
import { chooseHeading } from './roam.ts';

/** A player decides about ten times a second. */
const TICKS_BETWEEN_DECISIONS = 6;
const DECISIONS_PER_MINUTE = (60 * 60) / TICKS_BETWEEN_DECISIONS;
const DEGREES_PER_HEADING = 360 / HEADINGS;
/** Share of the steering error that stays from one decision to the next: it drifts over about a second. */
const DRIFT_KEPT = 0.9;
/** Keeps the drift's deviation at 1: sqrt(1 − 0.9²). */
const DRIFT_NEW = Math.sqrt(1 - DRIFT_KEPT * DRIFT_KEPT);
const LONGEST_LAPSE_SECONDS = 1.2;
/** Room for the longest reaction: 1.5 s of decisions. */
const PENDING = 16;
/** Purpose of the stream for a player's faults; see makeStream. */
const FAULTS = 2;

/** @param seed the attempt's */
export function makePlayer(state: AttemptState, abilities: Abilities, seed: number): Player {
  const { kindsOfCollectable, kindsOfEnemy } = state.world.level.motion;
  return {
    abilities,
    reactionTicks: Math.round((abilities.reactionMs * 60) / 1000),
    stream: makeStream(seed, FAULTS),
    pendingInputs: new Array<number>(PENDING).fill(REST),
    pendingTicks: new Array<number>(PENDING).fill(0),
    firstPending: 0,
    pendingCount: 0,
    input: REST,
    drift: 0,
    lapseUntilTick: -1,
    needs: emptyNeeds(kindsOfCollectable, kindsOfEnemy),
    fires: false,
    target: -1,
    targetTick: 0,
    progressTick: 0,
    lastRemaining: Number.POSITIVE_INFINITY,
  };
}

/** Decides with the same number of draws every time, so that one decision never shifts the next one's faults. */
function decide(player: Player, state: AttemptState): number {
  const { abilities, stream } = player;
  player.drift = player.drift * DRIFT_KEPT + stream.nextBell() * DRIFT_NEW;
  const lapse = stream.next();
  const lapseLength = stream.next();
  if (state.tick <= player.lapseUntilTick) return player.input;
  if (lapse < abilities.lapsesPerMinute / DECISIONS_PER_MINUTE) {
    player.lapseUntilTick = state.tick + Math.round((0.3 + lapseLength * (LONGEST_LAPSE_SECONDS - 0.3)) * 60);
    return player.input;
  }
  const heading = chooseHeading(player, state);
  const fire = player.fires ? FIRE : 0;
  if (heading < 0) return REST + fire;
  const off = Math.round((player.drift * abilities.aimErrorDegrees) / DEGREES_PER_HEADING);
  return headingInput((heading + off + HEADINGS * 4) % HEADINGS) + fire;
}

/** The input for the next tick: what was decided a reaction ago. Call it once before every step. */
export function playerInput(player: Player, state: AttemptState): number {
  if (state.tick % TICKS_BETWEEN_DECISIONS === 0) {
    const input = decide(player, state);
    const slot = (player.firstPending + player.pendingCount) % PENDING;
    player.pendingInputs[slot] = input;
    player.pendingTicks[slot] = state.tick + player.reactionTicks;
    if (player.pendingCount < PENDING) player.pendingCount++;
    else player.firstPending = (player.firstPending + 1) % PENDING;
  }
  while (player.pendingCount > 0 && (player.pendingTicks[player.firstPending] as number) <= state.tick) {
    player.input = player.pendingInputs[player.firstPending] as number;
    player.firstPending = (player.firstPending + 1) % PENDING;
    player.pendingCount--;
  }
  return player.input;
}
