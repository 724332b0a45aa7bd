import { Z_95, type Interval } from '../../basics/stats/index.ts';
import type { Forecast } from './forecast.ts';

/** Forecast fields that mixing uses. */
export type Mixed = Pick<Forecast, 'attempts' | 'clearRate' | 'interval' | 'medianSeconds' | 'stars'>;

/** The forecast of a mix of populations at a level. */
export interface MixedForecast {
  clearRate: number;
  interval: Interval;
  /** Tries to clear, of a player drawn from the mix who goes on trying; null where some never clear. */
  triesToClear: number | null;
  /** Mean of the medians, by who clears; null where nobody does. */
  medianSeconds: number | null;
  /** Shares of all attempts by stars, 0 to 5; losses are not among them. */
  stars: number[];
}

/** Mixes forecasts of a level in shares that add up to 1. */
export function mixForecasts(parts: readonly { share: number; forecast: Mixed }[]): MixedForecast {
  const there = parts.filter(({ share }) => share > 0);
  const sum = (of: (forecast: Mixed) => number): number =>
    there.reduce((total, { share, forecast }) => total + share * of(forecast), 0);
  const clearRate = sum((forecast) => forecast.clearRate);
  const variance = there.reduce((total, { share, forecast: { interval } }) => {
    const deviation = (interval.high - interval.low) / (2 * Z_95);
    return total + share * share * deviation * deviation;
  }, 0);
  const middle = sum(({ interval }) => (interval.low + interval.high) / 2);
  const spread = Z_95 * Math.sqrt(variance);
  return {
    clearRate,
    interval: { low: Math.max(0, middle - spread), high: Math.min(1, middle + spread) },
    triesToClear: there.some(({ forecast }) => forecast.clearRate === 0)
      ? null
      : sum((forecast) => 1 / forecast.clearRate),
    medianSeconds:
      clearRate === 0 ? null : sum((forecast) => forecast.clearRate * (forecast.medianSeconds ?? 0)) / clearRate,
    stars: Array.from({ length: 6 }, (_, stars) =>
      sum((forecast) => (forecast.stars[stars] ?? 0) / Math.max(1, forecast.attempts)),
    ),
  };
}

/** Returns about how many attempts a clear rate needs for the requested precision. */
export function attemptsNeeded(
  clearRate: number,
  { halfWidth, fewest, limit }: { halfWidth: number; fewest: number; limit: number },
): number {
  const width = Z_95 / halfWidth;
  const needed = clearRate * (1 - clearRate) * width * width;
  return Math.min(limit, Math.max(fewest, needed));
}
