import type { Parameter, Project } from '@stadion/core/document/model';
import type { RampRow } from '@stadion/core/document/ramps';
import { memo } from 'react';
import { lanePoint, type LanePoint, type LaneScale } from './scale.ts';
import { sayValue } from './words.ts';

interface Props {
  parameter: Parameter;
  slots: Project['slots'];
  row: RampRow;
  visible: readonly number[];
  column: number;
  /** The selected slot's. */
  position: number;
  scale: LaneScale;
  /** Where the numbers stand, px from the top. */
  numbersAt: number;
}

/** Narrower columns have no room for a number. */
const NUMBERS_FROM = 26;

/** A row of values as steps through their columns. */
export const stepsPath = (
  values: ArrayLike<number>,
  visible: readonly number[],
  column: number,
  scale: LaneScale,
): string =>
  visible
    .map((at, index) => `${index === 0 ? `M${(at - 1) * column} ` : 'V'}${scale.y(values[at - 1] ?? 0)}H${at * column}`)
    .join('');

/** The line of a closed lane; drawn again only when something of it changes, not while scrolling. */
export const LaneLine = memo(function LaneLine({
  parameter,
  slots,
  row,
  visible,
  column,
  position,
  scale,
  numbersAt,
}: Props) {
  return (
    <>
      <path d={stepsPath(row.ramp, visible, column, scale)} fill="none" stroke="var(--edit)" strokeWidth="1.8" />
      {visible.map((at) => {
        const point = lanePoint(slots, parameter, row, at);
        return (
          <g key={at}>
            <Mark point={point} x={(at - 0.5) * column} scale={scale} size={2.2} />
            <PointNumber parameter={parameter} point={point} column={column} selected={at === position} y={numbersAt} />
          </g>
        );
      })}
    </>
  );
});

/** The values of what is compared with, or would be, behind the line. */
export function GhostLine({
  values,
  visible,
  column,
  scale,
  bold = false,
}: {
  values: ArrayLike<number>;
  visible: readonly number[];
  column: number;
  scale: LaneScale;
  bold?: boolean;
}) {
  return (
    <path
      d={stepsPath(values, visible, column, scale)}
      className="ghost-line"
      fill="none"
      stroke={bold ? 'var(--mark-ink)' : 'var(--ink-3)'}
      strokeWidth={bold ? 2 : 1.6}
      strokeDasharray="5 3"
    />
  );
}

/** A value: a dot, or a diamond hanging on the ramp where it is pinned; a ring past the end. */
export function Mark({ point, x, scale, size }: { point: LanePoint; x: number; scale: LaneScale; size: number }) {
  const y = scale.y(point.value);
  if (point.slotId === '') return <circle cx={x} cy={y} r={size} fill="var(--sheet)" stroke="var(--edit)" />;
  if (!point.pinned) return <circle cx={x} cy={y} r={size} fill="var(--edit)" />;
  const half = size * 1.5;
  return (
    <>
      <line x1={x} x2={x} y1={scale.y(point.ramp)} y2={y} stroke="var(--mark-ink)" strokeDasharray="2 2" />
      <rect
        x={x - half}
        y={y - half}
        width={half * 2}
        height={half * 2}
        transform={`rotate(45 ${x} ${y})`}
        fill="var(--mark)"
        stroke="var(--mark-ink)"
      />
    </>
  );
}

/** The number of a point, in its column. */
export function PointNumber({
  parameter,
  point,
  column,
  selected,
  y,
}: {
  parameter: Parameter;
  point: LanePoint;
  column: number;
  selected: boolean;
  y: number;
}) {
  if (column < NUMBERS_FROM) return null;
  return (
    <text
      x={(point.position - 0.5) * column}
      y={y}
      fontSize="10.5"
      textAnchor="middle"
      fontWeight={point.pinned || selected ? 700 : 400}
      fontStyle={point.slotId === '' ? 'italic' : 'normal'}
      fill={point.pinned ? 'var(--mark-ink)' : selected ? 'var(--edit-ink)' : 'var(--ink-2)'}
    >
      {sayValue(parameter, point.value)}
    </text>
  );
}
