import { at } from '@stadion/core/authoring/edits';
import { USUAL_CROSS } from '@stadion/core/play/movement';
import type { LevelContext } from '../../../readings/levelContext.ts';
import { AmountChip } from '../../../sentences/index.ts';
import { NoMoves } from './NoMoves.tsx';

/** How the player steps where it crosses lanes. */
export function CrossMoves({ here }: { here: LevelContext }) {
  const { cross } = here.project.player.moves;
  const path = at('player', 'moves', 'cross');
  if (!cross)
    return (
      <NoMoves
        here={here}
        kind="cross"
        says="Between lanes it steps as usual."
        does="set its steps"
        usual={USUAL_CROSS}
      />
    );
  return (
    <div className="say">
      <span className="join">Between lanes it steps from cell to cell in</span>
      <AmountChip
        here={here}
        label="Seconds of a step"
        amount={cross.stepSeconds}
        path={`${path}/stepSeconds`}
        step={0.01}
        min={0.02}
        max={10}
        unit="s"
      />
      <span className="join">and rests</span>
      <AmountChip
        here={here}
        label="Seconds between steps"
        amount={cross.restSeconds}
        path={`${path}/restSeconds`}
        step={0.01}
        min={0}
        max={10}
        unit="s"
      />
    </div>
  );
}
