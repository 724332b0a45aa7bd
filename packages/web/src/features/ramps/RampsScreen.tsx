import { useState } from 'react';
import { toast } from 'sonner';
import { addParameter } from '../../app/commands/index.ts';
import { useEdit, useGoto, useProject, useSelection } from '../../app/hooks.ts';
import { Button, TextInPlace } from '../../ui/index.ts';
import { Lanes } from './Lanes.tsx';
import { ValueTable } from './ValueTable.tsx';

/** A lane per parameter, under the track's columns. */
export function RampsScreen() {
  const project = useProject();
  const { lane } = useSelection();
  const goto = useGoto();
  const edit = useEdit();
  const [naming, setNaming] = useState(false);
  const [asTable, setAsTable] = useState(false);
  const open = project.parameters.some((parameter) => parameter.key === lane) ? lane : undefined;
  const count = project.parameters.length;
  const add = (label: string): void => {
    const command = addParameter(project, label);
    edit(command);
    toast(`${label} is added: press = on any number of a level to let it follow.`);
    goto({ lane: command.key });
  };
  return (
    <main className="flex min-h-0 grow flex-col">
      <div className="flex h-10 shrink-0 items-center gap-2 border-b border-line px-3.5">
        <b>
          {count} parameter{count === 1 ? '' : 's'}
        </b>
        <span className="text-ink-2 max-[1100px]:hidden">
          Each lane is one parameter, read left to right through the sequence above.
        </span>
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
        <Button aria-pressed={asTable} onClick={() => setAsTable(!asTable)}>
          {asTable ? 'As lanes' : 'As a table'}
        </Button>
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
      ) : asTable ? (
        <ValueTable />
      ) : (
        <Lanes open={open} />
      )}
    </main>
  );
}
