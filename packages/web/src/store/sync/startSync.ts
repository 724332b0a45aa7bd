import {
  historyTag,
  MAX_EDITS_IN_A_REQUEST,
  type HistoryPlace,
  type OpenProject,
  type PatchResponse,
  type RevisionList,
} from '@stadion/core/exchange/contract';
import { pacerOf, projectOf } from '@stadion/core/document/model';
import { fetchJson, HttpProblem, jsonBody } from '../../api/http.ts';
import { forecastsArrived, gamesTold, stadionApi } from '../../api/stadionApi.ts';
import { adoptUnsent, keepUnsent, type Unsent } from '../../api/unsent.ts';
import {
  adopted,
  alreadyKnown,
  clashLeft,
  connectionChanged,
  historyDiverged,
  keptChanged,
  loading,
  missing,
  opened,
  placeOf,
  refused,
  revisionsArrived,
  unreachable,
} from '../documentSlice.ts';
import type { Store } from '../store.ts';
import { listenToProject } from './projectStream.ts';
import {
  FIRST_RETRY_MS,
  nextSync,
  type SendResult,
  type SyncAct,
  type SyncEvent,
  type SyncState,
} from './syncState.ts';

const isOther = (error: unknown): boolean => error instanceof HttpProblem && error.problem.code === 'history-other';

const TELL = { missing, unreachable, diverged: historyDiverged } as const;

/**
 * Keeps the open document and the server in step: sends edits in order, receives others' revisions, keeps unsent edits
 * in the browser, and continues when the server is back.
 *
 * @returns stops it
 */
