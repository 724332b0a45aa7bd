import { useState, type ReactNode } from 'react';
import { toast } from 'sonner';
import { addParameter, at } from '@stadion/core/authoring/edits';
import { useGoto, useSelection } from '../../address/address.ts';
import { useAppDispatch, useAppSelector, useEdit, useProject } from '../../store/hooks.ts';
import { useFindings } from '../../answers/useFindings.ts';
import { FindingNotes } from '../../sentences/FindingNote.tsx';
import { levelsPastEndSet, moversToggled } from '../../store/viewSlice.ts';
import { Button, NumberChip, Segmented, TextInPlace } from '../../ui/index.ts';
import { CompareMenu } from './CompareMenu.tsx';
import { ComparedBar } from './ComparedBar.tsx';
import { Lanes } from './Lanes.tsx';
import { NumbersGrid } from './NumbersGrid.tsx';

/** A lane per parameter, under the track's columns. @param movers what moves the selected level */
export function RampsScreen({ movers }: { movers: ReactNode }) {
  const project = useProject();
  const { lane, compared, position } = useSelection();
  const dispatch = useAppDispatch();
  const moversOpen = useAppSelector((state) => state.view.moversOpen);
  const levelsPastEnd = useAppSelector((state) => state.view.levelsPastEnd);
  const goto = useGoto();
  const edit = useEdit();
  const [naming, setNaming] = useState(false);
  const [view, setView] = useState<'lanes' | 'numbers'>('lanes');
  const open = project.parameters.some((parameter) => parameter.key === lane) ? lane : undefined;
  const count = project.parameters.length;
  const findings = useFindings();
  // Those of the open lane stand above the lanes: a lane keeps its height.
  const ofLane =
    open === undefined
      ? []
      : findings.filter(({ path }) => path.startsWith(`${at('parameters', open)}/`) || path === at('parameters', open));
  const add = (label: string): void => {
    const command = addParameter(project, label);
    edit(command);
    toast(`${label} is added: press = on any number of a level to let it follow.`);
    goto({ lane: command.key });
  };
  return (
    <main className="flex min-h-0 min-w-0 grow flex-col">
      <div className="flex h-10 shrink-0 items-center gap-2 border-b border-line px-3.5">
        <b>
          {count} parameter{count === 1 ? '' : 's'}
        </b>
        <Segmented
          label="Ramps as"
          value={view}
          options={[
            { value: 'lanes', label: 'Lanes' },
            { value: 'numbers', label: 'Numbers' },
          ]}
          onChange={(value) => setView(value as typeof view)}
        />
        {view === 'lanes' && project.slots.length > 0 ? (
          <span className="say text-[12.5px] text-ink-2">
            past the end
            <NumberChip
              label="Levels shown past the end"
              value={levelsPastEnd}
              step={1}
              whole
              min={0}
              max={200}
              onCommit={(value) => dispatch(levelsPastEndSet(value))}
            />
            levels
          </span>
        ) : null}
        <div className="grow" />
        {naming ? (
          <div className="w-56">
            <TextInPlace
              label="Name of the new parameter"
              value=""
              editing
              placeholder="Name, such as Wind"
              onEditingChange={setNaming}
              onCommit={add}
            />
          </div>
        ) : null}
        {position > 0 ? (
          <Button aria-expanded={moversOpen} onClick={() => dispatch(moversToggled(!moversOpen))}>
            What moves level {position}
          </Button>
        ) : null}
        <CompareMenu />
        <Button onClick={() => setNaming(true)}>+ Parameter</Button>
      </div>
      {count === 0 ? (
        <div className="p-10">
          <h1>No parameters yet</h1>
          <p className="my-2 max-w-xl text-ink-2">
            A parameter is a number that changes over the sequence: how fast, how many, how long. Add one, then press{' '}
            <kbd>=</kbd> on a number of a level to let it follow.
          </p>
          <Button look="main" onClick={() => setNaming(true)}>
            Add the first parameter
          </Button>
        </div>
      ) : (
        <div className="relative flex min-h-0 grow flex-col">
          {compared === undefined ? null : <ComparedBar />}
          {moversOpen && position > 0 ? (
            <section
              aria-label={`What moves level ${position}`}
              className="max-h-64 shrink-0 overflow-y-auto border-b border-line bg-sheet px-3.5 py-2.5"
            >
              <div className="max-w-[760px]">{movers}</div>
            </section>
          ) : null}
          {ofLane.length > 0 ? (
            <div className="max-h-32 shrink-0 overflow-y-auto border-b border-line px-3.5 pb-1.5">
              <FindingNotes findings={ofLane} at={() => true} />
            </div>
          ) : null}
          {view === 'lanes' ? (
            <Lanes open={open} />
          ) : project.slots.length > 0 ? (
            <NumbersGrid />
          ) : (
            <p className="p-10 text-ink-2">
              There are no levels yet: press <kbd>N</kbd> to add one, and its values stand here in a row.
            </p>
          )}
        </div>
      )}
    </main>
  );
}
