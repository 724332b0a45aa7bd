import { describe, expect, it } from '@jest/globals';
import { LONGEST_RETRY_MS, nextSync, type SyncEvent, type SyncState } from './syncState.ts';

const opening: SyncState = { is: 'opening', retryMs: 500 };
const idle: SyncState = { is: 'idle' };
const sending: SyncState = { is: 'sending', oneByOne: false, isBack: true, retryMs: 500 };
const sendingBlind: SyncState = { ...sending, isBack: false, retryMs: 2000 };
const sendingSingly: SyncState = { ...sending, oneByOne: true };
const offline: SyncState = { is: 'offline', oneByOne: false, isRetrying: false, retryMs: 500 };
const retrying: SyncState = { ...offline, isRetrying: true, retryMs: 2000 };
const diverged: SyncState = { is: 'diverged' };
const missing: SyncState = { is: 'missing' };
const ended: SyncState = { is: 'ended' };
const STATES = { opening, idle, sending, sendingBlind, sendingSingly, offline, retrying, diverged, missing, ended };

const answered = (result: Extract<SyncEvent, { event: 'answered' }>['result']): SyncEvent => ({
  event: 'answered',
  result,
});
const EVENTS: Record<string, SyncEvent> = {
  opened: { event: 'opened' },
  openFailed: { event: 'openFailed' },
  notThere: { event: 'notThere' },
  changed: { event: 'changed' },
  accepted: answered('accepted'),
  caughtUp: answered('caughtUp'),
  known: answered('known'),
  oneRefused: answered('oneRefused'),
  someRefused: answered('someRefused'),
  unanswered: { event: 'unanswered' },
  streamOpened: { event: 'streamOpened', isFirst: true },
  streamBack: { event: 'streamOpened', isFirst: false },
  streamLost: { event: 'streamLost' },
  retry: { event: 'retry' },
  otherHistory: { event: 'otherHistory' },
  decided: { event: 'decided' },
};

/** Every transition that changes or does something: state, event, are there unsent edits, next state, acts. */
const TABLE: [keyof typeof STATES, string, 'unsent' | 'none' | 'either', string, string][] = [
  ['opening', 'opened', 'none', 'idle', 'listen, show saved'],
  ['opening', 'opened', 'unsent', 'sending', 'listen, show saving, send'],
  ['opening', 'openFailed', 'either', 'opening 1000', 'tell unreachable, retry 500'],
  ['opening', 'notThere', 'either', 'missing', 'tell missing'],
  ['opening', 'retry', 'either', 'opening 500', 'open'],

  ['idle', 'changed', 'unsent', 'sending', 'show saving, send'],
  ['idle', 'retry', 'unsent', 'sending', 'show saving, send'],
  ['idle', 'streamOpened', 'unsent', 'sending', 'show saving, send'],
  ['idle', 'streamBack', 'none', 'idle', 'catchUp'],
  ['idle', 'streamBack', 'unsent', 'sending', 'catchUp, show saving, send'],
  ['idle', 'streamLost', 'either', 'offline 500', 'show offline'],
  ['idle', 'otherHistory', 'either', 'diverged', 'tell diverged'],

  ['sending', 'accepted', 'none', 'idle', 'show saved'],
  ['sending', 'accepted', 'unsent', 'sending', 'show saving, send'],
  ['sending', 'caughtUp', 'none', 'idle', 'show saved'],
  ['sending', 'caughtUp', 'unsent', 'sending', 'show saving, send'],
  ['sending', 'known', 'none', 'idle', 'show saved'],
  ['sending', 'known', 'unsent', 'sending', 'show saving, send'],
  ['sending', 'oneRefused', 'none', 'idle', 'show saved'],
  ['sending', 'oneRefused', 'unsent', 'sending', 'show saving, send'],
  ['sending', 'someRefused', 'none', 'idle', 'show saved'],
  ['sending', 'someRefused', 'unsent', 'sending singly', 'show saving, send one'],
  ['sending', 'unanswered', 'either', 'offline retrying 1000', 'show offline, retry 500'],
  ['sending', 'streamBack', 'either', 'sending', 'catchUp'],
  ['sending', 'streamLost', 'either', 'sending blind', 'show offline'],
  ['sending', 'otherHistory', 'either', 'diverged', 'tell diverged'],

  ['sendingSingly', 'accepted', 'none', 'idle', 'show saved'],
  ['sendingSingly', 'accepted', 'unsent', 'sending', 'show saving, send'],
  ['sendingSingly', 'caughtUp', 'none', 'idle', 'show saved'],
  ['sendingSingly', 'caughtUp', 'unsent', 'sending singly', 'show saving, send one'],
  ['sendingSingly', 'known', 'none', 'idle', 'show saved'],
  ['sendingSingly', 'known', 'unsent', 'sending singly', 'show saving, send one'],
  ['sendingSingly', 'oneRefused', 'none', 'idle', 'show saved'],
  ['sendingSingly', 'oneRefused', 'unsent', 'sending', 'show saving, send'],
  ['sendingSingly', 'someRefused', 'none', 'idle', 'show saved'],
  ['sendingSingly', 'someRefused', 'unsent', 'sending singly', 'show saving, send one'],
  ['sendingSingly', 'unanswered', 'either', 'offline retrying singly 1000', 'show offline, retry 500'],
  ['sendingSingly', 'streamBack', 'either', 'sending singly', 'catchUp'],
  ['sendingSingly', 'streamLost', 'either', 'sending singly blind', 'show offline'],
  ['sendingSingly', 'otherHistory', 'either', 'diverged', 'tell diverged'],

  ['sendingBlind', 'accepted', 'none', 'idle', 'show saved'],
  ['sendingBlind', 'accepted', 'unsent', 'sending', 'show saving, send'],
  ['sendingBlind', 'caughtUp', 'none', 'idle', 'show saved'],
  ['sendingBlind', 'caughtUp', 'unsent', 'sending blind', 'show offline, send'],
  ['sendingBlind', 'known', 'none', 'idle', 'show saved'],
  ['sendingBlind', 'known', 'unsent', 'sending blind', 'show offline, send'],
  ['sendingBlind', 'oneRefused', 'none', 'idle', 'show saved'],
  ['sendingBlind', 'oneRefused', 'unsent', 'sending blind', 'show offline, send'],
  ['sendingBlind', 'someRefused', 'none', 'idle', 'show saved'],
  ['sendingBlind', 'someRefused', 'unsent', 'sending singly blind', 'show offline, send one'],
  ['sendingBlind', 'unanswered', 'either', 'offline retrying 4000', 'show offline, retry 2000'],
  ['sendingBlind', 'streamOpened', 'either', 'sending', 'show saving'],
  ['sendingBlind', 'streamBack', 'either', 'sending', 'catchUp, show saving'],
  ['sendingBlind', 'streamLost', 'either', 'sending blind', 'show offline'],
  ['sendingBlind', 'otherHistory', 'either', 'diverged', 'tell diverged'],

  ['offline', 'changed', 'unsent', 'offline retrying 500', 'retry 500'],
  ['offline', 'retry', 'unsent', 'sending blind', 'send'],
  ['offline', 'streamOpened', 'none', 'idle', 'show saved'],
  ['offline', 'streamOpened', 'unsent', 'sending', 'show saving, send'],
  ['offline', 'streamBack', 'none', 'idle', 'catchUp, show saved'],
  ['offline', 'streamBack', 'unsent', 'sending', 'catchUp, show saving, send'],
  ['offline', 'otherHistory', 'either', 'diverged', 'tell diverged'],

  ['retrying', 'retry', 'none', 'offline 2000', ''],
  ['retrying', 'retry', 'unsent', 'sending blind', 'send'],
  ['retrying', 'streamOpened', 'none', 'idle', 'show saved'],
  ['retrying', 'streamOpened', 'unsent', 'sending', 'show saving, send'],
  ['retrying', 'streamBack', 'none', 'idle', 'catchUp, show saved'],
  ['retrying', 'streamBack', 'unsent', 'sending', 'catchUp, show saving, send'],
  ['retrying', 'otherHistory', 'either', 'diverged', 'tell diverged'],

  ['diverged', 'decided', 'none', 'idle', 'show saved'],
  ['diverged', 'decided', 'unsent', 'sending', 'show saving, send'],
];

