import {
  literal,
  type Amount,
  type Condition,
  type Level,
  type Parameter,
  type Project,
  type Ramp,
  type Rule,
  type Tier,
} from '../../model/index.ts';

/** One way of moving that a project can start with, and the goals that fit it. */
export interface StartKit {
  /** What the player does. @example 'roams freely' */
  label: string;
  says: string;
  /** What ends a level well, by name. */
  goals: Readonly<Record<string, { label: string; says: string }>>;
  /** Everything that differs by the way of moving. @param project with nothing in it yet */
  make(project: Project, goal: string, levels: number): Project;
}

/** A number at the first level, and what it comes near to. */
export type Course = readonly [from: number, to: number];

/** @param sane range of sensible values */
export const parameter = (
  key: string,
  label: string,
  number: Parameter['number'],
  unit: string,
  [min, max]: readonly [number, number],
  ramp: Ramp,
): Parameter => ({ key, label, number, unit, sane: { min, max }, ramp, pins: {}, note: '' });

/** Half of the way from the first to the last value is gone after so many levels. */
export const halfway = (levels: number): number => Math.max(1, Math.round(levels / 3));

/** From its first value towards another, half of the way by a third of the sequence. */
export const ease = ([from, to]: Course, levels: number): Ramp['shape'] => ({
  type: 'ease',
  from,
  to,
  halfway: halfway(levels),
});

/** Bands of about a third of the sequence each; fewer where there are fewer levels. */
export function tiersOf(levels: number): Tier[] {
  const third = Math.max(1, Math.round(levels / 3));
  const names = ['Opening', 'Middle', 'Late'];
  return names.flatMap((name, index): Tier[] => {
    const from = 1 + index * third;
    return from <= levels ? [{ id: `tier-${index + 1}`, name, from }] : [];
  });
}

/** Share of the sequence that has passed at a position, 0–1. */
export const share = (position: number, levels: number): number => (levels === 1 ? 0 : (position - 1) / (levels - 1));

/** A condition on a reading against an amount. */
export const compare = (
  reading: Extract<Condition, { is: 'compare' }>['reading'],
  amount: Amount | number,
  comparison: 'atLeast' | 'atMost' = 'atLeast',
): Condition => ({
  id: 'goal',
  is: 'compare',
  reading,
  comparison,
  amount: typeof amount === 'number' ? literal(amount) : amount,
});

/** The rule that wins once its condition holds. */
export const winningRule = (when: Condition): Rule[] => [{ id: 'won', when, then: [{ effect: 'win' }], fires: 'once' }];

/** Levels by id, one for each position. */
export const levelsOf = (levels: number, at: (position: number) => Level): Record<string, Level> =>
  Object.fromEntries(Array.from({ length: levels }, (_, index) => [`level-${index + 1}`, at(index + 1)]));
