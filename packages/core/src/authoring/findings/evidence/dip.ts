import { isBreather, wantedAt } from '../../../document/ramps/index.ts';
import { pointerOf, type Project } from '../../../document/model/index.ts';
import { evidenceOf, percent, type EvidenceCheck } from './attemptFacts.ts';

/** Rise of the clear rate over the level before that counts as a dip. */
const RISE = 0.08;

/** Is a level wanted to be easier than the one before it? */
function isWantedEasier(project: Project, position: number): boolean {
  const wanted = wantedAt(project, position);
  return wanted !== undefined && wanted > (wantedAt(project, position - 1) ?? wanted);
}

/** Easier than the level before it, without a breather and not where a tier begins. */
export const dip: EvidenceCheck = {
  code: 'dip',
  title: 'Easier than the level before',
  group: 'difficulty',
  severity: 'doubtful',
  source: 'attempts',
  remedies: ['bringThere'],
  find(facts) {
    const { here, forecast, before, pacer, isMiddle } = facts;
    const { project, position, slot } = here;
    if (!isMiddle || !before || forecast.interval.low - before.interval.high < RISE) return [];
    const isOnPurpose =
      project.tiers.some(({ from }) => from === position) ||
      project.parameters.some(({ ramp: { breather } }) => isBreather({ breather }, position)) ||
      // A level that is wanted to be easier is meant to be.
      isWantedEasier(project, position);
    if (isOnPurpose) return [];
    return [
      {
        slotId: slot.id,
        path: pointerOf(['slots', slot.id]),
        sentence: 'The level is easier than the one before it.',
        reason: `${pacer.name} clears the one before in ${percent(before.clearRate)} and this one in ${percent(forecast.clearRate)}, and it is no breather.`,
        evidence: evidenceOf(facts, true),
      },
    ];
  },
};
