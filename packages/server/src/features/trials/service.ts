import {
  summarize,
  type Books,
  type ForecastEvent,
  type ForecastList,
  type TrialsChange,
  type TrialsState,
} from '@stadion/core/exchange/contract';
import { everyPacer, PERFECT_PACER } from '@stadion/core/forecast/pacers';
import { projectOf, type Pacer, type Project, type ProjectDocument } from '@stadion/core/document/model';
import { emptyTally, forecastOf, isPreciseEnough, type Forecast } from '@stadion/core/forecast/trials';
import type { Logger } from 'pino';
import type { Storage } from '../../db/client.ts';
import { StadionError } from '../../http/errors.ts';
import type { WorkQueue } from '../../jobs/queue.ts';
import { Questions } from './questions.ts';
import { TrialSchedule, type UnderWay } from './schedule.ts';
import { RateLists } from './rateLists.ts';
import * as store from './store.ts';
import { Watchers } from './watchers.ts';

/** The list of what is known goes out before the first event that adds to it. */
const HEAD_START_MS = 60;
/** Number of attempts between two saves of a question's progress, so that a restart continues from there. */
const STORED_EVERY = 100;

/** Whose slot waits for an answer: of the project as it is, or of a snapshot of it. */
interface Asker {
  projectId: string;
  snapshot?: string;
  slotId: string;
  pacer: string;
}

interface Dependencies {
  storage: Storage;
  queue: WorkQueue;
  log: Logger;
  now: () => Date;
  readProject: (id: string) => Promise<{ document: ProjectDocument }>;
  readSnapshot: (projectId: string, snapshotId: string) => Promise<{ document: ProjectDocument }>;
  tell: (projectId: string, entries: ForecastEvent[]) => void;
  isHeard: (projectId: string) => boolean;
  /** Keeps the clear rates of a project's slots, for its list. */
  keepRates: (projectId: string, rates: readonly (number | null)[]) => Promise<void>;
}

export type TrialService = ReturnType<typeof makeTrialService>;

function pacerNamed(project: Project, id: string): Pacer {
  const pacer = everyPacer(project).find((entry) => entry.id === id);
  if (!pacer) throw new StadionError('not-found', `There is no pacer “${id}”.`);
  return pacer;
}

