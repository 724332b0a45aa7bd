import type { Tier } from '@stadion/core/document/model';
import { shiftedBesideGutter, type Columns } from '../../columns/columns.ts';
import { useProjectPart } from '../../store/hooks.ts';
import { useTierBorder } from '../../columns/useTierBorder.ts';
import { TIER_LINE, TIER_RULE } from './geometry.ts';

/** The borders between tiers, to be dragged or moved by arrow keys. */
export function TierBorders({ columns }: { columns: Columns }) {
  const tiers = useProjectPart((project) => project.tiers);
  return tiers
    .slice(1)
    .filter((tier) => columns.visible.includes(tier.from))
    .map((tier) => <TierBorder key={tier.id} tier={tier} columns={columns} />);
}

function TierBorder({ tier, columns }: { tier: Tier; columns: Columns }) {
  const { edge, positionAt } = columns;
  const { from, handle } = useTierBorder(tier, {
    // The border nearest to the pointer: half a column left of the middle that it is over.
    placeAt: (clientX) => positionAt(clientX) + 0.5,
    step: 1,
    say: (place) => `${tier.name} begins at level ${place}`,
  });
  return (
    <div
      {...handle}
      title={`${tier.name} begins at level ${from}: drag to move`}
      className="absolute z-[3] w-[11px] cursor-ew-resize touch-none rounded-[3px] after:absolute after:inset-y-0 after:left-[4px] after:w-[3px] after:rounded after:bg-edit hover:bg-edit-soft"
      ref={shiftedBesideGutter}
      style={{
        left: edge(from) - 5.5,
        top: TIER_RULE - 4,
        height: TIER_LINE - TIER_RULE + 8,
      }}
    />
  );
}
