import { pointerOf } from '../../../document/model/index.ts';
import { liveAmount } from '../../../play/rules/index.ts';
import { toldHere } from '../conditions.ts';
import { say, type Check, type Found } from '../finding.ts';

/** Number of characters that people read in a second. */
const CHARACTERS_A_SECOND = 15;

/** A message that is gone before it can be read. */
export const messageTooShort: Check<'judged'> = {
  code: 'message-too-short',
  title: 'Message gone before it is read',
  group: 'rules',
  severity: 'doubtful',
  source: 'document',
  scope: 'judged',
  find: (here) =>
    toldHere(here).flatMap(({ rule, path }) =>
      rule.then.flatMap((effect, index): Found[] => {
        if (effect.effect !== 'message' || liveAmount(effect.seconds, here.resolving)) return [];
        const seconds = here.number(effect.seconds);
        const needed = effect.text.length / CHARACTERS_A_SECOND;
        if (seconds >= needed) return [];
        const enough = Math.ceil(needed * 2) / 2;
        const at = pointerOf([...path, 'then', index, 'seconds']);
        return [
          {
            slotId: here.slot.id,
            path: at,
            sentence: 'A message is gone before it can be read.',
            reason: `${effect.text.length} characters take about ${say(Math.ceil(needed * 10) / 10)} s to read, and it is shown for ${say(seconds)} s.`,
            mend: {
              label: `Show it for ${say(enough)} s`,
              patch: [{ op: 'replace', path: at, value: { from: 'number', value: enough } }],
            },
          },
        ];
      }),
    ),
};
