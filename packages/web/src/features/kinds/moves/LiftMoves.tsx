import { at } from '@stadion/core/authoring/edits';
import { USUAL_LIFT } from '@stadion/core/play/movement';
import type { ReactNode } from 'react';
import type { LevelContext } from '../../../readings/levelContext.ts';
import { AmountChip } from '../../../sentences/index.ts';
import { NoMoves } from './NoMoves.tsx';

/** How the player flies where it rises while a key is held. */
export function LiftMoves({ here }: { here: LevelContext }) {
  const { lift } = here.project.player.moves;
  if (!lift)
    return (
      <NoMoves
        here={here}
        kind="lift"
        says="In the air it flies as usual."
        does="set how it flies"
        usual={USUAL_LIFT}
      />
    );
  const chip = (field: keyof typeof lift, label: string, most: number): ReactNode => (
    <AmountChip
      here={here}
      label={label}
      amount={lift[field]}
      path={at('player', 'moves', 'lift', field)}
      step={0.5}
      min={0}
      max={most}
    />
  );
  return (
    <div className="say">
      <span className="join">In the air it is carried forward at</span>
      {chip('forward', 'Speed forward', 25)}
      <span className="join">units a second and steers at</span>
      {chip('steer', 'Speed of steering', 25)}
      <span className="join">; held it gains</span>
      {chip('rise', 'Gain upwards while held', 200)}
      <span className="join">a second upwards, else</span>
      {chip('gravity', 'Gain downwards', 200)}
      <span className="join">downwards, at most</span>
      {chip('mostUp', 'Most speed upwards', 25)}
      <span className="join">up and</span>
      {chip('mostDown', 'Most speed downwards', 25)}
      <span className="join">down</span>
    </div>
  );
}
