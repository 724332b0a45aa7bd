import type { Parameter } from '@stadion/core/document/model';
import type { RampRow } from '@stadion/core/document/ramps';
import { memo, useEffect, useRef, type RefObject } from 'react';
import { marksOfCell } from './cellMarks.tsx';
import type { Selection } from './gridSelection.ts';
import { percentChange } from './LaneTable.tsx';
import { sayValue } from './words.ts';

export const ROW_HEIGHT = 26;

interface CellProps {
  row: number;
  column: number;
  left: number;
  width: number;
  parameter: Parameter;
  values: RampRow;
  ghost: RampRow | undefined;
  slotId: string;
  /** Shows the change on the level before in place of the value. */
  inPercent: boolean;
  selected: boolean;
  focused: boolean;
  hasKeyboard: RefObject<boolean>;
  onSelect: (next: (before: Selection) => Selection) => void;
  onEdit: () => void;
}

const sameCell = (a: CellProps, b: CellProps): boolean =>
  a.parameter === b.parameter &&
  a.values === b.values &&
  a.ghost === b.ghost &&
  a.slotId === b.slotId &&
  a.inPercent === b.inPercent &&
  a.left === b.left &&
  a.width === b.width &&
  a.selected === b.selected &&
  a.focused === b.focused &&
  a.row === b.row &&
  a.column === b.column;

/** One value; drawn again only when it, its marks or its selection change. */
export const GridCell = memo(function GridCell(props: CellProps) {
  const { row, column, left, width, parameter, values, ghost, slotId, inPercent } = props;
  const { selected, focused, hasKeyboard, onSelect, onEdit } = props;
  const { said, sign, changed, outside } = marksOfCell(parameter, values, row, slotId, ghost);
  const text = inPercent ? percentChange(values, row) : sayValue(parameter, values.values[row] ?? 0);
  const cell = { row, column };
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (focused && hasKeyboard.current) box.current?.focus({ preventScroll: true });
  }, [focused, hasKeyboard]);
  return (
    <div
      role="gridcell"
      aria-colindex={column + 2}
      aria-selected={selected}
      ref={box}
      title={said === '' ? undefined : said}
      tabIndex={focused ? 0 : -1}
      className={`absolute top-0 cursor-cell px-2 text-right leading-[25px] outline-none select-none ${selected ? 'bg-edit-soft' : changed ? 'bg-mark-soft' : ''} ${focused ? 'ring-2 ring-edit ring-inset' : ''} ${sign === '◆' ? 'font-bold text-mark-ink' : outside ? 'font-semibold text-loss' : ''}`}
      style={{ left, width, height: ROW_HEIGHT - 1 }}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        const { shiftKey } = event;
        onSelect((before) => ({ anchor: shiftKey ? before.anchor : cell, focus: cell }));
        event.currentTarget.focus();
      }}
      onPointerEnter={(event) => {
        if (event.buttons === 1) onSelect((before) => ({ ...before, focus: cell }));
      }}
      onDoubleClick={onEdit}
    >
      {sign === '' ? null : <span className="float-left text-[10.5px] font-normal text-ink-3">{sign}</span>}
      {text}
    </div>
  );
}, sameCell);
