import { useState } from 'react';
import { patchBetween } from '@stadion/core/basics/patch';
import { useRemoveSnapshotMutation, useSnapshotQuery } from '../../api/stadionApi.ts';
import { useChanges, useCompared } from '../../readings/compared.ts';
import { useGoto, useSelection } from '../../address/address.ts';
import { useEdit, useProjectDocument } from '../../store/hooks.ts';
import { Button } from '../../ui/index.ts';
import { positionsInWords } from './words.ts';

/** Bar with the snapshot that the project is compared with, the number of differences, and their list on demand. */
export function ComparedBar() {
  const { projectId, compared } = useSelection();
  const goto = useGoto();
  const state = useCompared();
  const changes = useChanges();
  const { isError } = useSnapshotQuery({ projectId, snapshotId: compared ?? '' });
  const [listed, setListed] = useState(false);
  const stop = (): void => goto({ compared: undefined });
  const name = state?.snapshot.name ?? '';
  const said =
    changes.length === 0 ? 'nothing differs' : `${changes.length} difference${changes.length === 1 ? '' : 's'}`;
  return (
    <>
      <div className="flex h-8 shrink-0 items-center gap-2.5 border-b border-line bg-mark-soft px-3.5 text-[12.5px]">
        {isError ? (
          <span role="alert">There is no such snapshot any more. The project is as it was.</span>
        ) : (
          <span role="status" className="min-w-0 truncate">
            Compared with “<b>{name}</b>”: {state ? said : '…'}. Dashed lines and outlines show what was.
          </span>
        )}
        <span className="grow" />
        {changes.length === 0 ? null : (
          <button type="button" className="link" aria-expanded={listed} onClick={() => setListed(!listed)}>
            {listed ? 'Hide the list' : 'List them'}
          </button>
        )}
        <button type="button" className="link" onClick={stop}>
          Stop comparing
        </button>
      </div>
      {listed && state ? <Differences onGone={stop} /> : null}
    </>
  );
}

/** The differences in words, and the ways back. */
function Differences({ onGone }: { onGone: () => void }) {
  const document = useProjectDocument();
  const { projectId } = useSelection();
  const edit = useEdit();
  const state = useCompared();
  const changes = useChanges();
  const [remove] = useRemoveSnapshotMutation();
  if (!state) return null;
  const { snapshot } = state;
  const restoreAll = (): void =>
    edit({ label: `Back to “${snapshot.name}”`, patch: patchBetween(document, snapshot.document) });
  return (
    <aside
      aria-label="Differences"
      className="absolute top-8 right-0 bottom-0 z-20 flex w-[360px] flex-col border-l border-line-strong bg-sheet p-3.5"
    >
      <ul className="min-h-0 grow overflow-y-auto">
        {changes.map((change) => (
          <li key={change.id} className="border-b border-line py-1.5">
            <div className="flex items-baseline gap-2">
              <b className="min-w-0 grow">{change.title}</b>
              {change.restore ? (
                <button
                  type="button"
                  className="link shrink-0"
                  aria-label={`Restore ${change.title}`}
                  onClick={() =>
                    edit({
                      label: `${change.title} back to “${snapshot.name}”`,
                      patch: change.restore ? [...change.restore] : [],
                    })
                  }
                >
                  Restore
                </button>
              ) : null}
            </div>
            {change.words.map((words) => (
              <p key={words} className="text-[12.5px] leading-[1.4] text-ink-2">
                {words}
              </p>
            ))}
            {change.positions.length === 0 ? null : (
              <p className="text-[12px] text-ink-3">
                {change.about === 'parameter' ? 'other values at ' : 'level '}
                {positionsInWords(change.positions)}
              </p>
            )}
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap gap-2">
        {changes.length === 0 ? null : <Button onClick={restoreAll}>Restore all</Button>}
        <Button
          onClick={() => {
            onGone();
            void remove({ projectId, snapshotId: snapshot.id });
          }}
        >
          Remove the snapshot
        </Button>
      </div>
    </aside>
  );
}
