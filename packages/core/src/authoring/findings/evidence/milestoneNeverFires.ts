import { pointerOf } from '../../../document/model/index.ts';
import { conditionInWords, endingOfRule } from '../../../play/rules/index.ts';
import { mayHold } from '../possible.ts';
import { restsOn, type EvidenceCheck } from './attemptFacts.ts';

/** A milestone of the level that fired in none of the attempts. */
export const milestoneNeverFires: EvidenceCheck = {
  code: 'milestone-never-fires',
  title: 'Milestone that no attempt fires',
  group: 'rules',
  severity: 'doubtful',
  source: 'attempts',
  find(facts) {
    const { here, forecast, pacer, isMiddle } = facts;
    const { fired } = forecast;
    if (!isMiddle || !fired) return [];
    return here.rules.flatMap(({ rule, path, standing }, index) => {
      // Rules that can never fire are found in the document.
      const isMeant = !standing && endingOfRule(rule) === null && mayHold(rule.when, here);
      if (!isMeant || fired[index] !== 0) return [];
      return [
        {
          slotId: here.slot.id,
          path: pointerOf([...path, 'when']),
          sentence: 'A milestone fires in no attempt.',
          reason: `None of ${forecast.attempts} attempts by ${pacer.name} came to this: ${conditionInWords(rule.when, here.names)}.`,
          evidence: restsOn(facts),
        },
      ];
    });
  },
};
