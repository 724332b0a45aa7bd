import { prepareLevel } from '@stadion/core/play/movement';
import type { Pacer } from '@stadion/core/document/model';
import { useMemo } from 'react';
import type { LevelContext } from '../../project/levelHere.ts';
import { workerHook } from '../../project/useWorkerAnswer.ts';
import type { WaysAnswer, WaysRequest } from '../../workers/ways.worker.ts';

const useAnswer = workerHook<WaysRequest, WaysAnswer>(
  () => new Worker(new URL('../../workers/ways.worker.ts', import.meta.url), { type: 'module' }),
  // The forecast goes first.
  { kept: 20, settleMs: 700 },
);

/** Where players pass on a level, worked out in a web worker while it is wanted. */
export function useWays({ project, position }: LevelContext, pacer: Pacer, wanted: boolean): WaysAnswer | null {
  const level = useMemo(() => (wanted ? prepareLevel(project, position) : null), [project, position, wanted]);
  const key = useMemo(() => JSON.stringify([level, pacer.abilities, pacer.spread]), [level, pacer]);
  return useAnswer(level && { key, request: () => ({ level, pacer }) }).answer;
}
