import { mix } from './mix.ts';

/**
 * The draw at an address: the same (seed, entity, counter) always gives the same number, whatever else was drawn.
 * The world uses these, so that a piece added in one place does not reshuffle the others.
 *
 * @param seed whole number, 32 bits
 * @param entity whole number naming who draws
 * @param counter whole number naming which draw of that entity
 * @returns uniform in [0, 1), a multiple of 2^-32
 */
export function drawAt(seed: number, entity: number, counter: number): number {
  return mix(mix(mix(0x5bd1e995, seed), entity), counter) / 4294967296;
}
