import type { Edit, Revision } from '@stadion/core/exchange/contract';
import type { PatchOperation } from '@stadion/core/basics/patch';
import { nanoid } from 'nanoid';
import { clashSettled, edited } from '../../store/documentSlice.ts';
import { useAppDispatch, useDocument } from '../../store/hooks.ts';
import { Button } from '../../ui/index.ts';

/** A plain value, where the edit's name does not tell it: a text, a number, yes or no. */
function valueInWords(patch: readonly PatchOperation[]): string {
  return patch
    .flatMap((operation) =>
      'value' in operation && typeof operation.value !== 'object' ? [JSON.stringify(operation.value)] : [],
    )
    .join(', ')
    .slice(0, 120);
}

function Side({
  title,
  edits,
  action,
}: {
  title: string;
  edits: readonly Edit[];
  action: { label: string; run: () => void };
}) {
  return (
    <div className="grow basis-0">
      <h3>{title}</h3>
      <ul className="my-1">
        {edits.map((edit) => (
          <li key={edit.id}>
            {edit.label} <span className="font-mono text-[12px] text-ink-2">{valueInWords(edit.patch)}</span>
          </li>
        ))}
      </ul>
      <Button onClick={action.run}>{action.label}</Button>
    </div>
  );
}

/** The same thing was changed here and elsewhere at the same time: shows both, and waits for a decision. Nothing else is held up. */
export function ConflictNotice() {
  const { clash } = useDocument();
  const dispatch = useAppDispatch();
  if (!clash) return null;
  const theirs = clash.theirs.map((revision: Revision) => revision.edit);
  return (
    <section
      role="alert"
      aria-label="Conflict"
      className="flex gap-6 border-b border-line-strong bg-mark-soft px-4 py-2.5"
    >
      <p className="w-52 shrink-0">
        <b>Changed in two places at once.</b> What stands now is the other one's; yours is kept here until you choose.
      </p>
      <Side title="Elsewhere" edits={theirs} action={{ label: 'Keep theirs', run: () => dispatch(clashSettled()) }} />
      <Side
        title="Here"
        edits={clash.mine}
        action={{
          label: 'Use mine',
          run: () => {
            for (const { label, patch } of clash.mine) dispatch(edited({ id: nanoid(), label, patch }));
            dispatch(clashSettled());
          },
        }}
      />
    </section>
  );
}
