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

/** What is behind a ground that is seen from aside: sky, hills, and a line every five units of height. */
export function horizon(rows: readonly string[]): Figure[] {
  const width = rows[0]?.length ?? 0;
  const height = rows.length;
  const lines = Array.from({ length: Math.ceil(height / LINE_EVERY) - 1 }, (_, index): Figure => {
    const y = height - (index + 1) * LINE_EVERY;
    return { is: 'line', points: [0, y, width, y], stroke: 'ink', line: 0.02, dash: [0.1, 0.5] };
  });
  const hills = HILLS.flatMap(([across, up]) => [across * width, height * (1 - up)]);
  return [
    { is: 'rectangle', x: 0, y: 0, width, height, fill: 'sheet' },
    { is: 'polygon', points: [0, height, ...hills, width, height], fill: 'ground' },
    ...lines,
  ];
}
