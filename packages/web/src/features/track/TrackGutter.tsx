import { useState } from 'react';
import { useChangeTrialsMutation, useTrialsStateQuery } from '../../api/stadionApi.ts';
import { addLevel, duplicateLevel, moveSlot, removeSlot, repeatSlot } from '@stadion/core/authoring/edits';
import { useGoto, useSelection, useSequenceEdit } from '../../address/address.ts';
import { useAppDispatch, usePacer, useProjectNow, useProjectPart } from '../../store/hooks.ts';
import { mintId } from '../../store/mintId.ts';
import { pacerChosen, renamingStarted } from '../../store/viewSlice.ts';
import { ChoiceChip, Confirm, Menu } from '../../ui/index.ts';

/** Beside the track: what it shows, and what can be done with the selected slot. */
export function TrackGutter() {
  const now = useProjectNow();
  const { projectId, slotId, position, screen } = useSelection();
  const { data: trials } = useTrialsStateQuery(projectId);
  const [changeTrials] = useChangeTrialsMutation();
  const pacer = usePacer();
  const dispatch = useAppDispatch();
  const goto = useGoto();
  const change = useSequenceEdit();
  const [removing, setRemoving] = useState(false);
  const count = useProjectPart(({ slots }) => slots.length);
  const pacers = useProjectPart((project) => project.pacers);
  const name = useProjectPart(({ slots, levels }) => levels[slots[position - 1]?.levelId ?? '']?.name);
  const withSlot = (run: (id: string) => void) => (): void => {
    if (slotId !== undefined) run(slotId);
  };
  const rename = withSlot((id) => {
    if (screen !== 'level') goto({ screen: 'level' });
    setTimeout(() => dispatch(renamingStarted(id)));
  });
  const none = slotId === undefined;
  return (
    <div className="absolute top-2.5 left-3.5 flex w-[132px] flex-col items-start gap-1.5 bg-sheet text-[12px]">
      <h2 className="text-[12px] font-semibold whitespace-nowrap">
        Sequence · {count} level{count === 1 ? '' : 's'}
      </h2>
      <Menu
        trigger={
          <button type="button" className="chip w-full justify-between text-[12px]">
            {none ? 'Levels' : `Level ${position}`} <span aria-hidden>▾</span>
          </button>
        }
        entries={[
          { label: 'Add a level after', keys: 'N', onSelect: () => change(addLevel(now(), position, mintId)) },
          {
            label: 'Duplicate',
            keys: 'D',
            disabled: none,
            onSelect: withSlot((id) => change(duplicateLevel(now(), id, mintId))),
          },
          {
            label: 'Repeat: the same level once more',
            disabled: none,
            onSelect: withSlot((id) => change(repeatSlot(now(), id, mintId))),
          },
          { label: 'Rename', keys: 'F2', disabled: none, onSelect: rename },
          'line',
          {
            label: 'Move earlier',
            keys: '{',
            disabled: position <= 1,
            onSelect: withSlot((id) => change(moveSlot(now(), id, position - 1))),
          },
          {
            label: 'Move later',
            keys: '}',
            disabled: none || position >= count,
            onSelect: withSlot((id) => change(moveSlot(now(), id, position + 1))),
          },
          'line',
          { label: 'Remove', disabled: none, onSelect: () => setRemoving(true) },
        ]}
      />
      <ChoiceChip
        label="Clear rate by"
        value={pacer.id}
        shown={`Clear rate: ${pacer.name}`}
        wide
        choices={pacers.map((entry) => ({ value: entry.id, label: `${entry.name} pacer` }))}
        onChoose={(id) => dispatch(pacerChosen(id))}
      />
      {trials?.paused ? (
        <button
          type="button"
          className="link text-left text-[11.5px] leading-[1.35]"
          onClick={() => void changeTrials({ projectId, do: 'goOn' })}
        >
          Trials are paused: resume
        </button>
      ) : (
        <p className="text-[11.5px] leading-[1.35] text-ink-3">
          dashes: wanted
          <br />
          whiskers: 95 % interval
        </p>
      )}
      <Confirm
        open={removing}
        title={`Remove ${name ?? 'the level'}?`}
        does="Remove"
        onConfirm={withSlot((id) => change(removeSlot(now(), id)))}
        onClose={() => setRemoving(false)}
      >
        Its rules, ground and pins go with it. It can be undone.
      </Confirm>
    </div>
  );
}
