import { memo, useEffect, useRef, type PointerEvent } from 'react';
import { useStore } from 'react-redux';
import { useSelection } from '../../address/address.ts';
import { useKeepPacerForecasts } from '../../answers/usePacerForecasts.ts';
import { ColumnShift, GUTTER, useColumns, useFirstColumn, type Columns } from '../../columns/columns.ts';
import { useAppDispatch } from '../../store/hooks.ts';
import type { Store } from '../../store/store.ts';
import { stretchMarked } from '../../store/viewSlice.ts';
import { BASE } from './geometry.ts';
import { Overview } from './Overview.tsx';
import { TierBorders } from './TierBorders.tsx';
import { TrackChart } from './TrackChart.tsx';
import { TrackColumns } from './TrackColumns.tsx';
import { TrackGutter } from './TrackGutter.tsx';

const TRACK_HEIGHT = 142;

/** The selected column comes into sight when the selection moves, not when somebody scrolls away from it. */
function SelectionInSight({ columns }: { columns: Columns }): null {
  const { position } = useSelection();
  const { fitting, scrollTo } = columns;
  const first = useFirstColumn(columns);
  const shown = useRef(0);
  useEffect(() => {
    if (shown.current === position || position === 0) return;
    shown.current = position;
    if (position - 1 < first) scrollTo(position - 2);
    else if (position > first + fitting) scrollTo(position - fitting + 1);
  }, [position, first, fitting, scrollTo]);
  return null;
}

/** Handlers with which a drag over the bars marks a stretch of levels; a click goes to one. */
function useMarking(columns: Columns) {
  const store = useStore() as Store;
  const dispatch = useAppDispatch();
  const marking = useRef<number | null>(null);
  const columnUnder = (event: PointerEvent): number =>
    Math.min(columns.slots, Math.max(1, Math.round(columns.positionAt(event.clientX))));
  const isOverBars = (event: PointerEvent<HTMLElement>): boolean =>
    event.clientY - event.currentTarget.getBoundingClientRect().top < BASE;
  const stretch = () => store.getState().view.stretch;
  return {
    onPointerDown: (event: PointerEvent<HTMLElement>): void => {
      if (event.button === 0 && isOverBars(event)) marking.current = columnUnder(event);
    },
    onPointerMove: (event: PointerEvent): void => {
      const from = marking.current;
      const to = columnUnder(event);
      if (from === null || event.buttons !== 1) return void (marking.current = null);
      if (to !== from || stretch()?.from === from) dispatch(stretchMarked({ from, to }));
    },
    onPointerUp: (event: PointerEvent): void => {
      if (marking.current === columnUnder(event) && stretch()) dispatch(stretchMarked(null));
      marking.current = null;
    },
  };
}

/** The sequence, one column per slot, on top of every screen. */
export const Track = memo(function Track() {
  const columns = useColumns();
  const marking = useMarking(columns);
  useKeepPacerForecasts();
  const scrolls = columns.count > columns.fitting;
  return (
    <section
      aria-label="Sequence"
      className="relative shrink-0 overflow-hidden border-b border-line-strong bg-sheet"
      style={{ height: TRACK_HEIGHT + (scrolls ? 16 : 0) }}
      onWheel={(event) => scrolls && columns.scrollBy((event.deltaX + event.deltaY) / columns.column)}
    >
      <ColumnShift columns={columns} />
      <SelectionInSight columns={columns} />
      <TrackChart columns={columns} />
      {/* Columns scrolled out of sight must not reach into the gutter. */}
      <div className="absolute inset-y-0 right-0 overflow-hidden" style={{ left: GUTTER }} {...marking}>
        <TrackColumns columns={columns} />
        <TierBorders columns={columns} />
      </div>
      <TrackGutter />
      {scrolls ? <Overview columns={columns} top={TRACK_HEIGHT} /> : null}
    </section>
  );
});
