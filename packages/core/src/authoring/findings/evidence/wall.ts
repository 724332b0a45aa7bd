import { pointerOf } from '../../../document/model/index.ts';
import { evidenceOf, percent, type EvidenceCheck } from './attemptFacts.ts';

/** Drop of the clear rate from one level to the next that counts as a wall. */
const DROP = 0.25;

/** Much harder than the level before it. */
export const wall: EvidenceCheck = {
  code: 'wall',
  title: 'Much harder than the level before',
  group: 'difficulty',
  severity: 'doubtful',
  source: 'attempts',
  remedies: ['bringThere'],
  find(facts) {
    const { here, forecast, before, pacer, isMiddle } = facts;
    if (!isMiddle || !before || before.clearRate - forecast.clearRate < DROP) return [];
    if (before.interval.low <= forecast.interval.high) return [];
    return [
      {
        slotId: here.slot.id,
        path: pointerOf(['slots', here.slot.id]),
        sentence: 'The level is much harder than the one before it.',
        reason: `${pacer.name} clears the one before in ${percent(before.clearRate)} and this one in ${percent(forecast.clearRate)}.`,
        evidence: evidenceOf(facts, false),
      },
    ];
  },
};
