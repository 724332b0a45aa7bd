import type { Counted } from './difference.ts';
import { inverseOf } from './inverse.ts';

/** Result of a logistic regression: the first coefficient is the constant. */
export interface LogisticFit {
  coefficients: number[];
  /** Covariance of the coefficients, row by row. */
  covariance: number[][];
  /** Did it settle? With every outcome the same, or split cleanly by one column, there is no finite answer. */
  settled: boolean;
}

const MOST_ROUNDS = 50;
const SETTLED = 1e-9;

/**
 * Logistic regression by iteratively reweighted least squares.
 *
 * @param columns one list per row of data: the columns without the constant
 * @param outcomes one per row; counted, where a row stands for several
 * @param share the logistic function, given so that every engine gives the same; x → 1 / (1 + e^−x)
 * @param held how strongly each coefficient, the constant first, is held to be 0 before anything is known: 1 / its variance
 *
 * Source: P. McCullagh and J. A. Nelder (1989), Generalized Linear Models, 2nd edition, chapters 2.5 and 4.4.
 */
export function logisticFit(
  columns: readonly (readonly number[])[],
  outcomes: readonly (boolean | Counted)[],
  share: (x: number) => number,
  held: readonly number[] = [],
): LogisticFit {
  const width = (columns[0]?.length ?? 0) + 1;
  const rows = columns.map((row) => [1, ...row]);
  const counted = outcomes.map((outcome) =>
    typeof outcome === 'boolean' ? { successes: outcome ? 1 : 0, trials: 1 } : outcome,
  );
  let coefficients = new Array<number>(width).fill(0);
  let covariance: number[][] = [];
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const information = Array.from({ length: width }, () => new Array<number>(width).fill(0));
    const score = new Array<number>(width).fill(0);
    rows.forEach((row, r) => {
      const p = share(row.reduce((sum, x, i) => sum + x * (coefficients[i] as number), 0));
      const { successes, trials } = counted[r] as Counted;
      const left = successes - trials * p;
      const weight = trials * p * (1 - p);
      for (let i = 0; i < width; i++) {
        const xi = row[i] as number;
        score[i] = (score[i] as number) + xi * left;
        const line = information[i] as number[];
        for (let j = 0; j < width; j++) line[j] = (line[j] as number) + weight * xi * (row[j] as number);
      }
    });
    held.forEach((weight, i) => {
      score[i] = (score[i] as number) - weight * (coefficients[i] as number);
      (information[i] as number[])[i] = ((information[i] as number[])[i] as number) + weight;
    });
    const inverse = inverseOf(information);
    if (!inverse) return { coefficients, covariance, settled: false };
    covariance = inverse;
    const change = inverse.map((line) => line.reduce((sum, v, j) => sum + v * (score[j] as number), 0));
    coefficients = coefficients.map((value, i) => value + (change[i] as number));
    if (change.every((by) => Math.abs(by) < SETTLED)) return { coefficients, covariance, settled: true };
  }
  return { coefficients, covariance, settled: false };
}
