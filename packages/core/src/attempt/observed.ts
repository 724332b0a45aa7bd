import type { Spot } from '../ground/index.ts';
import { emptyObserved, type Observed } from '../rules/index.ts';
import type { PreparedLevel } from './prepare.ts';

/** Says which goal zones hold a place; their edges count as inside. */
export function seeGoals(observed: Observed, goals: PreparedLevel['judging']['goals'], place: Spot): void {
  for (let i = 0; i < goals.length; i++) {
    const goal = goals[i] as (typeof goals)[number];
    const isIn =
      place.x >= goal.x && place.x <= goal.x + goal.width && place.y >= goal.y && place.y <= goal.y + goal.height;
    observed.inside[i] = isIn ? 1 : 0;
  }
}

/** What the judge sees before anybody has moved. */
export function startObserved({ motion, judging }: PreparedLevel): Observed {
  const { kindsOfCollectable } = motion;
  const observed = emptyObserved(kindsOfCollectable, motion.kindsOfEnemy, judging.goals.length);
  observed.limitTicks = judging.limitTicks;
  observed.lives = judging.lives;
  for (const { kind } of motion.collectables) {
    observed.left[kind] = (observed.left[kind] as number) + 1;
    observed.left[kindsOfCollectable] = (observed.left[kindsOfCollectable] as number) + 1;
  }
  seeGoals(observed, judging.goals, motion.start);
  return observed;
}
