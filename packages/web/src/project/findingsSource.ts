import type { AttemptsSeen, ExpectationCheck, Finding } from '@stadion/core/authoring/findings';
import type { ProjectDocument } from '@stadion/core/document/model';
import { patchBetween } from '@stadion/core/basics/patch';
import type { FindingsAnswer, FindingsRequest } from '../workers/findings.worker.ts';

/** Everything found in the open project, as far as it is known. */
export interface FindingsKnown {
  /** The project that it is about; undefined before the first answer. */
  projectId: string | undefined;
  findings: readonly Finding[];
  /** Expected verdicts, held to the judge. */
  verdicts: readonly ExpectationCheck[];
}

/** Forecasts of the project as it is, by pacer and slot. */
export type SeenAttempts = ReadonlyMap<string, ReadonlyMap<string, AttemptsSeen>>;

const NOTHING: FindingsKnown = { projectId: undefined, findings: [], verdicts: [] };

/** Asks a worker for everything found in a project, and tells it after each edit only what has changed. */
export class FindingsSource {
  readonly #start: () => Worker;
  #worker: Worker | undefined;
  #listeners = new Set<() => void>();
  #known = NOTHING;
  #projectId: string | undefined;
  #document: ProjectDocument | undefined;
  #seen: SeenAttempts = new Map();
  #lastId = 0;

  constructor(start: () => Worker) {
    this.#start = start;
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly known = (): FindingsKnown => this.#known;

  /** Has everything found in a document looked for, unless that is under way. @param slotId of the slot that is looked at */
  ask(projectId: string, document: ProjectDocument, seen: SeenAttempts, slotId = ''): void {
    const anew = projectId !== this.#projectId;
    const before = anew ? undefined : this.#document;
    const forecasts = this.#newForecasts(anew ? new Map() : this.#seen, seen);
    if (document === before && forecasts.length === 0) return;
    const patch = patchBetween(before ?? {}, document);
    this.#projectId = projectId;
    this.#document = document;
    this.#seen = seen;
    this.#post({ id: ++this.#lastId, anew, patch, forecasts, slotId });
  }

  /** Unchanged findings stay the same objects: nothing that shows them is drawn again. */
  #learn(known: FindingsKnown): void {
    if (JSON.stringify(known) === JSON.stringify(this.#known)) return;
    this.#known = known;
    for (const listener of this.#listeners) listener();
  }

  #newForecasts(before: SeenAttempts, seen: SeenAttempts): FindingsRequest['forecasts'] {
    const news: FindingsRequest['forecasts'] = [];
    for (const [pacer, slots] of before)
      for (const slotId of slots.keys()) if (!seen.get(pacer)?.has(slotId)) news.push([pacer, slotId, null]);
    for (const [pacer, slots] of seen)
      for (const [slotId, forecast] of slots)
        if (before.get(pacer)?.get(slotId) !== forecast) news.push([pacer, slotId, forecast]);
    return news;
  }

  #post(request: FindingsRequest): void {
    if (!this.#worker) {
      this.#worker = this.#start();
      this.#worker.addEventListener('message', ({ data }: MessageEvent<FindingsAnswer>) => {
        // Only the last word counts: what was asked before it is of an earlier state.
        if (data.id !== this.#lastId) return;
        const { findings, verdicts } = data;
        this.#learn({ projectId: this.#projectId, findings, verdicts });
      });
    }
    this.#worker.postMessage(request);
  }
}