/** Forecasts of whole sequences: answered from the store where the same question was asked before, else played in batches, round and round over the slots. */
export function makeTrialService(dependencies: Dependencies) {
  const { storage, queue, log, now, readProject, readSnapshot, tell, isHeard, keepRates } = dependencies;
  const lists = new RateLists(keepRates, log);
  const { blobs } = queue;
  const questions = new Questions();
  const motions = new Map<string, string>();
  /** Answered just now. */
  const storing = new Map<string, Forecast>();
  const schedule = new TrialSchedule((key, tally) => {
    const question = blobs.get(key);
    return question === undefined || isPreciseEnough(tally, question.precision);
  });
  let inFlight = 0;
  let closed = false;

  /** Tells everyone who waits for a question how far it has come. */
  const announce = (key: string, done: boolean, failed = false): void => {
    const tally = schedule.tallyOf(key);
    const summary = tally && tally.attempts > 0 ? summarize(forecastOf(tally), done) : null;
    for (const asker of schedule.askersOf(key)) {
      const { projectId, ...want } = JSON.parse(asker) as Asker;
      const motion = motions.get(key) ?? '';
      tell(projectId, [{ ...want, key, motion, done, summary, ...(failed ? { failed } : {}) }]);
      if (summary && want.snapshot === undefined) lists.put(projectId, want.pacer, want.slotId, summary.clearRate);
    }
  };

  const forget = (key: string): void => {
    schedule.remove(key);
    blobs.delete(key);
    motions.delete(key);
  };

  /** Stores how far questions have come that are not played on for now. */
  const keep = async (dropped: readonly UnderWay[]): Promise<void> => {
    const at = now().toISOString();
    const begun = dropped.filter(({ tally }) => tally.attempts > 0);
    for (const { key } of dropped) forget(key);
    if (begun.length === 0) return;
    await storage.write(async (transaction) => {
      for (const { key, tally } of begun) await store.savePart(transaction, key, tally, at);
    });
  };

  /** Takes out a question that is not played on, and keeps what was played of it. */
  const putAside = (key: string): Promise<void> => {
    const tally = schedule.tallyOf(key) ?? emptyTally();
    return keep([{ key, tally }]);
  };

  const finish = async (key: string): Promise<void> => {
    const tally = schedule.tallyOf(key);
    const forecast = tally && forecastOf(tally);
    // A page that receives the event may request the forecast before it is stored.
    if (forecast) storing.set(key, forecast);
    announce(key, true);
    forget(key);
    if (!forecast) return;
    try {
      await storage.write((transaction) => store.saveForecast(transaction, key, forecast, now().toISOString()));
    } finally {
      storing.delete(key);
    }
  };

  /** Answers that are known, by key. */
  const known = async (keys: readonly string[]): Promise<Map<string, Forecast>> => {
    const beingStored = keys.flatMap((key) => {
      const forecast = storing.get(key);
      return forecast ? [[key, forecast] as const] : [];
    });
    return new Map([...(await store.readForecasts(storage.db, keys)), ...beingStored]);
  };

  const playNext = async ({ key, group, first, count }: NonNullable<ReturnType<TrialSchedule['next']>>) => {
    inFlight++;
    const began = performance.now();
    try {
      const batch = await queue.put({ question: key, first, count }, { group, rank: first });
      const state = schedule.played(key, batch, performance.now() - began);
      if (state === 'done') await finish(key);
      else if (state === 'unwanted') await putAside(key);
      else {
        announce(key, false);
        const tally = schedule.tallyOf(key);
        if (tally && tally.attempts % STORED_EVERY === 0)
          await storage.write((transaction) => store.savePart(transaction, key, tally, now().toISOString()));
      }
    } catch (error) {
      if (closed) return;
      const state = schedule.failed(key);
      if (state !== 'unwanted') log.error({ err: error }, 'a batch of trials failed');
      if (state === 'given up') announce(key, false, true);
      if (state !== 'again') await putAside(key);
    } finally {
      inFlight--;
      pump();
    }
  };

  const pump = (): void => {
    while (!closed && inFlight < queue.width) {
      const batch = schedule.next();
      if (!batch) return;
      void playNext(batch);
    }
  };

  const isOf =
    (projectId: string, snapshot: string | undefined, pacer?: string) =>
    (asker: string): boolean => {
      const it = JSON.parse(asker) as Asker;
      return it.projectId === projectId && it.snapshot === snapshot && (pacer === undefined || it.pacer === pacer);
    };

  /** Answers what is known about every slot, and sets the rest to be played. */
  const ask = async (
    asking: { projectId: string; snapshot?: string },
    project: Project,
    pacer: Pacer,
  ): Promise<ForecastList> => {
    const { projectId, ...of } = asking;
    const asked = await questions.of(project, pacer);
    const keys = [...new Set(asked.map((entry) => entry.key))];
    const [answers, parts] = await Promise.all([known(keys), store.readParts(storage.db, keys)]);
    const wanted = new Set<string>();
    const entries = asked.map(({ slotId, question, key, motion }): ForecastEvent => {
      const answer = { ...of, slotId, pacer: pacer.id, key, motion };
      const forecast = answers.get(key);
      if (forecast) return { ...answer, done: true, summary: summarize(forecast, true) };
      blobs.put(key, question);
      motions.set(key, motion);
      const asker = JSON.stringify({ ...asking, slotId, pacer: pacer.id } satisfies Asker);
      wanted.add(`${key} ${asker}`);
      schedule.want(key, projectId, asker, { from: parts.get(key), later: pacer === PERFECT_PACER });
      const tally = schedule.tallyOf(key);
      return {
        ...answer,
        done: false,
        summary: tally && tally.attempts > 0 ? summarize(forecastOf(tally), false) : null,
      };
    });
    // Earlier requests of this project for this pacer end, unless they were made again.
    const isMine = isOf(projectId, asking.snapshot, pacer.id);
    await keep(schedule.leave((asker, key) => isMine(asker) && !wanted.has(`${key} ${asker}`)));
    if (asking.snapshot === undefined && pacer !== PERFECT_PACER) lists.begin(projectId, pacer.id, entries);
    setTimeout(pump, HEAD_START_MS);
    return { pacer: pacer.id, entries };
  };

  const stateOf = (projectId: string): TrialsState => ({
    paused: schedule.isPaused(projectId),
    waiting: schedule.waiting(projectId),
    asked: watchers.watched(projectId),
  });

  /** Nothing more is played for a project; what was played is kept. */
  const drop = (projectId: string): Promise<void> => {
    const dropped = schedule.leave((asker) => (JSON.parse(asker) as Asker).projectId === projectId);
    queue.drop(projectId);
    return keep(dropped);
  };

  const watchers = new Watchers(async (projectId, pacers) => {
    if (closed || !isHeard(projectId)) return;
    const project = projectOf((await readProject(projectId)).document);
    for (const id of pacers) {
      const pacer = everyPacer(project).find((entry) => entry.id === id);
      if (pacer) tell(projectId, (await ask({ projectId }, project, pacer)).entries);
    }
  }, log);

  return {
    /** The forecasts of all slots as far as they are known; the rest follows as events. */
    async forecasts(projectId: string, pacerId: string): Promise<ForecastList> {
      const project = projectOf((await readProject(projectId)).document);
      const pacer = pacerNamed(project, pacerId);
      watchers.watch(projectId, pacerId, now().toISOString());
      return ask({ projectId }, project, pacer);
    },

    /** The same of a snapshot: what was played when it was the project is known, the rest follows as events. */
    async snapshotForecasts(projectId: string, snapshot: string, pacerId: string): Promise<ForecastList> {
      const project = projectOf((await readSnapshot(projectId, snapshot)).document);
      return ask({ projectId, snapshot }, project, pacerNamed(project, pacerId));
    },

    /** Returns the known records of attempts at some questions, for playthroughs. */
    async books(keys: readonly string[]): Promise<Books> {
      const books = Object.fromEntries(
        [...(await known(keys))].flatMap(([key, { booked }]) => (booked ? [[key, booked as number[][]]] : [])),
      );
      return { books };
    },

    async state(projectId: string): Promise<TrialsState> {
      await readProject(projectId);
      return stateOf(projectId);
    },

    /** Holds the trials of a project, lets them go on, or drops what is not answered yet. */
    async change(projectId: string, change: TrialsChange['do']): Promise<TrialsState> {
      await readProject(projectId);
      schedule.pause(projectId, change === 'pause');
      if (change === 'cancel') {
        watchers.forget(projectId);
        await drop(projectId);
      }
      pump();
      return stateOf(projectId);
    },

    /** To be called after every revision. */
    changed: (projectId: string): void => watchers.changed(projectId),

    /** To be called once nobody listens to a project any more: nothing is played for those who left. */
    left(projectId: string): void {
      drop(projectId).catch((error: unknown) => log.error({ err: error }, 'what was played could not be stored'));
    },

    async close(): Promise<void> {
      closed = true;
      watchers.close();
      await lists.close();
      await keep(schedule.clear());
      await queue.close();
    },
  };
}
