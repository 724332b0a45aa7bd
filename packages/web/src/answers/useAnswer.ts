import { evictOldest } from '@stadion/core/basics/memo';
import { useEffect, useMemo, useState } from 'react';
import { Desk } from './desk.ts';
import type { AnswerOf, JobName, QuestionOf } from './engine/jobs/index.ts';

/** A question to the engine, and the text that tells it from others. */
interface Asking<Name extends JobName> {
  /** Everything that the answer depends on, as text: the same key is never asked twice. */
  key: string;
  question: () => QuestionOf<Name>;
  /** Subject of the question, for example a level: an answer about another subject is not shown meanwhile. */
  about?: string;
}

/** An answer until now. */
export interface ComputedAnswer<Answer> {
  answer: Answer | null;
  /** This is the whole answer. */
  done: boolean;
  /** It belongs to an earlier question: shown dimmed until the new one comes. */
  stale: boolean;
  /** From asking to this answer, ms. */
  milliseconds: number;
}

interface Answered<Answer> {
  key: string;
  about: string | undefined;
  answer: Answer;
  done: boolean;
  milliseconds: number;
}

interface Options {
  /** Number of complete answers that are kept, so that going back to one shows it at once. */
  kept: number;
  /** Edits that come closer together than this are answered once, ms. */
  settleMs?: number;
}

/**
 * A hook that asks the engine for one job, one question at a time.
 * While it is `paused`, nothing new is asked and the work under way is stopped; answers that are kept are shown.
 */
export function answerHook<Name extends JobName>(
  job: Name,
  { kept, settleMs = 0 }: Options,
): (asking: Asking<Name> | null, paused?: boolean) => ComputedAnswer<AnswerOf<Name>> {
  type Answer = AnswerOf<Name>;
  const answers = new Map<string, Answered<Answer>>();
  let listener: ((answer: Answer, done: boolean) => void) | undefined;
  const desk = new Desk(job, (answer, done) => listener?.(answer, done));

  return function useAnswer(asking, paused = false) {
    const key = asking?.key;
    const [latest, setLatest] = useState<Answered<Answer> | null>(null);
    useEffect(() => {
      if (!asking || key === undefined || answers.has(key)) return;
      if (paused) {
        desk.stop();
        return;
      }
      const asked = performance.now();
      const send = (): void => {
        listener = (answer, done) => {
          const answered = { key, about: asking.about, answer, done, milliseconds: performance.now() - asked };
          if (done) {
            answers.set(key, answered);
            evictOldest(answers, kept);
          }
          setLatest(answered);
        };
        desk.ask(asking.question());
      };
      if (settleMs === 0) {
        send();
        return;
      }
      const timer = setTimeout(send, settleMs);
      return () => clearTimeout(timer);
      // The key stands for all that the answer depends on.
      // oxlint-disable-next-line react/exhaustive-deps
    }, [key, paused]);
    // Nothing is shown to those who ask nothing.
    const shown = key === undefined ? null : (answers.get(key) ?? (latest?.about === asking?.about ? latest : null));
    return useMemo(
      () => ({
        answer: shown?.answer ?? null,
        done: shown?.done ?? false,
        stale: shown !== null && shown.key !== key,
        milliseconds: shown?.milliseconds ?? 0,
      }),
      [shown, key],
    );
  };
}
