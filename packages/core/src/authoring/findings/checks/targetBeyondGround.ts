import { pointerOf } from '../../../document/model/index.ts';
import { conditionInWords, readingInWords } from '../../../play/rules/index.ts';
import { say, type Check, type Found } from '../finding.ts';
import { beyondReach } from '../possible.ts';

/** The readings that body and ground limit, with the words for their limit. */
const LIMITS: Partial<Record<string, string>> = {
  height: 'from the ground as it is, and by jumping, no player gets above',
  row: 'the way leads no further than row',
  distance: 'at its speed, and until the clock ends, the way is at most',
};

/** The only ways to win ask for more height, rows or way than body and ground allow. */
export const targetBeyondGround: Check<'judged'> = {
  code: 'target-beyond-ground',
  title: 'Target beyond body and ground',
  group: 'win',
  severity: 'stops play',
  source: 'judge',
  scope: 'judged',
  find: (here) =>
    beyondReach(here).flatMap(({ leaf, path, most }): Found[] => {
      const limit = LIMITS[leaf.reading.reading];
      if (limit === undefined || !Number.isFinite(most)) return [];
      // A tenth below the limit, so that the target can really be reached.
      const mended = leaf.reading.reading === 'row' ? Math.floor(most) : Math.floor(most * 10 - 1) / 10;
      const amount = pointerOf([...path, 'amount']);
      const patch = [{ op: 'replace' as const, path: amount, value: { from: 'number', value: mended } }];
      return [
        {
          slotId: here.slot.id,
          path: pointerOf(path),
          sentence: `The ${readingInWords(leaf.reading, here.names).replace(/^the /, '')} asked for cannot be reached: nobody can win.`,
          reason: `It takes that ${conditionInWords(leaf, here.names)}, and ${limit} ${say(most)}.`,
          ...(mended > 0 ? { mend: { label: `Ask for ${say(mended)}`, patch } } : {}),
        },
      ];
    }),
};
