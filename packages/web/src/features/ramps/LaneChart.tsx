import type { Parameter, Project } from '@stadion/core/document/model';
import { readRamp, withoutNumber, type RampRow, type Stretch } from '@stadion/core/document/ramps';
import { useMemo } from 'react';
import { shifted, type Columns } from '../../columns/columns.ts';
import { useProject } from '../../store/hooks.ts';
import { GhostLine, LaneLine } from './LaneLine.tsx';
import { OpenLane } from './OpenLane.tsx';
import { laneScale } from './scale.ts';
import { marksOf, sayValue } from './words.ts';

/** The parts of a project that a lane's picture shows. */
export type LaneProject = Pick<Project, 'slots' | 'tiers'>;

interface Props {
  project: LaneProject;
  parameter: Parameter;
  row: RampRow;
  /** The same parameter where it is compared with. */
  ghost: RampRow | undefined;
  /** Preview of the edit that is being made. */
  proposed: RampRow | undefined;
  columns: Columns;
  position: number;
  stretch: Stretch | null;
  open: boolean;
  height: number;
  /** Height of the parts below the open lane's line, px. */
  below: number;
  dimmed: boolean;
}

/** Room above the line and, below it, for the numbers. Px. */
const TOP = 14;
const BELOW_CLOSED = 24;

/** The picture of a lane: selected column, tiers, cap and floor, and the line itself. */
export function LaneChart(props: Props) {
  const { project, parameter, row, ghost, proposed, columns, position, stretch, open, height, below, dimmed } = props;
  const { slots, tiers } = project;
  const { left, width, column, count, edge, visible } = columns;
  const bottom = height - (open ? below : BELOW_CLOSED);
  // The open lane's sentence stands below its picture.
  const drawn = open ? bottom + 26 : height;
  const reading = useMemo(() => readRamp(parameter.ramp, row), [parameter.ramp, row]);
  const scale = useMemo(() => {
    const extra = [ghost, proposed].flatMap((other) => (other ? [...other.values] : []));
    return laneScale([reading.lowest, reading.highest, ...extra], parameter.ramp, TOP, bottom);
  }, [reading, ghost, proposed, parameter.ramp, bottom]);
  const marks = useMemo(() => marksOf(parameter, row, slots.length), [parameter, row, slots.length]);
  const bound = { parameter, scale, left, width };
  const clip = `lane-${parameter.key}`;
  return (
    <svg width="100%" height={height} className="absolute inset-0">
      <defs>
        <clipPath id={clip}>
          <rect x={left} y="0" width={width + 12} height={height} />
        </clipPath>
      </defs>
      <g clipPath={`url(#${clip})`}>
        <g ref={shifted}>
          {position > 0 ? (
            <rect x={edge(position)} y="0" width={column} height={drawn} fill="var(--edit-soft)" fillOpacity=".75" />
          ) : null}
          {marks.outside.map((at) => (
            <rect key={at} x={edge(at)} y="0" width={column} height={bottom} fill="var(--loss-soft)" fillOpacity=".7" />
          ))}
          {open ? <NoNumber parameter={parameter} columns={columns} height={bottom} /> : null}
          {open && stretch ? <StretchBand stretch={stretch} edge={edge} height={drawn} /> : null}
          {count > slots.length ? <PastTheEnd x1={edge(slots.length + 1)} x2={edge(count + 1)} height={drawn} /> : null}
          {open && marks.largestJump ? (
            <path
              d={`M${edge(marks.largestJump.position) - 4} ${TOP - 9}h8l-4 6z`}
              fill="var(--mark-ink)"
              aria-hidden
            />
          ) : null}
          {tiers.map((tier) =>
            tier.from > 1 && tier.from <= count ? (
              <line key={tier.id} x1={edge(tier.from)} x2={edge(tier.from)} y1="0" y2={drawn} stroke="var(--line)" />
            ) : null,
          )}
        </g>
        {open ? <Bound value={parameter.ramp.atMost} at={reading.capReachedAt} word="at most" {...bound} /> : null}
        {open ? <Bound value={parameter.ramp.atLeast} at={reading.floorReachedAt} word="at least" {...bound} /> : null}
        <g ref={shifted}>
          {ghost ? <GhostLine values={ghost.values} visible={visible} column={column} scale={scale} /> : null}
          {proposed ? (
            <GhostLine values={proposed.values} visible={visible} column={column} scale={scale} bold />
          ) : null}
          {open ? (
            <OpenLane
              parameter={parameter}
              row={row}
              columns={columns}
              position={position}
              scale={scale}
              height={bottom + 24}
              dimmed={dimmed}
            />
          ) : (
            <LaneLine
              parameter={parameter}
              slots={slots}
              row={row}
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

/** Levels at which a formula gives no number: what stands there is an end of the sane range. */
function NoNumber({ parameter, columns, height }: { parameter: Parameter; columns: Columns; height: number }) {
  const project = useProject();
  const broken = useMemo(() => withoutNumber(project, parameter), [project, parameter]);
  const { column, edge, middle } = columns;
  return broken.map((at) => (
    <g key={at}>
      <rect x={edge(at)} y="0" width={column} height={height} fill="var(--loss-soft)" fillOpacity=".7" />
      <text x={middle(at)} y={height - 4} fontSize="11" fontWeight="700" textAnchor="middle" fill="var(--loss)">
        ?
      </text>
    </g>
  ));
}

/** The levels marked for an edit of all of them. */
function StretchBand({ stretch, edge, height }: { stretch: Stretch; edge: (at: number) => number; height: number }) {
  const x = edge(stretch.from);
  const width = edge(stretch.to + 1) - x;
  return (
    <>
      <rect x={x} y="0" width={width} height={height} fill="var(--mark-soft)" fillOpacity=".6" />
      <path d={`M${x} 0V${height}M${x + width} 0V${height}`} stroke="var(--mark-ink)" strokeWidth="1.2" />
    </>
  );
}

/** Columns that no level stands in. */
function PastTheEnd({ x1, x2, height }: { x1: number; x2: number; height: number }) {
  return (
    <>
      <rect x={x1} y="0" width={x2 - x1} height={height} fill="var(--band)" />
      <line x1={x1} x2={x1} y1="0" y2={height} stroke="var(--ink-2)" strokeDasharray="1 3" />
    </>
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
