import { addTally, emptyTally, LOOKED_AT_EVERY, type Tally } from '@stadion/core/forecast/trials';

/** A question under way, and how far it has come. */
interface Job {
  key: string;
  /** Everybody who waits for it, each with its group. */
  askers: Map<string, string>;
  tally: Tally;
  /** Played only while nothing else of its group waits. */
  later: boolean;
  playing: boolean;
  failures: number;
}

/** Whose questions share time and turns. */
interface Group {
  /** Jobs by key, in turn. */
  jobs: Map<string, Job>;
  /** How long was played for it, milliseconds, counted from where the others stood when it came. */
  spent: number;
}

/** How far a question has come. */
export interface UnderWay {
  key: string;
  tally: Tally;
}

/** Attempts to be played next. */
export interface NextBatch {
  key: string;
  group: string;
  /** Number of its first attempt. */
  first: number;
  count: number;
}

/** Attempts in a batch: small, so that every slot has its first estimate within a few seconds. */
const BATCH = LOOKED_AT_EVERY;
/** Number of failures after which a batch is given up. */
const MOST_FAILURES = 2;

/**
 * Decides which attempts are played next: groups (projects) share the time, whatever their attempts cost, and the
 * questions of a group take turns. It has no threads, no clock and no storage: its caller plays the named batches
 * and reports their results and durations.
 */
export class TrialSchedule {
  readonly #isDone: (key: string, tally: Tally) => boolean;
  /** In turn. */
  readonly #groups = new Map<string, Group>();
  readonly #groupOf = new Map<string, string>();
  readonly #paused = new Set<string>();

  /** @param isDone is the question answered precisely enough? */
  constructor(isDone: (key: string, tally: Tally) => boolean) {
    this.#isDone = isDone;
  }

  #job(key: string): Job | undefined {
    const group = this.#groupOf.get(key);
    return group === undefined ? undefined : this.#groups.get(group)?.jobs.get(key);
  }

  #remove(key: string): void {
    const group = this.#groupOf.get(key);
    if (group === undefined) return;
    this.#groupOf.delete(key);
    const jobs = this.#groups.get(group)?.jobs;
    jobs?.delete(key);
    if (jobs?.size === 0) this.#groups.delete(group);
  }

  /** Is the question under way? */
  has(key: string): boolean {
    return this.#job(key) !== undefined;
  }

  /** Sets a question to be played for somebody. @param from what was played of it before @param later only while nothing else of the group waits */
  want(
    key: string,
    group: string,
    asker: string,
    { from = emptyTally(), later = false }: { from?: Tally | undefined; later?: boolean } = {},
  ): void {
    let job = this.#job(key);
    if (!job) {
      job = { key, askers: new Map(), tally: from, later, playing: false, failures: 0 };
      const mine = this.#groups.get(group) ?? { jobs: new Map<string, Job>(), spent: this.#leastSpent() };
      mine.jobs.set(key, job);
      this.#groups.set(group, mine);
      this.#groupOf.set(key, group);
    }
    job.askers.set(asker, group);
    job.later &&= later;
  }

  /** Somebody waits for nothing any more. What nobody waits for is dropped. @returns what had been played of it */
  leave(isLeaving: (asker: string, key: string) => boolean): UnderWay[] {
    const dropped: UnderWay[] = [];
    for (const { jobs } of [...this.#groups.values()]) {
      for (const job of [...jobs.values()]) {
        for (const asker of [...job.askers.keys()]) if (isLeaving(asker, job.key)) job.askers.delete(asker);
        if (job.askers.size > 0 || job.playing) continue;
        dropped.push({ key: job.key, tally: job.tally });
        this.#remove(job.key);
      }
    }
    return dropped;
  }

  /** Returns the groups that wait for a question. */
  askersOf(key: string): readonly string[] {
    return [...(this.#job(key)?.askers.keys() ?? [])];
  }

  /** How far a question has come; undefined where it is not under way. */
  tallyOf(key: string): Tally | undefined {
    return this.#job(key)?.tally;
  }

  /** The batch that is due, now being played; undefined where all is being played or done. */
  next(): NextBatch | undefined {
    const byTime = [...this.#groups].toSorted(([, one], [, other]) => one.spent - other.spent);
    for (const [group, mine] of byTime) {
      const { jobs } = mine;
      const waiting = [...jobs.values()].filter((job) => !job.playing && !this.#isHeld(job));
      const job = waiting.find(({ later }) => !later) ?? waiting[0];
      if (job) {
        job.playing = true;
        // To the back of the line: every question in turn, and every group in turn.
        jobs.delete(job.key);
        jobs.set(job.key, job);
        this.#groups.delete(group);
        this.#groups.set(group, mine);
        return { key: job.key, group, first: job.tally.attempts, count: BATCH - (job.tally.attempts % BATCH) };
      }
    }
    return undefined;
  }

  /** Is everybody who waits for it paused? Projects made from one another share their questions. */
  #isHeld({ askers }: Job): boolean {
    return this.#paused.size > 0 && [...askers.values()].every((group) => this.#paused.has(group));
  }

  /** Nothing more that only this group waits for is begun until it goes on. */
  pause(group: string, paused: boolean): void {
    if (paused) this.#paused.add(group);
    else this.#paused.delete(group);
  }

  isPaused(group: string): boolean {
    return this.#paused.has(group);
  }

  /** How many questions of a group are not answered yet. */
  waiting(group: string): number {
    return this.#groups.get(group)?.jobs.size ?? 0;
  }

  #leastSpent(): number {
    return this.#groups.size === 0 ? 0 : Math.min(...[...this.#groups.values()].map(({ spent }) => spent));
  }

  /**
   * Takes in a batch, or the first attempts of it. Tells whether the question is answered, goes on, or is wanted by nobody
   * any more.
   *
   * @param milliseconds how long it took
   */
  played(key: string, batch: Tally, milliseconds = 0): 'done' | 'goes on' | 'unwanted' {
    const job = this.#job(key);
    if (!job) return 'unwanted';
    (this.#groups.get(this.#groupOf.get(key) as string) as Group).spent += milliseconds;
    job.playing = false;
    job.failures = 0;
    addTally(job.tally, batch);
    if (this.#isDone(key, job.tally)) return 'done';
    return job.askers.size > 0 ? 'goes on' : 'unwanted';
  }

  /** A batch could not be played. Tells whether it is tried again; one that nobody waits for is not. */
  failed(key: string): 'again' | 'given up' | 'unwanted' {
    const job = this.#job(key);
    if (!job) return 'unwanted';
    job.playing = false;
    if (job.askers.size === 0) return 'unwanted';
    return ++job.failures < MOST_FAILURES ? 'again' : 'given up';
  }

  /** Takes a question out, answered or given up. */
  remove(key: string): void {
    this.#remove(key);
  }

  /** Takes out everything. @returns what had been played of it */
  clear(): UnderWay[] {
    const all = [...this.#groups.values()].flatMap(({ jobs }) =>
      [...jobs.values()].map(({ key, tally }) => ({ key, tally })),
    );
    this.#groups.clear();
    this.#groupOf.clear();
    return all;
  }
}
