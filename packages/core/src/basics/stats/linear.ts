import { inverseOf } from './inverse.ts';

/** Keeps the equations solvable where an input never varies. */
const RIDGE = 1e-6;

/**
 * Least squares of outcomes on inputs, with a constant.
 *
 * @param rows inputs, all of one length
 * @returns coefficients, the constant first. Source: A.-M. Legendre (1805)
 */
export function linearFit(rows: readonly (readonly number[])[], outcomes: readonly number[]): number[] {
  const size = (rows[0]?.length ?? 0) + 1;
  const products = Array.from({ length: size }, (_, i) =>
    Array.from({ length: size }, (_, j) => (i === j ? RIDGE : 0)),
  );
  const sums = Array.from({ length: size }, () => 0);
  rows.forEach((row, index) => {
    const inputs = [1, ...row];
    for (let i = 0; i < size; i++) {
      sums[i]! += inputs[i]! * outcomes[index]!;
      for (let j = 0; j < size; j++) products[i]![j]! += inputs[i]! * inputs[j]!;
    }
  });
  return (inverseOf(products) ?? []).map((row) => row.reduce((sum, value, index) => sum + value * sums[index]!, 0));
}

/** Value of the fit for an input. */
export const linearAt = ([constant = 0, ...slopes]: readonly number[], row: readonly number[]): number =>
  slopes.reduce((sum, slope, index) => sum + slope * (row[index] as number), constant);
