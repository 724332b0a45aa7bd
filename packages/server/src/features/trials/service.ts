import { summarize, type ForecastEvent, type ForecastList } from '@stadion/core/contract';
import type { Project } from '@stadion/core/model';
import { pacerById, type Pacer } from '@stadion/core/pacers';
import {
  addTally,
  DEFAULT_PRECISION,
  emptyTally,
  forecastOf,
  isPreciseEnough,
  trialQuestion,
  type Tally,
  type TrialQuestion,
} from '@stadion/core/trials';
import { createHash } from 'node:crypto';
import type { Logger } from 'pino';
import type { Storage } from '../../db/client.ts';
import { StadionError } from '../../http/errors.ts';
import type { TrialQueue } from '../../jobs/queue.ts';
import * as store from './store.ts';

/** Attempts in a batch: small, so that every slot has its first estimate within a few seconds. */
const BATCH = 20;
/** Edits that come closer together than this are answered once. */
const SETTLE_MS = 150;
/** The list of what is known goes out before the first event that adds to it. */
const HEAD_START_MS = 60;

/** Whose levels are asked about: the project as it is, or a snapshot of it. */
interface Asker {
  projectId: string;
  snapshot?: string;
}

/** One question that somebody waits for. */
interface Job {
  key: string;
  motion: string;
  question: TrialQuestion;
  /** Who asked, by project, snapshot of it if any, and slot. */
  wanted: (Asker & { slotId: string; pacer: string })[];
  tally: Tally;
  next: number;
  playing: boolean;
}

interface Dependencies {
  storage: Storage;
  queue: TrialQueue;
  log: Logger;
  now: () => Date;
  readProject: (id: string) => Promise<{ document: Project }>;
  readSnapshot: (projectId: string, snapshotId: string) => Promise<{ document: Project }>;
  tell: (projectId: string, entries: ForecastEvent[]) => void;
  isHeard: (projectId: string) => boolean;
}

export type TrialService = ReturnType<typeof makeTrialService>;

function pacerNamed(id: string): Pacer {
  const pacer = pacerById(id);
  if (!pacer) throw new StadionError('not-found', `There is no pacer “${id}”.`);
  return pacer;
}

const hashOf = (value: unknown): string => createHash('sha256').update(JSON.stringify(value)).digest('hex');
/** Two questions of one motion play the same attempts as far as they go, and judge them each in its way. */
const motionOf = ({ engine, level, pacer }: TrialQuestion): string =>
  hashOf([engine, level.motion, pacer]).slice(0, 16);

