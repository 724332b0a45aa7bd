import { setPin } from '@stadion/core/authoring/edits';
import type { Project } from '@stadion/core/document/model';
import { wantedAt } from '@stadion/core/document/ramps';
import {
  smoothedRates,
  SWEEP_ATTEMPTS,
  sweptValues,
  type Sweep,
  type SweepAsked,
  type SweepAxis,
  type SweepPoint,
} from '@stadion/core/forecast/tuning';
import { useState } from 'react';
import { toast } from 'sonner';
import { useColumns } from '../../columns/columns.ts';
import { useSelection } from '../../address/address.ts';
import { useEdit, usePacer, useProject } from '../../store/hooks.ts';
import { StopAndGo } from '../../answers/StopAndGo.tsx';
import { searchHook } from '../../answers/useSearch.ts';
import type { Question } from '../../answers/searchStore.ts';
import { Button, ChoiceChip, formatNumber, formatPercent, formatRemaining, NumberChip } from '../../ui/index.ts';
import { SlotRow } from '../../columns/SlotRow.tsx';

const useSweep = searchHook('sweep', (project) => project);

const NONE = '';
const VALUES = 11;
/** Fewer along each of two parameters, and over all levels. */
const FEWER = 7;
/** A rate so near to what is wanted is marked. */
const NEAR = 0.05;

interface Range {
  from: number;
  to: number;
}

/** Clear rates with one or two parameters set to values over a range, at one level or at all. */
export function SweepView() {
  const project = useProject();
  const pacer = usePacer();
  const { position } = useSelection();
  const usable = project.parameters.filter(({ ramp }) => ramp.axis === undefined);
  const search = useSweep();
  const { question, found, isRunning, isAll, pace, ask } = search;
  // As it was asked last, until something else is chosen.
  const last = question?.asked;
  const [chosen, choose] = useState<{ key?: string; besides?: string; everywhere?: boolean }>({});
  const [ranges, setRanges] = useState<Readonly<Record<string, Range>>>({});
  const {
    key = last?.axes[0]?.key ?? usable[0]?.key ?? NONE,
    besides = last?.axes[1]?.key ?? NONE,
    everywhere = last !== undefined && last.positions.length > 1,
  } = chosen;
  const find = (wanted: string) => usable.find((entry) => entry.key === wanted);
  const rangeOf = (wanted: string): Range => {
    const sane = find(wanted)?.sane ?? { min: 0, max: 1 };
    const {
      0: from = sane.min,
      length,
      [length - 1]: to = sane.max,
    } = last?.axes.find((axis) => axis.key === wanted)?.values ?? [];
    return ranges[wanted] ?? { from, to };
  };
  const second = everywhere || besides === key ? NONE : besides;
  const axisOf = (wanted: string, count: number): SweepAxis => {
    const { from, to } = rangeOf(wanted);
    return { key: wanted, values: sweptValues(from, to, count, find(wanted)?.number === 'whole') };
  };
  const start = (): void => {
    const count = second !== NONE || everywhere ? FEWER : VALUES;
    const axes = [axisOf(key, count), ...(second === NONE ? [] : [axisOf(second, count)])];
    const positions = everywhere ? project.slots.map((_, index) => index + 1) : [position];
    ask({ axes, positions });
  };
  const range = (wanted: string) => {
    const parameter = find(wanted);
    if (!parameter) return null;
    const end = (which: keyof Range) => (
      <NumberChip
        label={`${parameter.label} ${which}`}
        value={rangeOf(wanted)[which]}
        step={parameter.number === 'whole' ? 1 : (parameter.sane.max - parameter.sane.min) / 40}
        unit={parameter.unit}
        min={parameter.sane.min}
        max={parameter.sane.max}
        onCommit={(value) => setRanges({ ...ranges, [wanted]: { ...rangeOf(wanted), [which]: value } })}
      />
    );
    return (
      <>
        from {end('from')} to {end('to')}
      </>
    );
  };
  const choices = usable.map((entry) => ({ value: entry.key, label: entry.label }));
  if (usable.length === 0)
    return <p className="p-3.5 text-ink-2">There is no parameter to try: bind a number to one first.</p>;
  return (
    <div className="min-h-0 grow overflow-y-auto bg-sheet py-2.5">
      <div className="px-3.5">
        <p className="say">
          Try{' '}
          <ChoiceChip
            label="Parameter to try"
            value={key}
            choices={choices}
            onChoose={(next) => choose({ ...chosen, key: next })}
          />{' '}
          {range(key)}{' '}
          {everywhere ? null : (
            <>
              {second === NONE ? 'and' : 'against'}{' '}
              <ChoiceChip
                label="Against another parameter"
                value={second}
                choices={[{ value: NONE, label: 'no other' }, ...choices.filter(({ value }) => value !== key)]}
                onChoose={(next) => choose({ ...chosen, besides: next })}
              />{' '}
              {second === NONE ? null : range(second)}{' '}
            </>
          )}
          at{' '}
          <ChoiceChip
            label="Levels to try"
            value={everywhere ? 'all' : 'one'}
            choices={[
              { value: 'one', label: `level ${position}` },
              { value: 'all', label: 'all levels' },
            ]}
            onChoose={(next) => choose({ ...chosen, everywhere: next === 'all' })}
          />{' '}
          for {pacer.name}
        </p>
        <div className="mt-1 flex items-center gap-2">
          <Button onClick={start}>{question ? 'Try them again' : 'Try them'}</Button>
          <StopAndGo of={search} />
          {question ? (
            <span role="status" className="text-[12.5px] text-ink-3">
              {sweepInWords(project, question)}: {progressInWords(found, isRunning ? pace : null, isAll)}
            </span>
          ) : null}
        </div>
      </div>
      {question && found ? <Outcome points={found.points} asked={question.asked} /> : null}
    </div>
  );
}

