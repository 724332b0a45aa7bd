import type { Pacer, Project } from '@stadion/core/document/model';
import { onlyLevelAt, partsOfQuestion } from '@stadion/core/forecast/tuning';
import { useMemo } from 'react';
import { workerHook, type WorkerAnswer } from './useWorkerAnswer.ts';
import type { SearchAnswer, SearchRequest } from '../workers/search.worker.ts';

/** The forecast goes first: what moves a level is worked out once edits have settled. */
const SETTLE_MS = 500;

const useAnswer = workerHook<SearchRequest<'movers'>, SearchAnswer<'movers'>>(
  () => new Worker(new URL('../workers/search.worker.ts', import.meta.url), { type: 'module' }),
  { kept: 40, settleMs: SETTLE_MS },
);

/** Parameters that move the level at a position, computed in a web worker, and computed again after every edit that matters. @param position from 1 */
export function useMovers(project: Project, position: number, pacer: Pacer): WorkerAnswer<SearchAnswer<'movers'>> {
  const key = useMemo(
    () => JSON.stringify(partsOfQuestion<'movers'>(project, pacer, { position })),
    [project, position, pacer],
  );
  return useAnswer({
    key,
    request: () => ({
      ...{ project: onlyLevelAt(project, position), pacer },
      ...{ name: 'movers', asked: { position }, goesOn: true },
    }),
  });
}
