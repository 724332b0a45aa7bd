import type { Parameter } from '@stadion/core/model';
import { readRamp, shapeDefinition } from '@stadion/core/ramps';
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
