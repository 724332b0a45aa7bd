import { pointerOf } from '../../../document/model/index.ts';
import { leaves, liveAmount, MOST_HELD_SECONDS } from '../../../play/rules/index.ts';
import { toldHere } from '../conditions.ts';
import { say, type Check, type Found } from '../finding.ts';

/** A condition that has to hold for longer than anything is waited for. */
export const heldTooLong: Check<'judged'> = {
  code: 'held-too-long',
  title: 'Hold time above the limit',
  group: 'rules',
  severity: 'doubtful',
  source: 'document',
  scope: 'judged',
  find: (here) =>
    toldHere(here).flatMap(({ rule, path }) =>
      leaves(rule.when).flatMap(({ leaf, path: place }): Found[] => {
        if (!leaf.heldSeconds || liveAmount(leaf.heldSeconds, here.resolving)) return [];
        const seconds = here.number(leaf.heldSeconds);
        if (seconds <= MOST_HELD_SECONDS) return [];
        const at = pointerOf([...path, 'when', ...place, 'heldSeconds']);
        return [
          {
            slotId: here.slot.id,
            path: at,
            sentence: `A condition must hold for longer than ${MOST_HELD_SECONDS} s, the longest time that Stadion waits.`,
            reason: `It says ${say(seconds)} s. Stadion takes ${MOST_HELD_SECONDS} s instead.`,
            mend: {
              label: `Set to ${MOST_HELD_SECONDS} s`,
              patch: [{ op: 'replace', path: at, value: { from: 'number', value: MOST_HELD_SECONDS } }],
            },
          },
        ];
      }),
    ),
};