function named(state: SyncState): string {
  const words: (string | number)[] = [state.is];
  if ('isRetrying' in state && state.isRetrying) words.push('retrying');
  if ('oneByOne' in state && state.oneByOne) words.push('singly');
  if ('isBack' in state && !state.isBack) words.push('blind');
  if ('retryMs' in state && state.is !== 'sending') words.push(state.retryMs);
  return words.join(' ');
}

function result(state: SyncState, event: SyncEvent, hasUnsent: boolean): [string, string] {
  const [next, acts] = nextSync(state, event, hasUnsent);
  const said = acts.map((act) => {
    switch (act.act) {
      case 'send':
        return act.oneByOne ? 'send one' : 'send';
      case 'show':
        return `show ${act.connection}`;
      case 'tell':
        return `tell ${act.phase}`;
      case 'retry':
        return `retry ${act.afterMs}`;
      default:
        return act.act;
    }
  });
  return [named(next), said.join(', ')];
}

const CASES = Object.keys(STATES).flatMap((state) =>
  Object.keys(EVENTS).flatMap((event) =>
    (['unsent', 'none'] as const).map((unsent) => [state, event, unsent] as const),
  ),
) as [keyof typeof STATES, string, 'unsent' | 'none'][];

describe('the transitions of a page that is kept in step with its server', () => {
  it.each(CASES)('%s, %s, %s', (name, event, unsent) => {
    const row = TABLE.find(
      ([state, what, when]) => state === name && what === event && ['either', unsent].includes(when),
    );
    const state = STATES[name];
    const expected = row ? row.slice(3) : [named(state), ''];
    expect(result(state, EVENTS[event] as SyncEvent, unsent === 'unsent')).toEqual(expected);
  });

  it('end in one state, whatever comes before', () => {
    for (const state of Object.values(STATES))
      expect(nextSync(state, { event: 'end' }, true)).toEqual([{ is: 'ended' }, []]);
  });

  it('have no row that is never reached', () => {
    expect(new Set(TABLE.map((row) => row.slice(0, 3).join())).size).toBe(TABLE.length);
    for (const [state, event] of TABLE) expect([STATES[state], EVENTS[event]]).not.toContain(undefined);
  });

  it('double the time between two attempts to send, up to a limit', () => {
    let state: SyncState = sending;
    const times: number[] = [];
    for (let i = 0; i < 7; i++) {
      const [next, acts] = nextSync(state, { event: 'unanswered' }, true);
      times.push(...acts.flatMap((act) => (act.act === 'retry' ? [act.afterMs] : [])));
      [state] = nextSync(next, { event: 'retry' }, true);
    }
    expect(times).toEqual([500, 1000, 2000, 4000, 8000, 8000, 8000]);
    expect(Math.max(...times)).toBe(LONGEST_RETRY_MS);
  });
});
