import { makeStream } from '../random/index.ts';
import type { Abilities, Pacer } from './pacer.ts';

/** Purpose of the stream that draws who plays; see makeStream. */
const WHO_PLAYS = 1;

/** One player of the population: each ability its own draw around the mean, never below a tenth of it. @param seed the attempt's */
export function drawPlayer(pacer: Pacer, seed: number): Abilities {
  const stream = makeStream(seed, WHO_PLAYS);
  const about = (mean: number): number => mean * Math.max(0.1, 1 + pacer.spread * stream.nextBell());
  const { abilities } = pacer;
  return {
    reactionMs: about(abilities.reactionMs),
    aimErrorDegrees: about(abilities.aimErrorDegrees),
    cautionUnits: about(abilities.cautionUnits),
    foresightSeconds: about(abilities.foresightSeconds),
    lapsesPerMinute: about(abilities.lapsesPerMinute),
    planning: Math.min(1, about(abilities.planning)),
  };
}
