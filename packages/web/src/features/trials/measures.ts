import type { ForecastSummary } from '@stadion/core/exchange/contract';
import { mixForecasts, type MixedForecast } from '@stadion/core/forecast/trials';

/** Measures of the table of pacers and slots. */
export type Measure = 'clearRate' | 'tries' | 'time' | 'stars' | 'cause';

export const MEASURES: readonly { value: Measure; label: string }[] = [
  { value: 'clearRate', label: 'clear rate' },
  { value: 'tries', label: 'tries' },
  { value: 'time', label: 'time' },
  { value: 'stars', label: 'stars' },
  { value: 'cause', label: 'cause' },
];

/** A forecast as the table needs it, of one pacer or of a mix. */
export interface Shown extends MixedForecast {
  /** Losses by what ended them, as shares of all losses. */
  causes?: ReadonlyMap<string, number>;
}

export const shownOf = (summary: ForecastSummary): Shown => mixForecasts([{ share: 1, forecast: summary }]);

const meanStars = ({ stars, clearRate }: Shown): number | null =>
  clearRate === 0 ? null : stars.reduce((sum, share, count) => sum + share * count, 0) / clearRate;

const tenths = (value: number | null): string =>
  value === null ? '—' : value >= 100 ? String(Math.round(value)) : String(Math.round(value * 10) / 10);

/** The measure as a number; null where there is none. @param cause for the share of one cause */
export function valueOf(shown: Shown, measure: Measure, cause: string): number | null {
  switch (measure) {
    case 'clearRate':
      return shown.clearRate;
    case 'tries':
      return shown.triesToClear;
    case 'time':
      return shown.medianSeconds;
    case 'stars':
      return meanStars(shown);
    case 'cause':
      return shown.causes?.get(cause) ?? 0;
  }
}

/** The same as it stands in a cell. */
export function cellText(shown: Shown, measure: Measure, cause: string): string {
  const value = valueOf(shown, measure, cause);
  return measure === 'clearRate' || measure === 'cause' ? String(Math.round((value ?? 0) * 100)) : tenths(value);
}

/** How strongly a cell is coloured, 0 to 1: by what the measure is over the whole table. @param most the largest value in it */
export function strengthOf(value: number | null, measure: Measure, most: number): number {
  if (value === null) return 0;
  if (measure === 'clearRate' || measure === 'cause') return value;
  return most === 0 ? 0 : Math.min(1, value / most);
}

/** Whose unit it is, in words. */
export const UNITS: Readonly<Record<Measure, string>> = {
  clearRate: '% of attempts that clear it',
  tries: 'tries until it is cleared, on average',
  time: 's, median of those who clear it',
  stars: 'stars on average, of those who clear it',
  cause: '% of the losses',
};
