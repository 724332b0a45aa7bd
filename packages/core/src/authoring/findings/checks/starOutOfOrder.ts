import { pointerOf } from '../../../document/model/index.ts';
import { liveAmount } from '../../../play/rules/index.ts';
import { say, type Check } from '../finding.ts';

/** A later star of a ladder that takes less than an earlier one. */
export const starOutOfOrder: Check<'judged'> = {
  code: 'star-out-of-order',
  title: 'Stars out of order',
  group: 'stars',
  severity: 'surely wrong',
  source: 'document',
  scope: 'judged',
  find(here) {
    const { level, slot, resolving } = here;
    const { stars } = level;
    if (stars.is !== 'ladder') return [];
    const { thresholds, direction } = stars;
    if (thresholds.some((threshold) => threshold && liveAmount(threshold, resolving))) return [];
    // “Cleared is enough” takes the least.
    const nothing = direction === 'atLeast' ? Number.NEGATIVE_INFINITY : Number.POSITIVE_INFINITY;
    const asked = thresholds.map((threshold) => (threshold ? here.number(threshold) : nothing));
    const isLess = (one: number, other: number): boolean => (direction === 'atLeast' ? one < other : one > other);
    const index = asked.findIndex((value, place) => place > 0 && isLess(value, asked[place - 1] as number));
    if (index < 0) return [];
    const path = pointerOf(['levels', level.id, 'stars', 'thresholds']);
    const words = (place: number): string =>
      Number.isFinite(asked[place]) ? say(asked[place] as number) : 'no more than a win';
    const areNumbers = thresholds.every((threshold) => threshold === null || threshold.from === 'number');
    const sorted = thresholds.toSorted((one, other) => {
      const [a, b] = [one, other].map((threshold) => (threshold ? here.number(threshold) : nothing)) as [
        number,
        number,
      ];
      return a === b ? 0 : isLess(a, b) ? -1 : 1;
    });
    return [
      {
        slotId: slot.id,
        path: `${path}/${index}`,
        sentence: `${'★'.repeat(index + 1)} takes less than ${'★'.repeat(index)}.`,
        reason: `${'★'.repeat(index + 1)} takes ${words(index)}, and ${'★'.repeat(index)} ${words(index - 1)}.`,
        ...(areNumbers
          ? { mend: { label: 'Put them in order', patch: [{ op: 'replace' as const, path, value: sorted }] } }
          : {}),
      },
    ];
  },
};
