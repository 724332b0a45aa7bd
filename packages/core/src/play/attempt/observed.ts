import { emptyObserved, READINGS, type Observed, type ScoreTerm } from '../rules/index.ts';
import type { PreparedLevel } from './level.ts';
import { SORTS } from './pieces/index.ts';
import { startPlace } from './pieces/start.ts';
import type { PieceSort } from './types.ts';

/** Returns the readings before anybody has moved. */
export function startObserved(
  level: PreparedLevel,
  { scoreTerms }: { scoreTerms?: readonly ScoreTerm[] } = {},
): Observed {
  const { motion, judging } = level;
  const countOf = (subject: PieceSort['subject']): number =>
    SORTS.reduce((sum, sort) => sum + (sort.subject === subject ? motion.pieces[sort.name].length : 0), 0);
  const observed = emptyObserved({
    collectables: motion.kindsOfCollectable,
    enemies: motion.kindsOfEnemy,
    hazards: motion.kindsOfHazard.length,
    zones: countOf('zone'),
    latches: countOf('latch'),
    gates: countOf('gate'),
    phases: countOf('phase'),
    tallies: judging.tallies.length,
  });
  observed.limitTicks = judging.limitTicks;
  observed.lives = judging.lives;
  observed.health = motion.player.health;
  observed.height = motion.rows.length - startPlace(level).y;
  observed.row = Math.ceil(observed.height);
  observed.scoreTerms =
    scoreTerms ?? judging.score.map(({ reading, ...term }) => ({ ...term, reading: READINGS[reading] }));
  judging.tallies.forEach((start, index) => (observed.tallies[index] = start));
  for (const sort of SORTS) sort.observe?.(motion.pieces[sort.name], observed, level);
  return observed;
}
