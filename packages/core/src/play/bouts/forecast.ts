import type { Abilities } from '../../basics/abilities/index.ts';
import { quantile, wilson, type Interval } from '../../basics/stats/index.ts';
import {
  goOn,
  healthShare,
  makeBoutWorld,
  startBout,
  withdraw,
  type BoutPhase,
  type BoutState,
  type BoutWorld,
  type Turn,
} from './bout.ts';
import { boutMind, choosing, wouldLeave } from './minds.ts';
import type { PreparedBout } from './prepared.ts';

/** Plays one bout to its end. @param who draws who plays it */
export function playBout(
  world: BoutWorld,
  who: (seed: number) => Pick<Abilities, 'planning'>,
  seed: number,
): BoutState {
  const state = startBout(world, seed);
  const choose = choosing(boutMind(who(seed), seed));
  while (state.phase === 'playing') goOn(state, choose);
  return state;
}

/**
 * Plays a bout on the way to its end: a party that may withdraw does so before it is lost.
 * @param note is called for every turn
 */
export function playMet(
  world: BoutWorld,
  who: Pick<Abilities, 'planning'>,
  seed: number,
  note?: (turn: Turn) => void,
): BoutState {
  const state = startBout(world, seed);
  const mind = boutMind(who, seed);
  const choose = choosing(mind);
  while (state.phase === 'playing') {
    if (wouldLeave(state, mind)) withdraw(state);
    else goOn(state, choose, note);
  }
  return state;
}

/** The results of many bouts. */
export interface BoutForecast {
  bouts: number;
  won: { share: number; interval: Interval };
  /** How often each way it ended. */
  ends: Record<Exclude<BoutPhase, 'playing'>, number>;
  /** Rounds of those that were decided: quantiles at 10, 50 and 90 %; null where none was. */
  rounds: readonly [number, number, number] | null;
  /** Mean remaining share of health of the party in won bouts; beside it, how often each fighter fell in all bouts. */
  healthLeft: number | null;
  falls: number[];
  /** Mean spent by all of ours, by statistic. */
  spent: number[];
}

/** A forecast that goes on. */
export interface BoutTrials {
  play(count: number): void;
  read(): BoutForecast;
}

/** Trials of a bout by one population. @param who draws a player from it */
export function boutTrials(bout: PreparedBout, who: (seed: number) => Pick<Abilities, 'planning'>): BoutTrials {
  const world = makeBoutWorld(bout);
  const ends: BoutForecast['ends'] = { won: 0, lost: 0, endless: 0, withdrawn: 0 };
  const rounds: number[] = [];
  const falls = bout.ours.map(() => 0);
  const spent = bout.statistics.map(() => 0);
  let healthSum = 0;
  let bouts = 0;
  return {
    play(count) {
      for (let i = 0; i < count; i++) {
        const state = playBout(world, who, bouts++);
        ends[state.phase as Exclude<BoutPhase, 'playing'>]++;
        if (state.phase === 'won' || state.phase === 'lost') rounds.push(state.round);
        let health = 0;
        for (let f = 0; f < world.ours; f++) {
          const share = healthShare(state, f);
          health += share;
          if (share <= 0 && world.lost !== -1) falls[f] = (falls[f] as number) + 1;
          state.spent[f]?.forEach((amount, s) => (spent[s] = (spent[s] as number) + amount));
        }
        if (state.phase === 'won') healthSum += health / world.ours;
      }
    },
    read: () => {
      const sorted = rounds.toSorted((one, other) => one - other);
      const at = (share: number): number => quantile(sorted, share);
      return {
        bouts,
        won: { share: bouts === 0 ? 0 : ends.won / bouts, interval: wilson(ends.won, Math.max(1, bouts)) },
        ends: { ...ends },
        rounds: sorted.length === 0 ? null : [at(0.1), at(0.5), at(0.9)],
        healthLeft: ends.won === 0 ? null : healthSum / ends.won,
        falls: [...falls],
        spent: spent.map((sum) => (bouts === 0 ? 0 : sum / bouts)),
      };
    },
  };
}

/** Shares of bouts won for which the party level is reported. */
export const LEVEL_SHARES = [0.5, 0.8, 0.95];

/** Attempts at one party level, and how many levels there are to search. */
const PER_LEVEL = 300;

/**
 * The lowest level of the party at which a share of bouts is won: by halving, since a higher level does not lose more.
 *
 * @param at the bout with the party at a level
 * @returns null where the highest level does not do
 */
export function levelWinning(
  at: (level: number) => PreparedBout,
  who: (seed: number) => Pick<Abilities, 'planning'>,
  share: number,
  mostLevel: number,
): number | null {
  const rates = new Map<number, number>();
  const rateAt = (level: number): number => {
    let rate = rates.get(level);
    if (rate === undefined) {
      const trials = boutTrials(at(level), who);
      trials.play(PER_LEVEL);
      rate = trials.read().won.share;
      rates.set(level, rate);
    }
    return rate;
  };
  let [low, high] = [0, mostLevel];
  if (rateAt(high) < share) return null;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (rateAt(middle) >= share) high = middle;
    else low = middle;
  }
  return high;
}
