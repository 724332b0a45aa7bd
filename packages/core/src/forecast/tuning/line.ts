import type { Parameter, Project } from '../../document/model/index.ts';
import { valuesAt, type Values } from '../../document/ramps/index.ts';
import type { Mover } from './whatMovesIt.ts';

/** Values of parameters along one number: the value of one parameter, or a number of steps of several. */
export interface TuningLine {
  /** Where the level stands now. */
  now: number;
  /** The ends that are looked at. */
  min: number;
  max: number;
  /** Are only whole numbers meant? */
  whole: boolean;
  /** Rounds an answer to what a designer would write. */
  round(at: number): number;
  /** All parameters there. */
  values(at: number): Values;
}

/** Digits that a designer writes. */
const DIGITS = 3;

/** A pin is not rounded as a ramp is: a finer number may be what is searched for. */
const rounding = ({ number }: Parameter): ((value: number) => number) =>
  number === 'whole' ? Math.round : (value) => (value === 0 ? 0 : Number(value.toPrecision(DIGITS)));

/** One parameter over its sane range. @param position from 1 */
export function parameterLine(project: Project, position: number, parameter: Parameter): TuningLine {
  const here = valuesAt(project, position);
  const { key, sane, number } = parameter;
  return {
    now: here[key] ?? sane.min,
    ...{ min: sane.min, max: sane.max, whole: number === 'whole' },
    round: rounding(parameter),
    values: (at) => ({ ...here, [key]: at }),
  };
}

/** Limit of the steps along several parameters. */
const MOST_STEPS = 12;

/**
 * Several parameters together, each as far as it moves the level: the least change, in steps, that comes anywhere.
 * Numbers from 0, no change, upwards make the level easier. Values stay in their sane ranges.
 *
 * @param movers the parameters, with what a step of each does
 */
export function moversLine(project: Project, position: number, movers: readonly Mover[]): TuningLine {
  const here = valuesAt(project, position);
  const size = Math.sqrt(movers.reduce((sum, { effect }) => sum + effect * effect, 0)) || 1;
  const parts = movers.flatMap(({ key, step, effect }) => {
    const parameter = project.parameters.find((entry) => entry.key === key);
    return parameter ? [{ parameter, by: (effect / size) * step }] : [];
  });
  return {
    ...{ now: 0, min: -MOST_STEPS, max: MOST_STEPS, whole: false },
    round: (at) => Math.round(at * 10) / 10,
    values: (at) => {
      const values = { ...here };
      for (const { parameter, by } of parts) {
        const { key, sane, number } = parameter;
        const moved = Math.min(sane.max, Math.max(sane.min, (here[key] ?? 0) + at * by));
        values[key] = number === 'whole' ? Math.round(moved) : Number(moved.toPrecision(DIGITS));
      }
      return values;
    },
  };
}
