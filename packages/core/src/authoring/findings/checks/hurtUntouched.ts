import { REST, startAttempt, step } from '../../../play/attempt/index.ts';
import { makeWorld } from '../../../play/movement/index.ts';
import { pointerOf } from '../../../document/model/index.ts';
import { secondsToTicks, ticksToSeconds } from '../../../play/rules/index.ts';
import { distance, startOf } from '../dangers.ts';
import { say, type Check } from '../finding.ts';
import type { SlotFacts } from '../scopes.ts';
import { mayBeHurt } from '../untouched.ts';

/** So long nobody touches anything. */
const LOOKED_AT_TICKS = secondsToTicks(3);
/** An earlier end is reported as an ending before anybody acts. */
const SOONEST_TICKS = secondsToTicks(1);
/** Attempts that must all go the same way. */
const SEEDS = [0, 1, 2] as const;
/** Distance that only a carried body moves by itself: it has to be steered. Units. */
const CARRIED = 0.6;

/** The tick at which a life is lost, or the attempt, by who does nothing; undefined where neither comes, or where one is carried. */
function hurtAt({ prepared, level }: SlotFacts, seed: number): number | undefined {
  const state = startAttempt(makeWorld(prepared), seed);
  const lives = state.observed.lives;
  const start = { x: state.body.x, y: startOf(level).y };
  for (let tick = 1; tick <= LOOKED_AT_TICKS; tick++) {
    step(state, REST);
    if (state.phase === 'lost' || state.observed.lives < lives) return tick;
    if (state.phase === 'won') return undefined;
    if (Math.abs(state.body.x - start.x) > CARRIED || distance(state.body, start) > 2 * CARRIED) return undefined;
  }
  return undefined;
}

/** A life, or the level, is lost within three seconds by whoever touches nothing. */
export const hurtUntouched: Check<'tried'> = {
  code: 'hurt-untouched',
  title: 'Hurts an idle player',
  group: 'start',
  severity: 'doubtful',
  source: 'judge',
  scope: 'tried',
  find(here) {
    const { level, slot } = here;
    if (!mayBeHurt(here, ticksToSeconds(LOOKED_AT_TICKS))) return [];
    const ticks: number[] = [];
    for (const seed of SEEDS) {
      const tick = hurtAt(here, seed);
      if (tick === undefined || tick <= SOONEST_TICKS) return [];
      ticks.push(tick);
    }
    return [
      {
        slotId: slot.id,
        path: pointerOf(['levels', level.id, 'ground']),
        sentence: 'Whoever touches nothing is hurt within three seconds.',
        reason: `It takes ${say(ticksToSeconds(Math.min(...ticks)))} s from the start, and no key has been pressed.`,
      },
    ];
  },
};
