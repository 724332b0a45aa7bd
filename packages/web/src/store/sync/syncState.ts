import type { Connection } from '../documentSlice.ts';

/** Time before the first repetition, ms. */
export const FIRST_RETRY_MS = 500;
/** Longest time between two repetitions, ms. */
export const LONGEST_RETRY_MS = 8000;

/** State of the code that keeps a page and its server in step. */
export type SyncState =
  /** The project is requested. */
  | { is: 'opening'; retryMs: number }
  /** Everything is acknowledged, as far as this page knows. */
  | { is: 'idle' }
  /** A request with edits is under way. */
  | {
      is: 'sending';
      /** One of several edits was refused: they are sent one by one, so that the others are kept. */
      oneByOne: boolean;
      /** The server has not answered since the connection was lost. */
      isBack: boolean;
      retryMs: number;
    }
  /** The server cannot be reached. */
  | {
      is: 'offline';
      oneByOne: boolean;
      /** It is tried again after a time; otherwise once there is an edit, or the stream is there again. */
      isRetrying: boolean;
      retryMs: number;
    }
  /** The server has another history of the project: nothing is sent until somebody decides which one holds. */
  | { is: 'diverged' }
  /** There is no such project. */
  | { is: 'missing' }
  | { is: 'ended' };

/** How a request with edits was answered. */
export type SendResult = 'accepted' | 'caughtUp' | 'known' | 'oneRefused' | 'someRefused';

export type SyncEvent =
  | { event: 'opened' | 'openFailed' | 'notThere' }
  /** The document in the page has changed. */
  | { event: 'changed' }
  | { event: 'answered'; result: SendResult }
  /** A request with edits had no usable answer. */
  | { event: 'unanswered' }
  /** The stream of events is there; for the first time, or again. */
  | { event: 'streamOpened'; isFirst: boolean }
  | { event: 'streamLost' }
  /** It is time to try again, or the browser says that it has a network. */
  | { event: 'retry' }
  | { event: 'otherHistory' }
  /** Somebody has decided which of two histories holds. */
  | { event: 'decided' }
  | { event: 'end' };

export type SyncAct =
  | { act: 'open' | 'listen' | 'catchUp' }
  | { act: 'send'; oneByOne: boolean }
  | { act: 'show'; connection: Connection }
  | { act: 'tell'; phase: 'missing' | 'unreachable' | 'diverged' }
  | { act: 'retry'; afterMs: number };

export type Transition = [SyncState, SyncAct[]];

const show = (connection: Connection): SyncAct => ({ act: 'show', connection });
const longer = (retryMs: number): number => Math.min(LONGEST_RETRY_MS, retryMs * 2);

/** Sends what waits, or rests. @param isBack the server is known to answer */
function sendOrRest(hasUnsent: boolean, oneByOne = false, isBack = true): Transition {
  if (!hasUnsent) return [{ is: 'idle' }, [show('saved')]];
  return [
    { is: 'sending', oneByOne, isBack, retryMs: FIRST_RETRY_MS },
    [show(isBack ? 'saving' : 'offline'), { act: 'send', oneByOne }],
  ];
}

const diverge = (): Transition => [{ is: 'diverged' }, [{ act: 'tell', phase: 'diverged' }]];

function whileOpening(state: Extract<SyncState, { is: 'opening' }>, event: SyncEvent, hasUnsent: boolean): Transition {
  switch (event.event) {
    case 'opened': {
      const [next, acts] = sendOrRest(hasUnsent);
      return [next, [{ act: 'listen' }, ...acts]];
    }
    case 'notThere':
      return [{ is: 'missing' }, [{ act: 'tell', phase: 'missing' }]];
    case 'openFailed':
      return [
        { is: 'opening', retryMs: longer(state.retryMs) },
        [
          { act: 'tell', phase: 'unreachable' },
          { act: 'retry', afterMs: state.retryMs },
        ],
      ];
    case 'retry':
      return [state, [{ act: 'open' }]];
    default:
      return [state, []];
  }
}

function whileIdle(state: SyncState, event: SyncEvent, hasUnsent: boolean): Transition {
  switch (event.event) {
    case 'changed':
    case 'retry':
      return hasUnsent ? sendOrRest(true) : [state, []];
    case 'streamOpened': {
      const [next, acts] = hasUnsent ? sendOrRest(true) : ([state, []] satisfies Transition);
      return [next, event.isFirst ? acts : [{ act: 'catchUp' }, ...acts]];
    }
    case 'streamLost':
      return [{ is: 'offline', oneByOne: false, isRetrying: false, retryMs: FIRST_RETRY_MS }, [show('offline')]];
    case 'otherHistory':
      return diverge();
    default:
      return [state, []];
  }
}

function whileSending(state: Extract<SyncState, { is: 'sending' }>, event: SyncEvent, hasUnsent: boolean): Transition {
  switch (event.event) {
    case 'answered': {
      const oneByOne =
        event.result === 'someRefused' || (state.oneByOne && !['accepted', 'oneRefused'].includes(event.result));
      return sendOrRest(hasUnsent, oneByOne, state.isBack || event.result === 'accepted');
    }
    case 'unanswered':
      return [
        { is: 'offline', oneByOne: state.oneByOne, isRetrying: true, retryMs: longer(state.retryMs) },
        [show('offline'), { act: 'retry', afterMs: state.retryMs }],
      ];
    case 'streamOpened':
      return [
        { ...state, isBack: true, retryMs: FIRST_RETRY_MS },
        [...(event.isFirst ? [] : [{ act: 'catchUp' } as const]), ...(state.isBack ? [] : [show('saving')])],
      ];
    case 'streamLost':
      return [{ ...state, isBack: false }, [show('offline')]];
    case 'otherHistory':
      return diverge();
    default:
      return [state, []];
  }
}

function whileOffline(state: Extract<SyncState, { is: 'offline' }>, event: SyncEvent, hasUnsent: boolean): Transition {
  switch (event.event) {
    case 'changed':
      if (!hasUnsent || state.isRetrying) return [state, []];
      return [{ ...state, isRetrying: true }, [{ act: 'retry', afterMs: state.retryMs }]];
    case 'retry':
      if (!hasUnsent) return [{ ...state, isRetrying: false }, []];
      return [
        { is: 'sending', oneByOne: state.oneByOne, isBack: false, retryMs: state.retryMs },
        [{ act: 'send', oneByOne: state.oneByOne }],
      ];
    case 'streamOpened': {
      const [next, acts] = sendOrRest(hasUnsent, state.oneByOne);
      return [next, event.isFirst ? acts : [{ act: 'catchUp' }, ...acts]];
    }
    case 'otherHistory':
      return diverge();
    default:
      return [state, []];
  }
}

/**
 * Returns the next state and what to do.
 * @param hasUnsent are there edits that the server has not acknowledged?
 */
export function nextSync(state: SyncState, event: SyncEvent, hasUnsent: boolean): Transition {
  if (event.event === 'end') return [{ is: 'ended' }, []];
  switch (state.is) {
    case 'opening':
      return whileOpening(state, event, hasUnsent);
    case 'idle':
      return whileIdle(state, event, hasUnsent);
    case 'sending':
      return whileSending(state, event, hasUnsent);
    case 'offline':
      return whileOffline(state, event, hasUnsent);
    case 'diverged':
      return event.event === 'decided' ? sendOrRest(hasUnsent) : [state, []];
    case 'missing':
    case 'ended':
      return [state, []];
  }
}
