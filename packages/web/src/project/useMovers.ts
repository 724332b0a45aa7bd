import type { Pacer, Project } from '@stadion/core/model';
import { DEFAULT_PRECISION, trialQuestion } from '@stadion/core/trials';
import { useMemo } from 'react';
import { workerHook, type WorkerAnswer } from './useWorkerAnswer.ts';
import type { InquiryAnswer, InquiryRequest } from '../workers/inquiry.worker.ts';

/** The forecast goes first: what moves a level is worked out once edits have settled. */
const SETTLE_MS = 500;

const useAnswer = workerHook<InquiryRequest<'movers'>, InquiryAnswer<'movers'>>(
  () => new Worker(new URL('../workers/inquiry.worker.ts', import.meta.url), { type: 'module' }),
  { kept: 40, settleMs: SETTLE_MS },
);

/** The project with one level only: all that the question is about. With all levels where fights on the way can lose it: their party is what the levels before have made of it. */
export function onlyLevelAt(project: Project, position: number): Project {
  const levelId = project.slots[position - 1]?.levelId ?? '';
  const level = project.levels[levelId];
  if (level?.meetings?.whenLost === 'lost') return { ...project, expectations: [] };
  return { ...project, levels: level ? { [levelId]: level } : {}, expectations: [] };
}

/** Everything that the answer depends on. */
const keyOf = (project: Project, position: number, pacer: Pacer): string =>
  JSON.stringify([
    trialQuestion(project, position, pacer, DEFAULT_PRECISION),
    project.parameters.map(({ key, number, sane, ramp }) => [key, number, sane, ramp.roundTo ?? 0, ramp.axis ?? '']),
  ]);

/** What moves the level at a position, computed in a web worker, and computed again after every edit that matters. @param position from 1 */
export function useMovers(project: Project, position: number, pacer: Pacer): WorkerAnswer<InquiryAnswer<'movers'>> {
  const key = useMemo(() => keyOf(project, position, pacer), [project, position, pacer]);
  return useAnswer({
    key,
    request: () => ({
      ...{ project: onlyLevelAt(project, position), pacer },
      ...{ name: 'movers', asked: { position }, goesOn: true },
    }),
  });
}
