import { pointerOf } from '../../../document/model/index.ts';
import { say } from '../finding.ts';
import { evidenceOf, percent, type EvidenceCheck } from './attemptFacts.ts';

const SHARE = 0.5;
const LEAST_LOSSES = 100;

/** Half of the losses lie on one spot. */
export const lossesCrowd: EvidenceCheck = {
  code: 'losses-crowd',
  title: 'Losses crowd on one spot',
  group: 'difficulty',
  severity: 'doubtful',
  source: 'attempts',
  find(facts) {
    const { here, forecast, pacer, isMiddle } = facts;
    const { crowd } = forecast;
    if (!isMiddle || !crowd || crowd.of < LEAST_LOSSES || crowd.count < SHARE * crowd.of) return [];
    return [
      {
        slotId: here.slot.id,
        path: pointerOf(['levels', here.level.id, 'ground']),
        sentence: 'Losses crowd on one spot.',
        reason: `${percent(crowd.count / crowd.of)} of the losses of ${pacer.name} lie around column ${say(crowd.x)}, row ${say(crowd.y)}.`,
        evidence: evidenceOf(facts, false),
      },
    ];
  },
};
