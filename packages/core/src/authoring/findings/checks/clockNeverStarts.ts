import { pointerOf, type Reading } from '../../../document/model/index.ts';
import { conditionInWords } from '../../../play/rules/index.ts';
import type { Check } from '../finding.ts';
import type { Range } from '../bodyLimits.ts';
import { mayHold, rangeOf } from '../possible.ts';
import type { SlotFacts } from '../scopes.ts';

/** Returns the range of a reading before the clock has started: its own time stands until then. */
function rangeBefore(reading: Reading, here: SlotFacts): Range {
  if (reading.reading === 'timeElapsed') return { least: 0, most: 0 };
  const range = rangeOf(reading, here);
  return reading.reading === 'timeLeft' ? { least: range.most, most: range.most } : range;
}

/** The clock waits for a condition that never holds, or for none. */
export const clockNeverStarts: Check<'judged'> = {
  code: 'clock-never-starts',
  title: 'Clock that never starts',
  group: 'loss',
  severity: 'surely wrong',
  source: 'document',
  scope: 'judged',
  find(here) {
    const { level, slot, names } = here;
    const { starts, startsWhen, limitSeconds } = level.clock;
    if (limitSeconds === null || starts !== 'condition' || (startsWhen && mayHold(startsWhen, here, rangeBefore)))
      return [];
    const path = pointerOf(['levels', level.id, 'clock']);
    return [
      {
        slotId: slot.id,
        path: `${path}/starts`,
        sentence: 'The clock never starts.',
        reason: startsWhen
          ? `It waits until ${conditionInWords(startsWhen, names)}, which never comes about.`
          : 'It waits for a condition, and there is none.',
        mend: {
          label: 'Start it at the first move',
          patch: [
            { op: 'replace', path: `${path}/starts`, value: 'firstMove' },
            ...(startsWhen ? [{ op: 'remove' as const, path: `${path}/startsWhen` }] : []),
          ],
        },
      },
    ];
  },
};
