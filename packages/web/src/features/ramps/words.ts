import type { Parameter } from '@stadion/core/document/model';
import { laneMarks, readRamp, shapeDefinition, type LaneMarks, type RampRow } from '@stadion/core/document/ramps';
import { READING_WORDS } from '@stadion/core/authoring/edits';
import { formatNumber } from '../../ui/index.ts';

/** Shown values are times this: shares are read as percent. */
export const scaleOf = (parameter: Parameter): number => (parameter.number === 'share' ? 100 : 1);

export const sayValue = (parameter: Parameter, value: number, digits = 2): string =>
  formatNumber(value * scaleOf(parameter), digits);

/** The ramp in words. @example 'from 2, +0.1 every 2 levels, at most 2.7' */
export function rampInWords(parameter: Parameter): string {
  const { axis, shape, breather, atMost, atLeast } = parameter.ramp;
  const say = (value: number): string => sayValue(parameter, value);
  const words = shapeDefinition(shape).inWords(shape, say);
  return [
    // Shapes count levels; along a reading they count what it counts.
    axis === undefined ? words : `${words.replaceAll(/ ?levels?\b/g, '')} along ${READING_WORDS[axis]}`,
    breather === undefined ? '' : `a breather every ${breather.every} levels`,
    atMost === undefined ? '' : `at most ${say(atMost)}`,
    atLeast === undefined ? '' : `at least ${say(atLeast)}`,
  ]
    .filter((part) => part !== '')
    .join(', ');
}

/** Notable features of a lane, pins included. @param slots how many of the row's values belong to the sequence */
export const marksOf = (parameter: Parameter, row: RampRow, slots: number): LaneMarks => ({
  ...laneMarks([...row.values.subarray(0, slots)], parameter.sane),
  // Also past the end, where it is shown.
  outside: laneMarks([...row.values], parameter.sane).outside,
});

const MOST_NAMED = 5;

/** Notable features, each as a short line. */
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

/** A sentence about a lane, for screen readers. */
export function laneInWords(parameter: Parameter, row: RampRow): string {
  const { lowest, highest, capReachedAt, floorReachedAt } = readRamp(parameter.ramp, row);
  const pins = Object.keys(parameter.pins).length;
  return [
    `${parameter.label}, ${parameter.unit}: ${rampInWords(parameter)}`,
    parameter.ramp.axis === undefined ? `${sayValue(parameter, lowest)} to ${sayValue(parameter, highest)}` : '',
    capReachedAt === undefined ? '' : `cap reached at level ${capReachedAt}`,
    floorReachedAt === undefined ? '' : `floor reached at level ${floorReachedAt}`,
    pins === 0 ? '' : `${pins} pin${pins === 1 ? '' : 's'}`,
  ]
    .filter((part) => part !== '')
    .join('; ');
}

/** Positions in words, runs of them together. @example '4, 8–12, 20' */
export function positionsInWords(positions: readonly number[], most = 12): string {
  const runs: [number, number][] = [];
  for (const position of positions) {
    const last = runs.at(-1);
    if (last && last[1] === position - 1) last[1] = position;
    else runs.push([position, position]);
  }
  const said = runs
    .slice(0, most)
    .map(([from, to]) => (from === to ? String(from) : to === from + 1 ? `${from}, ${to}` : `${from}–${to}`));
  return `${said.join(', ')}${runs.length > most ? ' …' : ''}`;
}
