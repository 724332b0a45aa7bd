import { at, setOptional } from '@stadion/core/edits';
import { USUAL_CROSS } from '@stadion/core/grounds';
import { useEdit } from '../../../project/hooks.ts';
import type { LevelHere } from '../../../project/levelHere.ts';
import { AmountChip } from '../../../sentences/index.ts';

/** How the player steps where it crosses lanes. */
export function CrossMoves({ here }: { here: LevelHere }) {
  const edit = useEdit();
  const { player, levels } = here.project;
  const { cross } = player.moves;
  const path = at('player', 'moves', 'cross');
  if (!cross) {
    const crosses = Object.values(levels).some(({ ground }) => ground.kind === 'cross');
    return crosses ? (
      <div className="say">
        <span className="text-ink-3">Between lanes it steps as usual.</span>
        <button
          type="button"
          className="link"
          onClick={() => edit({ label: 'Steps of the player', patch: setOptional(path, undefined, USUAL_CROSS) })}
        >
          set its steps
        </button>
      </div>
    ) : null;
  }
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
