import type { Handle, ShapeField } from './types.ts';

/** A shape of steps: one at each interval of levels, from a first level on. */
interface Stepwise {
  from: number;
  every: number;
  startingAt: number;
}

/** Steps done before a position. */
export const stepsAt = ({ every, startingAt }: Stepwise, position: number): number =>
  Math.floor(Math.max(0, position - startingAt) / every);

/** The numbers that say when its steps come. */
export const STEP_FIELDS: readonly ShapeField[] = [
  { name: 'every', before: 'every', after: 'levels', measure: 'levels' },
  { name: 'startingAt', before: 'from level', measure: 'position' },
];

/** Where it starts, and with what. */
export const startHandle = <S extends Stepwise>(first: number): Handle<S> => ({
  name: 'from',
  label: 'Start',
  at: (shape) => ({ position: shape.startingAt, value: shape.from }),
  moveTo: (shape, position, value) => ({ ...shape, from: value, startingAt: Math.max(first, Math.round(position)) }),
});

/** Levels per step when the first step is dragged to a position. */
export const everyUpTo = ({ startingAt }: Stepwise, position: number): number =>
  Math.max(1, Math.round(position) - startingAt);

/** When the steps come, in words. */
export const stepsInWords = ({ every, startingAt }: Stepwise): string =>
  `every ${every === 1 ? 'level' : `${every} levels`}${startingAt > 1 ? ` from level ${startingAt}` : ''}`;

/** Significant digits of numbers in a formula: it gives the values of the shape that it was. */
export const FORMULA_DIGITS = 12;

/** Steps done before a place, as a formula has it. Nothing lies before a reading's 0. */
export function stepsFormula({ every, startingAt }: Stepwise, name: string): string {
  const since = startingAt === 0 ? name : `max(0, ${name} - ${startingAt})`;
  return `floor(${since}${every === 1 ? '' : ` / ${every}`})`;
}
