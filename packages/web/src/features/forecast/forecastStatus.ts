import type { LiveForecast } from '../../answers/useForecast.ts';
import { formatNumber } from '../../ui/index.ts';

/** How the forecast of a level stands, in words: what it rests on, or why it does not come. */
export function forecastStatus({ forecast, stale, done, milliseconds, paused }: LiveForecast): string {
  if (!forecast)
    return paused ? 'Paused: no attempts have been played at this level.' : 'The first attempts are being played…';
  if (stale) return paused ? 'Paused: these numbers are from before the edit.' : 'Trying the edit…';
  const seconds = formatNumber(milliseconds / 1000);
  const comes = done ? '' : paused ? ', paused' : ', more are coming';
  return `${formatNumber(forecast.attempts)} attempts in ${seconds} s${comes} · a comparison between edits, until calibrated with playtests`;
}
