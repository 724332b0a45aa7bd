import { goOnAttempt, startBoutAttempt, type BoutAttempt, type BoutStart } from './attempt.ts';
import {
  askedNow,
  goOn,
  startBout,
  type BoutState,
  type BoutWorld,
  type Choice,
  type Choosing,
  type Turn,
} from './bout.ts';
import type { BoutLevelWorld } from './level.ts';
import { byWeight, optionsOf, type Option } from './minds.ts';

/** A bout that somebody plays by hand, as far as it has come. */
export interface ByHand {
  state: BoutState;
  turns: Turn[];
  /** Who chooses next, and among what; null once it has ended. */
  asks: { fighter: number; options: readonly Option[] } | null;
}

/** Something that goes on by choices. */
interface Played {
  /** The bout as it stands; null once all is over. */
  bout(): BoutState | null;
  goOn(choose: Choosing, note: (turn: Turn) => void): void;
}

/** Plays on by choices that were made, as far as they go; who can do nothing is not asked. */
function playOn({ bout, goOn: on }: Played, given: readonly Choice[]): Pick<ByHand, 'turns' | 'asks'> {
  const turns: Turn[] = [];
  let next = 0;
  for (let state = bout(); state; state = bout()) {
    const chosen = new Map<number, Choice>();
    for (const fighter of askedNow(state)) {
      const options = optionsOf(state, fighter);
      if (options.length === 0) continue;
      const choice = given[next];
      if (!choice) return { turns, asks: { fighter, options } };
      next++;
      chosen.set(fighter, choice);
    }
    const { ours } = state.world;
    on(
      (now, fighter) => (fighter < ours ? (chosen.get(fighter) ?? null) : byWeight(now, fighter)),
      (turn) => turns.push(turn),
    );
  }
  return { turns, asks: null };
}

/**
 * Plays a bout by the choices that were made so far, in the order in which they were asked for: the same seed and choices
 * give the same bout.
 *
 * @param given one for each time somebody was asked
 * @param health share that ours come with
 */
export function playedByHand(world: BoutWorld, seed: number, given: readonly Choice[], health = 1): ByHand {
  const state = startBout(world, seed, health);
  const played: Played = {
    bout: () => (state.phase === 'playing' ? state : null),
    goOn: (choose, note) => goOn(state, choose, note),
  };
  return { state, ...playOn(played, given) };
}

/** The same of a level that a bout decides: its rules judge what is played. */
export function attemptByHand(
  world: BoutLevelWorld,
  seed: number,
  given: readonly Choice[],
  from: BoutStart = {},
): ByHand & { attempt: BoutAttempt } {
  const attempt = startBoutAttempt(world, seed, from);
  const played: Played = {
    bout: () => (attempt.phase === 'playing' ? attempt.bout : null),
    goOn: (choose, note) => goOnAttempt(attempt, choose, note),
  };
  const by = playOn(played, given);
  return { attempt, state: attempt.bout, ...by };
}
