import { exp } from '../../document/ramps/index.ts';

/** The share that log odds stand for: 1 / (1 + e^−x). */
export const odds = (at: number): number => 1 / (1 + exp(-at));

/** ln(p / (1 − p)), by halving: the same in every engine. @param share between 0 and 1, neither of them */
export function logOdds(share: number): number {
  let [low, high] = [-40, 40];
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (odds(middle) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
