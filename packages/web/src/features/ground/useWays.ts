import { prepareLevel } from '@stadion/core/grounds';
import type { Pacer, Project } from '@stadion/core/model';
import { useMemo } from 'react';
import { workerHook } from '../../project/useWorkerAnswer.ts';
import type { WaysAnswer, WaysRequest } from '../../workers/ways.worker.ts';

const useAnswer = workerHook<WaysRequest, WaysAnswer>(
  () => new Worker(new URL('../../workers/ways.worker.ts', import.meta.url), { type: 'module' }),
  // The forecast goes first.
  { kept: 20, settleMs: 700 },
);

/** Where players pass on the level at a position, worked out in a web worker. @param position from 1 */
export function useWays(project: Project, position: number, pacer: Pacer): WaysAnswer | null {
  const level = useMemo(() => prepareLevel(project, position), [project, position]);
  const key = useMemo(() => JSON.stringify([level, pacer.abilities, pacer.spread]), [level, pacer]);
  return useAnswer({ key, request: () => ({ level, pacer }) }).answer;
}
