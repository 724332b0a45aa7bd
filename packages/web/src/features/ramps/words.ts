import type { Parameter, Project } from '@stadion/core/model';
import { laneMarks, rampValue, readRamp, shapeDefinition, type LaneMarks } from '@stadion/core/ramps';
import { formatNumber } from '../../ui/index.ts';

/** Shown values are times this: shares are read as percent. */
export const scaleOf = (parameter: Parameter): number => (parameter.number === 'share' ? 100 : 1);

export const sayValue = (parameter: Parameter, value: number, digits = 2): string =>
  formatNumber(value * scaleOf(parameter), digits);

/** The ramp in words. @example 'from 2, +0.1 every 2 levels, at most 2.7' */
export function rampInWords(parameter: Parameter): string {
  const { shape, breather, atMost, atLeast } = parameter.ramp;
  const say = (value: number): string => sayValue(parameter, value);
  return [
    shapeDefinition(shape).inWords(shape, say),
    breather === undefined ? '' : `a breather every ${breather.every} levels`,
    atMost === undefined ? '' : `at most ${say(atMost)}`,
    atLeast === undefined ? '' : `at least ${say(atLeast)}`,
  ]
    .filter((part) => part !== '')
    .join(', ');
}

/** What stands out along a lane, pins included. */
export const marksOf = (project: Pick<Project, 'slots' | 'parameters'>, parameter: Parameter): LaneMarks =>
  laneMarks(
    project.slots.map((slot, index) => parameter.pins[slot.id] ?? rampValue(parameter.ramp, index + 1)),
    parameter.sane,
  );

const MOST_NAMED = 5;

/** What stands out, each as a short line. */
export function marksInWords(parameter: Parameter, { largestJump, outside, flat }: LaneMarks): string[] {
  const { min, max } = parameter.sane;
  const more = outside.length > MOST_NAMED ? ' …' : '';
  return [
    largestJump === null
      ? ''
      : `▾ largest jump ${largestJump.by > 0 ? '+' : '−'}${sayValue(parameter, Math.abs(largestJump.by))} at ${largestJump.position}`,
    flat === null ? '' : `flat from ${flat.from} to ${flat.to}`,
    outside.length === 0
      ? ''
      : `outside ${sayValue(parameter, min)}–${sayValue(parameter, max)} at ${outside.slice(0, MOST_NAMED).join(', ')}${more}`,
  ].filter((line) => line !== '');
}

/** What a lane shows, in a sentence for those who do not see it. */
export function laneInWords(parameter: Parameter, positions: number): string {
  const { lowest, highest, capReachedAt, floorReachedAt } = readRamp(parameter, positions);
  const pins = Object.keys(parameter.pins).length;
  return [
    `${parameter.label}, ${parameter.unit}: ${rampInWords(parameter)}`,
    `${sayValue(parameter, lowest)} to ${sayValue(parameter, highest)}`,
    capReachedAt === undefined ? '' : `cap reached at level ${capReachedAt}`,
    floorReachedAt === undefined ? '' : `floor reached at level ${floorReachedAt}`,
    pins === 0 ? '' : `${pins} pin${pins === 1 ? '' : 's'}`,
  ]
    .filter((part) => part !== '')
    .join('; ');
}
