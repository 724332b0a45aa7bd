import { dropOwnWanted, setWanted, setWantedLine, wantedLineAs } from '@stadion/core/authoring/edits';
import type { ShapeType } from '@stadion/core/document/model';
import { numberOf, sequenceContext, shapeFields, SHAPES, wantedAt, withNumber } from '@stadion/core/document/ramps';
import type { KeyboardEvent, PointerEvent } from 'react';
import { useColumns } from '../../columns/columns.ts';
import { useGoto, useSelection } from '../../address/address.ts';
import { useEdit, useProject } from '../../store/hooks.ts';
import { usePacerForecasts } from '../../answers/usePacerForecasts.ts';
import { Button, ChoiceChip, formatPercent, NumberChip, useDragged, type NumberLimits } from '../../ui/index.ts';
import { FIELD_LIMITS } from '../../readings/fieldLimits.ts';
import { FitPanel } from './FitPanel.tsx';
import { SelectedColumn, SlotRow } from '../../columns/SlotRow.tsx';

/** Range of a number of the line: a clear rate, or an addition to one. */
const SHARE: NumberLimits = { step: 0.01, scale: 100, unit: '%', min: -1, max: 1 };
const HEIGHT = 150;
const [TOP, BASE] = [10, 140];
const yOf = (share: number): number => BASE - (BASE - TOP) * share;
const shareAt = (y: number): number => Math.min(1, Math.max(0, (BASE - y) / (BASE - TOP)));
const points = (share: number): number => Math.round(share * 100) / 100;

/** Wanted clear rates of all levels: a line of any shape, and values of single levels; and turning the ramps to it. */
export function WantedView() {
  const project = useProject();
  const columns = useColumns();
  const { position } = useSelection();
  const forecasts = usePacerForecasts();
  const own = project.slots.filter(({ wanted }) => wanted !== undefined).length;
  const edit = useEdit();
  const drop = dropOwnWanted(project);
  return (
    <div className="min-h-0 grow overflow-y-auto bg-sheet">
      <div className="px-3.5 pt-2.5">
        <Line />
        {project.wantedLine && drop ? (
          <p className="text-[12.5px] text-ink-2">
            {own} level{own === 1 ? ' says its' : 's say their'} own (◆).{' '}
            <button type="button" className="link" onClick={() => edit(drop)}>
              Let the line say all
            </button>
          </p>
        ) : null}
      </div>
      <div role="table" aria-label="Wanted clear rates" className="relative">
        <SelectedColumn columns={columns} position={position} />
        <SlotRow
          columns={columns}
          height={HEIGHT}
          head={
            <>
              <b className="block text-[13px]">Wanted</b>
              <span className="block text-[12px] text-ink-3">
                drag a mark, or ↑ ↓ on it; Delete: as the line says. Bars: what is forecast now
              </span>
            </>
          }
          cell={(at) => {
            const slot = project.slots[at - 1];
            return slot ? (
              <Handle key={slot.id} position={at} rate={forecasts.get(slot.id)?.summary?.clearRate} />
            ) : null;
          }}
        />
      </div>
      <FitPanel />
    </div>
  );
}

