import { Answering, type Job } from './answering.ts';
import { loadJob } from './jobs/index.ts';
import type { AskMessage, FailureMessage, ReportMessage, StopMessage } from './messages.ts';
import { helping, type HelperTask } from './tasks/index.ts';

const thread = new Answering();

/** Turns of the event loop without the delay of a timer. */
const channel = new MessageChannel();
const help = helping(
  (result) => postMessage(result),
  (work) => {
    channel.port1.onmessage = work;
    channel.port2.postMessage(null);
  },
);

async function answer({ job, id, question }: AskMessage): Promise<void> {
  const load = loadJob[job] as () => Promise<Job<unknown, object>>;
  try {
    await thread.answer(load, id, question, (part, done) =>
      postMessage({ id, done, answer: part } satisfies ReportMessage<object>),
    );
  } catch (error) {
    postMessage({ id, failed: String(error) } satisfies FailureMessage);
  }
}

/** A thread of the engine: answers the questions of the page, or helps another thread. */
addEventListener('message', ({ data }: MessageEvent<AskMessage | StopMessage | HelperTask>) => {
  if ('task' in data) help(data);
  else if ('stop' in data) thread.stop(data.id);
  else void answer(data);
});
