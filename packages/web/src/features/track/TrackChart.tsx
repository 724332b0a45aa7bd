import { wantedAt } from '@stadion/core/document/ramps';
import { memo } from 'react';
import { useSelection } from '../../address/address.ts';
import { useSlotForecast } from '../../answers/usePacerForecasts.ts';
import { shifted, useFirstColumn, type Columns } from '../../columns/columns.ts';
import { useRateChange, type RateChange } from '../../readings/compared.ts';
import { isBelow } from '../../readings/isBelow.ts';
import { useAppSelector, useProjectPart, useSlotIds } from '../../store/hooks.ts';
import { BASE, HEIGHT, TIER_LINE, TIER_RULE, TOP, yOf } from './geometry.ts';

/** Width of a column from which on it has room for a difference and its interval, px. */
const ROOMY = 42;

/** Bars, intervals, wanted marks and tier bands behind the columns' buttons. */
export const TrackChart = memo(function TrackChart({ columns }: { columns: Columns }) {
  const { left, width, column, slots: count, edge, visible } = columns;
  const ids = useSlotIds();
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
      <g clipPath="url(#track-clip)">
        <g ref={shifted}>
          <TierBands columns={columns} />
        </g>
      </g>
      {[0, 0.5, 1].map((share) => (
        <g key={share}>
          <line x1={left} x2={left + width} y1={yOf(share)} y2={yOf(share)} stroke="var(--line)" />
          <text x={left - 6} y={yOf(share) + 4} fontSize="10.5" textAnchor="end" fill="var(--ink-3)">
            {share * 100} %
          </text>
        </g>
      ))}
      <g clipPath="url(#track-clip)">
        <g ref={shifted}>
          <MarkedStretch edge={edge} />
          {visible.map((at) => (
            <Bar key={ids[at - 1] ?? at} slotId={ids[at - 1]} position={at} column={column} />
          ))}
          {columns.count > count ? <PastTheEnd x={edge(count + 1)} columns={columns} /> : null}
        </g>
        <TierNames columns={columns} />
      </g>
    </svg>
  );
});

/** Tiers with where they begin and end, from where the first column begins, px. */
function useTierSpans({ slots, edge }: Columns) {
  const tiers = useProjectPart((project) => project.tiers);
  return tiers.map(({ id, name, from }, index) => {
    const end = tiers[index + 1]?.from ?? slots + 1;
    return { id, name, index, from: edge(from), to: edge(Math.min(end, slots + 1)) };
  });
}

/** Every second tier is shaded. */
function TierBands({ columns }: { columns: Columns }) {
  return useTierSpans(columns).map(({ id, index, from, to }) => (
    <rect
      key={id}
      x={from}
      y={TOP - 6}
      width={Math.max(0, to - from)}
      height={HEIGHT + 10}
      fill={index % 2 ? 'var(--band)' : 'var(--sheet)'}
    />
  ));
}

/** Names of tiers: each stands at the left end of its part in sight. */
function TierNames({ columns }: { columns: Columns }) {
  const { left, width, column } = columns;
  const shift = left - useFirstColumn(columns) * column;
  return useTierSpans(columns).map(({ id, name, from, to }) => {
    const x1 = Math.max(left, from + shift);
    const x2 = Math.min(left + width, to + shift);
    if (x2 - x1 <= 8) return null;
    return (
      <g key={id}>
        <line x1={x1 + 2} x2={x2 - 2} y1={TIER_RULE} y2={TIER_RULE} stroke="var(--ink-2)" strokeWidth="2" />
        <text x={x1 + 4} y={TIER_LINE} fontSize="11" fontWeight="550" fill="var(--ink-2)">
          {name}
        </text>
      </g>
    );
  });
}

/** The levels marked for an edit of all of them. */
function MarkedStretch({ edge }: Pick<Columns, 'edge'>) {
  const stretch = useAppSelector((state) => state.view.stretch);
  if (!stretch) return null;
  const from = edge(stretch.from);
  return <rect x={from} y="2" width={edge(stretch.to + 1) - from} height={BASE + 20} fill="var(--mark-soft)" />;
}

/** Columns past the end of the sequence: no level stands there, ramps go on. */
function PastTheEnd({ x, columns }: { x: number; columns: Columns }) {
  const { column, count, slots, visible } = columns;
  return (
    <>
      <rect x={x} y="2" width={(count - slots) * column} height={BASE + 44} fill="var(--band)" />
      <line x1={x} x2={x} y1="2" y2={BASE + 44} stroke="var(--ink-2)" strokeDasharray="1 3" />
      <text x={x + 6} y={TOP + 4} fontSize="11" fill="var(--ink-2)">
        past the end
      </text>
      {visible
        .filter((at) => at > slots)
        .map((at) => (
          <text
            key={at}
            x={(at - 0.5) * column}
            y={BASE + 16}
            fontSize="12"
            fontStyle="italic"
            textAnchor="middle"
            fill="var(--ink-3)"
          >
            {at}
          </text>
        ))}
    </>
  );
}

/** The earlier clear rate, as an outline beside the bar, and the difference in points. */
function Difference({ change, x, bar, roomy }: { change: RateChange; x: number; bar: number; roomy: boolean }) {
  const { before, difference, low, high } = change;
  const points = Math.round(difference * 100);
  const sure = low > 0 || high < 0;
  return (
    <>
      <rect
        x={x - bar / 2 - 2.5}
        y={yOf(before)}
        width={bar + 5}
        height={Math.max(1, HEIGHT * before)}
        fill="none"
        stroke="var(--ink-2)"
        strokeDasharray="3 2"
      />
      <text
        x={x}
        y={TOP - 5}
        fontSize="10.5"
        textAnchor="middle"
        fontWeight={sure ? 700 : 400}
        fill={sure ? 'var(--ink)' : 'var(--ink-3)'}
      >
        {points > 0 ? '+' : points < 0 ? '−' : ''}
        {Math.abs(points)}
        {roomy ? <tspan fontWeight="400"> ± {Math.round((high - low) * 50)}</tspan> : null}
      </text>
    </>
  );
}

interface BarProps {
  /** Undefined past the end of the sequence. */
  slotId: string | undefined;
  position: number;
  column: number;
}

/** A slot's bar, interval and wanted mark. */
const Bar = memo(function Bar({ slotId, position: at, column }: BarProps) {
  const { position } = useSelection();
  const entry = useSlotForecast(slotId ?? '');
  const change = useRateChange(slotId ?? '', entry);
  const wanted = useProjectPart((project) => (slotId === undefined ? undefined : wantedAt(project, at)));
  const summary = entry?.summary;
  const below = summary ? isBelow(summary.clearRate, wanted) : false;
  const bar = Math.min(22, column * 0.42);
  const x = (at - 0.5) * column;
  return (
    <g>
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
      {change && !change.same ? <Difference change={change} x={x} bar={bar} roomy={column >= ROOMY} /> : null}
      {wanted === undefined ? null : (
        <line
          x1={(at - 1) * column + 4}
          x2={at * column - 4}
          y1={yOf(wanted)}
          y2={yOf(wanted)}
          stroke="var(--ink)"
          strokeWidth="1.5"
          strokeDasharray="3 2"
        />
      )}
    </g>
  );
});
