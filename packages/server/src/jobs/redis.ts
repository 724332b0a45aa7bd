import { evictOldest } from '@stadion/core/basics/memo';
import { ENGINE, type Tally, type TrialQuestion } from '@stadion/core/forecast/trials';
import { Job, Queue, QueueEvents, Worker } from 'bullmq';
import { Redis } from 'ioredis';
import { nanoid } from 'nanoid';
import type { Logger } from 'pino';
import { localBlobs, players } from './players.ts';
import type { BatchTask, Place, WorkQueue } from './queue.ts';
import { checkedTally } from './tallyCheck.ts';

/** Only workers that play by the same rules take the batches of a server. */
export const QUEUE = `stadion-trials-${ENGINE}`;
const JOB = 'batch';
/** Questions are kept so long after they were last asked for, seconds. */
const KEPT_SECONDS = 3600;
/** Time that the result of a batch is kept, seconds: a server that missed its event finds it there. */
const RESULT_SECONDS = 300;
/** A worker that has said nothing for so long is lost, and its batch is another's. */
const LOST_MS = 5000;
/** Interval of the check for batches without news, ms. */
const LOOKED_AFTER_MS = 2000;
/** No other server names its batches so. */
const MINE = nanoid();
/** Number of batches that wait for each playing thread, so that none is idle. */
const AHEAD = 2;

/** Questions that a worker keeps. */
const MOST_KEPT = 200;

const blobKey = (question: string): string => `${QUEUE}:question:${question}`;

/** Connections of this process that wait for Redis. */
const away = new Set<Redis>();

/** Returns a connection that waits for Redis to come back. A process reports once that Redis is away, and once that it answers again. */
function connect(url: string, log: Logger): Redis {
  const connection = new Redis(url, { maxRetriesPerRequest: null });
  connection.on('error', (error) => {
    if (away.size === 0) log.warn({ err: error }, 'Redis does not answer: trials wait for it');
    away.add(connection);
  });
  connection.on('ready', () => {
    if (away.delete(connection) && away.size === 0) log.warn('Redis answers again');
  });
  connection.on('end', () => away.delete(connection));
  return connection;
}

/** Closing takes no longer than this, whether Redis answers or not. */
const CLOSING_MS = 3000;

/** Waits for `work`, at most `ms`. Later failures of the work are ignored. */
async function within(ms: number, work: () => Promise<unknown>): Promise<void> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const limit = new Promise<void>((resolve) => (timer = setTimeout(resolve, ms)));
  await Promise.race([work().catch(() => undefined), limit]);
  clearTimeout(timer);
}

/** Reported by the connection. */
const isSaid = (): void => undefined;

/** Wait before the queue's events are read again after an error, ms. */
const LISTEN_AGAIN_MS = 500;

/** Keeps reading the queue's events: an entry that cannot be parsed ends the reading, which then begins again behind that entry. */
function keepListening(events: QueueEvents, log: Logger): void {
  const listen = (): void => {
    if (events.closing) return;
    events.run().catch((error: unknown) => {
      log.warn({ err: error }, 'the events of the queue of trials cannot be read: reading begins again');
      setTimeout(listen, LISTEN_AGAIN_MS).unref();
    });
  };
  events.on('error', isSaid);
  listen();
}

/** Somebody waits for a batch. */
interface Waiting extends Place {
  task: BatchTask;
  since: number;
  done: (tally: Tally) => void;
  failed: (error: Error) => void;
}

