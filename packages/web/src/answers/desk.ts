import type { AnswerOf, JobName, QuestionOf } from './engine/jobs/index.ts';
import type { AskMessage, FailureMessage, ReportMessage, StopMessage } from './engine/messages.ts';

/** Starts a thread of the engine. */
const startThread = (): Worker =>
  new Worker(new URL('./engine/engine.worker.ts', import.meta.url), { type: 'module', name: 'engine' });

/** Time before a failed thread is replaced, ms; twice as long each further time. */
const FIRST_WAIT_MS = 1000;
/** Number of threads in a row that may fail before a question stays without an answer. */
const MOST_FAILURES = 6;

interface Options<Name extends JobName> {
  /** Starts the thread, when the first question is asked. */
  start?: (() => Worker) | undefined;
  /** Returns the last question for a thread that has heard none before, where questions build on earlier ones. */
  renew?: () => QuestionOf<Name>;
}

/**
 * A place at the desk where one question at a time is answered; a later question replaces an earlier one.
 * A thread that fails (its code cannot be loaded, or it breaks) is replaced, and the last question is asked again.
 */
export class Desk<Name extends JobName> {
  readonly #job: Name;
  readonly #hear: (answer: AnswerOf<Name>, done: boolean) => void;
  readonly #start: () => Worker;
  readonly #renew: (() => QuestionOf<Name>) | undefined;
  #thread: Worker | undefined;
  #lastId = 0;
  #question: QuestionOf<Name> | undefined;
  #failures = 0;
  /** The next thread knows nothing of earlier questions. */
  #isLost = false;
  #waits: ReturnType<typeof setTimeout> | undefined;

  /** @param hear receives the answer to the last question, each time that more of it is known */
  constructor(
    job: Name,
    hear: (answer: AnswerOf<Name>, done: boolean) => void,
    { start = startThread, renew }: Options<Name> = {},
  ) {
    this.#job = job;
    this.#hear = hear;
    this.#start = start;
    this.#renew = renew;
  }

  ask(question: QuestionOf<Name>): void {
    this.#question = question;
    // A thread that is about to be replaced gets the last question when it starts.
    if (this.#waits !== undefined) return;
    const asked = this.#isLost ? (this.#renew?.() ?? question) : question;
    this.#isLost = false;
    this.#post({ job: this.#job, id: ++this.#lastId, question: asked });
  }

  /** Ends the work on the last question: no further answer to it is heard. */
  stop(): void {
    this.#question = undefined;
    const id = ++this.#lastId;
    if (this.#thread) this.#post({ id, stop: true });
  }

  #post(message: AskMessage<Name> | StopMessage): void {
    this.#thread ??= this.#started();
    this.#thread.postMessage(message);
  }

  #started(): Worker {
    const thread = this.#start();
    thread.addEventListener('message', ({ data }: MessageEvent<ReportMessage<AnswerOf<Name>> | FailureMessage>) => {
      if (thread !== this.#thread) return;
      // A question that others replaced may have failed as well: later ones build on it.
      if ('failed' in data) return this.#replace(data.failed);
      if (data.id !== this.#lastId) return;
      this.#failures = 0;
      this.#hear(data.answer, data.done);
    });
    thread.addEventListener('error', ({ message }) => {
      if (thread === this.#thread) this.#replace(message);
    });
    return thread;
  }

  #replace(reason: string): void {
    this.#thread?.terminate();
    this.#thread = undefined;
    this.#isLost = true;
    // oxlint-disable-next-line no-console -- whoever looks for the cause finds it where browsers report such things
    console.error(`The engine failed (${this.#job}): ${reason}`);
    if (++this.#failures > MOST_FAILURES) return;
    this.#waits = setTimeout(
      () => {
        this.#waits = undefined;
        if (this.#question !== undefined) this.ask(this.#question);
      },
      FIRST_WAIT_MS * 2 ** (this.#failures - 1),
    );
  }
}
