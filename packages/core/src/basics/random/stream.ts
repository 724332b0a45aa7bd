import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { mix } from './mix.ts';

/** One seeded sequence of draws. A stream has state: give every purpose its own. */
export interface Stream {
  /** Uniform in [0, 1), a multiple of 2^-32. */
  next(): number;
  /** Roughly normal with mean 0 and deviation 1, within ±3.47: a scaled sum of four uniforms (no logarithm, so equal in every engine). */
  nextBell(): number;
}

/** Deviation of a sum of four uniforms is sqrt(4/12). */
const BELL_SCALE = Math.sqrt(3);

/**
 * A stream for one purpose of one attempt; streams of different purposes do not disturb each other.
 *
 * @param seed whole number, 32 bits
 * @param purpose whole number naming what the draws are for
 */
export function makeStream(seed: number, purpose: number): Stream {
  const generator = xoroshiro128plus(mix(mix(0x2545f491, seed), purpose) | 0);
  const next = (): number => (generator.next() >>> 0) / 4294967296;
  return { next, nextBell: () => (next() + next() + next() + next() - 2) * BELL_SCALE };
}
