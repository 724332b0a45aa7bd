import type { Parameter } from '@stadion/core/model';
import { readRamp } from '@stadion/core/ramps';
import { useMemo } from 'react';
import type { Columns } from '../../app/columns.ts';
import { useProject } from '../../app/hooks.ts';
import { LaneLine } from './LaneLine.tsx';
import { OpenLane } from './OpenLane.tsx';
import { laneScale } from './scale.ts';
import { marksOf, sayValue } from './words.ts';

interface Props {
  parameter: Parameter;
  columns: Columns;
  position: number;
  open: boolean;
  height: number;
}

/** Room above the line and, below it, for the numbers and the open lane's sentence. Px. */
const TOP = 14;
const BELOW_CLOSED = 24;
const BELOW_OPEN = 94;

/** The picture of a lane: selected column, tiers, cap and floor, and the line itself. */
export function LaneChart({ parameter, columns, position, open, height }: Props) {
  const project = useProject();
  const { tiers } = project;
  const { left, width, column, count, edge, shift, visible } = columns;
  const bottom = height - (open ? BELOW_OPEN : BELOW_CLOSED);
  const reading = useMemo(() => readRamp(parameter, count), [parameter, count]);
  const scale = useMemo(
    () => laneScale([reading.lowest, reading.highest], parameter.ramp, TOP, bottom),
    [reading, parameter.ramp, bottom],
  );
  const marks = useMemo(() => marksOf(project, parameter), [project, parameter]);
  const bound = { parameter, scale, left, width };
  return (
    <svg width="100%" height={height} className="absolute inset-0">
      <defs>
        <clipPath id={`lane-${parameter.key}`}>
          <rect x={left} y="0" width={width + 12} height={height} />
        </clipPath>
      </defs>
      <g clipPath={`url(#lane-${parameter.key})`}>
        <g transform={`translate(${shift})`}>
          {position > 0 ? (
            <rect x={edge(position)} y="0" width={column} height={height} fill="var(--edit-soft)" fillOpacity=".75" />
          ) : null}
          {marks.outside.map((at) => (
            <rect key={at} x={edge(at)} y="0" width={column} height={bottom} fill="var(--loss-soft)" fillOpacity=".7" />
          ))}
          {open && marks.largestJump ? (
            <path
              d={`M${edge(marks.largestJump.position) - 4} ${TOP - 9}h8l-4 6z`}
              fill="var(--mark-ink)"
              aria-hidden
            />
          ) : null}
          {tiers.map((tier) =>
            tier.from > 1 && tier.from <= count ? (
              <line key={tier.id} x1={edge(tier.from)} x2={edge(tier.from)} y1="0" y2={height} stroke="var(--line)" />
            ) : null,
          )}
        </g>
        {open ? <Bound value={parameter.ramp.atMost} at={reading.capReachedAt} word="at most" {...bound} /> : null}
        {open ? <Bound value={parameter.ramp.atLeast} at={reading.floorReachedAt} word="at least" {...bound} /> : null}
        <g transform={`translate(${shift})`}>
          {open ? (
            <OpenLane parameter={parameter} columns={columns} position={position} scale={scale} height={height} />
          ) : (
            <LaneLine
              parameter={parameter}
              visible={visible}
              column={column}
              position={position}
              scale={scale}
              numbersAt={height - 7}
            />
          )}
        </g>
      </g>
    </svg>
  );
}

interface BoundProps {
  value: number | undefined;
  at: number | undefined;
  word: 'at most' | 'at least';
  parameter: Parameter;
  scale: { y(value: number): number };
  left: number;
  width: number;
}

/** Cap or floor of a ramp. */
function Bound({ value, at, word, parameter, scale, left, width }: BoundProps) {
  if (value === undefined) return null;
  const y = scale.y(value);
  // Where the line does not run along the bound yet.
  const atLeft = at === undefined || at > 6;
  return (
    <>
      <line x1={left} x2={left + width} y1={y} y2={y} stroke="var(--ink-2)" strokeDasharray="5 4" />
      <text
        x={atLeft ? left + 4 : left + width - 4}
        y={word === 'at most' ? y - 4 : y + 12}
        fontSize="11"
        textAnchor={atLeft ? 'start' : 'end'}
        fill="var(--ink-2)"
      >
        {word} {sayValue(parameter, value)} — {at === undefined ? 'never reached' : `reached at level ${at}`}
      </text>
    </>
  );
}
