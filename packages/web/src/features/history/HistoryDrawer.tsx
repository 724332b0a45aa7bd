import { changesBetween } from '@stadion/core/authoring/changes';
import { MAX_OPERATIONS_IN_AN_EDIT, type RevisionList } from '@stadion/core/exchange/contract';
import { projectOf, type ProjectDocument } from '@stadion/core/document/model';
import { patchBetween } from '@stadion/core/basics/patch';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { fetchJson } from '../../api/http.ts';
import {
  useCreateSnapshotMutation,
  useRemoveSnapshotMutation,
  useRenameSnapshotMutation,
  useSnapshotsQuery,
} from '../../api/stadionApi.ts';
import { callMyself, myName } from '../../store/me.ts';
import { useGoto, useSelection } from '../../address/address.ts';
import { useAppDispatch, useAppSelector, useEdit, useProjectDocument } from '../../store/hooks.ts';
import { drawerOpened } from '../../store/viewSlice.ts';
import { Drawer, formatMoment, nameRefused, Confirm, TextInPlace, Tip } from '../../ui/index.ts';
import { byMinutes, documentAfter, pastOf, type PastEdit } from './past.ts';

/** Number of earlier edits that are fetched at once. */
const FETCHED = 100;
/** Number of differences that are shown at once. */
const TOLD = 6;

/** Everything that was done, newest first, and the ways back to it. */
export function HistoryDrawer() {
  const dispatch = useAppDispatch();
  const { projectId } = useSelection();
  const log = useAppSelector((state) => state.document.open?.log);
  const pending = useAppSelector((state) => state.document.open?.pending);
  const [older, setOlder] = useState<readonly PastEdit[]>([]);
  const [name, setName] = useState(myName());
  const edits = useMemo(() => {
    const told = (log ?? []).map(pastOf);
    const first = told[0]?.revision ?? Number.POSITIVE_INFINITY;
    const waiting = (pending ?? []).map(({ edit, inverse }): PastEdit => ({ ...edit, inverse }));
    return [...older.filter(({ revision }) => (revision ?? 0) < first), ...told, ...waiting];
  }, [log, pending, older]);
  const minutes = useMemo(() => byMinutes(edits), [edits]);
  const first = edits[0]?.revision ?? 1;

  const fetchOlder = async (): Promise<void> => {
    try {
      const after = Math.max(0, first - 1 - FETCHED);
      const { revisions } = await fetchJson<RevisionList>(`/api/projects/${projectId}/revisions?after=${after}`);
      const earlier = revisions.filter(({ revision }) => revision < first).map(pastOf);
      setOlder([...earlier, ...older]);
    } catch (error) {
      toast((error as Error).message);
    }
  };
  return (
    <Drawer title="History" keys="H" onClose={() => dispatch(drawerOpened(null))}>
      <div className="say px-4 pb-1 text-ink-2">
        <span className="join">Edits made here are by</span>
        <TextInPlace
          label="What you call yourself"
          value={name}
          placeholder="nobody named"
          className="chip"
          refuse={(text) => (text.length > 40 ? 'At most 40 characters.' : undefined)}
          onCommit={(text) => {
            if (!callMyself(text)) toast('This browser keeps no name: it holds until the page is left.');
            setName(text);
          }}
        />
      </div>
      <div className="grow overflow-y-auto px-4 pb-4">
        <Snapshots />
        <h3 className="mt-3 mb-1">Edits</h3>
        {edits.length === 0 ? <p className="text-ink-3">Nothing was changed yet.</p> : null}
        <ol aria-label="Edits, newest first">
          {minutes.map((minute) => (
            <li key={minute.key} className="border-t border-line py-1.5">
              <p className="text-[12px] text-ink-3">
                {minute.at === undefined ? 'on its way to the server' : formatMoment(minute.at)}
                {minute.by === undefined ? '' : `, ${minute.by}`}
              </p>
              <ul>
                {minute.edits.map((edit) => (
                  <Entry key={edit.id} edit={edit} later={edits.slice(edits.indexOf(edit) + 1)} />
                ))}
              </ul>
            </li>
          ))}
        </ol>
        {first > 1 && edits.length > 0 ? (
          <button type="button" className="link mt-2" onClick={() => void fetchOlder()}>
            Show earlier edits
          </button>
        ) : null}
      </div>
    </Drawer>
  );
}

/** Changes by an edit, in words. */
function changedBy(document: ProjectDocument, edit: PastEdit, later: readonly PastEdit[]): string[] {
  const after = documentAfter(document, later);
  const before = documentAfter(after, [edit]);
  const words = changesBetween(projectOf(before), projectOf(after)).map(
    (change) => `${change.title}: ${change.words.join(', ')}`,
  );
  if (words.length === 0) return [`${edit.patch.length} place${edit.patch.length === 1 ? '' : 's'} in the document`];
  return words.length > TOLD ? [...words.slice(0, TOLD), `and ${words.length - TOLD} more`] : words;
}

