import type { Project } from '@stadion/core/model';
import type { Pacer } from '@stadion/core/pacers';
import { DEFAULT_PRECISION, trialQuestion, type Forecast } from '@stadion/core/trials';
import { useEffect, useMemo, useState } from 'react';
import type { ForecastAnswer, ForecastRequest } from '../../workers/forecast.worker.ts';

/** A forecast as far as it has come. */
export interface LiveForecast {
  forecast: Forecast | null;
  /** The numbers are of an earlier question: shown dimmed until the new ones come. */
  stale: boolean;
  done: boolean;
  /** From asking to this answer. */
  milliseconds: number;
}

interface Answered {
  key: string;
  forecast: Forecast;
  done: boolean;
  milliseconds: number;
}

/** Whole answers kept, so that going back to a slot shows it at once. */
const KEPT = 60;
const answers = new Map<string, Answered>();

let worker: Worker | undefined;
let lastId = 0;
let listener: ((answer: ForecastAnswer) => void) | undefined;

function theWorker(): Worker {
  if (!worker) {
    worker = new Worker(new URL('../../workers/forecast.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', (event: MessageEvent<ForecastAnswer>) => listener?.(event.data));
  }
  return worker;
}

function remember(answer: Answered): void {
  answers.set(answer.key, answer);
  const oldest = answers.keys().next().value;
  if (answers.size > KEPT && oldest !== undefined) answers.delete(oldest);
}

/** The forecast of the level at a position, computed in a web worker and computed again after every edit that matters. @param position from 1 */
export function useForecast(project: Project, position: number, pacer: Pacer): LiveForecast {
  const question = useMemo(
    () => trialQuestion(project, position, pacer, DEFAULT_PRECISION),
    [project, position, pacer],
  );
  const key = useMemo(() => JSON.stringify(question), [question]);
  const [latest, setLatest] = useState<Answered | null>(null);

  useEffect(() => {
    if (answers.has(key)) return;
    const id = ++lastId;
    const asked = performance.now();
    listener = (answer) => {
      if (answer.id !== id) return;
      const answered = { key, forecast: answer.forecast, done: answer.done, milliseconds: performance.now() - asked };
      if (answer.done) remember(answered);
      setLatest(answered);
    };
    theWorker().postMessage({ id, question: JSON.parse(key) as ForecastRequest['question'] } satisfies ForecastRequest);
  }, [key]);

  const shown = answers.get(key) ?? latest;
  return {
    forecast: shown?.forecast ?? null,
    stale: shown !== null && shown.key !== key,
    done: shown?.done ?? false,
    milliseconds: shown?.milliseconds ?? 0,
  };
}
