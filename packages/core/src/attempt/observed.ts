import type { Spot } from '../ground/index.ts';
import { emptyObserved, READINGS, type Observed, type ScoreTerm } from '../rules/index.ts';
import type { PreparedLevel } from './prepare.ts';

/** Says which zones hold a place; their edges count as inside. */
export function seeZones(observed: Observed, zones: PreparedLevel['judging']['zones'], place: Spot): void {
  for (let i = 0; i < zones.length; i++) {
    const zone = zones[i] as (typeof zones)[number];
    const isIn =
      place.x >= zone.x && place.x <= zone.x + zone.width && place.y >= zone.y && place.y <= zone.y + zone.height;
    observed.inside[i] = isIn ? 1 : 0;
  }
}

const addOne = (list: number[], kind: number, any: number, by = 1): void => {
  list[kind] = (list[kind] as number) + by;
  list[any] = (list[any] as number) + by;
};

/** Counts enemies that can be beaten and are still to be. @param by how many more */
export const countEnemies = (observed: Observed, kind: number, by: number): void =>
  addOne(observed.enemiesLeft, kind, observed.enemiesLeft.length - 1, by);

/** What the judge sees before anybody has moved. */
export function startObserved(
  { motion, judging }: PreparedLevel,
  { scoreTerms }: { scoreTerms?: readonly ScoreTerm[] } = {},
): Observed {
  const { kindsOfCollectable } = motion;
  const observed = emptyObserved({
    collectables: kindsOfCollectable,
    enemies: motion.kindsOfEnemy,
    hazards: motion.kindsOfHazard.length,
    zones: judging.zones.length,
    latches: motion.latches.length,
    gates: motion.gates.length,
    phases: motion.enemies.length,
    tallies: judging.tallies.length,
  });
  observed.limitTicks = judging.limitTicks;
  observed.lives = judging.lives;
  observed.health = motion.player.health;
  observed.height = motion.rows.length - motion.start.y;
  observed.scoreTerms =
    scoreTerms ?? judging.score.map(({ reading, ...term }) => ({ ...term, reading: READINGS[reading] }));
  judging.tallies.forEach((start, index) => (observed.tallies[index] = start));
  motion.gates.forEach((gate, index) => (observed.gates[index] = gate.open ? 1 : 0));
  for (const piece of motion.collectables) if (!piece.hidden) addOne(observed.left, piece.kind, kindsOfCollectable);
  for (const enemy of motion.enemies) if (enemy.health > 0) countEnemies(observed, enemy.kind, 1);
  for (const spawner of motion.spawners)
    if (spawner.health > 0 && !spawner.waits) countEnemies(observed, spawner.kind, spawner.howMany);
  seeZones(observed, judging.zones, motion.start);
  return observed;
}
