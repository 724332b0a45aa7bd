import { describe, expect, it, jest } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import type { AttemptsSeen } from '@stadion/core/authoring/findings';
import { documentOf } from '@stadion/core/document/model';
import { applyPatch } from '@stadion/core/basics/patch';
import type { FindingsAnswer, FindingsQuestion } from './engine/jobs/findings.ts';
import type { AskMessage, ReportMessage } from './engine/messages.ts';
import { FindingsSource } from './findingsSource.ts';

/** A thread that keeps its questions, and answers on command. */
class Asked {
  readonly requests: FindingsQuestion[] = [];
  #answer: ((event: { data: ReportMessage<FindingsAnswer> }) => void) | undefined;

  addEventListener(name: string, answer: (event: { data: ReportMessage<FindingsAnswer> }) => void): void {
    if (name === 'message') this.#answer = answer;
  }

  terminate(): void {}

  fail(id: number): void {
    this.#answer?.({ data: { id, failed: 'broken' } as never });
  }

  postMessage({ question }: AskMessage<'findings'>): void {
    this.requests.push(question);
  }

  answer(id: number, findings: FindingsAnswer['findings'] = []): void {
    this.#answer?.({ data: { id, done: true, answer: { findings, verdicts: [] } } });
  }
}

const document = documentOf(homeBeforeDusk());
const renamed = applyPatch(document, [{ op: 'replace', path: '/levels/clover-steps/name', value: 'Other' }]);
const attempts = { attempts: 400 } as AttemptsSeen;
const seen = (slots: [string, AttemptsSeen][]) => new Map([['steady', new Map(slots)]]);

function made(): { worker: Asked; source: FindingsSource } {
  const worker = new Asked();
  return { worker, source: new FindingsSource(() => worker as unknown as Worker) };
}

describe('the source of findings', () => {
  it('tells the worker all at first, then only what has changed, and nothing where nothing has', () => {
    const { worker, source } = made();
    source.ask('a', document, new Map());
    source.ask('a', renamed, new Map());
    source.ask('a', renamed, new Map());
    expect(worker.requests.map(({ anew }) => anew)).toEqual([true, false]);
    expect(applyPatch({}, worker.requests[0]!.patch)).toEqual(document);
    expect(worker.requests[1]!.patch).toEqual([{ op: 'replace', path: '/levels/clover-steps/name', value: 'Other' }]);
  });

  it('begins again with another project, of which nothing is known until it is answered', () => {
    const { worker, source } = made();
    source.ask('a', document, new Map());
    worker.answer(1);
    expect(source.known().projectId).toBe('a');
    source.ask('b', renamed, new Map());
    expect(worker.requests[1]!.anew).toBe(true);
    expect(source.known().projectId).toBe('a');
    worker.answer(2);
    expect(source.known().projectId).toBe('b');
  });

  it('takes the answer to the last question only, and tells who listens', () => {
    const { worker, source } = made();
    let told = 0;
    const stop = source.subscribe(() => told++);
    source.ask('a', document, new Map());
    source.ask('a', renamed, new Map());
    worker.answer(1);
    expect(told).toBe(0);
    worker.answer(2);
    expect(told).toBe(1);
    stop();
    source.ask('a', document, new Map());
    worker.answer(3);
    expect(told).toBe(1);
  });

  it('tells nobody when all is found as before', () => {
    const { worker, source } = made();
    let told = 0;
    source.subscribe(() => told++);
    const found = [
      { code: 'flat', slotId: 'slot-1', sentence: 'It is flat.' },
    ] as unknown as FindingsAnswer['findings'];
    source.ask('a', document, new Map());
    worker.answer(1, found);
    const before = source.known();
    source.ask('a', renamed, new Map());
    worker.answer(2, structuredClone(found));
    expect([told, source.known()]).toEqual([1, before]);
    expect(source.known()).toBe(before);
    worker.answer(2, [...found, ...found]);
    expect([told, source.known().findings.length]).toEqual([2, 2]);
  });

  it('tells of forecasts that come, and of those that hold no more', () => {
    const { worker, source } = made();
    source.ask('a', document, seen([['slot-1', attempts]]));
    source.ask('a', document, seen([['slot-1', attempts]]));
    source.ask('a', document, seen([['slot-2', attempts]]));
    expect(worker.requests.map(({ forecasts }) => forecasts)).toEqual([
      [['steady', 'slot-1', attempts]],
      [
        ['steady', 'slot-1', null],
        ['steady', 'slot-2', attempts],
      ],
    ]);
  });

  it('sends all again to a new thread after the old one has failed', () => {
    jest.useFakeTimers();
    jest.spyOn(console, 'error').mockReturnValue();
    const { worker, source } = made();
    source.ask('a', document, seen([['slot-1', attempts]]), 'slot-1');
    worker.fail(1);
    // An edit that comes meanwhile is part of it.
    source.ask('a', renamed, seen([['slot-1', attempts]]), 'slot-1');
    jest.advanceTimersByTime(1000);
    expect(worker.requests).toHaveLength(2);
    expect(worker.requests[1]).toMatchObject({
      anew: true,
      slotId: 'slot-1',
      forecasts: [['steady', 'slot-1', attempts]],
    });
    expect(applyPatch({}, worker.requests[1]!.patch)).toEqual(renamed);
    jest.useRealTimers();
    jest.restoreAllMocks();
  });
});
