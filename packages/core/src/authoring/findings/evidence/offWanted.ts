import { pointerOf } from '../../../document/model/index.ts';
import { wantedAt } from '../../../document/ramps/index.ts';
import { evidenceOf, percent, type EvidenceCheck } from './attemptFacts.ts';

/** Closer than this to what is wanted is as wanted. */
const NEAR = 0.05;

/** The clear rate is surely above or below what the designer wants. */
export const offWanted: EvidenceCheck = {
  code: 'off-wanted',
  title: 'Off the wanted clear rate',
  group: 'difficulty',
  severity: 'doubtful',
  source: 'attempts',
  remedies: ['bringThere', 'turnRamps'],
  find(facts) {
    const { here, forecast, pacer, isMiddle } = facts;
    const wanted = wantedAt(here.project, here.position);
    if (!isMiddle || wanted === undefined) return [];
    const { low, high } = forecast.interval;
    const isBelow = high < wanted - NEAR;
    if (!isBelow && low <= wanted + NEAR) return [];
    return [
      {
        slotId: here.slot.id,
        path: pointerOf(['slots', here.slot.id, 'wanted']),
        sentence: `The level is ${isBelow ? 'harder' : 'easier'} than wanted.`,
        reason: `${pacer.name} clears it in ${percent(forecast.clearRate)} (${percent(low)} to ${percent(high)}), and ${percent(wanted)} is wanted.`,
        evidence: evidenceOf(facts, !isBelow),
      },
    ];
  },
};
