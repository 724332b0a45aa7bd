import type { Pacer, Project } from '@stadion/core/model';
import { onlyLevelAt, partsOfQuestion } from '@stadion/core/tuning';
import { useMemo } from 'react';
import { workerHook, type WorkerAnswer } from './useWorkerAnswer.ts';
import type { InquiryAnswer, InquiryRequest } from '../workers/inquiry.worker.ts';

/** The forecast goes first: what moves a level is worked out once edits have settled. */
const SETTLE_MS = 500;

const useAnswer = workerHook<InquiryRequest<'movers'>, InquiryAnswer<'movers'>>(
  () => new Worker(new URL('../workers/inquiry.worker.ts', import.meta.url), { type: 'module' }),
  { kept: 40, settleMs: SETTLE_MS },
);

/** What moves the level at a position, computed in a web worker, and computed again after every edit that matters. @param position from 1 */
export function useMovers(project: Project, position: number, pacer: Pacer): WorkerAnswer<InquiryAnswer<'movers'>> {
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
