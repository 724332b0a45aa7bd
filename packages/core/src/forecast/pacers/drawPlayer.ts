import { ABILITIES, ABILITY_NAMES, type Abilities } from '../../basics/abilities/index.ts';
import { makeStream } from '../../basics/random/index.ts';
import type { Population } from './pacer.ts';

/** Purpose of the stream that draws who plays; see makeStream. */
const WHO_PLAYS = 1;
/** No player is better or worse than this share of the mean. */
const LEAST_SHARE = 0.1;

/** One player of the population: each ability its own draw around the mean, never below a tenth of it. @param seed the attempt's */
export function drawPlayer({ abilities, spread }: Population, seed: number): Abilities {
  const stream = makeStream(seed, WHO_PLAYS);
  const drawn = { ...abilities };
  for (const name of ABILITY_NAMES) {
    const value = abilities[name] * Math.max(LEAST_SHARE, 1 + spread * stream.nextBell());
    drawn[name] = Math.min(ABILITIES[name].mostDrawn, value);
  }
  return drawn;
}
