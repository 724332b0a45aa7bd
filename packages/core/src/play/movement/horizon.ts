import type { Figure } from '../attempt/index.ts';

/** Between two lines that tell how high something is. Units. */
const LINE_EVERY = 5;
/** The horizon, by which a side view is known: shares across and up. */
const HILLS = [
  [0, 0.22],
  [0.2, 0.3],
  [0.42, 0.2],
  [0.7, 0.33],
  [1, 0.24],
] as const;

/** Width after which the hills of a growing ground repeat, so that more ground does not move them. Units. */
const HILLS_EVERY = 40;

const linesUp = (width: number, height: number): Figure[] =>
  Array.from({ length: Math.ceil(height / LINE_EVERY) - 1 }, (_, index): Figure => {
    const y = height - (index + 1) * LINE_EVERY;
    return { is: 'line', points: [0, y, width, y], stroke: 'ink', line: 0.02, dash: [0.1, 0.5] };
  });

/** Draws sky, hills that repeat after a width, and a line every five units of height. */
function scenery(rows: readonly string[], every: number): Figure[] {
  const width = rows[0]?.length ?? 0;
  const height = rows.length;
  const times = Math.ceil(width / every);
  const hills = Array.from({ length: times }, (_, time) =>
    HILLS.slice(0, time === times - 1 ? undefined : -1).flatMap(([across, up]) => [
      (across + time) * every,
      height * (1 - up),
    ]),
  ).flat();
  return [
    { is: 'rectangle', x: 0, y: 0, width, height, fill: 'sheet' },
    { is: 'polygon', points: [0, height, ...hills, times * every, height], fill: 'ground' },
    ...linesUp(width, height),
  ];
}

/** Draws the background of a ground that is seen from the side: sky, hills, and a line every five units of height. */
export const horizon = (rows: readonly string[]): Figure[] => scenery(rows, Math.max(1, rows[0]?.length ?? 0));

/** The same behind a ground that goes on. */
export const rollingHills = (rows: readonly string[]): Figure[] => scenery(rows, HILLS_EVERY);