/** The swept parameters and the pacer: the sentence above may have changed since. */
function sweepInWords({ parameters }: Project, { asked: { axes, positions }, pacer }: Question<'sweep'>): string {
  const names = axes.map(({ key }) => parameters.find((each) => each.key === key)?.label ?? key).join(' and ');
  const where = positions.length === 1 ? `at level ${positions[0]}` : 'at all levels';
  return `${names} ${where} for ${pacer.name}`;
}

/** @param pace attempts a second; null while it is not known, or nothing is played */
function progressInWords(found: Sweep | null, pace: number | null, isAll: boolean): string {
  if (isAll) return `${SWEEP_ATTEMPTS} attempts at each value. Click one to pin it.`;
  const { points = [], least = 0 } = found ?? {};
  const left = points.reduce((sum, { attempts }) => sum + SWEEP_ATTEMPTS - attempts, 0);
  const seconds = pace === null || left === 0 ? undefined : left / pace;
  return `${least} of ${SWEEP_ATTEMPTS} attempts at each value${formatRemaining(seconds)}`;
}

function useTake(): (values: Readonly<Record<string, number>>, position: number) => void {
  const project = useProject();
  const edit = useEdit();
  return (values, position) => {
    const slotId = project.slots[position - 1]?.id;
    if (slotId === undefined) return;
    const pins = Object.entries(values).map(([key, value]) => setPin(project, key, slotId, value));
    edit({
      label: pins
        .map(({ label }) => label)
        .join(', ')
        .slice(0, 200),
      patch: pins.flatMap(({ patch }) => patch),
    });
    toast(pins.map(({ label }) => label).join(', '));
  };
}

function Outcome({ points, asked }: { points: readonly SweepPoint[]; asked: SweepAsked }) {
  const [first, second] = asked.axes;
  if (!first) return null;
  if (asked.positions.length > 1) return <OverLevels points={points} axis={first} />;
  if (second) return <Crossed points={points} axes={[first, second]} position={asked.positions[0] ?? 1} />;
  return <Along points={points} axis={first} position={asked.positions[0] ?? 1} />;
}

