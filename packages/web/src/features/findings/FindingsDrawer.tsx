import { useAppDispatch, useGoto, useProject } from '../../project/hooks.ts';
import { useFindings } from '../../project/useFindings.ts';
import { drawerOpened } from '../../project/viewSlice.ts';
import { FindingNote } from '../../sentences/FindingNote.tsx';
import { Expectations } from './Expectations.tsx';

/** Everything found, in the order of the sequence, each with the way to its place. */
export function FindingsDrawer() {
  const project = useProject();
  const findings = useFindings();
  const goto = useGoto();
  const dispatch = useAppDispatch();
  return (
    <aside
      aria-label="Findings"
      className="absolute inset-y-0 right-0 z-20 flex w-[470px] flex-col border-l border-line-strong bg-sheet shadow-lg"
    >
      <div className="flex items-center px-4 pt-3.5 pb-2">
        <h2 className="text-[14px]">Findings</h2>
        <button type="button" className="link ml-auto" onClick={() => dispatch(drawerOpened(null))}>
          Close <kbd>F</kbd>
        </button>
      </div>
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
    </aside>
  );
}
