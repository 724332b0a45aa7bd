import type { ForecastList, ForecastSummary } from './events.ts';

/** A slot's forecast once it is done: one under way says nothing yet. */
export const forecastDone = (list: ForecastList | undefined, slotId: string): ForecastSummary | undefined => {
  const found = list?.entries.find((entry) => entry.slotId === slotId);
  return found?.done ? (found.summary ?? undefined) : undefined;
};
