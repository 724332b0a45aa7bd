import { keepText, keptText } from './browserKeeps.ts';

const ALL_ACTS = 'stadion-all-acts';
const FORECAST_PAUSED = 'stadion-forecast-paused';

/** Does the person who uses this browser want acts in sight at all times? */
export const prefersAllActs = (): boolean => keptText(ALL_ACTS) === 'yes';
export const preferAllActs = (all: boolean): boolean => keepText(ALL_ACTS, all ? 'yes' : 'no');

/** Does the level's forecast wait until it goes on by hand, in this browser? */
export const prefersForecastPaused = (): boolean => keptText(FORECAST_PAUSED) === 'yes';
export const preferForecastPaused = (paused: boolean): boolean => keepText(FORECAST_PAUSED, paused ? 'yes' : 'no');
