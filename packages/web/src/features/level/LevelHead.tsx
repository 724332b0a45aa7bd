import { renameLevel } from '@stadion/core/authoring/edits';
import type { ReactNode } from 'react';
import { useGoto, useSelection } from '../../address/address.ts';
import { useAppDispatch, useAppSelector, useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { renamingStarted } from '../../store/viewSlice.ts';
import { nameRefused, Segmented, TextInPlace } from '../../ui/index.ts';

const viewsOf = ({ level }: LevelContext) => [
  { value: 'rules', label: 'Rules' },
  { value: 'ground', label: level.bout ? 'Bout' : 'Ground' },
];

/** Over a level: its place and name, which of its sides is looked at, and what can be done there. */
export function LevelHead({ here, children }: { here: LevelContext; children?: ReactNode }) {
  const { level, slotId, position } = here;
  const edit = useEdit();
  const goto = useGoto();
  const dispatch = useAppDispatch();
  const { view } = useSelection();
  const renaming = useAppSelector((state) => state.view.renaming === slotId);
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <h1 className="flex items-baseline gap-3">
        <span>{position}</span>
        <TextInPlace
          label="Name of the level"
          value={level.name}
          className="px-1"
          editing={renaming}
          onEditingChange={(editing) => !editing && dispatch(renamingStarted(null))}
          refuse={(text) => nameRefused(text, 'A level')}
          onCommit={(name) => edit(renameLevel(level, name))}
        />
      </h1>
      <Segmented
        label="What is looked at"
        value={view}
        options={viewsOf(here)}
        onChange={(next) => goto({ view: next === 'ground' ? 'ground' : 'rules' })}
      />
      <div className="grow" />
      {children}
    </div>
  );
}
