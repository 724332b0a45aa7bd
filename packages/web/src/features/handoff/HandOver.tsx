import { changesBetween } from '@stadion/core/authoring/changes';
import type { HandOffSummary, Problem } from '@stadion/core/exchange/contract';
import { projectOf } from '@stadion/core/document/model';
import { useId, useMemo, useState } from 'react';
import { toast } from 'sonner';
import {
  useCreateHandOffMutation,
  useHandOffChecksQuery,
  useHandOffQuery,
  useHandOffsQuery,
} from '../../api/stadionApi.ts';
import { useSelection } from '../../address/address.ts';
import { useAppSelector, useProject } from '../../store/hooks.ts';
import { useExpectations } from '../../answers/useExpectations.ts';
import { Button, formatMoment } from '../../ui/index.ts';

/** More changes than this nobody reads one by one. */
const TOLD = 12;

interface Checks {
  /** Reasons against handing over, one sentence each; undefined while they are not known. */
  failures: readonly string[] | undefined;
  /** The server cannot run the checks now. */
  stopped: boolean;
}

/** The checks of the project as it is, as the server runs them before it hands over. */
function useChecks(): Checks {
  const { projectId } = useSelection();
  const revision = useAppSelector((state) => state.document.open?.revision ?? 0);
  const unsent = useAppSelector((state) => state.document.open?.pending.length ?? 0);
  // A forecast that arrives may decide an expectation.
  const decided = useExpectations().map(({ met }) => (met === undefined ? '?' : Number(met)));
  const state = `${revision} ${decided.join('')}`;
  // They are run again once the server is back.
  const offline = useAppSelector((state) => state.document.connection === 'offline');
  const { currentData, isError } = useHandOffChecksQuery({ projectId, state }, { skip: unsent > 0 || offline });
  return { failures: unsent > 0 ? undefined : currentData?.failures, stopped: offline || isError };
}

/** Changes since the last hand-off, failing checks, and the form to hand over. */
export function HandOver() {
  const { projectId } = useSelection();
  const { data } = useHandOffsQuery(projectId);
  const handOffs = data?.handOffs ?? [];
  return (
    <section aria-label="Hand over" className="mb-5 grid grid-cols-2 gap-x-6 gap-y-3 border-y border-line py-3">
      <Since last={handOffs[0]} known={data !== undefined} />
      <Over key={handOffs[0]?.id ?? ''} first={handOffs.length === 0} />
      {handOffs.length > 0 ? <Earlier handOffs={handOffs} /> : null}
    </section>
  );
}

function Since({ last, known }: { last: HandOffSummary | undefined; known: boolean }) {
  const project = useProject();
  const { projectId } = useSelection();
  const { currentData } = useHandOffQuery({ projectId, handOffId: last?.id ?? '' }, { skip: last === undefined });
  const document = currentData?.document;
  const changes = useMemo(
    () => (document ? changesBetween(projectOf(document), project) : undefined),
    [document, project],
  );
  return (
    <div className="min-w-0">
      <h2>{last ? `Changed since “${last.label}”` : 'Not handed over yet'}</h2>
      {!last ? (
        <p className="text-ink-2">
          {known ? 'What changes from one hand-off to the next will stand here in words.' : '…'}
        </p>
      ) : changes === undefined ? (
        <p className="text-ink-2">…</p>
      ) : changes.length === 0 ? (
        <p className="text-ink-2">Nothing: the game has what stands here.</p>
      ) : (
        <ul className="mt-1 list-disc pl-4">
          {changes.slice(0, TOLD).map(({ id, title, words }) => (
            <li key={id}>
              <b>{title}</b>: {words.join(', ')}
            </li>
          ))}
          {changes.length > TOLD ? <li>and {changes.length - TOLD} more</li> : null}
        </ul>
      )}
    </div>
  );
}

/** How the checks stand. */
function saidOf({ failures, stopped }: Checks): string {
  if (!failures) return stopped ? 'The checks cannot be run: the server does not answer' : 'The checks are under way';
  return failures.length === 0
    ? 'All checks pass'
    : `${failures.length} check${failures.length === 1 ? ' fails' : 's fail'}`;
}