/** The line’s shape, and its numbers. */
function Line() {
  const project = useProject();
  const edit = useEdit();
  const { wantedLine } = project;
  const choices = [
    { value: 'none', label: 'no line' },
    ...Object.values(SHAPES).flatMap(({ type, label }) => (type === 'formula' ? [] : [{ value: type, label }])),
  ];
  const choose = (value: string): void =>
    edit(
      setWantedLine(
        project,
        value === 'none' ? undefined : wantedLineAs(project, value as Exclude<ShapeType, 'formula'>),
      ),
    );
  const shape = wantedLine?.shape;
  const context = sequenceContext(project);
  return (
    <p className="say">
      Wanted clear rates follow{' '}
      <ChoiceChip
        label="Line of wanted clear rates"
        value={shape?.type ?? 'none'}
        choices={choices}
        onChoose={choose}
      />{' '}
      {shape
        ? shapeFields(shape, context).map((field) => (
            <span key={`${field.of ?? ''} ${field.name}`}>
              {field.before}{' '}
              <NumberChip
                {...FIELD_LIMITS[field.measure](SHARE)}
                label={`Line: ${field.before} ${field.name}`}
                value={numberOf({ shape }, field, context)}
                onCommit={(value) =>
                  edit(setWantedLine(project, { ...wantedLine, shape: withNumber(shape, field, value) }))
                }
              />{' '}
              {field.after}{' '}
            </span>
          ))
        : null}
      {shape?.type === 'points' ? `through ${shape.points.length} points` : ''}
      {!wantedLine && project.slots.every(({ wanted }) => wanted === undefined) ? (
        <Button onClick={() => choose('points')}>Draw one from easy to hard</Button>
      ) : null}
    </p>
  );
}

/** The mark of one level: dragged, or moved by keys. */
function Handle({ position, rate }: { position: number; rate: number | undefined }) {
  const project = useProject();
  const edit = useEdit();
  const goto = useGoto();
  const [dragged, drag] = useDragged<number>();
  const slot = project.slots[position - 1];
  const wanted = dragged ?? wantedAt(project, position);
  if (!slot) return null;
  const put = (share: number | undefined): void => {
    const command = setWanted(project, slot.id, share);
    if (command) edit(command);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = event.key === 'ArrowUp' ? 0.01 : event.key === 'ArrowDown' ? -0.01 : 0;
    if (by !== 0) {
      event.preventDefault();
      put(points(Math.min(1, Math.max(0, (wanted ?? 0.8) + by * (event.shiftKey ? 10 : 1)))));
    } else if (event.key === 'Delete') put(undefined);
    else if (event.key === 'Enter') goto({ slotId: slot.id });
  };
  const shareUnder = (event: PointerEvent<HTMLElement>): number =>
    points(shareAt(event.clientY - event.currentTarget.getBoundingClientRect().top));
  const isOwn = slot.wanted !== undefined;
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={`Wanted at ${position} ${project.levels[slot.levelId]?.name ?? ''}`}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={wanted === undefined ? 0 : Math.round(wanted * 100)}
      aria-valuetext={
        wanted === undefined ? 'nothing wanted' : `${formatPercent(wanted)}, ${isOwn ? 'its own' : 'by the line'}`
      }
      className="absolute inset-0 cursor-ns-resize touch-none"
      onKeyDown={onKeyDown}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        drag.set(shareUnder(event));
      }}
      onPointerMove={(event) => {
        if (drag.now() !== null) drag.set(shareUnder(event));
      }}
      onPointerUp={() => {
        const share = drag.now();
        if (share !== null) put(share);
        drag.set(null);
      }}
    >
      <svg
        width="100%"
        height={HEIGHT}
        viewBox={`0 0 40 ${HEIGHT}`}
        preserveAspectRatio="none"
        className="absolute inset-0"
        aria-hidden
      >
        {rate === undefined ? null : (
          <rect x="12" width="16" y={yOf(rate)} height={BASE - yOf(rate)} fill="var(--win-3)" fillOpacity="0.55" />
        )}
        <line x1="0" x2="40" y1={BASE} y2={BASE} stroke="var(--line-strong)" vectorEffect="non-scaling-stroke" />
        {wanted === undefined ? null : (
          <line
            x1="2"
            x2="38"
            y1={yOf(wanted)}
            y2={yOf(wanted)}
            stroke="var(--ink)"
            strokeWidth="2"
            vectorEffect="non-scaling-stroke"
          />
        )}
      </svg>
      {wanted === undefined ? null : (
        <span
          className="pointer-events-none absolute inset-x-0 text-center text-[11px] font-semibold"
          style={{ top: Math.max(0, yOf(wanted) - 15) }}
        >
          {isOwn && project.wantedLine ? '◆' : ''}
          {Math.round(wanted * 100)}
        </span>
      )}
    </div>
  );
}
