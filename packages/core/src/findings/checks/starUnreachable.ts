import { pointerOf } from '../../model/index.ts';
import { resolveAmount } from '../../rules/index.ts';
import { say, type Check, type Found } from '../finding.ts';

/** A star that asks for at least as much time left as the clock gives. */
export const starUnreachable: Check<'slot'> = {
  code: 'star-unreachable',
  scope: 'slot',
  find: ({ level: { clock, stars, id }, resolving: { values, placed }, slot }) => {
    if (clock.limitSeconds === null || stars.is !== 'ladder' || stars.reading !== 'timeLeft') return [];
    const limit = resolveAmount(clock.limitSeconds, values, placed);
    const found: Found[] = [];
    let below = 0;
    stars.thresholds.forEach((threshold, index) => {
      if (threshold === null) return;
      const asked = resolveAmount(threshold, values, placed);
      if (asked < limit) {
        below = asked;
        return;
      }
      const path = pointerOf(['levels', id, 'stars', 'thresholds', index]);
      const mended = Math.round((below + limit) / 2);
      const star = '★'.repeat(index + 1);
      found.push({
        slotId: slot.id,
        path,
        sentence: `${star} is out of reach.`,
        reason: `It takes ${say(asked)} s left, and the clock gives ${say(limit)} s in all.`,
        ...(mended < limit && mended > below
          ? {
              mend: {
                label: `Set to ${say(mended)} s`,
                patch: [{ op: 'replace', path, value: { from: 'number', value: mended } }],
              },
            }
          : {}),
      });
    });
    return found;
  },
};
