import { makeJudge, type Court } from '../rules/index.ts';
import { startObserved } from './observed.ts';
import type { PreparedLevel } from './prepare.ts';

/** The judge of a prepared level with what it sees before anybody has moved: for judging cases without playing. */
export function courtOf(level: PreparedLevel): Court {
  const { rules, tie, stars, clockStart, atExpiry } = level.judging;
  return { judge: makeJudge(rules, tie, { stars, clockStart }), start: startObserved(level), atExpiry };
}

/** Points that lie on the ground at the start, by kind of collectable, “any” last. */
export function placedWorth({ motion }: PreparedLevel): { worth: number[] } {
  const worth = new Array<number>(motion.kindsOfCollectable + 1).fill(0);
  for (const piece of motion.collectables) {
    if (piece.hidden) continue;
    for (const kind of [piece.kind, motion.kindsOfCollectable]) worth[kind] = (worth[kind] as number) + piece.worth;
  }
  return { worth };
}