const rateOf = ({ attempts, cleared }: SweepPoint): number => (attempts === 0 ? 0 : cleared / attempts);
const shade = (rate: number): string => `color-mix(in srgb, var(--win) ${Math.round(rate * 55 + 6)}%, var(--sheet))`;

/** One parameter at all levels, in the columns of the track: a row for each value. */
function OverLevels({ points, axis }: { points: readonly SweepPoint[]; axis: SweepAxis }) {
  const project = useProject();
  const columns = useColumns();
  const take = useTake();
  const parameter = project.parameters.find(({ key }) => key === axis.key);
  return (
    <div role="table" aria-label={`Clear rates by ${parameter?.label ?? axis.key}, %`} className="mt-3">
      {axis.values.map((_, row) => {
        const at = axis.values.length - 1 - row;
        const value = axis.values[at] as number;
        return (
          <SlotRow
            key={value}
            columns={columns}
            height={30}
            head={
              <span className="block pt-1 text-[12.5px]">
                {row === 0 ? `${parameter?.label ?? axis.key} ` : ''}
                <b>{formatNumber(value, 3)}</b> {parameter?.unit}
              </span>
            }
            cell={(position) => {
              const point = points.find((each) => each.position === position && each.at[0] === at);
              if (!point || point.attempts === 0) return null;
              return (
                <Cell
                  rate={rateOf(point)}
                  wanted={wantedAt(project, position)}
                  label={`Level ${position}, ${formatNumber(value, 3)}`}
                  onTake={() => take({ [axis.key]: value }, position)}
                />
              );
            }}
          />
        );
      })}
    </div>
  );
}

interface CellProps {
  rate: number;
  wanted: number | undefined;
  label: string;
  onTake: () => void;
}

/** A rate; where it is as wanted, with a frame. */
function Cell({ rate, wanted, label, onTake }: CellProps) {
  const isNear = wanted !== undefined && Math.abs(rate - wanted) <= NEAR;
  return (
    <button
      type="button"
      aria-label={`${label}: ${formatPercent(rate)}${isNear ? ', as wanted' : ''}`}
      onClick={onTake}
      className={`absolute inset-px text-[12px] tabular-nums ${isNear ? 'border-2 border-ink font-bold' : ''}`}
      style={{ background: shade(rate) }}
    >
      {Math.round(rate * 100)}
    </button>
  );
}

