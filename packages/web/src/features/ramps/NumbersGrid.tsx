import type { Parameter } from '@stadion/core/document/model';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import { toast } from 'sonner';
import { useColumns } from '../../columns/columns.ts';
import { setCells, type CellChange } from '@stadion/core/authoring/edits';
import { useCompared } from '../../readings/compared.ts';
import { useGoto, useSelection } from '../../address/address.ts';
import { useEdit, useProject } from '../../store/hooks.ts';
import { useRamps } from '../../readings/ramps.ts';
import { Button, parseNumber, Segmented } from '../../ui/index.ts';
import { CellMarks } from './cellMarks.tsx';
import { blockAsText, placedText, written } from './gridClipboard.ts';
import { GridCell, ROW_HEIGHT } from './GridCell.tsx';
import { blockOf, cellsOf, evenly, movedBy, type Cell, type Selection } from './gridSelection.ts';
import { TableImport } from './TableImport.tsx';
import { changeInWords, derivationInWords } from './scale.ts';
import { sayValue, scaleOf } from './words.ts';

const NARROWEST_COLUMN = 104;
const WIDEST_COLUMN = 156;
const NAMES_WIDTH = 188;
const HEAD_HEIGHT = 56;

/** All values as a grid to type, copy and paste in: a row per level, a column per parameter. */
export function NumbersGrid() {
  const project = useProject();
  const edit = useEdit();
  const goto = useGoto();
  const { position, projectId } = useSelection();
  const table = useRamps();
  const compared = useCompared();
  const { parameters, slots } = project;
  const box = useRef<HTMLDivElement>(null);
  const [selection, setSelection] = useState<Selection>(() => {
    const cell = { row: Math.max(0, position - 1), column: 0 };
    return { anchor: cell, focus: cell };
  });
  const [typed, setTyped] = useState<string | null>(null);
  const [shows, setShows] = useState<'values' | 'changes'>('values');
  const size = { rows: slots.length, columns: parameters.length };
  const width = useColumns().width;
  const columnWidth = Math.min(
    WIDEST_COLUMN,
    Math.max(NARROWEST_COLUMN, Math.floor(width / Math.max(1, size.columns))),
  );
  // oxlint-disable-next-line react/incompatible-library -- it keeps its own state; nothing here is memoized from it
  const rows = useVirtualizer({
    count: slots.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_HEIGHT,
    paddingStart: HEAD_HEIGHT,
    scrollPaddingStart: HEAD_HEIGHT,
    overscan: 6,
  });
  const columns = useVirtualizer({
    horizontal: true,
    count: parameters.length,
    getScrollElement: () => box.current,
    estimateSize: () => columnWidth,
    paddingStart: NAMES_WIDTH,
    scrollPaddingStart: NAMES_WIDTH,
    overscan: 2,
  });
  const { focus } = selection;
  const block = useMemo(() => blockOf(selection), [selection]);
  const valueAt = ({ row, column }: Cell): number => table.rows.get(parameters[column]?.key ?? '')?.values[row] ?? 0;

  const select = (next: Selection): void => {
    setSelection(next);
    setTyped(null);
    rows.scrollToIndex(next.focus.row);
    columns.scrollToIndex(next.focus.column);
  };
  useEffect(() => columns.measure(), [columns, columnWidth]);
  /** Does the keyboard belong to the grid? Then the focused cell takes it, also once it has scrolled into being. */
  const hasKeyboard = useRef(false);

  const change = (cells: readonly { cell: Cell; value: number | undefined }[], what: string): void => {
    const changes = cells.flatMap(({ cell, value }): CellChange[] => {
      const [parameter, slot] = [parameters[cell.column], slots[cell.row]];
      return parameter && slot ? [{ key: parameter.key, slotId: slot.id, value }] : [];
    });
    edit(setCells(project, changes, what));
  };
  const named = ({ row, column }: Cell): string => `${parameters[column]?.label ?? ''} at ${row + 1}`;
  const manyNamed = (what: string): string => {
    const { top, bottom, left, right } = block;
    const cells = (bottom - top + 1) * (right - left + 1);
    return cells === 1 ? `${what} ${named(focus)}` : `${what} ${cells} values`;
  };
  const read = (cell: Cell, text: string): number | string => {
    const parsed = parseNumber(text);
    return parsed.ok ? parsed.value / scaleOf(parameters[cell.column]!) : parsed.reason;
  };
  const commit = (move: 'ArrowDown' | 'ArrowRight' | null): void => {
    if (typed === null) return;
    const value = typed.trim() === '' ? undefined : read(focus, typed);
    if (typeof value === 'string') {
      toast(`${value} Kept: ${sayValue(parameters[focus.column]!, valueAt(focus))}.`);
      return setTyped(null);
    }
    change(
      [{ cell: focus, value }],
      value === undefined
        ? `No pin: ${named(focus)}`
        : `Set ${named(focus)} to ${sayValue(parameters[focus.column]!, value)}`,
    );
    const next = move ? movedBy(move, { shift: false, ctrl: false }, selection, size) : undefined;
    select(next ?? selection);
  };

  const fillFirst = (): void =>
    change(
      cellsOf(block).map((cell) => ({ cell, value: valueAt({ row: block.top, column: cell.column }) })),
      manyNamed('Fill with the first:'),
    );
  const fillEvenly = (): void =>
    change(
      cellsOf(block).map((cell) => ({
        cell,
        value: evenly(
          valueAt({ row: block.top, column: cell.column }),
          valueAt({ row: block.bottom, column: cell.column }),
          cell.row - block.top,
          block.bottom - block.top,
        ),
      })),
      manyNamed('Fill evenly:'),
    );
  const unpin = (): void =>
    change(
      cellsOf(block).map((cell) => ({ cell, value: undefined })),
      manyNamed('Remove pins:'),
    );

  const onKeyDown = (event: KeyboardEvent): void => {
    if (typed !== null) {
      event.stopPropagation();
      if (event.key === 'Enter') commit('ArrowDown');
      else if (event.key === 'Tab') {
        event.preventDefault();
        commit('ArrowRight');
      } else if (event.key === 'Escape') setTyped(null);
      return;
    }
    const ctrl = event.ctrlKey || event.metaKey;
    if (event.altKey && event.key === 'ArrowDown') {
      event.preventDefault();
      return fillFirst();
    }
    const next = movedBy(event.key, { shift: event.shiftKey, ctrl }, selection, size);
    if (next) {
      event.preventDefault();
      event.stopPropagation();
      return select(next);
    }
    if (ctrl || event.altKey) {
      if (ctrl && event.key.toLowerCase() === 'a') {
        event.preventDefault();
        select({ anchor: { row: 0, column: 0 }, focus: { row: size.rows - 1, column: size.columns - 1 } });
      }
      return;
    }
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      event.stopPropagation();
      return unpin();
    }
    if (event.key === 'Enter' || event.key === 'F2') {
      event.preventDefault();
      event.stopPropagation();
      return setTyped(written(valueAt(focus) * scaleOf(parameters[focus.column]!)));
    }
    if (/^[\d.,+-]$/.test(event.key)) {
      event.preventDefault();
      event.stopPropagation();
      setTyped(event.key);
    }
  };

  const onCopy = (event: ClipboardEvent): void => {
    if (typed !== null) return;
    event.preventDefault();
    const text = blockAsText(block, (cell) => written(valueAt(cell) * scaleOf(parameters[cell.column]!)));
    event.clipboardData.setData('text/plain', text);
  };
  const onPaste = (event: ClipboardEvent): void => {
    if (typed !== null) return;
    event.preventDefault();
    const { placed, outside, end } = placedText(event.clipboardData.getData('text/plain'), block, size);
    const changes: { cell: Cell; value: number }[] = [];
    for (const { cell, text } of placed) {
      const value = read(cell, text);
      if (typeof value === 'string') return void toast(`${named(cell)}: ${value} Nothing was changed.`);
      changes.push({ cell, value });
    }
    change(changes, `Paste ${changes.length} value${changes.length === 1 ? '' : 's'}`);
    if (outside > 0) toast(`${outside} pasted values lie outside the grid and were left aside.`);
    if (end) setSelection({ anchor: { row: block.top, column: block.left }, focus: end });
  };

  const cells = useMemo(() => cellsOf(block), [block]);
  const marked = useMemo(() => {
    const values = cells.map(({ row, column }) => table.rows.get(parameters[column]?.key ?? '')?.values[row] ?? 0);
    const many = `${cells.length} values marked`;
    if (block.left !== block.right) return many;
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
    const say = (value: number): string => sayValue(parameters[block.left] as Parameter, value, 3);
    return `${many}: ${say(Math.min(...values))} to ${say(Math.max(...values))}, mean ${say(mean)}`;
  }, [cells, block, table, parameters]);
  const focusInWords = (): string => {
    const parameter = parameters[focus.column];
    const row = parameter && table.rows.get(parameter.key);
    if (!row) return '';
    const say = (value: number): string => sayValue(parameter, value, 3);
    const change = changeInWords(row, focus.row + 1, say);
    const chain = derivationInWords(project, parameter, focus.row + 1, say);
    return `${named(focus)}: ${chain}${change === '' ? '' : `; ${change}`}`;
  };
  const visibleColumns = columns.getVirtualItems();
  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="flex h-9 shrink-0 items-center gap-2 border-b border-line px-3.5 text-[12.5px]">
        <Segmented
          label="The grid shows"
          value={shows}
          options={[
            { value: 'values', label: 'Values' },
            { value: 'changes', label: 'Changes in %' },
          ]}
          onChange={(value) => setShows(value as typeof shows)}
        />
        <span className="truncate text-ink-3 max-[1100px]:hidden">
          <CellMarks />
        </span>
        <span className="grow" />
        <Button onClick={fillFirst} title="Alt ↓">
          Fill with the first
        </Button>
        <Button onClick={fillEvenly}>Fill evenly</Button>
        <a className="btn" href={`/api/projects/${projectId}/files/values.csv`} download>
          CSV out
        </a>
        <TableImport />
      </div>
      <div
        ref={box}
        role="grid"
        aria-label="Numbers: levels by parameters"
        aria-rowcount={size.rows + 1}
        aria-colcount={size.columns + 1}
        aria-multiselectable
        className="relative min-h-0 grow overflow-auto bg-sheet"
        onFocus={() => (hasKeyboard.current = true)}
        onBlur={(event) => {
          // A field that goes away takes the focus with it to nowhere: the grid keeps the keyboard then.
          if (event.relatedTarget !== null) hasKeyboard.current = event.currentTarget.contains(event.relatedTarget);
        }}
        onKeyDown={onKeyDown}
        onCopy={onCopy}
        onPaste={onPaste}
      >
        <div style={{ height: rows.getTotalSize(), width: columns.getTotalSize() }}>
          <div
            role="row"
            aria-rowindex={1}
            className="sticky top-0 z-20 border-b border-line-strong bg-band"
            style={{ height: HEAD_HEIGHT, width: columns.getTotalSize() }}
          >
            <div
              role="columnheader"
              className="sticky left-0 z-10 flex h-full items-end bg-band px-3 py-1 font-[650]"
              style={{ width: NAMES_WIDTH }}
            >
              Level
            </div>
            {visibleColumns.map(({ index, start }) => {
              const parameter = parameters[index];
              if (!parameter) return null;
              return (
                <div
                  key={parameter.key}
                  role="columnheader"
                  aria-colindex={index + 2}
                  className="absolute bottom-0 px-2 py-1 text-right leading-[1.25]"
                  style={{ left: start, width: columnWidth }}
                >
                  <button
                    type="button"
                    tabIndex={-1}
                    className="line-clamp-2 w-full text-right font-[650] wrap-anywhere hover:text-edit"
                    title={`${parameter.label}: open its lane`}
                    onClick={() => goto({ lane: parameter.key })}
                  >
                    {parameter.label}
                  </button>
                  <span className="block truncate text-[11px] font-normal text-ink-3">
                    {parameter.number === 'share' ? '%' : parameter.unit || '–'}
                  </span>
                </div>
              );
            })}
          </div>
          {rows.getVirtualItems().map(({ index, start }) => {
            const slot = slots[index];
            if (!slot) return null;
            const inBlock = index >= block.top && index <= block.bottom;
            return (
              <div
                key={slot.id}
                role="row"
                aria-rowindex={index + 2}
                className={`absolute left-0 border-b border-line [contain:layout_style] ${index === position - 1 ? 'bg-edit-soft' : ''}`}
                style={{ top: start, height: ROW_HEIGHT, width: columns.getTotalSize() }}
              >
                <div
                  role="rowheader"
                  className={`sticky left-0 z-10 h-full truncate border-r border-line px-3 leading-[25px] ${index === position - 1 ? 'bg-edit-soft' : 'bg-sheet'}`}
                  style={{ width: NAMES_WIDTH }}
                >
                  <b>{index + 1}</b> {project.levels[slot.levelId]?.name}
                </div>
                {visibleColumns.map(({ index: column, start: left }) => {
                  const parameter = parameters[column];
                  const row = parameter && table.rows.get(parameter.key);
                  if (!row) return null;
                  const isFocus = focus.row === index && focus.column === column;
                  return isFocus && typed !== null ? (
                    <input
                      key={parameter.key}
                      autoFocus
                      aria-label={named(focus)}
                      className="absolute z-[5] border-2 border-edit bg-sheet px-1.5 text-right"
                      style={{ left, width: columnWidth, height: ROW_HEIGHT - 1 }}
                      value={typed}
                      onChange={(event) => setTyped(event.target.value)}
                      onBlur={() => commit(null)}
                    />
                  ) : (
                    <GridCell
                      key={parameter.key}
                      row={index}
                      column={column}
                      left={left}
                      width={columnWidth}
                      parameter={parameter}
                      values={row}
                      ghost={compared?.rows.get(parameter.key)}
                      slotId={slot.id}
                      inPercent={shows === 'changes'}
                      selected={inBlock && column >= block.left && column <= block.right}
                      focused={isFocus}
                      hasKeyboard={hasKeyboard}
                      onSelect={setSelection}
                      onEdit={() => setTyped(written((row.values[index] ?? 0) * scaleOf(parameter)))}
                    />
                  );
                })}
              </div>
            );
          })}
        </div>
      </div>
      <p
        role="status"
        className="h-6 shrink-0 truncate border-t border-line bg-sheet px-3.5 text-[12px] leading-6 text-ink-2"
      >
        {cells.length === 1 ? focusInWords() : marked}
      </p>
    </div>
  );
}
