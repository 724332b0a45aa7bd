import type { Project } from '@stadion/core/model';
import type { Pacer } from '@stadion/core/pacers';
import { DEFAULT_PRECISION, trialQuestion } from '@stadion/core/trials';
import { useEffect, useMemo, useState } from 'react';
import type { MoversAnswer, MoversRequest } from '../../workers/movers.worker.ts';

/** What moves a level, as far as it is known. */
export interface LiveMovers {
  answer: MoversAnswer | null;
  /** Of an earlier question: shown dimmed until the new answer comes. */
  stale: boolean;
}

interface Answered {
  key: string;
  answer: MoversAnswer;
}

const KEPT = 40;
const answers = new Map<string, Answered>();
/** Edits that come closer together than this are answered once: the forecast goes first. */
const SETTLE_MS = 500;

let worker: Worker | undefined;
let lastId = 0;
let listener: ((answer: MoversAnswer) => void) | undefined;

function theWorker(): Worker {
  if (!worker) {
    worker = new Worker(new URL('../../workers/movers.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', (event: MessageEvent<MoversAnswer>) => listener?.(event.data));
  }
  return worker;
}

/** The project with one level only: all that the question is about. */
function onlyLevelAt(project: Project, position: number): Project {
  const levelId = project.slots[position - 1]?.levelId ?? '';
  const level = project.levels[levelId];
  return { ...project, levels: level ? { [levelId]: level } : {}, expectations: [] };
}

/** Everything that the answer depends on. */
const keyOf = (project: Project, position: number, pacer: Pacer): string =>
  JSON.stringify([
    trialQuestion(project, position, pacer, DEFAULT_PRECISION),
    project.parameters.map(({ key, number, sane, ramp }) => [key, number, sane, ramp.roundTo ?? 0, ramp.axis ?? '']),
  ]);

/** What moves the level at a position, computed in a web worker, and computed again after every edit that matters. @param position from 1 */
export function useMovers(project: Project, position: number, pacer: Pacer): LiveMovers {
  const key = useMemo(() => keyOf(project, position, pacer), [project, position, pacer]);
  const [latest, setLatest] = useState<Answered | null>(null);
  useEffect(() => {
    if (answers.has(key)) return;
    const id = ++lastId;
    listener = (answer) => {
      if (answer.id !== id) return;
      const answered = { key, answer };
      if (answer.done) {
        answers.set(key, answered);
        const oldest = answers.keys().next().value;
        if (answers.size > KEPT && oldest !== undefined) answers.delete(oldest);
      }
      setLatest(answered);
    };
    const timer = setTimeout(() => {
      const asked = onlyLevelAt(project, position);
      theWorker().postMessage({ id, project: asked, position, pacer } satisfies MoversRequest);
    }, SETTLE_MS);
    return () => clearTimeout(timer);
    // The key stands for all that the answer depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  const shown = answers.get(key) ?? latest;
  return { answer: shown?.answer ?? null, stale: shown !== null && shown.key !== key };
}