/** Forecasts of whole sequences: answered from the store where the same question was asked before, else played in batches, round and round over the slots. */
export function makeTrialService(dependencies: Dependencies) {
  const { storage, queue, log, now, readProject, readSnapshot, tell, isHeard } = dependencies;
  const jobs = new Map<string, Job>();
  /** Pacers that a project's listeners look at. */
  const watched = new Map<string, Set<string>>();
  const settling = new Map<string, NodeJS.Timeout>();
  let inFlight = 0;
  let closed = false;

  const announce = (job: Job, done: boolean): void => {
    const summary = job.tally.attempts > 0 ? summarize(forecastOf(job.tally), done) : null;
    for (const { projectId, ...want } of job.wanted)
      tell(projectId, [{ ...want, key: job.key, motion: job.motion, done, summary }]);
  };

  const finish = async (job: Job): Promise<void> => {
    jobs.delete(job.key);
    announce(job, true);
    await storage.write((transaction) =>
      store.saveForecast(transaction, job.key, forecastOf(job.tally), now().toISOString()),
    );
  };

  const playNext = async (job: Job): Promise<void> => {
    job.playing = true;
    inFlight++;
    try {
      const { level, pacer } = job.question;
      const batch = await queue.play({ levelKey: job.key, level, pacer, first: job.next, count: BATCH });
      job.next += BATCH;
      addTally(job.tally, batch);
      if (isPreciseEnough(job.tally, job.question.precision)) await finish(job);
      else {
        announce(job, false);
        // To the back of the line: every slot in turn.
        if (jobs.delete(job.key)) jobs.set(job.key, job);
      }
    } catch (error) {
      jobs.delete(job.key);
      if (!closed) log.error({ err: error }, 'a batch of trials failed');
    } finally {
      job.playing = false;
      inFlight--;
      pump();
    }
  };

  const pump = (): void => {
    for (const job of jobs.values()) {
      if (closed || inFlight >= queue.width) return;
      if (!job.playing) void playNext(job);
    }
  };

  /** Answers what is known about every slot, and sets the rest to be played. */
  const ask = async (asker: Asker, document: Project, pacer: Pacer): Promise<ForecastList> => {
    const { projectId, ...of } = asker;
    const asked = document.slots.map((slot, index) => {
      const question = trialQuestion(document, index + 1, pacer, DEFAULT_PRECISION);
      return { slotId: slot.id, question, key: hashOf(question), motion: motionOf(question) };
    });
    const known = await store.readForecasts(storage.db, [...new Set(asked.map((entry) => entry.key))]);
    // What this project wanted of this pacer before is wanted no more, unless it is asked again below.
    for (const job of jobs.values()) {
      job.wanted = job.wanted.filter(
        (want) => want.projectId !== projectId || want.snapshot !== asker.snapshot || want.pacer !== pacer.id,
      );
    }
    const entries = asked.map(({ slotId, question, key, motion }): ForecastEvent => {
      const forecast = known.get(key);
      if (forecast)
        return { ...of, slotId, pacer: pacer.id, key, motion, done: true, summary: summarize(forecast, true) };
      let job = jobs.get(key);
      if (!job) {
        job = { key, motion, question, wanted: [], tally: emptyTally(), next: 0, playing: false };
        jobs.set(key, job);
      }
      job.wanted.push({ ...asker, slotId, pacer: pacer.id });
      const summary = job.tally.attempts > 0 ? summarize(forecastOf(job.tally), false) : null;
      return { ...of, slotId, pacer: pacer.id, key, motion, done: false, summary };
    });
    for (const job of jobs.values()) if (job.wanted.length === 0 && !job.playing) jobs.delete(job.key);
    setTimeout(pump, HEAD_START_MS);
    return { pacer: pacer.id, entries };
  };

  const refresh = async (projectId: string): Promise<void> => {
    const pacers = watched.get(projectId);
    if (!pacers || closed || !isHeard(projectId)) return;
    const { document } = await readProject(projectId);
    for (const id of pacers) {
      const pacer = pacerById(id);
      if (pacer) tell(projectId, (await ask({ projectId }, document, pacer)).entries);
    }
  };

  return {
    /** The forecasts of all slots as far as they are known; the rest follows as events. */
    async forecasts(projectId: string, pacerId: string): Promise<ForecastList> {
      const pacer = pacerNamed(pacerId);
      const { document } = await readProject(projectId);
      const pacers = watched.get(projectId) ?? new Set<string>();
      watched.set(projectId, pacers.add(pacerId));
      return ask({ projectId }, document, pacer);
    },

    /** The same of a snapshot: what was played when it was the project is known, the rest follows as events. */
    async snapshotForecasts(projectId: string, snapshot: string, pacerId: string): Promise<ForecastList> {
      const pacer = pacerNamed(pacerId);
      const { document } = await readSnapshot(projectId, snapshot);
      return ask({ projectId, snapshot }, document, pacer);
    },

    /** To be called after every revision. */
    changed(projectId: string): void {
      clearTimeout(settling.get(projectId));
      settling.set(
        projectId,
        setTimeout(() => {
          settling.delete(projectId);
          refresh(projectId).catch((error: unknown) => log.error({ err: error }, 'forecasts were not refreshed'));
        }, SETTLE_MS),
      );
    },

    async close(): Promise<void> {
      closed = true;
      for (const timer of settling.values()) clearTimeout(timer);
      jobs.clear();
      await queue.close();
    },
  };
}
