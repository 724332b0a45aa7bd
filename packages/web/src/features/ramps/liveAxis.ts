import type { LiveAxis, Ramp } from '@stadion/core/model';
import type { Band } from '@stadion/core/ramps';

/** How far a lane along a reading reaches where its ramp does not ask for more. */
const USUAL_EXTENT: Readonly<Record<LiveAxis, number>> = { score: 500, collected: 20, timeElapsed: 60, distance: 100 };

const NICE = [1, 2, 5];

/** The least handy number that is not below. @example niceAbove(130) // 200 */
export function niceAbove(value: number): number {
  let ten = 1;
  for (;;) {
    for (const nice of NICE) if (nice * ten >= value) return nice * ten;
    ten *= 10;
  }
}

/** How far a lane along a reading shows it: past every step, point and tier. */
export function extentOf({ axis, shape }: Ramp, bands: readonly Band[]): number {
  const usual = axis === undefined ? 1 : USUAL_EXTENT[axis];
  const furthest = (): number => {
    switch (shape.type) {
      case 'steps':
      case 'growth':
        return shape.startingAt + shape.every * 5;
      case 'ease':
        return shape.halfway * 5;
      case 'sCurve':
        return shape.middle + shape.width;
      case 'points':
        return (shape.points.at(-1)?.position ?? 0) * 1.2;
      case 'tiers':
        return (bands.at(-1)?.from ?? 0) * 1.4;
      default:
        return 0;
    }
  };
  return niceAbove(Math.max(usual / 2.5, furthest(), 5));
}

/** Readings at which a lane writes its numbers: up to about so many, at handy steps. */
export function ticksOf(extent: number, most: number): number[] {
  const step = niceAbove(Math.max(1, extent / Math.max(1, most)));
  return Array.from({ length: Math.floor(extent / step) + 1 }, (_, index) => index * step);
}

/** Readings just below, at and just above which the ramp takes another value: its bounds, the first few. */
export function boundsOf({ shape }: Ramp, bands: readonly Band[], extent: number): number[] {
  switch (shape.type) {
    case 'steps':
    case 'growth': {
      const all: number[] = [];
      for (let at = shape.startingAt + shape.every; at <= extent && all.length < 8; at += shape.every) all.push(at);
      return all;
    }
    case 'points':
      return shape.points.map(({ position }) => position).slice(0, 8);
    case 'tiers':
      return bands.map(({ from }) => from).slice(1, 9);
    default:
      return [];
  }
}
