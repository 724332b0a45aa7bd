import { prepareLevel } from '@stadion/core/play/movement';
import type { Pacer } from '@stadion/core/document/model';
import { useMemo } from 'react';
import type { LevelContext } from '../../readings/levelContext.ts';
import type { WaysAnswer } from '../../answers/engine/jobs/ways.ts';
import { answerHook } from '../../answers/useAnswer.ts';

// The forecast goes first.
const useAnswer = answerHook('ways', { kept: 20, settleMs: 700 });

/** Where players pass on a level, computed in a web worker while they are wanted. */
export function useWays({ project, position }: LevelContext, pacer: Pacer, wanted: boolean): WaysAnswer | null {
  const level = useMemo(() => (wanted ? prepareLevel(project, position) : null), [project, position, wanted]);
  const key = useMemo(() => JSON.stringify([level, pacer.abilities, pacer.spread]), [level, pacer]);
  return useAnswer(level && { key, question: () => ({ level, pacer }) }).answer;
}
