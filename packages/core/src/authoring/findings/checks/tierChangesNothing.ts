import { pointerOf } from '../../../document/model/index.ts';
import type { RampTable } from '../../../document/ramps/index.ts';
import type { Check, Found } from '../finding.ts';

/** Values further apart than this are different. */
const SAME = 1e-9;

/** Is every parameter from one position to another what it was just before? */
function isLikeBefore({ rows }: RampTable, from: number, to: number): boolean {
  for (const { values } of rows.values()) {
    const before = values[from - 2] as number;
    for (let position = from; position <= to; position++)
      if (!(Math.abs((values[position - 1] as number) - before) <= SAME)) return false;
  }
  return true;
}

/** A tier in which every parameter is as at the last level before it. */
export const tierChangesNothing: Check<'run'> = {
  code: 'tier-changes-nothing',
  title: 'Tier that changes no number',
  group: 'ramps',
  severity: 'doubtful',
  source: 'document',
  scope: 'run',
  find({ project, table }) {
    const { slots, tiers, parameters } = project;
    if (parameters.length === 0) return [];
    return tiers.flatMap((tier, index): Found[] => {
      const to = Math.min(slots.length, (tiers[index + 1]?.from ?? Infinity) - 1);
      const first = slots[tier.from - 1];
      if (tier.from < 2 || !first || to < tier.from || !isLikeBefore(table, tier.from, to)) return [];
      const where = to === tier.from ? `At level ${to}` : `From level ${tier.from} to ${to}`;
      return [
        {
          slotId: first.id,
          path: pointerOf(['tiers', tier.id]),
          sentence: `The tier “${tier.name}” changes no number.`,
          reason: `${where} every parameter is what it is at level ${tier.from - 1}.`,
        },
      ];
    });
  },
};
