import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { Desk } from './desk.ts';
import type { AskMessage, FailureMessage, ReportMessage, StopMessage } from './engine/messages.ts';
import type { WaysAnswer, WaysQuestion } from './engine/jobs/ways.ts';

const question = {} as WaysQuestion;
const answer = { played: 5 } as WaysAnswer;

function deskWithThread(renew: () => WaysQuestion = () => question) {
  const posted: (AskMessage<'ways'> | StopMessage)[] = [];
  const heard: [number, boolean][] = [];
  let started = 0;
  let listen: (event: { data: ReportMessage<WaysAnswer> | FailureMessage }) => void = () => {};
  let ended = 0;
  const desk = new Desk('ways', ({ played }, done) => heard.push([played, done]), {
    renew,
    start: () => {
      started++;
      return {
        addEventListener: (name: string, listener: typeof listen) => void (name === 'message' && (listen = listener)),
        terminate: () => void ended++,
        postMessage: (message: AskMessage<'ways'> | StopMessage) => void posted.push(message),
      } as unknown as Worker;
    },
  });
  return {
    desk,
    posted,
    heard,
    started: () => started,
    ended: () => ended,
    report: (id: number, done = false) => listen({ data: { id, done, answer } }),
    fail: (id: number) => listen({ data: { id, failed: 'its code could not be loaded' } }),
  };
}

describe('a desk', () => {
  it('starts its thread with the first question, once', () => {
    const { desk, posted, started } = deskWithThread();
    desk.stop();
    expect([started(), posted.length]).toEqual([0, 0]);
    desk.ask(question);
    desk.ask(question);
    expect([started(), posted.length]).toEqual([1, 2]);
    expect(posted[0]).toMatchObject({ job: 'ways', question });
  });

  it('hears the answer to the last question only, and none after it has stopped', () => {
    const { desk, posted, heard, report } = deskWithThread();
    desk.ask(question);
    desk.ask(question);
    const [first, second] = posted.map(({ id }) => id) as [number, number];
    report(first);
    report(second);
    report(second, true);
    desk.stop();
    report(second);
    expect(posted.at(-1)).toMatchObject({ stop: true });
    expect(heard).toEqual([
      [5, false],
      [5, true],
    ]);
  });
});

describe('a desk whose thread fails', () => {
  const renewed = { renewed: true } as unknown as WaysQuestion;
  beforeEach(() => {
    jest.useFakeTimers();
    jest.spyOn(console, 'error').mockReturnValue();
  });
  afterEach(() => {
    jest.useRealTimers();
    jest.restoreAllMocks();
  });

  it('starts another one and asks the last question again, whole', () => {
    const { desk, posted, heard, started, ended, report, fail } = deskWithThread(() => renewed);
    desk.ask(question);
    fail(1);
    expect([started(), ended()]).toEqual([1, 1]);
    // An edit meanwhile waits for the new thread.
    desk.ask(question);
    expect(posted).toHaveLength(1);
    jest.advanceTimersByTime(1000);
    expect([started(), posted.length]).toEqual([2, 2]);
    expect(posted[1]).toMatchObject({ question: renewed });
    report(posted[1]!.id, true);
    expect(heard).toEqual([[5, true]]);
  });

  it('waits twice as long each time, and gives up in the end', () => {
    const { desk, posted, started, fail } = deskWithThread();
    desk.ask(question);
    for (let waits = 1000; waits <= 32_000; waits *= 2) {
      fail(posted.at(-1)!.id);
      const before = started();
      jest.advanceTimersByTime(waits - 1);
      expect(started()).toBe(before);
      jest.advanceTimersByTime(1);
      expect(started()).toBe(before + 1);
    }
    fail(posted.at(-1)!.id);
    jest.advanceTimersByTime(1e6);
    expect(started()).toBe(7);
    // The next question tries again.
    desk.ask(question);
    expect(started()).toBe(8);
  });

  it('does not ask again a question that was stopped', () => {
    const { desk, posted, started, fail } = deskWithThread();
    desk.ask(question);
    desk.stop();
    fail(posted.at(-1)!.id);
    jest.advanceTimersByTime(1e6);
    expect(started()).toBe(1);
  });
});
