import type { ForecastEvent } from '@stadion/core/contract';
import { memo } from 'react';
import type { Columns } from '../../app/columns.ts';
import { useProject, useSelection } from '../../app/hooks.ts';
import { BASE, HEIGHT, isBelow, TIER_LINE, TIER_RULE, TOP, yOf } from './geometry.ts';

interface Props {
  columns: Columns;
  forecasts: ReadonlyMap<string, ForecastEvent>;
}

/** Bars, intervals, wanted marks and tier bands behind the columns' buttons. */
export function TrackChart({ columns, forecasts }: Props) {
  const project = useProject();
  const { left, width, column, count, edge, shift, visible } = columns;
  const right = Math.min(left + width, edge(count + 1) + shift);
  const tiers = project.tiers.map((tier, index) => {
    const end = project.tiers[index + 1]?.from ?? count + 1;
    return {
      ...tier,
      index,
      x1: Math.max(left, edge(tier.from) + shift),
      x2: Math.min(right, edge(Math.min(end, count + 1)) + shift),
    };
  });
  return (
    <svg width="100%" height={BASE + 48} className="absolute inset-0" aria-hidden>
      <defs>
        <pattern id="below" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="5" height="5" fill="var(--loss)" />
          <line x1="0" x2="0" y1="0" y2="5" stroke="var(--sheet)" strokeWidth="2" strokeOpacity=".55" />
        </pattern>
        <clipPath id="track-clip">
          <rect x={left} y="0" width={width + 12} height={BASE + 48} />
        </clipPath>
      </defs>
      {tiers.map((tier) =>
        tier.x2 > tier.x1 ? (
          <rect
            key={tier.id}
            x={tier.x1}
            y={TOP - 6}
            width={tier.x2 - tier.x1}
            height={HEIGHT + 10}
            fill={tier.index % 2 ? 'var(--band)' : 'var(--sheet)'}
          />
        ) : null,
      )}
      {[0, 0.5, 1].map((share) => (
        <g key={share}>
          <line x1={left} x2={left + width} y1={yOf(share)} y2={yOf(share)} stroke="var(--line)" />
          <text x={left - 6} y={yOf(share) + 4} fontSize="10.5" textAnchor="end" fill="var(--ink-3)">
            {share * 100} %
          </text>
        </g>
      ))}
      <g clipPath="url(#track-clip)">
        <g transform={`translate(${shift})`}>
          <Bars visible={visible} column={column} forecasts={forecasts} />
        </g>
        {tiers.map((tier) =>
          tier.x2 - tier.x1 > 8 ? (
            <g key={tier.id}>
              <line
                x1={tier.x1 + 2}
                x2={tier.x2 - 2}
                y1={TIER_RULE}
                y2={TIER_RULE}
                stroke="var(--ink-2)"
                strokeWidth="2"
              />
              <text x={tier.x1 + 4} y={TIER_LINE} fontSize="11" fontWeight="550" fill="var(--ink-2)">
                {tier.name}
              </text>
            </g>
          ) : null,
        )}
      </g>
    </svg>
  );
}

interface BarsProps {
  visible: readonly number[];
  column: number;
  forecasts: ReadonlyMap<string, ForecastEvent>;
}

/** Every slot's bar, interval and wanted mark; drawn anew only when they change, not while scrolling. */
const Bars = memo(function Bars({ visible, column, forecasts }: BarsProps) {
  const project = useProject();
  const { position } = useSelection();
  const bar = Math.min(22, column * 0.42);
  return (
    <>
      {visible.map((at) => {
        const slot = project.slots[at - 1];
        const entry = slot && forecasts.get(slot.id);
        const x = (at - 0.5) * column;
        const summary = entry?.summary;
        const below = summary ? isBelow(summary.clearRate, slot?.wanted) : false;
        return (
          <g key={slot?.id ?? at}>
            {at === position ? (
              <>
                <rect x={(at - 1) * column} y="2" width={column} height={BASE + 44} fill="var(--edit-soft)" />
                <rect x={(at - 1) * column} y="2" width={column} height="3" fill="var(--edit)" />
              </>
            ) : null}
            {summary ? (
              <g opacity={entry.done ? 1 : 0.45}>
                <rect
                  x={x - bar / 2}
                  y={Math.min(BASE - 2, yOf(summary.clearRate))}
                  width={bar}
                  height={Math.max(2, HEIGHT * summary.clearRate)}
                  rx="1.5"
                  fill={below ? 'url(#below)' : 'var(--win)'}
                />
                <line
                  x1={x}
                  x2={x}
                  y1={yOf(summary.interval.high)}
                  y2={yOf(summary.interval.low)}
                  stroke="var(--ink)"
                  strokeWidth="1.2"
                />
              </g>
            ) : (
              <rect x={x - bar / 2} y={BASE - 2} width={bar} height="2" fill="var(--line-strong)" />
            )}
            {slot?.wanted === undefined ? null : (
              <line
                x1={(at - 1) * column + 4}
                x2={at * column - 4}
                y1={yOf(slot.wanted)}
                y2={yOf(slot.wanted)}
                stroke="var(--ink)"
                strokeWidth="1.5"
                strokeDasharray="3 2"
              />
            )}
          </g>
        );
      })}
    </>
  );
});
