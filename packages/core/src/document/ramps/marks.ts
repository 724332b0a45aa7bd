/** Notable places along a row of values, by position from 1. */
export interface LaneMarks {
  /** The largest change from one position to the next; null where nothing changes. */
  largestJump: { position: number; by: number } | null;
  /** Positions whose value lies outside the sane range, ascending. */
  outside: number[];
  /** The longest stretch of one value, of four positions or more, in a row that moves elsewhere; null for none. */
  flat: { from: number; to: number } | null;
}

/** Shorter stretches of one value are how steps look. */
const SHORTEST_FLAT = 4;
const SAME = 1e-9;

/** Read the marks off a row of values. @param values at positions 1, 2, 3 … @param sane both ends count as inside */
export function laneMarks(values: readonly number[], sane: { min: number; max: number }): LaneMarks {
  const marks: LaneMarks = { largestJump: null, outside: [], flat: null };
  let stretchFrom = 1;
  values.forEach((value, index) => {
    const position = index + 1;
    if (value < sane.min - SAME || value > sane.max + SAME) marks.outside.push(position);
    const before = values[index - 1];
    if (before === undefined) return;
    const by = value - before;
    if (Math.abs(by) > Math.max(SAME, Math.abs(marks.largestJump?.by ?? 0) + SAME))
      marks.largestJump = { position, by };
    if (Math.abs(by) > SAME) stretchFrom = position;
    const length = position - stretchFrom + 1;
    const longest = marks.flat ? marks.flat.to - marks.flat.from + 1 : SHORTEST_FLAT - 1;
    if (length > longest) marks.flat = { from: stretchFrom, to: position };
  });
  if (!marks.largestJump) marks.flat = null;
  return marks;
}

/** A change in words and in percent of what was before. @example changeOf(2.4, 3) // { by: 0.6, share: 0.25 } */
export const changeOf = (before: number, after: number): { by: number; share: number | null } => ({
  by: after - before,
  share: Math.abs(before) < SAME ? null : (after - before) / Math.abs(before),
});