/** Worked out only while it is looked at. */
function Changed({ edit, later }: { edit: PastEdit; later: readonly PastEdit[] }) {
  const document = useProjectDocument();
  const words = useMemo(() => changedBy(document, edit, later), [document, edit, later]);
  return words.map((line, index) => <p key={index}>{line}</p>);
}

/** One edit, what it changed, and what can be done with the state after it. */
function Entry({ edit, later }: { edit: PastEdit; later: readonly PastEdit[] }) {
  const document = useProjectDocument();
  const { projectId } = useSelection();
  const goto = useGoto();
  const change = useEdit();
  const [create] = useCreateSnapshotMutation();
  const [open, setOpen] = useState(false);
  const isLatest = later.length === 0;

  const goBack = (): void => {
    const patch = patchBetween(document, documentAfter(document, later));
    if (patch.length > MAX_OPERATIONS_IN_AN_EDIT)
      return void toast('Too much has changed since to go back at once: keep it as a snapshot, and take parts of it.');
    change({ label: `Back to after: ${edit.label}`, patch });
  };
  const keep = async (compares: boolean): Promise<void> => {
    if (edit.revision === undefined) return void toast('This edit is not on the server yet. Nothing was changed.');
    try {
      const name = `After ${edit.label}`.slice(0, 80);
      const { id } = await create({ projectId, name, revision: edit.revision }).unwrap();
      if (compares) goto({ screen: 'ramps', compared: id });
      else toast(`Kept as the snapshot “${name}”.`);
    } catch (error) {
      toast((error as { detail?: string }).detail ?? 'The snapshot was not taken. Nothing was changed.');
    }
  };
  return (
    <li className="rounded-r hover:bg-band">
      <Tip text={<Changed edit={edit} later={later} />}>
        <button type="button" className="w-full text-left" aria-expanded={open} onClick={() => setOpen(!open)}>
          {edit.label}
        </button>
      </Tip>
      {open ? (
        <div className="pb-1.5 pl-3 text-[12px] text-ink-2">
          <Changed edit={edit} later={later} />
          <div className="flex gap-3">
            {isLatest ? (
              <span className="text-ink-3">as it is now</span>
            ) : (
              <button type="button" className="link" onClick={goBack}>
                Go back to here
              </button>
            )}
            <button type="button" className="link" onClick={() => void keep(true)}>
              Compare with this
            </button>
            <button type="button" className="link" onClick={() => void keep(false)}>
              Keep as snapshot
            </button>
          </div>
        </div>
      ) : null}
    </li>
  );
}

/** States kept under names. */
function Snapshots() {
  const { projectId, compared } = useSelection();
  const goto = useGoto();
  const { data } = useSnapshotsQuery(projectId);
  const [rename] = useRenameSnapshotMutation();
  const [remove] = useRemoveSnapshotMutation();
  const [removing, setRemoving] = useState<{ id: string; name: string } | null>(null);
  const snapshots = data?.snapshots ?? [];
  if (snapshots.length === 0) return null;
  return (
    <section aria-label="Snapshots">
      <h3 className="mt-2 mb-1">Snapshots</h3>
      <ul className="border-t border-line">
        {snapshots.toReversed().map((snapshot) => (
          <li key={snapshot.id} className="flex items-center gap-2 border-b border-line py-1">
            <span className="flex min-w-0 grow">
              <TextInPlace
                label="Name of the snapshot"
                value={snapshot.name}
                className="truncate font-medium"
                refuse={(text) => nameRefused(text, 'A snapshot')}
                onCommit={(name) => void rename({ projectId, snapshotId: snapshot.id, name })}
              />
            </span>
            <button
              type="button"
              className="link text-[12px]"
              aria-label={`Compare with ${snapshot.name}`}
              onClick={() => goto({ screen: 'ramps', compared: snapshot.id })}
            >
              compare
            </button>
            <button
              type="button"
              className="link text-[12px]"
              aria-label={`Remove ${snapshot.name}`}
              onClick={() => setRemoving(snapshot)}
            >
              remove
            </button>
          </li>
        ))}
      </ul>
      <Confirm
        open={removing !== null}
        title={`Remove the snapshot “${removing?.name ?? ''}”?`}
        does="Remove it"
        onClose={() => setRemoving(null)}
        onConfirm={() => {
          if (!removing) return;
          if (removing.id === compared) goto({ compared: undefined });
          void remove({ projectId, snapshotId: removing.id });
        }}
      >
        The project stays as it is. Its state of then can still be reached by the edits below.
      </Confirm>
    </section>
  );
}
