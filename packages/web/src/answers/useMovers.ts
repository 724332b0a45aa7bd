import type { Pacer, Project } from '@stadion/core/document/model';
import { onlyLevelAt, partsOfQuestion } from '@stadion/core/forecast/tuning';
import { useMemo } from 'react';
import type { SearchAnswer } from './engine/jobs/search.ts';
import { answerHook, type ComputedAnswer } from './useAnswer.ts';

/** The forecast goes first: what moves a level is worked out once edits have settled. */
const SETTLE_MS = 500;

const useAnswer = answerHook('search', { kept: 40, settleMs: SETTLE_MS });

/** Parameters that move the level at a position, computed in a web worker, and computed again after every edit that matters. @param position from 1 */
export function useMovers(project: Project, position: number, pacer: Pacer): ComputedAnswer<SearchAnswer<'movers'>> {
  const key = useMemo(
    () => JSON.stringify(partsOfQuestion<'movers'>(project, pacer, { position })),
    [project, position, pacer],
  );
  const computed = useAnswer({
    key,
    question: () => ({
      ...{ project: onlyLevelAt(project, position), pacer },
      ...{ name: 'movers', asked: { position }, goesOn: true },
    }),
  });
  // The job answers what it is asked: this question has this answer.
  return computed as ComputedAnswer<SearchAnswer<'movers'>>;
}
