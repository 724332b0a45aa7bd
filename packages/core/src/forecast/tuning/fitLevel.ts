import type { Counted } from '../../basics/stats/index.ts';
import type { FitSlot } from './fitAsked.ts';
import type { Lever } from './levers.ts';
import type { LocalModel } from './turnedRamps.ts';

/** The state of a fit for each level of its stretch, and the numbers that limit its attempts. */

/** Attempts at the present values, at each place along a lever, and how often levers are looked at. */
export const PRESENT = 40;
export const PER_PLACE = 12;
export const LOOKS = 8;
/** No lever brings a level nearer than so much: it is not tried any further. */
export const OUT_OF_REACH = 0.15;
/** How wide the first sweep, and those of repairs, look around the present values at most, in steps; no value moves further. */
export const SPREAD = 8;
export const REPAIR_SPREAD = 6;
/** Levels drawn around the present values in each sweep, and attempts at each. */
export const DRAWS = 24;
export const ATTEMPTS_PER_DRAW = 4;
/** One in this number of draws uses the present values themselves. */
export const PRESENT_EVERY = 3;
/** Change of log odds that the drawn values should cause, around the present values. */
export const TELLING = 1.5;
/** Draws further away than this many times that distance are ignored. */
export const NEAR = 1.6;
/** How strongly it is held, before anything is known, that a step changes nothing: by log odds of so much a step. */
export const USUAL_SLOPE = 0.3;
/** The same for the log odds themselves: barely. */
export const PRIOR_CONSTANT = 0.05;
export const CONFIRMED = 120;
/** Number of further attempts where the first ones do not decide. */
export const CONFIRMED_MORE = 240;
export const DOUBTFUL = 0.03;
/** Number of attempts for a level that nothing brings near. */
export const CONFIRMED_FAR = 60;
/** How often levels that were missed are turned once more. */
export const REPAIRS = 3;
/** How often what is still missed is sought once more. */
export const CLOSINGS = 4;
/** Further from what is wanted than so much, as confirmed. */
export const FAR = 0.06;
/** Attempts of confirmations are addressed apart from those of the search. */
export const CONFIRMATION = 2_000_000;
export const MET = 0.05;
/** Miss beyond which a level is turned once more. */
export const MISSED = 0.035;
export const SEED = 0x51f7;

/** One level of the stretch, with what was tried there. */
export interface Level {
  local: LocalModel;
  levers: Lever[];
  /** Steps from the ramps at the beginning, one row for each draw; the results stand beside them. */
  rows: number[][];
  outcomes: Counted[];
  /** Attempts played, but for confirmations. */
  played: number;
  /** Log odds where the ramps began. */
  standing: number;
  /** Was it last confirmed with one parameter moved only? Then the look along that one says where to go on. */
  onOneLever: boolean;
  /** Attempts at the turned values, and how many were ever played for that. */
  confirmed: Counted;
  confirmations: number;
  /** Whether the first scan shows that the wanted rate can be reached. */
  isInReach: boolean;
  /** The nearest confirmed result until now, with the value of each parameter's point. */
  best: { miss: number; after: NonNullable<FitSlot['after']>; values: (number | undefined)[] } | null;
  before: number | null;
  after: FitSlot['after'];
}
