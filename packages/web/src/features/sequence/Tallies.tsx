import { X } from 'lucide-react';
import { useState } from 'react';
import { addTally, at, removeTally, replaceAt, type Removal } from '@stadion/core/authoring/edits';
import { useEdit, useProject } from '../../store/hooks.ts';
import { RemovalConfirm } from '../../parts/RemovalConfirm.tsx';
import { nameRefused, NumberChip, TextInPlace } from '../../ui/index.ts';

/** Counters of the designer's own. */
export function Tallies() {
  const project = useProject();
  const edit = useEdit();
  const [removing, setRemoving] = useState<{ what: string; removal: Removal }>();
  return (
    <div>
      {project.tallies.map((tally) => (
        <div key={tally.id} className="say">
          <TextInPlace
            label="Name of the tally"
            className="chip"
            value={tally.name}
            refuse={(text) => nameRefused(text)}
            onCommit={(name) =>
              edit({
                label: `Rename the tally ${tally.name} to ${name}`,
                patch: [replaceAt(at('tallies', tally.id, 'name'), name)],
              })
            }
          />
          <span className="join">starts a run at</span>
          <NumberChip
            label={`${tally.name} at the start`}
            value={tally.start}
            step={1}
            onCommit={(start) =>
              edit({
                label: `${tally.name} starts at ${start}`,
                patch: [replaceAt(at('tallies', tally.id, 'start'), start)],
              })
            }
          />
          <button
            type="button"
            className="rounded-r p-1 text-ink-3 hover:bg-loss-soft hover:text-loss"
            aria-label={`Remove the tally ${tally.name}`}
            onClick={() => {
              const removal = removeTally(project, tally.id);
              if (removal.sentences.length > 0) setRemoving({ what: tally.name, removal });
              else edit(removal);
            }}
          >
            <X size={13} />
          </button>
        </div>
      ))}
      <RemovalConfirm what={removing?.what} removal={removing?.removal} onClose={() => setRemoving(undefined)} />
      <div className="say">
        {project.tallies.length === 0 ? <span className="text-ink-3">none of your own</span> : null}
        <button
          type="button"
          className="link"
          onClick={() =>
            edit(addTally(project, project.tallies.length === 0 ? 'Tally' : `Tally ${project.tallies.length + 1}`))
          }
        >
          + tally
        </button>
      </div>
    </div>
  );
}
