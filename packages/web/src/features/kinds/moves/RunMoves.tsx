import { at } from '@stadion/core/authoring/edits';
import { jumpFacts, USUAL_RUN } from '@stadion/core/play/movement';
import { resolveAmount } from '@stadion/core/play/rules';
import type { ReactNode } from 'react';
import type { LevelContext } from '../../../readings/levelContext.ts';
import { AmountChip } from '../../../sentences/index.ts';
import { JumpWords } from './JumpWords.tsx';
import { NoMoves } from './NoMoves.tsx';

const LABELS = {
  jumpHeight: 'Jump height on a run',
  gravity: 'Pull downwards on a run',
  shortHop: 'Share of the rise kept when let go, on a run',
  edgeGraceSeconds: 'Grace after an edge, on a run',
  pressEarlySeconds: 'Early press before landing, on a run',
  jumpsInAir: 'Jumps in the air, on a run',
} as const;

/** Running, jumping and sliding of the player, with the resulting distances in cells. */
export function RunMoves({ here }: { here: LevelContext }) {
  const { run } = here.project.player.moves;
  if (!run)
    return (
      <NoMoves here={here} kind="run" says="On a run it goes as usual." does="set how it runs" usual={USUAL_RUN} />
    );
  const number = (field: keyof typeof run): number => resolveAmount(run[field], here.values, here.placed);
  const facts = jumpFacts({
    gravity: number('gravity'),
    jumpHeight: number('jumpHeight'),
    speed: number('speed'),
    edgeGraceSeconds: number('edgeGraceSeconds'),
  });
  const chip = (
    field: keyof typeof run,
    label: string,
    limits: { step: number; min?: number; max: number; unit?: string },
  ): ReactNode => (
    <AmountChip
      here={here}
      label={label}
      amount={run[field]}
      path={at('player', 'moves', 'run', field)}
      min={0}
      {...limits}
    />
  );
  return (
    <div className="say">
      <span className="join">On a run it goes at</span>
      {chip('speed', 'Running speed', { step: 0.1, max: 25 })}
      <span className="join">units a second and is</span>
      {chip('tall', 'Height of the body', { step: 0.1, min: 0.2, max: 3 })}
      <span className="join">units tall, half of that while it slides; it jumps</span>
      <JumpWords chip={chip} labels={LABELS} facts={facts} />
    </div>
  );
}