export function startSync(store: Store, projectId: string): () => void {
  const address = `/api/projects/${projectId}`;
  const ended = new AbortController();
  let sync: SyncState = { is: 'opening', retryMs: FIRST_RETRY_MS };
  let timer: ReturnType<typeof setTimeout> | undefined;
  let keptPending: unknown;
  let keptClash: unknown;

  const state = () => store.getState().document;
  const hasUnsent = (): boolean => (state().open?.pending.length ?? 0) > 0;

  function happen(event: SyncEvent): void {
    const [next, acts] = nextSync(sync, event, hasUnsent());
    sync = next;
    acts.forEach(perform);
  }

  function perform(what: SyncAct): void {
    switch (what.act) {
      case 'open':
        return void open();
      case 'listen':
        return listen();
      case 'catchUp':
        return catchUp();
      case 'send':
        return void send(what.oneByOne);
      case 'show':
        if (state().connection !== what.connection) store.dispatch(connectionChanged(what.connection));
        return;
      case 'tell':
        store.dispatch(TELL[what.phase]());
        return;
      case 'retry':
        clearTimeout(timer);
        timer = setTimeout(() => happen({ event: 'retry' }), what.afterMs);
    }
  }

  /** Edits in a clash wait for a decision: they are kept like unsent ones. */
  const keep = async (): Promise<void> => {
    const { open: document, clash } = state();
    if (!document || (document.pending === keptPending && clash === keptClash)) return;
    keptPending = document.pending;
    keptClash = clash;
    const edits = document.pending.map((entry) => entry.edit);
    const kept = await keepUnsent(projectId, { ...placeOf(document), edits, clash: clash ?? undefined }).then(
      () => true,
      () => false,
    );
    if (kept !== state().kept && !ended.signal.aborted) store.dispatch(keptChanged(kept));
  };

  const missedSince = ({ revision, editId }: HistoryPlace): string =>
    `${address}/revisions?after=${revision}${editId === undefined ? '' : `&of=${editId}`}`;

  const fetchMissed = async (): Promise<void> => {
    const { open: document } = state();
    if (!document) return;
    const list = await fetchJson<RevisionList>(missedSince(placeOf(document)));
    if (ended.signal.aborted) return;
    store.dispatch(revisionsArrived(list.revisions));
    const now = state().open;
    if (now && now.revision < list.revision && list.revisions.length > 0) await fetchMissed();
  };

  const fetchMissedQuietly = (): void => {
    fetchMissed().catch((error: unknown) => {
      if (isOther(error)) happen({ event: 'otherHistory' });
    });
  };

  function catchUp(): void {
    fetchMissedQuietly();
    const { open: document } = state();
    if (!document) return;
    const pacer = pacerOf(projectOf(document.document), store.getState().view.pacer).id;
    store.dispatch(
      stadionApi.endpoints.forecasts.initiate({ projectId, pacer }, { forceRefetch: true, subscribe: false }),
    );
  }

  const send = async (oneByOne: boolean): Promise<void> => {
    const { open: document } = state();
    if (!document) return;
    const edits = document.pending.slice(0, oneByOne ? 1 : MAX_EDITS_IN_A_REQUEST).map((entry) => entry.edit);
    try {
      const answer = await fetchJson<PatchResponse>(
        address,
        jsonBody('PATCH', { edits }, { 'If-Match': historyTag(placeOf(document)) }),
      );
      // Another project may be open by now.
      if (ended.signal.aborted) return;
      store.dispatch(revisionsArrived(answer.revisions));
      happen({ event: 'answered', result: 'accepted' });
    } catch (error) {
      if (ended.signal.aborted) return;
      const ids = edits.map((edit) => edit.id);
      happen(await readRefusal(error, ids).catch((): SyncEvent => ({ event: 'unanswered' })));
    }
  };

  /** Takes in what the server says against edits. @returns the event that follows */
  const readRefusal = async (error: unknown, editIds: readonly string[]): Promise<SyncEvent> => {
    const answered = (result: SendResult): SyncEvent => ({ event: 'answered', result });
    if (!(error instanceof HttpProblem)) return { event: 'unanswered' };
    const { problem } = error;
    if (isOther(error)) return { event: 'otherHistory' };
    if (problem.status === 412) {
      await fetchMissed();
      return answered('caughtUp');
    }
    if (problem.status === 409) {
      store.dispatch(alreadyKnown((problem.places ?? []).map((place) => place.message)));
      return answered('known');
    }
    if (problem.status === 429 || problem.status >= 500) return { event: 'unanswered' };
    if (editIds.length > 1) return answered('someRefused');
    store.dispatch(refused({ editId: editIds[0] as string, problem }));
    return answered('oneRefused');
  };

  const listen = (): void =>
    listenToProject(
      address,
      {
        opened: (isFirst) => happen({ event: 'streamOpened', isFirst }),
        lost: () => happen({ event: 'streamLost' }),
        revisions({ revisions }) {
          const known = state().open?.revision ?? 0;
          if ((revisions[0]?.revision ?? 0) > known + 1) fetchMissedQuietly();
          else store.dispatch(revisionsArrived(revisions));
        },
        games: (link) => void store.dispatch(gamesTold(projectId, link)),
        forecasts(events) {
          for (const action of forecastsArrived(projectId, events)) store.dispatch(action);
        },
      },
      ended.signal,
    );

  /** Puts another tab's edits on top; those that meet later revisions are a clash. */
  const adopt = async ({ revision, editId, edits, clash }: Unsent): Promise<void> => {
    if (clash) store.dispatch(clashLeft(clash));
    const list = await fetchJson<RevisionList>(missedSince({ revision, editId })).catch((error: unknown) => {
      if (!isOther(error)) throw error;
      // Made on a history that the server does not have: for the designer to decide.
      store.dispatch(clashLeft({ mine: edits, theirs: [] }));
      return undefined;
    });
    if (list) {
      const known = state().open?.revision ?? 0;
      store.dispatch(adopted({ edits, since: list.revisions.filter((entry) => entry.revision <= known) }));
    }
    await keep();
  };

  const open = async (): Promise<void> => {
    try {
      const project = await fetchJson<OpenProject>(address);
      if (ended.signal.aborted) return;
      store.dispatch(
        opened({ projectId, revision: project.revision, document: project.document, log: project.recent }),
      );
      happen({ event: 'opened' });
      adoptUnsent(projectId, adopt, ended.signal).catch(() => undefined);
    } catch (error) {
      if (ended.signal.aborted) return;
      const isMissing = error instanceof HttpProblem && error.problem.status === 404;
      happen({ event: isMissing ? 'notThere' : 'openFailed' });
    }
  };

  /** Edits that the tab still holds when it closes: the browser sends them even so. If they do not arrive, the kept copy is sent next time. */
  const leave = (): void => {
    const { open: document } = state();
    if (!document || document.pending.length === 0 || sync.is === 'sending') return;
    const edits = document.pending.slice(0, MAX_EDITS_IN_A_REQUEST).map((entry) => entry.edit);
    fetch(address, {
      ...jsonBody('PATCH', { edits }, { 'If-Match': historyTag(placeOf(document)) }),
      keepalive: true,
    }).catch(() => undefined);
  };

  /** Edits that the browser does not keep would be lost with the page: it asks first. */
  const ask = (event: BeforeUnloadEvent): void => {
    const { clash, kept } = state();
    if (!kept && (hasUnsent() || clash)) event.preventDefault();
  };

  store.dispatch(loading());
  const unsubscribe = store.subscribe(() => {
    void keep();
    happen({ event: sync.is === 'diverged' && !state().diverged ? 'decided' : 'changed' });
  });
  const { signal } = ended;
  window.addEventListener('pagehide', leave, { signal });
  window.addEventListener('beforeunload', ask, { signal });
  window.addEventListener('online', () => happen({ event: 'retry' }), { signal });
  void open();

  return () => {
    happen({ event: 'end' });
    ended.abort();
    clearTimeout(timer);
    unsubscribe();
  };
}
