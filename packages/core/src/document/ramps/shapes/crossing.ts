/** How many places after the first one values first pass half the way from the first to the last; the middle where they never move. */
export function halfwayAfter(values: readonly number[]): number {
  const first = values[0] as number;
  const last = values.at(-1) as number;
  const half = (first + last) / 2;
  const index = values.findIndex((value) => (last > first ? value >= half : value <= half));
  return first === last || index < 1 ? (values.length - 1) / 2 : index;
}
