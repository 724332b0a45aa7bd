import { USUAL_TURN_SECONDS } from '@stadion/core/play/bouts';
import { at, replaceAt, setOptional } from '@stadion/core/authoring/edits';
import { useEdit } from '../../store/hooks.ts';
import { ChoiceChip, NumberChip } from '../../ui/index.ts';
import { Part, type BoutsHere } from './shared.tsx';

/** In which order fighters act, and how long a turn takes on the clock. */
export function HowItGoes({ bouts }: BoutsHere) {
  const edit = useEdit();
  const path = at('bouts', 'turnSeconds');
  return (
    <Part title="How a bout goes">
      <div className="say py-1.5">
        <ChoiceChip
          label="In which order fighters act"
          value={bouts.order}
          choices={[
            { value: 'rounds', label: 'In rounds: all choose, then the swiftest acts first' },
            { value: 'gauges', label: 'By gauges: each acts when its own is full' },
          ]}
          onChoose={(order) =>
            edit({
              label: order === 'rounds' ? 'Bouts in rounds' : 'Bouts by gauges',
              patch: [replaceAt(at('bouts', 'order'), order)],
            })
          }
        />
        <span className="join">; a turn takes</span>
        <NumberChip
          label="Seconds that a turn takes on the clock"
          value={bouts.turnSeconds ?? USUAL_TURN_SECONDS}
          unit="s"
          step={0.5}
          min={0.1}
          max={60}
          onCommit={(seconds) =>
            edit({ label: `A turn takes ${seconds} s`, patch: setOptional(path, bouts.turnSeconds, seconds) })
          }
        />
        <span className="join">on the clock of a level.</span>
      </div>
    </Part>
  );
}
