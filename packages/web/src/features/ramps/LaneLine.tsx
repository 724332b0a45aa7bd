import type { Parameter } from '@stadion/core/model';
import { memo } from 'react';
import { useProject } from '../../app/hooks.ts';
import { lanePoint, type LanePoint, type LaneScale } from './scale.ts';
import { sayValue } from './words.ts';

interface Props {
  parameter: Parameter;
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

/** The ramp as steps through its columns. */
export const linePath = (points: readonly LanePoint[], column: number, scale: LaneScale): string =>
  points
    .map(
      ({ position, ramp }, index) =>
        `${index === 0 ? `M${(position - 1) * column} ` : 'V'}${scale.y(ramp)}H${position * column}`,
    )
    .join('');

/** The line of a closed lane; drawn anew only when something of it changes, not while scrolling. */
export const LaneLine = memo(function LaneLine({ parameter, visible, column, position, scale, numbersAt }: Props) {
  const project = useProject();
  const points = visible.map((at) => lanePoint(project, parameter, at));
  return (
    <>
      <path d={linePath(points, column, scale)} fill="none" stroke="var(--edit)" strokeWidth="1.8" />
      {points.map((point) => (
        <g key={point.slotId}>
          <Mark point={point} x={(point.position - 0.5) * column} scale={scale} size={2.2} />
          <PointNumber
            parameter={parameter}
            point={point}
            column={column}
            selected={point.position === position}
            y={numbersAt}
          />
        </g>
      ))}
    </>
  );
});

/** A value: a dot, or a diamond hanging on the ramp where it is pinned. */
export function Mark({ point, x, scale, size }: { point: LanePoint; x: number; scale: LaneScale; size: number }) {
  const y = scale.y(point.value);
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
      fill={point.pinned ? 'var(--mark-ink)' : selected ? 'var(--edit-ink)' : 'var(--ink-2)'}
    >
      {sayValue(parameter, point.value)}
    </text>
  );
}
