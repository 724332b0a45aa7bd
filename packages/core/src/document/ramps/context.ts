import type { LiveAxis, Project } from '../model/index.ts';

/** A band along a ramp's axis, from an inclusive lower bound to where the next begins. */
export interface Band {
  id: string;
  name: string;
  from: number;
}

/** Whose statistic a formula reads: of who acts, or of who is struck. */
export type Whose = 'mine' | 'theirs';

/** Facts on which a ramp may depend, beside the place on its axis. */
export interface RampContext {
  /** The reading it goes along during the attempt; undefined along the sequence. */
  axis: LiveAxis | undefined;
  /** The lowest place on the axis: position 1, or a reading's 0. */
  first: 0 | 1;
  /** Levels in the sequence. */
  levels: number;
  /** The level's position, for a ramp along a reading; along the sequence the place on the axis is the position. */
  level: number;
  /** Ascending by `from`. Empty where there are none. */
  bands: readonly Band[];
  /** A parameter's value at a place; not a number for one that is not there, or that goes round in a circle. */
  parameterAt(key: string, place: number): number;
  /** A statistic of who acts or of who is struck, in the formula of an action; absent everywhere else. */
  statistic?(of: Whose, name: string): number;
}

/** The band that a place lies in, as an index from 0; 0 without bands. */
export function bandAt(bands: readonly Band[], place: number): number {
  let index = 0;
  while (index + 1 < bands.length && (bands[index + 1] as Band).from <= place) index++;
  return index;
}

/** A sequence without tiers or other parameters: for shapes that need neither. */
export const PLAIN: RampContext = {
  axis: undefined,
  first: 1,
  levels: 0,
  level: 0,
  bands: [],
  parameterAt: () => Number.NaN,
};

/** Returns the context of ramps along the sequence, without other parameters. */
export const sequenceContext = ({ slots, tiers }: Pick<Project, 'slots' | 'tiers'>): RampContext => ({
  ...PLAIN,
  levels: slots.length,
  bands: tiers,
});
