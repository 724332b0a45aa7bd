import type { LiveAxis, Ramp } from '@stadion/core/document/model';
import { rampValue, type Band, type RampContext, type RampSource } from '@stadion/core/document/ramps';

/** How far a lane along a reading reaches where its ramp does not ask for more. */
const USUAL_EXTENT: Readonly<Record<LiveAxis, number>> = {
  score: 500,
  collected: 20,
  timeElapsed: 60,
  distance: 100,
  sectionsPassed: 20,
};

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

/** Readings at which a lane writes its numbers: at most about this number of them, at round steps. */
export function ticksOf(extent: number, most: number): number[] {
  const step = niceAbove(Math.max(1, extent / Math.max(1, most)));
  return Array.from({ length: Math.floor(extent / step) + 1 }, (_, index) => index * step);
}

const MOST_BOUNDS = 8;
/** Largest reading up to which readings are tried one by one. */
const FURTHEST_TRIED = 2000;

/** The readings at which a ramp takes another value, the first few; none for one that changes nearly everywhere. */
export function boundsOf(parameter: RampSource, context: RampContext, extent: number): number[] {
  const { shape } = parameter.ramp;
  if (shape.type === 'tiers') return context.bands.map(({ from }) => from).slice(1, MOST_BOUNDS + 1);
  if (shape.type === 'steps' || shape.type === 'growth') {
    const first = shape.startingAt + shape.every;
    const many = Math.min(MOST_BOUNDS, Math.max(0, Math.floor((extent - first) / shape.every) + 1));
    return Array.from({ length: many }, (_, index) => first + index * shape.every);
  }
  const bounds: number[] = [];
  const last = Math.min(FURTHEST_TRIED, extent);
  let before = rampValue(parameter, 0, context);
  for (let reading = 1; reading <= last; reading++) {
    const value = rampValue(parameter, reading, context);
    if (value !== before) bounds.push(reading);
    before = value;
  }
  return bounds.length > last / 3 ? [] : bounds.slice(0, MOST_BOUNDS);
}