function Over({ first }: { first: boolean }) {
  const { projectId } = useSelection();
  const unsent = useAppSelector((state) => state.document.open?.pending.length ?? 0);
  const checks = useChecks();
  const known = checks.failures !== undefined;
  const failures = checks.failures ?? [];
  const [create, { isLoading }] = useCreateHandOffMutation();
  const [label, setLabel] = useState(first ? 'First hand-off' : '');
  const [reason, setReason] = useState('');
  const ids = { label: useId(), reason: useId() };
  const needsReason = failures.length > 0 && reason.trim() === '';
  const handOver = async (): Promise<void> => {
    const asked = { projectId, label: label.trim(), ...(failures.length > 0 ? { reason } : {}) };
    const answer = await create(asked);
    if (answer.error) {
      const { detail, kept } = answer.error as Problem;
      return void toast(`${detail} ${kept ?? ''}`);
    }
    toast(`“${answer.data.label}” is handed over.`);
  };
  return (
    <form
      className="min-w-0"
      onSubmit={(event) => {
        event.preventDefault();
        void handOver();
      }}
    >
      <h2>{saidOf(checks)}</h2>
      {failures.length > 0 ? (
        <ul className="mt-1 mb-2 list-disc pl-4 text-mark-ink">
          {failures.slice(0, TOLD).map((failure) => (
            <li key={failure}>{failure}</li>
          ))}
          {failures.length > TOLD ? <li>and {failures.length - TOLD} more</li> : null}
        </ul>
      ) : null}
      <div className="flex flex-wrap items-end gap-2">
        <label htmlFor={ids.label} className="grid gap-0.5 text-ink-2">
          Label
          <input
            id={ids.label}
            className="field w-56"
            value={label}
            maxLength={80}
            placeholder="Build 41"
            onChange={(event) => setLabel(event.target.value)}
          />
        </label>
        {failures.length > 0 ? (
          <label htmlFor={ids.reason} className="grid grow gap-0.5 text-ink-2">
            Why it is handed over so
            <input
              id={ids.reason}
              className="field w-full"
              value={reason}
              maxLength={400}
              onChange={(event) => setReason(event.target.value)}
            />
          </label>
        ) : null}
        <Button look="main" type="submit" disabled={isLoading || !known || label.trim() === '' || needsReason}>
          Hand over
        </Button>
      </div>
      <p className="mt-1 text-[12px] text-ink-2">
        {label.trim() === ''
          ? 'A label says later which one it was.'
          : needsReason
            ? 'While a check fails, a reason is asked for. It is kept with the hand-off.'
            : unsent > 0
              ? 'The last edits are still on their way.'
              : !known
                ? 'It can be handed over once they are done.'
                : 'Keeps this state, so that the next hand-off can say what changed.'}
      </p>
    </form>
  );
}

function Earlier({ handOffs }: { handOffs: readonly HandOffSummary[] }) {
  const { projectId } = useSelection();
  return (
    <div className="col-span-2 max-h-44 overflow-y-auto">
      <table className="w-full text-left">
        <thead className="text-[12px] text-ink-2">
          <tr>
            <th className="font-normal">Handed over</th>
            <th className="font-normal">Label</th>
            <th className="font-normal">Revision</th>
            <th className="font-normal">Checks</th>
            <th className="font-normal">Files</th>
          </tr>
        </thead>
        <tbody>
          {handOffs.map(({ id, at, label, revision, failed, reason }) => (
            <tr key={id} className="border-t border-line">
              <td className="py-1 pr-3 whitespace-nowrap">{formatMoment(at)}</td>
              <td className="pr-3 font-[550]">{label}</td>
              <td className="pr-3">{revision}</td>
              <td className="pr-3">
                {[failed === 0 ? 'all passed' : `${failed} failed`, reason].filter(Boolean).join(': ')}
              </td>
              <td className="whitespace-nowrap">
                {['hand-off.json', 'project.json'].map((file) => (
                  <a
                    key={file}
                    className="link mr-3"
                    download
                    href={`/api/projects/${projectId}/hand-offs/${id}/files/${file}`}
                  >
                    {file}
                    <span className="sr-only"> of {label}</span>
                  </a>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
