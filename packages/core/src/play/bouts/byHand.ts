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

/** Something that goes on by choices. */
interface Played {
  /** The bout as it stands; null once all is over. */
  bout(): BoutState | null;
  goOn(choose: Choosing, note: (turn: Turn) => void): void;
}

/** The fighter that chooses next, and its options. */
interface Asks {
  fighter: number;
  options: readonly Option[];
}

/** A bout in somebody's hand: it asks for one choice after the other, and goes on once all who are asked have chosen. */
export interface Hand {
  /** The turns before the first choice. */
  opening: readonly Turn[];
  /** Null once it has ended. */
  readonly asks: Asks | null;
  /** @returns what happens until somebody is asked again */
  choose(choice: Choice): Turn[];
}

/** Takes a bout in hand. Who can do nothing is not asked. */
function takeInHand({ bout, goOn: on }: Played): Hand {
  let chosen = new Map<number, Choice>();
  let asks: Asks | null = null;

  function asked(state: BoutState): Asks | null {
    for (const fighter of askedNow(state)) {
      if (chosen.has(fighter)) continue;
      const options = optionsOf(state, fighter);
      if (options.length > 0) return { fighter, options };
    }
    return null;
  }

  function run(): Turn[] {
    const turns: Turn[] = [];
    for (let state = bout(); state; state = bout()) {
      asks = asked(state);
      if (asks) return turns;
      const given = chosen;
      chosen = new Map();
      const { ours } = state.world;
      on(
        (now, fighter) => (fighter < ours ? (given.get(fighter) ?? null) : byWeight(now, fighter)),
        (turn) => turns.push(turn),
      );
    }
    asks = null;
    return turns;
  }

  return {
    opening: run(),
    get asks() {
      return asks;
    },
    choose(choice) {
      if (!asks) return [];
      chosen.set(asks.fighter, choice);
      return run();
    },
  };
}

/** A bout that somebody plays by hand, as far as it has come. */
export interface ByHand {
  state: BoutState;
  turns: Turn[];
  asks: Asks | null;
}

/** Plays on by choices that were made, as far as they go. */
function playOn(played: Played, given: readonly Choice[]): Pick<ByHand, 'turns' | 'asks'> {
  const hand = takeInHand(played);
  const turns = [...hand.opening];
  for (const choice of given) turns.push(...hand.choose(choice));
  return { turns, asks: hand.asks };
}

const boutAlone = (state: BoutState): Played => ({
  bout: () => (state.phase === 'playing' ? state : null),
  goOn: (choose, note) => goOn(state, choose, note),
});

/** Takes a bout in hand that no rules judge. */
export const boutInHand = (state: BoutState): Hand => takeInHand(boutAlone(state));

/**
 * Plays a bout by the choices until now, in the order of their requests: the same seed and choices give the same
 * bout.
 * @param given one choice for each request
 * @param health share that ours come with
 */
export function playedByHand(world: BoutWorld, seed: number, given: readonly Choice[], health = 1): ByHand {
  const state = startBout(world, seed, health);
  return { state, ...playOn(boutAlone(state), given) };
}

/** The same of a level that a bout decides: its rules judge what is played. */
export function attemptByHand(
  world: BoutLevelWorld,
  seed: number,
  given: readonly Choice[],
  from: BoutStart = {},
): ByHand & { attempt: BoutAttempt } {
  const attempt = startBoutAttempt(world, seed, from);
  const played = playOn(
    {
      bout: () => (attempt.phase === 'playing' ? attempt.bout : null),
      goOn: (choose, note) => goOnAttempt(attempt, choose, note),
    },
    given,
  );
  return { attempt, state: attempt.bout, ...played };
}
