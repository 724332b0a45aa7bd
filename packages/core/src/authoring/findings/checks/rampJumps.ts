import { pointerOf } from '../../../document/model/index.ts';
import { say, type Check } from '../finding.ts';
import { isOnPurpose, rowOf, withUnit } from '../rampFacts.ts';

/** A change from one level to the next that is more than this share of the sane range is a jump. */
const SHARE = 0.1;

/** A shorter sequence has to take large steps. */
const LEAST_LEVELS = 8;

/** Shapes that step on purpose. */
const STEPPED: ReadonlySet<string> = new Set(['steps', 'tiers', 'hold']);

/** A ramp that jumps from one level to the next, where it does not step on purpose. */
export const rampJumps: Check<'parameter'> = {
  code: 'ramp-jumps',
  title: 'Jumps between two levels',
  group: 'ramps',
  severity: 'doubtful',
  source: 'document',
  scope: 'parameter',
  find(facts) {
    const { parameter } = facts;
    const { sane, label, key, unit, number, ramp } = parameter;
    const row = rowOf(facts);
    const between = ramp.shape.type === 'points' ? ramp.shape.between : undefined;
    if (!row || row.ramp.length < LEAST_LEVELS || STEPPED.has(ramp.shape.type) || between === 'hold') return [];
    // The least step that rounding, or whole numbers, allow is no jump.
    const least = Math.max(ramp.roundTo ?? 0, number === 'whole' ? 1 : 0, SHARE * (sane.max - sane.min)) + 1e-9;
    let largest = { position: 0, by: 0 };
    row.ramp.forEach((value, index) => {
      const position = index + 1;
      if (index === 0 || isOnPurpose(facts, position) || isOnPurpose(facts, index)) return;
      const by = value - (row.ramp[index - 1] as number);
      if (Math.abs(by) > least && Math.abs(by) > Math.abs(largest.by)) largest = { position, by };
    });
    if (largest.position === 0) return [];
    const { position, by } = largest;
    return [
      {
        slotId: row.slotId(position),
        path: pointerOf(['parameters', key, 'ramp']),
        sentence: `${label} jumps at level ${position}.`,
        reason: `It goes from ${say(row.ramp[position - 2] as number)} to ${withUnit(say(row.ramp[position - 1] as number), unit)}: ${say((100 * Math.abs(by)) / (sane.max - sane.min))} % of its sane range in one level.`,
      },
    ];
  },
};
