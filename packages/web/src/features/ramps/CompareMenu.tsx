import { useState } from 'react';
import { toast } from 'sonner';
import { useCreateSnapshotMutation, useSnapshotsQuery } from '../../api/stadionApi.ts';
import { useGoto, useSelection } from '../../address/address.ts';
import { useAppSelector } from '../../store/hooks.ts';
import { Menu, TextInPlace, type MenuEntry } from '../../ui/index.ts';

/** Number of the latest edits that the menu offers as states to compare with. */
const RECENT = 8;

/** Takes snapshots of the project, now or as it was before an edit, and chooses the one to compare with. */
export function CompareMenu() {
  const { projectId, compared } = useSelection();
  const goto = useGoto();
  const { data } = useSnapshotsQuery(projectId);
  const [create] = useCreateSnapshotMutation();
  const log = useAppSelector((state) => state.document.open?.log);
  const unsent = useAppSelector((state) => state.document.open?.pending.length ?? 0);
  const [naming, setNaming] = useState(false);

  const take = async (name: string, revision?: number): Promise<void> => {
    if (unsent > 0 && revision === undefined)
      return void toast(
        'The last edits are not on the server yet. Take the snapshot once it says “saved”. Nothing was changed.',
      );
    try {
      const { id } = await create({ projectId, name, ...(revision === undefined ? {} : { revision }) }).unwrap();
      goto({ compared: id });
    } catch (error) {
      toast((error as { detail?: string }).detail ?? 'The snapshot was not taken. Nothing was changed.');
    }
  };
  const snapshots = data?.snapshots ?? [];
  const recent = (log ?? []).slice(-RECENT).toReversed();
  const entries: (MenuEntry | 'line')[] = [
    { label: 'Take a snapshot of now …', onSelect: () => setTimeout(() => setNaming(true)) },
    ...(snapshots.length > 0 ? (['line'] as const) : []),
    ...snapshots
      .toReversed()
      .slice(0, 12)
      .map((snapshot) => ({
        label: `Compare with “${snapshot.name}”`,
        disabled: snapshot.id === compared,
        onSelect: () => goto({ compared: snapshot.id }),
      })),
    ...(recent.length > 0 ? (['line'] as const) : []),
    ...recent.map(({ revision, edit }) => ({
      label: `Compare with before edit ${revision}: ${edit.label.slice(0, 48)}`,
      onSelect: () => void take(`Before ${edit.label}`.slice(0, 80), revision - 1),
    })),
    ...(compared === undefined ? [] : (['line'] as const)),
    ...(compared === undefined ? [] : [{ label: 'Stop comparing', onSelect: () => goto({ compared: undefined }) }]),
  ];
  return naming ? (
    <div className="w-56">
      <TextInPlace
        label="Name of the snapshot"
        value=""
        editing
        placeholder="Name, such as Before the dusk pass"
        onEditingChange={setNaming}
        onCommit={(name) => void take(name)}
      />
    </div>
  ) : (
    <Menu
      trigger={
        <button type="button" className="btn">
          Compare ▾
        </button>
      }
      entries={entries}
    />
  );
}
