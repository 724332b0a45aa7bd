import { askedNow, goOn, startBout, type BoutState, type BoutWorld, type Choice, type Turn } from './bout.ts';
import { byWeight, optionsOf, type Option } from './minds.ts';

/** A bout that somebody plays by hand, as far as it has come. */
export interface ByHand {
  state: BoutState;
  turns: Turn[];
  /** Who chooses next, and among what; null once it has ended. */
  asks: { fighter: number; options: readonly Option[] } | null;
}

/**
 * Plays a bout by the choices that were made so far, in the order in which they were asked for: the same seed and choices
 * give the same bout. Who can do nothing is not asked.
 *
 * @param given one for each time somebody was asked
 * @param health share that ours come with
 */
export function playedByHand(world: BoutWorld, seed: number, given: readonly Choice[], health = 1): ByHand {
  const state = startBout(world, seed, health);
  const turns: Turn[] = [];
  let next = 0;
  while (state.phase === 'playing') {
    const chosen = new Map<number, Choice>();
    for (const fighter of askedNow(state)) {
      const options = optionsOf(state, fighter);
      if (options.length === 0) continue;
      const choice = given[next];
      if (!choice) return { state, turns, asks: { fighter, options } };
      next++;
      chosen.set(fighter, choice);
    }
    goOn(
      state,
      (now, fighter) => (fighter < world.ours ? (chosen.get(fighter) ?? null) : byWeight(now, fighter)),
      (turn) => turns.push(turn),
    );
  }
  return { state, turns, asks: null };
}
