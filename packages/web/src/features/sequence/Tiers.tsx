import { addTier, moveTier, removeTier, renameTier, tierLimits } from '@stadion/core/authoring/edits';
import { counted } from '@stadion/core/basics/wording';
import { useSelection } from '../../address/address.ts';
import { useEdit, useProject } from '../../store/hooks.ts';
import { mintId } from '../../store/mintId.ts';
import { NumberChip, TextInPlace } from '../../ui/index.ts';

/** The named bands of the sequence: each begins at a level and reaches to where the next begins. */
export function Tiers() {
  const project = useProject();
  const edit = useEdit();
  const { position } = useSelection();
  const { tiers, slots } = project;
  return (
    <div>
      {tiers.map((tier, index) => {
        const { min, max } = tierLimits(project, undefined, tier.id);
        const end = (tiers[index + 1]?.from ?? slots.length + 1) - 1;
        return (
          <div key={tier.id} className="say">
            <TextInPlace
              label="Name of the tier"
              value={tier.name}
              className="min-w-24 font-[550]"
              refuse={(text) => (text === '' ? 'A tier needs a name.' : undefined)}
              onCommit={(name) => edit(renameTier(undefined, tier.id, name))}
            />
            <span className="join">from level</span>
            {index === 0 ? (
              <b>1</b>
            ) : (
              <NumberChip
                label={`${tier.name} from level`}
                value={tier.from}
                step={1}
                whole
                min={min}
                max={max}
                onCommit={(from) => edit(moveTier(project, undefined, tier.id, from))}
              />
            )}
            <span className="text-ink-3">
              to {Math.max(tier.from, end)}: {counted(Math.max(0, end - tier.from + 1), 'level')}
            </span>
            <button type="button" className="link" onClick={() => edit(removeTier(project, undefined, tier.id))}>
              Remove {tier.name}
            </button>
          </div>
        );
      })}
      <button
        type="button"
        className="link"
        disabled={position < 1 || tiers.some((tier) => tier.from === position)}
        onClick={() => edit(addTier(project, undefined, position, mintId))}
      >
        + tier from level {Math.max(1, position)}
      </button>
    </div>
  );
}
