import type { ForecastEvent, GameLink, RevisionEvent } from '@stadion/core/exchange/contract';
import { FIRST_RETRY_MS, LONGEST_RETRY_MS } from './syncState.ts';

/** Forecasts that come closer together than this are reported at once, ms. */
const JOIN_FORECASTS_MS = 150;

interface Listeners {
  /** @param isFirst false where the stream is there again */
  opened(isFirst: boolean): void;
  lost(): void;
  revisions(event: RevisionEvent): void;
  games(link: GameLink): void;
  forecasts(events: ForecastEvent[]): void;
}

/**
 * Listens to the events of a project; begins again where the connection is lost.
 * @param address of the project in the API
 * @param ended ends it
 */
export function listenToProject(address: string, listeners: Listeners, ended: AbortSignal): void {
  let events: EventSource | undefined;
  let isFirst = true;
  let retryMs = FIRST_RETRY_MS;
  let retry: ReturnType<typeof setTimeout> | undefined;
  // Batches of trials end many times a second: their results are reported together.
  const arrived: ForecastEvent[] = [];
  let joining: ReturnType<typeof setTimeout> | undefined;

  function listen(): void {
    events?.close();
    const source = new EventSource(`${address}/events`);
    events = source;
    source.addEventListener('hello', () => {
      retryMs = FIRST_RETRY_MS;
      listeners.opened(isFirst);
      isFirst = false;
    });
    source.addEventListener('error', () => {
      if (ended.aborted) return;
      listeners.lost();
      // The browser tries again by itself unless it was given an error answer.
      if (source.readyState !== EventSource.CLOSED) return;
      clearTimeout(retry);
      retry = setTimeout(listen, retryMs);
      retryMs = Math.min(LONGEST_RETRY_MS, retryMs * 2);
    });
    source.addEventListener('revision', (event: MessageEvent<string>) =>
      listeners.revisions(JSON.parse(event.data) as RevisionEvent),
    );
    source.addEventListener('games', (event: MessageEvent<string>) =>
      listeners.games(JSON.parse(event.data) as GameLink),
    );
    source.addEventListener('forecasts', (event: MessageEvent<string>) => {
      arrived.push(...(JSON.parse(event.data) as ForecastEvent[]));
      joining ??= setTimeout(() => {
        joining = undefined;
        listeners.forecasts(arrived.splice(0));
      }, JOIN_FORECASTS_MS);
    });
  }

  listen();
  // A page that the browser keeps for “back” must not keep its connection: with six of them no request is sent any more.
  window.addEventListener('pagehide', () => events?.close(), { signal: ended });
  window.addEventListener('pageshow', (event) => event.persisted && listen(), { signal: ended });
  ended.addEventListener('abort', () => {
    clearTimeout(retry);
    clearTimeout(joining);
    events?.close();
  });
}
