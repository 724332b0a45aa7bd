import { evictOldest } from '@stadion/core/basics/memo';
import { useEffect, useMemo, useState } from 'react';

/** Fields of every answer of a worker. */
interface Answer {
  /** Id of the request that it answers. */
  id: number;
  /** The last word on it. */
  done: boolean;
}

/** A question to a worker, and the parts of it that only the worker needs. */
interface Asking<Request> {
  /** Everything that the answer depends on, as text: the same key is never asked twice. */
  key: string;
  request: () => Omit<Request, 'id'>;
}

/** An answer as far as it has come. */
export interface WorkerAnswer<A> {
  answer: A | null;
  /** It is of an earlier question: shown dimmed until the new one comes. */
  stale: boolean;
  /** From asking to this answer, ms. */
  milliseconds: number;
}

interface Answered<A> {
  key: string;
  answer: A;
  milliseconds: number;
}

interface Options {
  /** Number of complete answers that are kept, so that going back to one shows it at once. */
  kept: number;
  /** Edits that come closer together than this are answered once. */
  settleMs?: number;
}

/**
 * A hook that asks one worker, whose later questions take the place of earlier ones; nothing where there is none.
 *
 * @param start makes the worker; called when the first question is asked
 */
export function workerHook<Request extends { id: number }, A extends Answer>(
  start: () => Worker,
  { kept, settleMs = 0 }: Options,
): (asking: Asking<Request> | null) => WorkerAnswer<A> {
  const answers = new Map<string, Answered<A>>();
  let worker: Worker | undefined;
  let lastId = 0;
  let listener: ((answer: A) => void) | undefined;

  const ask = (request: Request): void => {
    if (!worker) {
      worker = start();
      worker.addEventListener('message', (event: MessageEvent<A>) => listener?.(event.data));
    }
    worker.postMessage(request);
  };

  const remember = (answered: Answered<A>): void => {
    answers.set(answered.key, answered);
    evictOldest(answers, kept);
  };

  return function useAnswer(asking: Asking<Request> | null): WorkerAnswer<A> {
    const key = asking?.key;
    const [latest, setLatest] = useState<Answered<A> | null>(null);
    useEffect(() => {
      if (!asking || key === undefined || answers.has(key)) return;
      const id = ++lastId;
      const asked = performance.now();
      listener = (answer) => {
        if (answer.id !== id) return;
        const answered = { key, answer, milliseconds: performance.now() - asked };
        if (answer.done) remember(answered);
        setLatest(answered);
      };
      const send = (): void => ask({ id, ...asking.request() } as Request);
      if (settleMs === 0) {
        send();
        return;
      }
      const timer = setTimeout(send, settleMs);
      return () => clearTimeout(timer);
      // The key stands for all that the answer depends on.
      // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [key]);
    // Nothing is shown to those who ask nothing.
    const shown = key === undefined ? null : (answers.get(key) ?? latest);
    return useMemo(
      () => ({
        answer: shown?.answer ?? null,
        stale: shown !== null && shown.key !== key,
        milliseconds: shown?.milliseconds ?? 0,
      }),
      [shown, key],
    );
  };
}
