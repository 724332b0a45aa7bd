import { patchBetween } from '../../api/patch.ts';
import { useRemoveSnapshotMutation, useSnapshotQuery } from '../../api/stadionApi.ts';
import { useChanges, useCompared } from '../../app/compared.ts';
import { useEdit, useGoto, useProject, useSelection } from '../../app/hooks.ts';
import { Button } from '../../ui/index.ts';
import { positionsInWords } from './words.ts';

/** How the project differs from the snapshot it is compared with, in words, and the ways back. */
export function DifferencesPanel() {
  const project = useProject();
  const { projectId, compared } = useSelection();
  const edit = useEdit();
  const goto = useGoto();
  const state = useCompared();
  const changes = useChanges();
  const { isError } = useSnapshotQuery({ projectId, snapshotId: compared ?? '' });
  const [remove] = useRemoveSnapshotMutation();
  const stop = (): void => goto({ compared: undefined });
  const name = state?.snapshot.name ?? '';
  const aside = 'flex w-[330px] shrink-0 flex-col overflow-y-auto border-l border-line-strong bg-sheet p-3.5';
  if (isError)
    return (
      <aside aria-label="Differences" className={aside}>
        <p>There is no such snapshot any more. The project is as it was.</p>
        <Button onClick={stop}>Stop comparing</Button>
      </aside>
    );
  if (!state) return <aside aria-label="Differences" className={aside} />;
  const restoreAll = (): void =>
    edit({ label: `Back to “${name}”`, patch: patchBetween(project, state.snapshot.document) });
  return (
    <aside aria-label="Differences" className={aside}>
      <div className="flex items-baseline gap-2">
        <h2 className="min-w-0 grow truncate" title={name}>
          Since “{name}”
        </h2>
        <button type="button" className="link" onClick={stop}>
          Stop
        </button>
      </div>
      <p role="status" className="text-[12.5px] text-ink-2">
        {changes.length === 0
          ? 'Nothing differs.'
          : `${changes.length} difference${changes.length === 1 ? '' : 's'}. Dashed lines show what was.`}
      </p>
      <ul className="mt-2 min-h-0">
        {changes.map((change) => (
          <li key={change.id} className="border-t border-line py-1.5">
            <div className="flex items-baseline gap-2">
              <b className="min-w-0 grow">{change.title}</b>
              {change.restore ? (
                <button
                  type="button"
                  className="link shrink-0"
                  aria-label={`Restore ${change.title}`}
                  onClick={() =>
                    edit({
                      label: `${change.title} back to “${name}”`,
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
            stop();
            void remove({ projectId, snapshotId: state.snapshot.id });
          }}
        >
          Remove the snapshot
        </Button>
      </div>
    </aside>
  );
}
