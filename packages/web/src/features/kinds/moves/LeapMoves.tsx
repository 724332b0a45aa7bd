import { at } from '@stadion/core/authoring/edits';
import { jumpFacts, USUAL_LEAP } from '@stadion/core/play/movement';
import { resolveAmount } from '@stadion/core/play/rules';
import type { ReactNode } from 'react';
import type { LevelContext } from '../../../readings/levelContext.ts';
import { AmountChip } from '../../../sentences/index.ts';
import { JumpWords } from './JumpWords.tsx';
import { NoMoves } from './NoMoves.tsx';

const LABELS = {
  jumpHeight: 'Jump height',
  gravity: 'Pull downwards where it leaps',
  shortHop: 'Share of the rise kept when let go',
  edgeGraceSeconds: 'Grace after an edge',
  pressEarlySeconds: 'Early press before landing',
  jumpsInAir: 'Jumps in the air',
} as const;

/** Walking, jumping and falling of the player, with the resulting distances in cells. */
export function LeapMoves({ here }: { here: LevelContext }) {
  const { leap } = here.project.player.moves;
  if (!leap)
    return (
      <NoMoves
        here={here}
        kind="leap"
        says="Where it leaps it jumps as usual."
        does="set how it jumps"
        usual={USUAL_LEAP}
      />
    );
  const number = (field: keyof typeof leap): number => resolveAmount(leap[field], here.values, here.placed);
  const facts = jumpFacts({
    gravity: number('gravity'),
    jumpHeight: number('jumpHeight'),
    speed: number('speed'),
    edgeGraceSeconds: number('edgeGraceSeconds'),
  });
  const chip = (
    field: keyof typeof leap,
    label: string,
    limits: { step: number; max: number; unit?: string },
  ): ReactNode => (
    <AmountChip
      here={here}
      label={label}
      amount={leap[field]}
      path={at('player', 'moves', 'leap', field)}
      min={0}
      {...limits}
    />
  );
  return (
    <div className="say">
      <span className="join">Where it leaps it walks at</span>
      {chip('speed', 'Walking speed', { step: 0.1, max: 25 })}
      <span className="join">units a second, gaining</span>
      {chip('acceleration', 'Gain of walking speed', { step: 1, max: 1000 })}
      <span className="join">a second,</span>
      {chip('airControl', 'Share of it in the air', { step: 0.05, max: 1 })}
      <span className="join">of that in the air; it jumps</span>
      <JumpWords chip={chip} labels={LABELS} facts={facts} />
    </div>
  );
}
