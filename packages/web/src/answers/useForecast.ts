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

/** Forecast of the level at a position, computed again after every edit that matters. @param position from 1 */
type ForecastHook = (project: Project, position: number, pacer: Pacer) => LiveForecast;

/** A hook with a place of its own at the desk: two questions of one place would replace each other. */
function forecastHook(): ForecastHook {
  const useAnswer = answerHook('forecast', { kept: 60 });
  return function useForecast(project, position, pacer) {
    const key = useMemo(
      () => JSON.stringify(trialQuestion(project, position, pacer, DEFAULT_PRECISION)),
      [project, position, pacer],
    );
    const paused = useAppSelector((state) => state.view.forecastPaused);
    const { answer, ...state } = useAnswer(
      {
        key,
        about: project.slots[position - 1]?.id ?? '',
        question: () => ({
          question: JSON.parse(key) as ForecastQuestion['question'],
          cores: navigator.hardwareConcurrency || 1,
        }),
      },
      paused,
    );
    return { forecast: answer?.forecast ?? null, ...state, paused: paused && !(state.done && !state.stale) };
  };
}

/** The forecast of the level that is open. */
export const useForecast = forecastHook();

/** The forecast of one section by itself, beside that of its level. */
export const useSectionForecast = forecastHook();
