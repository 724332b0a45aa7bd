import type { ReactNode } from 'react';
import type { LevelContext } from '../../../readings/levelContext.ts';
import { CrossMoves } from './CrossMoves.tsx';
import { LeapMoves } from './LeapMoves.tsx';
import { LiftMoves } from './LiftMoves.tsx';
import { RunMoves } from './RunMoves.tsx';

export { RoamMoves } from './RoamMoves.tsx';

/** How the player moves on kinds of ground that not every project has, each as a sentence. */
export const MOVES: Readonly<Record<string, (props: { here: LevelContext }) => ReactNode>> = {
  cross: CrossMoves,
  leap: LeapMoves,
  run: RunMoves,
  lift: LiftMoves,
};