/** Trials on all machines whose workers listen to one Redis. @param url as redis://host:port @param own a worker that ends with it */
export function redisQueue(url: string, log: Logger, own?: { close(): Promise<void> }): WorkQueue {
  const connection = connect(url, log);
  const queue = new Queue<BatchTask, Tally>(QUEUE, { connection });
  const listening = connect(url, log);
  const events = new QueueEvents(QUEUE, { connection: listening, autorun: false });
  queue.on('error', isSaid);
  keepListening(events, log);
  const blobs = localBlobs();
  const uploaded = new Map<string, Promise<unknown>>();
  const waiting = new Map<string, Waiting>();
  let width = AHEAD;
  let asked = 0;

  const upload = (name: string): Promise<unknown> => {
    const question = blobs.get(name);
    if (!question) return Promise.reject(new Error(`There is no question ${name}.`));
    const known = uploaded.get(name) ?? connection.set(blobKey(name), JSON.stringify(question), 'EX', KEPT_SECONDS);
    uploaded.set(name, known);
    return known;
  };

  /** May be delivered twice; handling it twice has the effect of once. */
  const ask = async (id: string, { task, rank }: Waiting): Promise<void> => {
    await upload(task.question);
    await queue.add(JOB, task, {
      jobId: id,
      // From 1, and no more than fits: later batches of a question come later.
      priority: Math.min(rank + 1, 2_000_000),
      removeOnComplete: { age: RESULT_SECONDS },
      removeOnFail: true,
    });
  };

  const end = (id: string, tell: (waiting: Waiting) => void): void => {
    const found = waiting.get(id);
    if (!found) return;
    waiting.delete(id);
    tell(found);
  };
  /** A repeated batch sends its question again: Redis may have dropped it. */
  const fail = (id: string, error: Error): void =>
    end(id, ({ task, failed }) => {
      uploaded.delete(task.question);
      failed(error);
    });
  /** Takes a result only once it is checked: another machine may have sent anything. */
  const take = (id: string, result: unknown): void => {
    const found = waiting.get(id);
    if (!found) return;
    try {
      const tally = checkedTally(result, found.task.count);
      end(id, ({ done }) => done(tally));
    } catch (error) {
      fail(id, new Error('The result of a batch is refused.', { cause: error }));
    }
  };
  // Its type says text; it is parsed already.
  events.on('completed', ({ jobId: id, returnvalue }) => take(id, returnvalue));
  events.on('failed', ({ jobId: id, failedReason }) => fail(id, new Error(failedReason)));

  /** Fetches results that were missed while Redis was away, or lost with it. */
  const lookAfter = async (id: string, entry: Waiting): Promise<void> => {
    const job = await Job.fromId<BatchTask, Tally>(queue, id);
    if (!job) {
      uploaded.delete(entry.task.question);
      return ask(id, entry);
    }
    if (await job.isCompleted()) take(id, job.returnvalue);
    else if (await job.isFailed()) fail(id, new Error(job.failedReason));
  };
  const look = async (): Promise<void> => {
    if (connection.status !== 'ready') return;
    width = AHEAD * Math.max(1, await threadsThatPlay(queue));
    const old = [...waiting].filter(([, { since }]) => performance.now() - since > LOOKED_AFTER_MS);
    for (const [id, entry] of old) await lookAfter(id, entry);
  };
  const timer = setInterval(() => {
    look().catch((error: unknown) => log.warn({ err: error }, 'batches of trials could not be looked after'));
  }, LOOKED_AFTER_MS);
  timer.unref();
  connection.on('close', () => uploaded.clear());

  return {
    get width() {
      return width;
    },
    blobs: {
      ...blobs,
      delete(name) {
        blobs.delete(name);
        uploaded.delete(name);
      },
    },
    put: (task, place) =>
      new Promise((done, failed) => {
        const entry: Waiting = { ...place, task, since: performance.now(), done, failed };
        const id = `${MINE}-${asked++}`;
        waiting.set(id, entry);
        ask(id, entry).catch((error: Error) => fail(id, error));
      }),
    drop(group) {
      for (const [id, entry] of [...waiting]) {
        if (entry.group !== group) continue;
        fail(id, new Error('Nobody waits for it any more.'));
        // One that is being played comes to its end within a moment.
        queue.remove(id).catch(() => undefined);
      }
    },
    async close() {
      clearInterval(timer);
      for (const id of [...waiting.keys()]) fail(id, new Error('The server ends.'));
      // Redis may be away, and then nothing that asks it ever ends.
      await within(CLOSING_MS, async () => {
        await own?.close();
        await Promise.all([queue.close(), events.close()]);
      });
      for (const each of [connection, listening]) each.disconnect();
    },
  };
}

/** On how many threads all workers play together: each is called by its own. */
async function threadsThatPlay(queue: Queue): Promise<number> {
  const workers = await queue.getWorkers();
  return workers.reduce((sum, { rawname = '' }) => sum + (Number(rawname.split(':').at(-1)) || 1), 0);
}

/** Plays batches that servers request, on the threads of this machine. @param url of the Redis that they share @param width number of threads */
export function redisWorker(url: string, log: Logger, width?: number): { close(): Promise<void> } {
  const connection = connect(url, log);
  const taking = connect(url, log);
  const playing = players(width);
  const questions = new Map<string, TrialQuestion>();
  const questionNamed = async (name: string): Promise<TrialQuestion> => {
    const known = questions.get(name);
    if (known) return known;
    const text = await connection.get(blobKey(name));
    if (text === null) throw new Error(`There is no question ${name}.`);
    const question = JSON.parse(text) as TrialQuestion;
    questions.set(name, question);
    evictOldest(questions, MOST_KEPT);
    return question;
  };
  const worker = new Worker<BatchTask, Tally>(
    QUEUE,
    async ({ data: { question: name, first, count } }) =>
      playing.play({ name, question: await questionNamed(name), first, count }),
    {
      connection: taking,
      concurrency: playing.width,
      lockDuration: LOST_MS,
      stalledInterval: LOST_MS,
      maxStalledCount: 5,
      name: `${playing.width}`,
    },
  );
  worker.on('error', isSaid);
  return {
    async close() {
      await within(CLOSING_MS, () => worker.close());
      for (const each of [connection, taking]) each.disconnect();
      await playing.close();
    },
  };
}
