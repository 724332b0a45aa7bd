import type { JobName, QuestionOf } from './jobs/index.ts';

/** A question for a thread; it replaces the one before it. */
export interface AskMessage<Name extends JobName = JobName> {
  job: Name;
  /** Greater than the id of every message before it. */
  id: number;
  question: QuestionOf<Name>;
}

/** Ends the work on the question before it. */
export interface StopMessage {
  id: number;
  stop: true;
}

/** The work on a question has failed, for example because its code could not be loaded. */
export interface FailureMessage {
  id: number;
  failed: string;
}

/** The answer to a question until now. */
export interface ReportMessage<Answer> {
  id: number;
  /** This is the last report on the question. */
  done: boolean;
  answer: Answer;
}
