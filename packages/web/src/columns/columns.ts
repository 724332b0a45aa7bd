import { useLayoutEffect, useMemo, useSyncExternalStore } from 'react';
import { useStore } from 'react-redux';
import { useSelection } from '../address/address.ts';
import { useAppDispatch, useAppSelector } from '../store/hooks.ts';
import type { Store } from '../store/store.ts';
import { scrolledTo } from '../store/viewSlice.ts';

/** Places of the columns of track and lanes, in px from the window's left edge. They stay the same while the columns are scrolled. */
export interface Columns {
  /** Room left of the first column, for names. */
  left: number;
  width: number;
  /** Width of one column; never narrower than readable. */
  column: number;
  /** Number of columns: one for each slot, and those past the end. */
  count: number;
  /** Number of columns that are slots. */
  slots: number;
  /** Number of columns that fit. */
  fitting: number;
  /** The columns to draw, as positions from 1: those in sight and a few more, so that the list changes seldom while scrolling. */
  visible: readonly number[];
  /** Middle and left edge of a position's column, from where the first one begins. */
  middle(position: number): number;
  edge(position: number): number;
  /** The position under a place now, which may lie between slots. */
  positionAt(x: number): number;
  /** Scrolls so that a number of columns is left of those in sight. */
  scrollTo(first: number): void;
  scrollBy(columns: number): void;
}

export const GUTTER = 184;
const RIGHT_MARGIN = 12;
const NARROWEST = 30;
const WIDEST = 90;
/** Number of columns that are added or removed at a time. */
const BLOCK = 8;

type Movable = Element & ElementCSSInlineStyle;
/** Elements that move with the columns, with the place that they are drawn from, px. */
const moved = new Map<Movable, number>();
/** The place where the first column begins, px. */
let shift: number = GUTTER;

const move = (element: Movable, from: number): void => {
  element.style.transform = `translateX(${shift - from}px)`;
};

const movedFrom =
  (from: number) =>
  (element: Movable | null): (() => void) | undefined => {
    if (!element) return undefined;
    moved.set(element, from);
    move(element, from);
    return () => {
      moved.delete(element);
    };
  };

/** A ref for a part of a picture that is drawn from where the first column begins: scrolling moves it, and draws nothing again. */
export const shifted = movedFrom(0);
/** The same for an element that begins right of the gutter. */
export const shiftedBesideGutter = movedFrom(GUTTER);

const onResize = (listener: () => void): (() => void) => {
  window.addEventListener('resize', listener);
  return () => window.removeEventListener('resize', listener);
};
const useWindowWidth = (): number => useSyncExternalStore(onResize, () => window.innerWidth);

/** Number of columns left of those in sight, which may end within a column. @param wanted number that was scrolled to */
const firstOf = ({ count, fitting }: Pick<Columns, 'count' | 'fitting'>, wanted: number): number =>
  Math.min(Math.max(0, count - fitting), Math.max(0, wanted));

/** The columns that the track and every lane share, so that eyes can go straight up. */
export function useColumns(): Columns {
  const { screen } = useSelection();
  const store = useStore() as Store;
  const slots = useAppSelector((state) => Object.keys(state.document.open?.document.slots ?? {}).length);
  const levelsPastEnd = useAppSelector((state) => state.view.levelsPastEnd);
  const count = slots + (screen === 'ramps' ? levelsPastEnd : 0);
  const dispatch = useAppDispatch();
  const width = useWindowWidth() - GUTTER - RIGHT_MARGIN;
  // Where not all fit, a whole number of them does: none is cut at the window's edge.
  const atMost = Math.max(1, Math.floor(width / NARROWEST));
  const column = Math.min(WIDEST, width / Math.max(1, Math.min(count, atMost)));
  const fitting = width / column;
  const from = useAppSelector(
    ({ view }) => Math.floor(firstOf({ count, fitting }, view.firstColumn) / BLOCK) * BLOCK + 1,
  );
  const to = useAppSelector(({ view }) =>
    Math.min(count, Math.ceil((firstOf({ count, fitting }, view.firstColumn) + fitting) / BLOCK) * BLOCK),
  );
  const visible = useMemo(
    () => Array.from({ length: Math.max(0, to - from + 1) }, (_, index) => from + index),
    [from, to],
  );
  return useMemo(() => {
    const edge = (position: number): number => (position - 1) * column;
    const first = (): number => firstOf({ count, fitting }, store.getState().view.firstColumn);
    const scrollTo = (wanted: number): void => void dispatch(scrolledTo(firstOf({ count, fitting }, wanted)));
    return {
      ...{ left: GUTTER, width, column, count, slots, fitting, visible },
      ...{ edge, scrollTo },
      middle: (position) => edge(position) + column / 2,
      positionAt: (x) => (x - GUTTER) / column + first() + 0.5,
      scrollBy: (columns) => scrollTo(first() + columns),
    };
  }, [width, column, count, slots, fitting, visible, store, dispatch]);
}

/** Number of columns left of those in sight, for what is drawn again while the columns are scrolled. */
export const useFirstColumn = (columns: Columns): number =>
  useAppSelector(({ view }) => firstOf(columns, view.firstColumn));

/** Moves the columns while they are scrolled. To be drawn once. */
export function ColumnShift({ columns }: { columns: Columns }): null {
  const now = GUTTER - useFirstColumn(columns) * columns.column;
  useLayoutEffect(() => {
    shift = now;
    for (const [element, from] of moved) move(element, from);
  }, [now]);
  return null;
}
