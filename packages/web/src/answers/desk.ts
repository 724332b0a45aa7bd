import type { AnswerOf, JobName, QuestionOf } from './engine/jobs/index.ts';
import type { AskMessage, ReportMessage, StopMessage } from './engine/messages.ts';

/** Starts a thread of the engine. */
const startThread = (): Worker =>
  new Worker(new URL('./engine/engine.worker.ts', import.meta.url), { type: 'module', name: 'engine' });

/** A place at the desk where one question at a time is answered; a later question replaces an earlier one. */
export class Desk<Name extends JobName> {
  readonly #job: Name;
  readonly #hear: (answer: AnswerOf<Name>, done: boolean) => void;
  readonly #start: () => Worker;
  #thread: Worker | undefined;
  #lastId = 0;

  /**
   * @param hear receives the answer to the last question, each time that more of it is known
   * @param start starts the thread, when the first question is asked
   */
  constructor(job: Name, hear: (answer: AnswerOf<Name>, done: boolean) => void, start = startThread) {
    this.#job = job;
    this.#hear = hear;
    this.#start = start;
  }

  ask(question: QuestionOf<Name>): void {
    this.#post({ job: this.#job, id: ++this.#lastId, question });
  }

  /** Ends the work on the last question: no further answer to it is heard. */
  stop(): void {
    const id = ++this.#lastId;
    if (this.#thread) this.#post({ id, stop: true });
  }

  #post(message: AskMessage<Name> | StopMessage): void {
    if (!this.#thread) {
      this.#thread = this.#start();
      this.#thread.addEventListener('message', ({ data }: MessageEvent<ReportMessage<AnswerOf<Name>>>) => {
        if (data.id === this.#lastId) this.#hear(data.answer, data.done);
      });
    }
    this.#thread.postMessage(message);
  }
}
