import { Z_95, type Interval } from './wilson.ts';

/** Outcomes at one place. */
export interface CountedAt {
  at: number;
  successes: number;
  trials: number;
}

const ROUNDS = 30;
/** Keeps the result finite where all outcomes are alike: number of added outcomes of each kind. */
const PRIOR = 0.25;

/** Falls from 1 at the middle to 0 at the edge. Source: W. S. Cleveland (1979). */
function tricube(far: number): number {
  if (far >= 1) return 0;
  const left = 1 - far * far * far;
  return left * left * left;
}

/**
 * The share at a place, by a logistic regression on what lies near, nearer places counting more.
 *
 * @param width what is further away counts nothing
 * @param share the logistic function
 * @returns the share with its 95 % interval; undefined where nothing lies near. Source: C. Loader (1999), Local Regression and Likelihood, chapter 4
 */
export function localShare(
  counted: readonly CountedAt[],
  at: number,
  width: number,
  share: (x: number) => number,
): { share: number; interval: Interval } | undefined {
  const near = counted.flatMap((each) => {
    const weight = tricube(Math.abs(each.at - at) / width);
    return weight > 0 && each.trials > 0 ? [{ ...each, weight, x: (each.at - at) / width }] : [];
  });
  if (near.length === 0) return undefined;
  let [constant, slope] = [0, 0];
  let [a, b, d] = [1, 0, 1];
  for (let round = 0; round < ROUNDS; round++) {
    let [scoreConstant, scoreSlope] = [0, -0.05 * slope];
    [a, b, d] = [0, 0, 0.05];
    for (const { successes, trials, weight, x } of near) {
      const [won, all] = [successes + PRIOR, trials + 2 * PRIOR];
      const p = share(constant + slope * x);
      const left = weight * (won - all * p);
      const information = weight * all * p * (1 - p);
      scoreConstant += left;
      scoreSlope += left * x;
      a += information;
      b += information * x;
      d += information * x * x;
    }
    const determinant = a * d - b * b;
    if (!(determinant > 1e-12)) break;
    const [byConstant, bySlope] = [
      (d * scoreConstant - b * scoreSlope) / determinant,
      (a * scoreSlope - b * scoreConstant) / determinant,
    ];
    constant += Math.min(4, Math.max(-4, byConstant));
    slope += Math.min(4, Math.max(-4, bySlope));
    if (Math.abs(byConstant) + Math.abs(bySlope) < 1e-9) break;
  }
  const determinant = a * d - b * b;
  const deviation = determinant > 1e-12 ? Math.sqrt(d / determinant) : 10;
  return {
    share: share(constant),
    interval: { low: share(constant - Z_95 * deviation), high: share(constant + Z_95 * deviation) },
  };
}
