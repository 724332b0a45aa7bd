/** An interval of shares, both ends within 0–1. */
export interface Interval {
  low: number;
  high: number;
}

/** Normal quantile for a two-sided 95 % interval. */
export const Z_95 = 1.959963984540054;

/**
 * Score interval of a binomial share.
 *
 * @param successes count, 0 ≤ successes ≤ trials
 * @param trials count; with none the interval is the whole 0–1
 * @param z normal quantile, default 95 %
 *
 * Source: E. B. Wilson (1927), JASA 22:209–212; checked against R. G. Newcombe (1998), Statistics in Medicine 17:857–872, method 3.
 *
 * @example wilson(81, 263) // { low: 0.2553, high: 0.3662 }
 */
export function wilson(successes: number, trials: number, z = Z_95): Interval {
  if (trials === 0) return { low: 0, high: 1 };
  const share = successes / trials;
  const zz = z * z;
  const centre = share + zz / (2 * trials);
  const spread = z * Math.sqrt((share * (1 - share)) / trials + zz / (4 * trials * trials));
  const scale = 1 + zz / trials;
  return {
    low: successes === 0 ? 0 : Math.max(0, (centre - spread) / scale),
    high: successes === trials ? 1 : Math.min(1, (centre + spread) / scale),
  };
}
