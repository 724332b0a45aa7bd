import type { Shape } from '../../model/index.ts';
import type { Handle, ShapeDefinition, ShapeValue } from './types.ts';

type Points = Extract<Shape, { type: 'points' }>;
type Point = Points['points'][number];

const slope = (a: Point, b: Point): number => (b.value - a.value) / (b.position - a.position);

/**
 * Tangents of a monotone cubic: it never overshoots its points. The three-point harmonic mean, weighted by the spans.
 *
 * Source: F. N. Fritsch and J. Butland (1984), A method for constructing local monotone piecewise cubic interpolants,
 * SIAM Journal on Scientific and Statistical Computing 5:300–304.
 */
function tangent(points: readonly Point[], index: number): number {
  const point = points[index] as Point;
  const before = points[index - 1];
  const after = points[index + 1];
  // Flat at both ends: whatever lies beyond them holds.
  if (!before || !after) return 0;
  const left = slope(before, point);
  const right = slope(point, after);
  if (left * right <= 0) return 0;
  const leftSpan = point.position - before.position;
  const rightSpan = after.position - point.position;
  const a = 2 * rightSpan + leftSpan;
  const b = rightSpan + 2 * leftSpan;
  return (a + b) / (a / left + b / right);
}

/** Cubic Hermite between two points, t from 0 to 1. */
function cubic(points: readonly Point[], index: number, t: number): number {
  const a = points[index] as Point;
  const b = points[index + 1] as Point;
  const span = b.position - a.position;
  const t2 = t * t;
  const t3 = t2 * t;
  return (
    a.value * (2 * t3 - 3 * t2 + 1) +
    tangent(points, index) * span * (t3 - 2 * t2 + t) +
    b.value * (3 * t2 - 2 * t3) +
    tangent(points, index + 1) * span * (t3 - t2)
  );
}

function valueAt({ points, between }: Points, position: number): number {
  const first = points[0] as Point;
  if (position <= first.position) return first.value;
  const next = points.findIndex((point) => point.position > position);
  const last = points[(next < 0 ? points.length : next) - 1] as Point;
  if (next < 0 || last.position === position || between === 'hold') return last.value;
  const t = (position - last.position) / ((points[next] as Point).position - last.position);
  if (between === 'smooth') return cubic(points, next - 1, t);
  return last.value + ((points[next] as Point).value - last.value) * t;
}

const handleOf = (index: number, first: number): Handle<Points> => ({
  name: `point-${index}`,
  label: `Point ${index + 1}`,
  at: ({ points }) => points[index] as Point,
  moveTo: (shape, position, value) => {
    // Points keep their order: one stays between its neighbours.
    const least = (shape.points[index - 1]?.position ?? first - 1) + 1;
    const most = (shape.points[index + 1]?.position ?? FURTHEST) - 1;
    const moved = { position: Math.min(most, Math.max(least, Math.round(position))), value };
    return { ...shape, points: shape.points.map((point, at) => (at === index ? moved : point)) };
  },
  remove: (shape) =>
    shape.points.length === 1 ? shape : { ...shape, points: shape.points.filter((_, at) => at !== index) },
});

/** The last place that a point can stand at. */
const FURTHEST = 1_000_000;

/** Held or straight pieces, each up to the next point; straight pieces describe a smooth line. */
const piecewise = ([point, next, ...rest]: readonly Point[], between: Points['between'], name: string): string => {
  if (!point) return '0';
  if (!next) return String(point.value);
  const piece =
    between === 'hold'
      ? String(point.value)
      : `lerp(${point.value}, ${next.value}, max(0, ${name} - ${point.position}) / ${next.position - point.position})`;
  return `if(${name} < ${next.position}, ${piece}, ${piecewise([next, ...rest], between, name)})`;
};

/** Limit of the points of a ramp. */
const MOST_POINTS = 200;

/**
 * Returns the points whose straight lines come nearest to all: points are added one by one, where the present
 * lines are furthest off. Source: U. Ramer (1972), An iterative procedure for the polygonal approximation of plane
 * curves.
 */
function nearest(all: readonly Point[]): Point[] {
  const kept = new Set([0, all.length - 1]);
  /** The place between two kept ones at which the line is furthest off. */
  const worst = (from: number, to: number): { index: number; off: number } => {
    const [a, b] = [all[from] as Point, all[to] as Point];
    let [index, off] = [-1, 0];
    for (let i = from + 1; i < to; i++) {
      const point = all[i] as Point;
      const distance = Math.abs(a.value + slope(a, b) * (point.position - a.position) - point.value);
      if (distance > off) [index, off] = [i, distance];
    }
    return { index, off };
  };
  const gaps = [{ from: 0, to: all.length - 1, ...worst(0, all.length - 1) }];
  while (kept.size < MOST_POINTS) {
    const gap = gaps.reduce((most, each) => (each.off > most.off ? each : most));
    if (gap.index < 0) break;
    kept.add(gap.index);
    gaps.splice(gaps.indexOf(gap), 1);
    for (const [from, to] of [
      [gap.from, gap.index],
      [gap.index, gap.to],
    ] as const)
      gaps.push({ from, to, ...worst(from, to) });
  }
  return all.filter((_, index) => kept.has(index));
}

/** As few points as tell the same values: held where most values repeat, straight lines where they do not. Where that takes too many, those that come nearest. */
function fewest(values: readonly number[], first: number): Points {
  const all = values.map((value, index): Point => ({ position: index + first, value }));
  const changes = all.filter((point, index) => index === 0 || point.value !== values[index - 1]);
  if (changes.length * 2 <= values.length + 1 && changes.length <= MOST_POINTS)
    return { type: 'points', between: 'hold', points: changes };
  const corners = all.filter((point, index) => {
    const before = all[index - 1];
    const after = all[index + 1];
    return !before || !after || Math.abs(slope(before, point) - slope(point, after)) > 1e-9;
  });
  return { type: 'points', between: 'straight', points: corners.length <= MOST_POINTS ? corners : nearest(all) };
}

/** A value at each of some positions, and a way between them; before the first and after the last it holds. */
export const pointsValue: ShapeValue<'points'> = valueAt;

/** Its words, handles, and what carries over to it. */
export const points: ShapeDefinition<'points'> = {
  type: 'points',
  label: 'Points',
  fields: [],
  choices: [
    {
      name: 'between',
      before: 'and between them',
      options: [
        { value: 'hold', label: 'holding' },
        { value: 'straight', label: 'straight lines' },
        { value: 'smooth', label: 'a smooth line' },
      ],
    },
  ],
  handles: (shape, { first }) => shape.points.map((_, index) => handleOf(index, first)),
  addHandle: (shape, position, value) => ({
    ...shape,
    points: [...shape.points.filter((point) => point.position !== position), { position, value }].toSorted(
      (a, b) => a.position - b.position,
    ),
  }),
  fromValues: (values, { first }) => fewest(values, first),
  asFormula: ({ points: all, between }, name) => piecewise(all, between, name),
  inWords: (shape, say) =>
    `through ${shape.points
      .slice(0, 4)
      .map((point) => `${say(point.value)} at ${point.position}`)
      .join(
        ', ',
      )}${shape.points.length > 4 ? ` and ${shape.points.length - 4} more` : ''}, ${{ hold: 'held', straight: 'straight', smooth: 'smooth' }[shape.between]}`,
};
