import { wilson, Z_95, type Interval } from './wilson.ts';

/** How two shares differ. */
export interface ShareDifference extends Interval {
  /** Second less first, −1 to 1. */
  difference: number;
}

/** Successes out of trials, as counts. */
export interface Counted {
  successes: number;
  trials: number;
}

/**
 * The difference of two independent shares with its interval, made of the score intervals of both.
 *
 * @returns second less first; without trials on one side, what the other allows
 *
 * Source: R. G. Newcombe (1998), Interval estimation for the difference between independent proportions, Statistics in
 * Medicine 17:873–890, method 10.
 *
 * @example differenceOf({ successes: 48, trials: 80 }, { successes: 56, trials: 70 }) // { difference: 0.2, low: 0.0524, high: 0.3339 }
 */
export function differenceOf(first: Counted, second: Counted, z = Z_95): ShareDifference {
  const share = ({ successes, trials }: Counted): number => (trials === 0 ? 0.5 : successes / trials);
  const [p1, p2] = [share(first), share(second)];
  const [one, two] = [wilson(first.successes, first.trials, z), wilson(second.successes, second.trials, z)];
  const difference = p2 - p1;
  const square = (x: number): number => x * x;
  return {
    difference,
    low: difference - Math.sqrt(square(p2 - two.low) + square(one.high - p1)),
    high: difference + Math.sqrt(square(two.high - p2) + square(p1 - one.low)),
  };
}
