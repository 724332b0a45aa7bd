import { useEffect, useMemo, useState } from 'react';
import { useSelection } from '../address/address.ts';
import { useAppDispatch, useAppSelector } from '../store/hooks.ts';
import { scrolledTo } from '../store/viewSlice.ts';

/** Where the columns of track and lanes stand, in px from the window's left edge. */
export interface Columns {
  /** Room left of the first column, for names. */
  left: number;
  width: number;
  /** Width of one column; never narrower than readable. */
  column: number;
  /** Columns there are: a slot each, and those past the end. */
  count: number;
  /** How many of them are slots. */
  slots: number;
  /** How many columns fit. */
  fitting: number;
  /** Columns left of the first one in sight; may be part of one. */
  first: number;
  /** The columns to draw, as positions from 1: those in sight and a few more, so that the list changes seldom while scrolling. */
  visible: readonly number[];
  /** Where the first slot's column begins; what is drawn at `edge` and `middle` is moved by this. */
  shift: number;
  /** Middle and left edge of a position's column, from where the first one begins. */
  middle(position: number): number;
  edge(position: number): number;
  /** The position under a place, which may lie between slots. */
  positionAt(x: number): number;
  scrollTo(first: number): void;
}

export const GUTTER = 184;
const RIGHT_MARGIN = 12;
const NARROWEST = 30;
const WIDEST = 90;
/** Number of columns that are added or removed at a time. */
const BLOCK = 8;

function useWindowWidth(): number {
  const [width, setWidth] = useState(() => window.innerWidth);
  useEffect(() => {
    const measure = (): void => setWidth(window.innerWidth);
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, []);
  return width;
}

/** The columns that the track and every lane share, so that eyes can go straight up. */
export function useColumns(): Columns {
  const { screen } = useSelection();
  const slots = useAppSelector((state) => Object.keys(state.document.open?.document.slots ?? {}).length);
  const levelsPastEnd = useAppSelector((state) => state.view.levelsPastEnd);
  const count = slots + (screen === 'ramps' ? levelsPastEnd : 0);
  const wanted = useAppSelector((state) => state.view.firstColumn);
  const dispatch = useAppDispatch();
  const width = useWindowWidth() - GUTTER - RIGHT_MARGIN;
  // Where not all fit, a whole number of them does: none is cut at the window's edge.
  const atMost = Math.max(1, Math.floor(width / NARROWEST));
  const column = Math.min(WIDEST, width / Math.max(1, Math.min(count, atMost)));
  const fitting = width / column;
  const most = Math.max(0, count - fitting);
  const first = Math.min(most, Math.max(0, wanted));
  const from = Math.floor(first / BLOCK) * BLOCK + 1;
  const to = Math.min(count, Math.ceil((first + fitting) / BLOCK) * BLOCK);
  const visible = useMemo(
    () => Array.from({ length: Math.max(0, to - from + 1) }, (_, index) => from + index),
    [from, to],
  );
  return useMemo(() => {
    const edge = (position: number): number => (position - 1) * column;
    return {
      left: GUTTER,
      width,
      column,
      count,
      slots,
      fitting,
      first,
      visible,
      shift: GUTTER - first * column,
      edge,
      middle: (position) => edge(position) + column / 2,
      positionAt: (x) => (x - GUTTER) / column + first + 0.5,
      scrollTo: (to) => dispatch(scrolledTo(Math.min(most, Math.max(0, to)))),
    };
  }, [width, column, count, slots, fitting, first, visible, most, dispatch]);
}
