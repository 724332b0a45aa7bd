import { pointerOf } from '../../../document/model/index.ts';
import { LEAST_ATTEMPTS, percent, restsOn, type EvidenceCheck } from './attemptFacts.ts';

const HALF = 0.5;

/** Most players have given up before the middle of the sequence. Told at its middle level. */
export const runEndsEarly: EvidenceCheck = {
  code: 'run-ends-early',
  title: 'Most runs end before the middle',
  group: 'difficulty',
  severity: 'doubtful',
  source: 'attempts',
  find(facts) {
    const { here, pacer, isMiddle, known } = facts;
    const { slots } = here.project;
    const middle = Math.ceil(slots.length / 2);
    const { persistence } = pacer;
    if (!isMiddle || here.position !== middle || middle < 2 || persistence === undefined) return [];
    let left = 1;
    let [hardest, most] = [1, 0];
    for (let position = 1; position < middle; position++) {
      const forecast = known?.get(slots[position - 1]?.id ?? '');
      if (!forecast || forecast.attempts < LEAST_ATTEMPTS) return [];
      // Chance that a player loses as many tries in a row as end its persistence.
      let giveUp = 1;
      for (let tries = 0; tries < persistence && giveUp > 1e-9; tries++) giveUp *= 1 - forecast.clearRate;
      if (giveUp > most) [hardest, most] = [position, giveUp];
      left *= 1 - giveUp;
    }
    if (left >= HALF) return [];
    return [
      {
        slotId: here.slot.id,
        path: pointerOf(['slots', here.slot.id]),
        sentence: 'Most runs end before the middle of the sequence.',
        reason: `About ${percent(left)} of ${pacer.name}’s players come to level ${middle}: the others give up after ${persistence} lost tries at one level, ${percent(most)} of those who come there at level ${hardest}.`,
        evidence: restsOn(facts),
      },
    ];
  },
};
