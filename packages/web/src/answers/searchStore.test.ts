/** @jest-environment jsdom */
import { beforeEach, describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import type { Sweep, SweepAsked } from '@stadion/core/forecast/tuning';
import type { Round, SearchAnswer, SearchQuestion } from './engine/jobs/search.ts';
import type { AskMessage, ReportMessage, StopMessage } from './engine/messages.ts';
import { SearchStore, type Question } from './searchStore.ts';

const project = homeBeforeDusk();
const [, steady] = project.pacers;
const asked: SweepAsked = { axes: [{ key: 'clock', values: [20, 30] }], positions: [1] };
const question = (change: Partial<Question<'sweep'>> = {}): Question<'sweep'> => ({
  ...{ projectId: 'garden', project, pacer: steady!, asked, parts: asked },
  ...change,
});

type Asked = AskMessage<'search'>;
let posted: (Asked | StopMessage)[];
let listen: (event: { data: ReportMessage<SearchAnswer<'sweep'>> }) => void;
const start = (): Worker =>
  ({
    addEventListener: (name: string, listener: typeof listen) => void (name === 'message' && (listen = listener)),
    postMessage: (message: Asked | StopMessage) => void posted.push(message),
  }) as unknown as Worker;
const searchStore = (): SearchStore<'sweep'> => new SearchStore('sweep', start);
const lastAsked = (): Asked => posted.at(-1) as Asked;
const last = (): SearchQuestion => lastAsked().question;
/** The worker reports a number of attempts at the first value. */
const tell = (least: number, rounds: Round[], isAll = false, { id } = lastAsked()): void => {
  const found: Sweep = { points: [], least };
  listen({ data: { id, done: isAll || !last().goesOn, answer: { found, rounds, isAll } } });
};

beforeEach(() => {
  localStorage.clear();
  posted = [];
});

describe('a question asked by hand', () => {
  it('is answered as far as it has come, and stays when it is all found', () => {
    const one = searchStore();
    one.enter('garden', () => undefined);
    expect(posted).toEqual([]);
    one.ask(question());
    expect(last()).toMatchObject({ name: 'sweep', asked, goesOn: true, known: [] });
    expect(one.read()).toMatchObject({ isRunning: true, found: null });
    tell(10, [[8, 10]]);
    expect(one.read()).toMatchObject({ isRunning: true, isAll: false, found: { least: 10 } });
    tell(20, [[9, 10]], true);
    expect(one.read()).toMatchObject({ isRunning: false, isAll: true, found: { least: 20 } });
  });

  it('is not answered by what was asked before', () => {
    const one = searchStore();
    one.ask(question());
    const before = lastAsked();
    one.ask(question({ parts: 'another' }));
    tell(10, [[8, 10]], false, before);
    expect(one.read().found).toBeNull();
  });

  it('is stopped, keeps what was played, and goes on from there', () => {
    const one = searchStore();
    one.ask(question());
    tell(10, [[8, 10]]);
    one.stop();
    expect(last()).toMatchObject({ goesOn: false, known: [[8, 10]] });
    tell(10, []);
    expect(one.read()).toMatchObject({ isRunning: false, isAll: false, found: { least: 10 } });
    one.goOn();
    expect(last()).toMatchObject({ goesOn: true, known: [[8, 10]] });
  });

  it('rests while nobody looks, and goes on by itself', () => {
    const one = searchStore();
    one.ask(question());
    tell(10, [[8, 10]]);
    one.leave();
    expect(posted.at(-1)).toMatchObject({ stop: true });
    one.enter('garden', () => undefined);
    expect(last()).toMatchObject({ goesOn: true, known: [[8, 10]] });
    tell(20, [[9, 10]], true);
    one.leave();
    const count = posted.length;
    one.enter('garden', () => undefined);
    expect(posted).toHaveLength(count);
  });

  it('tells how many attempts a second are played', async () => {
    const one = searchStore();
    one.ask(question());
    await new Promise((resolve) => setTimeout(resolve, 20));
    tell(10, [[8, 100, 9, 100]]);
    expect(one.read().pace).toBeGreaterThan(100);
    expect(one.read().pace).toBeLessThan(Number.POSITIVE_INFINITY);
  });
});

describe('a page that is loaded again', () => {
  const again = (now: SweepAsked, pacerId: string): Question<'sweep'> | undefined =>
    pacerId === steady!.id ? question({ asked: now, parts: now }) : undefined;

  it('goes on with what was asked', () => {
    searchStore().ask(question());
    tell(10, [[8, 10]]);
    const anew = searchStore();
    anew.enter('garden', again);
    expect(last()).toMatchObject({ asked, known: [[8, 10]], goesOn: true });
  });

  it('shows what was stopped, without going on', () => {
    const one = searchStore();
    one.ask(question());
    tell(10, [[8, 10]]);
    one.stop();
    const anew = searchStore();
    anew.enter('garden', again);
    expect(last()).toMatchObject({ known: [[8, 10]], goesOn: false });
    tell(10, []);
    expect(anew.read()).toMatchObject({ isRunning: false, isAll: false, found: { least: 10 } });
    anew.goOn();
    expect(last()).toMatchObject({ known: [[8, 10]], goesOn: true });
  });

  it.each<[string, string, typeof again]>([
    ['another project', 'other', again],
    ['a project that has changed', 'garden', (now) => question({ asked: now, parts: 'changed' })],
    ['a player that is gone', 'garden', () => undefined],
  ])('takes up nothing for %s, and a new request begins again', (_what, projectId, ask) => {
    searchStore().ask(question());
    tell(10, [[8, 10]]);
    const anew = searchStore();
    posted = [];
    anew.enter(projectId, ask);
    expect(posted).toEqual([]);
    anew.ask(question({ projectId, parts: 'changed' }));
    expect(last().known).toEqual([]);
  });

  it('asked the same once more goes on from what is known', () => {
    searchStore().ask(question());
    tell(10, [[8, 10]]);
    const anew = searchStore();
    anew.ask(question());
    expect(last().known).toEqual([[8, 10]]);
  });

  it('knows a question again whatever the order of names in it', () => {
    searchStore().ask(question({ parts: { of: [{ one: 1, two: 2 }], at: 3 } }));
    tell(10, [[8, 10]]);
    const anew = searchStore();
    anew.ask(question({ parts: { at: 3, of: [{ two: 2, one: 1 }] } }));
    expect(last().known).toEqual([[8, 10]]);
  });

  it('begins again where the kept state cannot be read', () => {
    localStorage.setItem('stadion-asked-sweep', '{"projectId":');
    const one = searchStore();
    one.enter('garden', again);
    expect(one.read().question).toBeNull();
    one.ask(question());
    expect(last().known).toEqual([]);
  });
});
