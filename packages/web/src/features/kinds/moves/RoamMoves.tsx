import { at, replaceAt } from '@stadion/core/authoring/edits';
import { literal, type Amount } from '@stadion/core/document/model';
import { resolveAmount } from '@stadion/core/play/rules';
import { useEdit } from '../../../store/hooks.ts';
import type { LevelContext } from '../../../readings/levelContext.ts';
import { AmountChip } from '../../../sentences/index.ts';
import { NumberChip } from '../../../ui/index.ts';

/** How the player goes where it roams freely. */
export function RoamMoves({ here }: { here: LevelContext }) {
  const edit = useEdit();
  const { roam } = here.project.player.moves;
  const number = (amount: Amount): number => resolveAmount(amount, here.values, here.placed);
  const speed = number(roam.speed);
  const acceleration = Math.max(0.1, number(roam.acceleration));
  return (
    <>
      <span className="join">goes at</span>
      <AmountChip
        here={here}
        label="Speed of the player"
        amount={roam.speed}
        path={at('player', 'moves', 'roam', 'speed')}
        step={0.1}
        min={0.1}
        max={25}
      />
      <span className="join">units a second, gets there in</span>
      <NumberChip
        label="Time to full speed"
        value={speed / acceleration}
        unit="s"
        step={0.02}
        min={0.01}
        max={5}
        onCommit={(seconds) =>
          edit({
            label: `Full speed after ${seconds} s`,
            patch: [replaceAt(at('player', 'moves', 'roam', 'acceleration'), literal(speed / seconds))],
          })
        }
      />
    </>
  );
}
