import type { Pacer, Project } from '@stadion/core/document/model';
import { DEFAULT_PRECISION, trialQuestion, type Forecast } from '@stadion/core/forecast/trials';
import { useMemo } from 'react';
import type { ForecastQuestion } from './engine/jobs/forecast.ts';
import { useAppSelector } from '../store/hooks.ts';
import { answerHook } from './useAnswer.ts';

/** A forecast as far as it has come. */
export interface LiveForecast {
  forecast: Forecast | null;
  /** The numbers are of an earlier question: shown dimmed until the new ones come. */
  stale: boolean;
  done: boolean;
  /** From asking to this answer. */
  milliseconds: number;
  /** No attempts are played until it goes on. */
  paused: boolean;
}

const useAnswer = answerHook('forecast', { kept: 60 });

/** The forecast of the level at a position, computed in a web worker and computed again after every edit that matters. @param position from 1 */
export function useForecast(project: Project, position: number, pacer: Pacer): LiveForecast {
  const key = useMemo(
    () => JSON.stringify(trialQuestion(project, position, pacer, DEFAULT_PRECISION)),
    [project, position, pacer],
  );
  const paused = useAppSelector((state) => state.view.forecastPaused);
  const { answer, ...state } = useAnswer(
    {
      key,
      question: () => ({
        question: JSON.parse(key) as ForecastQuestion['question'],
        cores: navigator.hardwareConcurrency || 1,
      }),
    },
    paused,
  );
  return { forecast: answer?.forecast ?? null, ...state, paused: paused && !(state.done && !state.stale) };
}
