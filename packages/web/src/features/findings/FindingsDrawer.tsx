import { useAppDispatch, useGoto, useProject } from '../../project/hooks.ts';
import { useFindings } from '../../project/useFindings.ts';
import { drawerOpened } from '../../project/viewSlice.ts';
import { FindingNote } from '../../sentences/FindingNote.tsx';
import { Drawer } from '../../ui/index.ts';
import { Expectations } from './Expectations.tsx';

/** Everything found, in the order of the sequence, each with the way to its place. */
export function FindingsDrawer() {
  const project = useProject();
  const findings = useFindings();
  const goto = useGoto();
  const dispatch = useAppDispatch();
  return (
    <Drawer title="Findings" keys="F" onClose={() => dispatch(drawerOpened(null))}>
      {findings.length === 0 ? <p className="px-4 text-ink-2">Nothing is wrong as far as Stadion can see.</p> : null}
      <ul className="grow overflow-y-auto px-4 pb-4">
        {findings.map((finding) => {
          const position = project.slots.findIndex((slot) => slot.id === finding.slotId) + 1;
          const level = project.levels[project.slots[position - 1]?.levelId ?? ''];
          return (
            <li key={`${finding.slotId}${finding.path}${finding.code}`} className="border-t border-line py-2.5">
              <button type="button" className="link" onClick={() => goto({ screen: 'level', slotId: finding.slotId })}>
                {position} {level?.name}
              </button>
              <FindingNote finding={finding} />
            </li>
          );
        })}
        <Expectations />
      </ul>
    </Drawer>
  );
}
