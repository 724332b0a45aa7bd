import { pointerOf } from '../../../document/model/index.ts';
import type { Check, Found } from '../finding.ts';

/** A tier that begins after the last level. */
export const tierWithoutLevel: Check<'run'> = {
  code: 'tier-without-level',
  title: 'Tier without a level',
  group: 'ramps',
  severity: 'doubtful',
  source: 'document',
  scope: 'run',
  find({ project }) {
    const { slots, tiers } = project;
    const last = slots.at(-1);
    if (!last) return [];
    return tiers.flatMap((tier, index): Found[] =>
      tier.from <= slots.length
        ? []
        : [
            {
              slotId: last.id,
              path: pointerOf(['tiers', tier.id]),
              sentence: `The tier “${tier.name}” has no level.`,
              reason: `It begins at ${tier.from}, and the sequence ends at ${slots.length}${index === 0 ? '' : `; “${tiers[index - 1]?.name ?? ''}” goes on to the end`}.`,
            },
          ],
    );
  },
};
