import { pointerOf } from '../../model/index.ts';
import { readingInWords } from '../../rules/index.ts';
import { say, type Check, type Found } from '../finding.ts';
import { beyondReach } from '../possible.ts';

/** The only ways to win ask for more than lies on the ground. */
export const targetBeyondPlaced: Check<'judged'> = {
  code: 'target-beyond-placed',
  scope: 'judged',
  find: (here) =>
    beyondReach(here).flatMap(({ leaf: { reading, comparison }, path, asked, most }): Found[] => {
      if (reading.reading !== 'worth' && reading.reading !== 'collected') return [];
      const measure = reading.reading === 'worth' ? 'worth' : 'count';
      const placed = here.resolving.placed[measure][reading.of] ?? 0;
      const there =
        most < placed
          ? `${say(most)} of the ${say(placed)} on the ground can be reached`
          : `${say(most)} are on the ground`;
      const isMore = comparison === 'moreThan';
      const mended = isMore ? most - 1 : most;
      const amount = pointerOf([...path, 'amount']);
      const patch = [{ op: 'replace' as const, path: amount, value: { from: 'number', value: mended } }];
      return [
        {
          slotId: here.slot.id,
          path: pointerOf(path),
          sentence: 'The target is beyond what is placed: nobody can win.',
          reason: `It takes ${isMore ? 'more than ' : ''}${say(asked)} ${readingInWords(reading, here.names)}, and ${there}.`,
          ...(mended > 0
            ? { mend: { label: `Ask for ${isMore ? `more than ${say(mended)}` : `all ${say(most)}`}`, patch } }
            : {}),
        },
      ];
    }),
};
