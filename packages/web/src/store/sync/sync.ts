import {
  historyTag,
  MAX_EDITS_IN_A_REQUEST,
  type ForecastEvent,
  type GameLink,
  type HistoryPlace,
  type OpenProject,
  type PatchResponse,
  type RevisionEvent,
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
  keptChanged,
  placeOf,
  historyDiverged,
  loading,
  missing,
  opened,
  refused,
  revisionsArrived,
  unreachable,
} from '../documentSlice.ts';
import type { Store } from '../store.ts';

const isOther = (error: unknown): boolean => error instanceof HttpProblem && error.problem.code === 'history-other';

/** Forecasts that come closer together than this are shown at once. */
const TELL_FORECASTS_MS = 150;
const FIRST_RETRY_MS = 500;
const LONGEST_RETRY_MS = 8000;

/**
 * Keeps the open document and the server in step: sends edits in order, hears of others' revisions, keeps what is
 * unsent in the browser, and starts again where it left off when the server comes back.
 *
 * @returns stops it
 */
export function startSync(store: Store, projectId: string): () => void {
  const address = `/api/projects/${projectId}`;
  const ended = new AbortController();
  let stopped = false;
  let sending = false;
  let oneByOne = false;
  let heard = false;
  let retryMs = FIRST_RETRY_MS;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let events: EventSource | undefined;
  let keptPending: unknown;
  let keptClash: unknown;

  const state = () => store.getState().document;
  const later = (work: () => void): void => {
    clearTimeout(timer);
    timer = setTimeout(work, retryMs);
    retryMs = Math.min(LONGEST_RETRY_MS, retryMs * 2);
  };

  /** Edits in a clash wait for a decision: they are kept like unsent ones. */
  const keep = async (): Promise<void> => {
    const { open, clash } = state();
    if (!open || (open.pending === keptPending && clash === keptClash)) return;
    keptPending = open.pending;
    keptClash = clash;
    const edits = open.pending.map((entry) => entry.edit);
    const kept = await keepUnsent(projectId, { ...placeOf(open), edits, clash: clash ?? undefined }).then(
      () => true,
      () => false,
    );
    if (kept !== state().kept && !stopped) store.dispatch(keptChanged(kept));
  };

  const missedSince = ({ revision, editId }: HistoryPlace): string =>
    `${address}/revisions?after=${revision}${editId === undefined ? '' : `&of=${editId}`}`;

  const fetchMissed = async (): Promise<void> => {
    const { open } = state();
    if (!open) return;
    const list = await fetchJson<RevisionList>(missedSince(placeOf(open)));
    if (stopped) return;
    store.dispatch(revisionsArrived(list.revisions));
    const now = state().open;
    if (now && now.revision < list.revision && list.revisions.length > 0) await fetchMissed();
  };

  const send = async (): Promise<void> => {
    const { open } = state();
    if (stopped || sending || !open || open.pending.length === 0 || state().diverged) return;
    sending = true;
    store.dispatch(connectionChanged(state().connection === 'offline' ? 'offline' : 'saving'));
    const edits = open.pending.slice(0, oneByOne ? 1 : MAX_EDITS_IN_A_REQUEST).map((entry) => entry.edit);
    try {
      const answer = await fetchJson<PatchResponse>(
        address,
        jsonBody('PATCH', { edits }, { 'If-Match': historyTag(placeOf(open)) }),
      );
      store.dispatch(revisionsArrived(answer.revisions));
      oneByOne = false;
      retryMs = FIRST_RETRY_MS;
      store.dispatch(connectionChanged('saved'));
    } catch (error) {
      if (
        !(await handle(
          error,
          edits.map((edit) => edit.id),
        ))
      ) {
        store.dispatch(connectionChanged('offline'));
        sending = false;
        if (!stopped) later(() => void send());
        return;
      }
    }
    sending = false;
    if (!stopped) void send();
  };

  /** @returns false when the server could not be reached */
  const handle = async (error: unknown, editIds: string[]): Promise<boolean> => {
    if (!(error instanceof HttpProblem)) return false;
    const { problem } = error;
    try {
      if (isOther(error)) store.dispatch(historyDiverged());
      else if (problem.status === 412) await fetchMissed();
      else if (problem.status === 409)
        store.dispatch(alreadyKnown((problem.places ?? []).map((place) => place.message)));
      else if (problem.status === 429 || problem.status >= 500) return false;
      else if (editIds.length > 1) oneByOne = true;
      else {
        oneByOne = false;
        store.dispatch(refused({ editId: editIds[0] as string, problem }));
      }
      if (state().open?.pending.length === 0) store.dispatch(connectionChanged('saved'));
      return true;
    } catch {
      return false;
    }
  };

  const noticeDivergence = (error: unknown): void => {
    if (isOther(error) && !stopped) store.dispatch(historyDiverged());
  };

  const listen = (): void => {
    events?.close();
    events = new EventSource(`${address}/events`);
    // Batches of trials end many times a second: what they bring is shown together.
    const arrived: ForecastEvent[] = [];
    let telling: ReturnType<typeof setTimeout> | undefined;
    ended.signal.addEventListener('abort', () => clearTimeout(telling));
    let first = !heard;
    heard = true;
    events.addEventListener('hello', () => {
      if (!first) {
        fetchMissed().catch(noticeDivergence);
        const { open: document } = state();
        if (document) {
          const pacer = pacerOf(projectOf(document.document), store.getState().view.pacer).id;
          store.dispatch(
            stadionApi.endpoints.forecasts.initiate({ projectId, pacer }, { forceRefetch: true, subscribe: false }),
          );
        }
      }
      first = false;
      retryMs = FIRST_RETRY_MS;
      if (state().connection === 'offline') store.dispatch(connectionChanged('saved'));
      void send();
    });
    events.addEventListener('error', () => {
      if (stopped) return;
      store.dispatch(connectionChanged('offline'));
      // The browser tries again by itself unless it was given an error answer.
      if (events?.readyState === EventSource.CLOSED) later(listen);
    });
    events.addEventListener('revision', (event: MessageEvent<string>) => {
      const { revisions } = JSON.parse(event.data) as RevisionEvent;
      const known = state().open?.revision ?? 0;
      if ((revisions[0]?.revision ?? 0) > known + 1) fetchMissed().catch(noticeDivergence);
      else store.dispatch(revisionsArrived(revisions));
    });
    events.addEventListener('games', (event: MessageEvent<string>) => {
      void store.dispatch(gamesTold(projectId, JSON.parse(event.data) as GameLink));
    });
    events.addEventListener('forecasts', (event: MessageEvent<string>) => {
      arrived.push(...(JSON.parse(event.data) as ForecastEvent[]));
      telling ??= setTimeout(() => {
        telling = undefined;
        for (const action of forecastsArrived(projectId, arrived.splice(0))) store.dispatch(action);
      }, TELL_FORECASTS_MS);
    });
  };

  // A page that the browser keeps for “back” must not keep its connection: six of them, and nothing goes out any more.
  window.addEventListener('pagehide', () => events?.close(), { signal: ended.signal });
  window.addEventListener(
    'pageshow',
    (event) => {
      if (event.persisted) listen();
    },
    { signal: ended.signal },
  );

  /** Puts another tab's edits on top; those that meet what came since are a clash. */
  const adopt = async ({ revision, editId, edits, clash }: Unsent): Promise<void> => {
    if (clash) store.dispatch(clashLeft(clash));
    const list = await fetchJson<RevisionList>(missedSince({ revision, editId })).catch((error: unknown) => {
      if (!isOther(error)) throw error;
      // Made on a history that the server does not have: for the designer to decide.
      store.dispatch(clashLeft({ mine: edits, theirs: [] }));
      return undefined;
    });
    if (!list) return keep();
    const known = state().open?.revision ?? 0;
    store.dispatch(adopted({ edits, since: list.revisions.filter((entry) => entry.revision <= known) }));
    await keep();
    void send();
  };

  const open = async (): Promise<void> => {
    try {
      const project = await fetchJson<OpenProject>(address);
      if (stopped) return;
      store.dispatch(
        opened({ projectId, revision: project.revision, document: project.document, log: project.recent }),
      );
      listen();
      void send();
      adoptUnsent(projectId, adopt, ended.signal).catch(() => undefined);
    } catch (error) {
      if (stopped) return;
      if (error instanceof HttpProblem && error.problem.status === 404) store.dispatch(missing());
      else {
        store.dispatch(unreachable());
        later(() => void open());
      }
    }
  };

  /** Edits that the tab still holds when it closes: the browser sends them even so; if they do not arrive, the kept copy is sent next time. */
  const leave = (): void => {
    const { open: document } = state();
    if (!document || document.pending.length === 0 || sending) return;
    const edits = document.pending.slice(0, MAX_EDITS_IN_A_REQUEST).map((entry) => entry.edit);
    fetch(address, {
      ...jsonBody('PATCH', { edits }, { 'If-Match': historyTag(placeOf(document)) }),
      keepalive: true,
    }).catch(() => undefined);
  };

  /** Edits that the browser does not keep would be lost with the page: it asks first. */
  const ask = (event: BeforeUnloadEvent): void => {
    const { open: document, clash, kept } = state();
    if (!kept && ((document?.pending.length ?? 0) > 0 || clash)) event.preventDefault();
  };

  const online = (): void => void send();
  store.dispatch(loading());
  const unsubscribe = store.subscribe(() => {
    void keep();
    if (state().connection !== 'offline') void send();
  });
  window.addEventListener('pagehide', leave);
  window.addEventListener('beforeunload', ask);
  window.addEventListener('online', online);
  void open();

  return () => {
    stopped = true;
    ended.abort();
    clearTimeout(timer);
    unsubscribe();
    events?.close();
    window.removeEventListener('pagehide', leave);
    window.removeEventListener('beforeunload', ask);
    window.removeEventListener('online', online);
  };
}
