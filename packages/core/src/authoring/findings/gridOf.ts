import { memoizeByObject } from '../../basics/memo/index.ts';
import { makeGrid, type Grid } from '../../play/grid/index.ts';

/** Cells by rows of ground, made once. */
export const gridOf = memoizeByObject((rows: readonly string[]): Grid => makeGrid(rows));