/** Two parameters at one level: a table with what is as wanted in frames. */
function Crossed({
  points,
  axes: [across, up],
  position,
}: {
  points: readonly SweepPoint[];
  axes: [SweepAxis, SweepAxis];
  position: number;
}) {
  const project = useProject();
  const take = useTake();
  const nameOf = (key: string): string => project.parameters.find((entry) => entry.key === key)?.label ?? key;
  const wanted = wantedAt(project, position);
  return (
    <table
      aria-label={`Clear rates at level ${position}, %`}
      className="mx-3.5 mt-3 border-separate border-spacing-0 text-[12.5px]"
    >
      <thead>
        <tr>
          <th scope="col" className="pr-3 text-left font-normal text-ink-2">
            {nameOf(up.key)} ↓ · {nameOf(across.key)} →
          </th>
          {across.values.map((value) => (
            <th key={value} scope="col" className="w-20 pb-1 text-center font-semibold">
              {formatNumber(value, 3)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {up.values.map((value, row) => (
          <tr key={value}>
            <th scope="row" className="pr-3 text-right font-semibold">
              {formatNumber(value, 3)}
            </th>
            {across.values.map((other, column) => {
              const point = points.find(({ at }) => at[0] === column && at[1] === row);
              return (
                <td key={other} className="relative h-8 w-20">
                  {point && point.attempts > 0 ? (
                    <Cell
                      rate={rateOf(point)}
                      wanted={wanted}
                      label={`${nameOf(across.key)} ${formatNumber(other, 3)}, ${nameOf(up.key)} ${formatNumber(value, 3)}`}
                      onTake={() => take({ [across.key]: other, [up.key]: value }, position)}
                    />
                  ) : null}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const [WIDTH, HEIGHT, LEFT, TOP, BASE] = [720, 280, 40, 12, 244];

/** One parameter at one level: the rate as a line with its band, what was tried as points. */
function Along({ points, axis, position }: { points: readonly SweepPoint[]; axis: SweepAxis; position: number }) {
  const project = useProject();
  const take = useTake();
  const parameter = project.parameters.find(({ key }) => key === axis.key);
  const { values } = axis;
  const [first, last] = [values[0] ?? 0, values.at(-1) ?? 1];
  const x = (value: number): number => LEFT + ((WIDTH - LEFT - 20) * (value - first)) / (last - first || 1);
  const y = (share: number): number => BASE - (BASE - TOP) * share;
  const smooth = smoothedRates(points, values);
  const wanted = wantedAt(project, position);
  const band = [
    ...smooth.map(({ value, interval }) => `${x(value)},${y(interval.high)}`),
    ...smooth.toReversed().map(({ value, interval }) => `${x(value)},${y(interval.low)}`),
  ].join(' ');
  const say = (value: number): string => `${formatNumber(value, 3)} ${parameter?.unit ?? ''}`.trim();
  return (
    <div className="px-3.5 pt-2">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full max-w-[860px]" aria-hidden>
        {[0, 0.25, 0.5, 0.75, 1].map((share) => (
          <g key={share}>
            <line x1={LEFT} x2={WIDTH - 12} y1={y(share)} y2={y(share)} stroke="var(--line)" />
            <text x={LEFT - 6} y={y(share) + 4} fontSize="11" textAnchor="end" fill="var(--ink-3)">
              {share * 100} %
            </text>
          </g>
        ))}
        <polygon points={band} fill="var(--win-soft)" />
        <polyline
          points={smooth.map(({ value, share }) => `${x(value)},${y(share)}`).join(' ')}
          fill="none"
          stroke="var(--win)"
          strokeWidth="2"
        />
        {wanted === undefined ? null : (
          <>
            <line x1={LEFT} x2={WIDTH - 12} y1={y(wanted)} y2={y(wanted)} stroke="var(--ink)" strokeDasharray="4 3" />
            <text x={LEFT + 4} y={y(wanted) + (wanted > 0.9 ? 14 : -4)} fontSize="11" fill="var(--ink-2)">
              wanted
            </text>
          </>
        )}
        {points.map((point) =>
          point.attempts === 0 ? null : (
            <circle
              key={point.at[0]}
              cx={x(values[point.at[0] as number] as number)}
              cy={y(rateOf(point))}
              r="4"
              fill="var(--win)"
            />
          ),
        )}
        {values.map((value) => (
          <text key={value} x={x(value)} y={BASE + 16} fontSize="11" textAnchor="middle" fill="var(--ink-2)">
            {formatNumber(value, 2)}
          </text>
        ))}
        <text x={(LEFT + WIDTH) / 2} y={HEIGHT - 4} fontSize="11.5" textAnchor="middle" fill="var(--ink-2)">
          {parameter?.label ?? axis.key}
          {parameter?.unit ? `, ${parameter.unit}` : ''}
        </text>
      </svg>
      <ul aria-label={`Clear rates at level ${position}`} className="mt-1 flex flex-wrap gap-1.5">
        {smooth.map(({ value, share, interval }) => (
          <li key={value}>
            <button
              type="button"
              className={`chip ${wanted !== undefined && interval.low <= wanted && wanted <= interval.high ? 'font-bold' : ''}`}
              aria-label={`Pin ${say(value)}: ${formatPercent(share)} (${formatPercent(interval.low)} to ${formatPercent(interval.high)})`}
              onClick={() => take({ [axis.key]: value }, position)}
            >
              {say(value)}: {formatPercent(share)}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
