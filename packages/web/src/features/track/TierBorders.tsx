import type { Tier } from '@stadion/core/model';
import { useState } from 'react';
import type { Columns } from '../../project/columns.ts';
import { GUTTER } from '../../project/columns.ts';
import { moveTier, tierLimits } from '@stadion/core/edits';
import { useEdit, useProject } from '../../project/hooks.ts';
import { TIER_LINE, TIER_RULE } from './geometry.ts';

/** The borders between tiers, to be dragged or moved by arrow keys. */
export function TierBorders({ columns }: { columns: Columns }) {
  const { tiers } = useProject();
  return tiers
    .slice(1)
    .filter((tier) => columns.visible.includes(tier.from))
    .map((tier) => <TierBorder key={tier.id} tier={tier} columns={columns} />);
}

function TierBorder({ tier, columns }: { tier: Tier; columns: Columns }) {
  const project = useProject();
  const edit = useEdit();
  const [at, setAt] = useState<number | null>(null);
  const { min, max } = tierLimits(project, undefined, tier.id);
  const { edge, shift, positionAt } = columns;
  const from = at ?? tier.from;
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={`Border of ${tier.name}: left and right move where it begins`}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuenow={from}
      aria-valuetext={`${tier.name} begins at level ${from}`}
      title={`${tier.name} begins at level ${from}: drag to move`}
      className="absolute z-[3] w-[11px] -translate-x-1/2 cursor-ew-resize touch-none rounded-[3px] after:absolute after:inset-y-0 after:left-[4px] after:w-[3px] after:rounded after:bg-edit hover:bg-edit-soft"
      style={{ left: edge(from) + shift - GUTTER, top: TIER_RULE - 4, height: TIER_LINE - TIER_RULE + 8 }}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        event.preventDefault();
        event.stopPropagation();
        event.currentTarget.focus();
        event.currentTarget.setPointerCapture(event.pointerId);
        setAt(tier.from);
      }}
      onPointerMove={(event) => {
        // The border nearest to the pointer: half a column left of the middle that it is over.
        if (at !== null) setAt(Math.min(max, Math.max(min, Math.round(positionAt(event.clientX) + 0.5))));
      }}
      onPointerUp={() => {
        if (at !== null) edit(moveTier(project, undefined, tier.id, at));
        setAt(null);
      }}
      onKeyDown={(event) => {
        const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
        if (by === 0) return;
        event.preventDefault();
        edit(moveTier(project, undefined, tier.id, tier.from + by));
      }}
    />
  );
}
