import { pacerOf, type Pacer, type Project } from '../../../document/model/index.ts';
import { everyPacer, PERFECT_PACER } from '../../../forecast/pacers/index.ts';
import { classOf } from '../findingClass.ts';
import type { Finding } from '../finding.ts';
import { checkedOf, slotFacts, type Checked } from '../scopes.ts';
import { LEAST_ATTEMPTS, type AttemptsSeen, type EvidenceCheck } from './attemptFacts.ts';
import { dip } from './dip.ts';
import { enemyNeverTouches } from './enemyNeverTouches.ts';
import { hopeless, trivial } from './extremes.ts';
import { starTooCommon, starTooRare } from './lastStar.ts';
import { lossesCrowd } from './lossesCrowd.ts';
import { milestoneNeverFires } from './milestoneNeverFires.ts';
import { neverGathered } from './neverGathered.ts';
import { noEnding } from './noEnding.ts';
import { numberWithoutEffect } from './numberWithoutEffect.ts';
import { offWanted } from './offWanted.ts';
import { oneCause } from './oneCause.ts';
import { fastestBeyondClock, starNobodyEarns } from './perfect.ts';
import { runEndsEarly } from './runEndsEarly.ts';
import { wall } from './wall.ts';

/** Every class that rests on attempts. At one slot findings come in this order. */
export const EVIDENCE_CHECKS: readonly EvidenceCheck[] = [
  noEnding,
  fastestBeyondClock,
  hopeless,
  offWanted,
  wall,
  dip,
  trivial,
  milestoneNeverFires,
  starNobodyEarns,
  starTooRare,
  starTooCommon,
  oneCause,
  lossesCrowd,
  neverGathered,
  enemyNeverTouches,
  numberWithoutEffect,
  runEndsEarly,
];

/** Forecasts of what a project is now, by pacer and slot. */
export type KnownAttempts = ReadonlyMap<string, ReadonlyMap<string, AttemptsSeen>>;

const bySpeed = (one: Pacer, other: Pacer): number => one.abilities.reactionMs - other.abilities.reactionMs;

export type { AttemptsSeen };
export { withoutEchoes } from './echoes.ts';

/** Everything that attempts show, in the order of the sequence. Nothing is said by fewer than 200. @param checked the project with its ramps, where they are worked out */
export function evidenceIn(project: Project, known: KnownAttempts, checked: Checked = checkedOf(project)): Finding[] {
  const middle = pacerOf(project, null).id;
  const ordered = project.pacers.toSorted(bySpeed);
  return project.slots.flatMap((slot, index) => {
    const level = project.levels[slot.levelId];
    if (!level) return [];
    const here = slotFacts(checked, slot, level, index + 1);
    return everyPacer(project).flatMap((pacer) => {
      const forecasts = known.get(pacer.id);
      const forecast = forecasts?.get(slot.id);
      if (!forecast || forecast.attempts < LEAST_ATTEMPTS) return [];
      const earlier = forecasts?.get(project.slots[index - 1]?.id ?? '');
      const before = earlier && earlier.attempts >= LEAST_ATTEMPTS ? earlier : undefined;
      const isMiddle = pacer.id === middle;
      const facts = {
        here,
        pacer,
        forecast,
        before,
        known: forecasts,
        isMiddle,
        isWeakest: pacer === ordered.at(-1),
        isStrongest: pacer === ordered[0],
        isPerfect: pacer === PERFECT_PACER,
      };
      return EVIDENCE_CHECKS.flatMap((check) => check.find(facts).map((found) => ({ ...classOf(check), ...found })));
    });
  });
}
