import type { Pacer, Project } from '@stadion/core/document/model';
import { DEFAULT_PRECISION, trialQuestion, type Forecast } from '@stadion/core/forecast/trials';
import { useMemo } from 'react';
import { workerHook } from './useWorkerAnswer.ts';
import type { ForecastAnswer, ForecastRequest } from '../workers/forecast.worker.ts';

/** A forecast as far as it has come. */
export interface LiveForecast {
  forecast: Forecast | null;
  /** The numbers are of an earlier question: shown dimmed until the new ones come. */
  stale: boolean;
  done: boolean;
  /** From asking to this answer. */
  milliseconds: number;
}

const useAnswer = workerHook<ForecastRequest, ForecastAnswer>(
  () => new Worker(new URL('../workers/forecast.worker.ts', import.meta.url), { type: 'module' }),
  { kept: 60 },
);

/** The forecast of the level at a position, computed in a web worker and computed again after every edit that matters. @param position from 1 */
export function useForecast(project: Project, position: number, pacer: Pacer): LiveForecast {
  const key = useMemo(
    () => JSON.stringify(trialQuestion(project, position, pacer, DEFAULT_PRECISION)),
    [project, position, pacer],
  );
  const { answer, stale, milliseconds } = useAnswer({
    key,
    request: () => ({
      question: JSON.parse(key) as ForecastRequest['question'],
      cores: navigator.hardwareConcurrency || 1,
    }),
  });
  return { forecast: answer?.forecast ?? null, stale, done: answer?.done ?? false, milliseconds };
}
