import { changesBetween } from '@stadion/core/authoring/changes';
import type { OpenProject } from '@stadion/core/exchange/contract';
import { projectOf } from '@stadion/core/document/model';
import { patchBetween } from '@stadion/core/basics/patch';
import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import { fetchJson } from '../../api/http.ts';
import { edited, opened } from '../../store/documentSlice.ts';
import { useSelection } from '../../address/address.ts';
import { useAppDispatch, useDocument, useProject, useProjectDocument } from '../../store/hooks.ts';
import { Button } from '../../ui/index.ts';

/** Number of differences that are named. */
const MOST_NAMED = 6;
const ASKED_EVERY_MS = 2000;

/** The server has another history of the project than this page, as after a copy of the database was put back: shows what differs, and waits for a decision. */
export function DivergedNotice() {
  return useDocument().diverged ? <Decision /> : null;
}

function Decision() {
  const { projectId } = useSelection();
  const project = useProject();
  const document = useProjectDocument();
  const dispatch = useAppDispatch();
  const [theirs, setTheirs] = useState<OpenProject>();
  useEffect(() => {
    let again: ReturnType<typeof setTimeout>;
    let gone = false;
    const ask = (): void => {
      fetchJson<OpenProject>(`/api/projects/${projectId}`).then(
        (answer) => !gone && setTheirs(answer),
        // The server may be starting: it is asked until it answers.
        () => {
          if (!gone) again = setTimeout(ask, ASKED_EVERY_MS);
        },
      );
    };
    ask();
    return () => {
      gone = true;
      clearTimeout(again);
    };
  }, [projectId]);
  const changes = theirs ? changesBetween(projectOf(theirs.document), project) : [];
  const take = (mine: boolean): void => {
    if (!theirs) return;
    const { revision, document: server, recent } = theirs;
    dispatch(opened({ projectId, revision, document: server, log: recent }));
    const patch = mine ? patchBetween(server, document) : [];
    if (patch.length > 0) dispatch(edited({ id: nanoid(), label: 'Bring back what this page had', patch }));
  };
  return (
    <section
      role="alert"
      aria-label="Another history"
      className="flex gap-6 border-b border-line-strong bg-mark-soft px-4 py-2.5"
    >
      <p className="w-72 shrink-0">
        <b>The server has another history of this project.</b> A copy of its database may have been put back. What you
        see is what this page has; nothing is sent until you choose.
      </p>
      <div className="grow">
        <h3>{theirs ? 'What this page has otherwise' : 'The server’s project is being read…'}</h3>
        <ul className="my-1">
          {changes.slice(0, MOST_NAMED).map(({ id, title, words }) => (
            <li key={id}>
              {title}: {words.join(', ')}
            </li>
          ))}
          {changes.length > MOST_NAMED ? <li>And {changes.length - MOST_NAMED} more.</li> : null}
          {theirs && changes.length === 0 ? <li>Nothing: both are the same.</li> : null}
        </ul>
        <div className="flex gap-2">
          <Button disabled={!theirs} onClick={() => take(false)}>
            Take the server’s
          </Button>
          <Button disabled={!theirs} onClick={() => take(true)}>
            Keep what this page has
          </Button>
        </div>
      </div>
    </section>
  );
}
