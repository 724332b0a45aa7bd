import { pointerOf } from '../../model/index.ts';
import { resolveAmount } from '../../rules/index.ts';
import { say, type Check, type Finding } from '../finding.ts';

/** A star that asks for at least as much time left as the clock gives. */
export const starUnreachable: Check = {
  code: 'star-unreachable',
  check: (place) => {
    const { clock, stars, id } = place.level;
    if (clock.limitSeconds === null || stars.is !== 'ladder' || stars.reading !== 'timeLeft') return [];
    const limit = resolveAmount(clock.limitSeconds, place.values, place.placed);
    const found: Finding[] = [];
    let below = 0;
    stars.thresholds.forEach((threshold, index) => {
      if (threshold === null) return;
      const asked = resolveAmount(threshold, place.values, place.placed);
      if (asked < limit) {
        below = asked;
        return;
      }
      const path = pointerOf(['levels', id, 'stars', 'thresholds', index]);
      const mended = Math.round((below + limit) / 2);
      const star = '★'.repeat(index + 1);
      found.push({
        code: 'star-unreachable',
        severity: 'surely wrong',
        slotId: place.slotId,
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
