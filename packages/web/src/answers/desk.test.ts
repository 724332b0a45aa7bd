import { describe, expect, it } from '@jest/globals';
import { Desk } from './desk.ts';
import type { AskMessage, ReportMessage, StopMessage } from './engine/messages.ts';
import type { WaysAnswer, WaysQuestion } from './engine/jobs/ways.ts';

const question = {} as WaysQuestion;
const answer = { played: 5 } as WaysAnswer;

function deskWithThread() {
  const posted: (AskMessage<'ways'> | StopMessage)[] = [];
  const heard: [number, boolean][] = [];
  let started = 0;
  let listen: (event: { data: ReportMessage<WaysAnswer> }) => void = () => {};
  const desk = new Desk(
    'ways',
    ({ played }, done) => heard.push([played, done]),
    () => {
      started++;
      return {
        addEventListener: (_name: string, listener: typeof listen) => void (listen = listener),
        postMessage: (message: AskMessage<'ways'> | StopMessage) => void posted.push(message),
      } as unknown as Worker;
    },
  );
  return {
    desk,
    posted,
    heard,
    started: () => started,
    report: (id: number, done = false) => listen({ data: { id, done, answer } }),
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
