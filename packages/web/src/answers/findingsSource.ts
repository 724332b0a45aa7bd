import type { AttemptsSeen, ExpectationCheck, Finding } from '@stadion/core/authoring/findings';
import type { ProjectDocument } from '@stadion/core/document/model';
import { patchBetween } from '@stadion/core/basics/patch';
import { Desk } from './desk.ts';
import type { FindingsQuestion } from './engine/jobs/findings.ts';

/** Everything found in the open project until now. */
export interface FindingsKnown {
  /** The project that it is about; undefined before the first answer. */
  projectId: string | undefined;
  findings: readonly Finding[];
  /** Expected verdicts, compared with the judge. */
  verdicts: readonly ExpectationCheck[];
}

/** Forecasts of the project as it is, by pacer and slot. */
export type SeenAttempts = ReadonlyMap<string, ReadonlyMap<string, AttemptsSeen>>;

const NOTHING: FindingsKnown = { projectId: undefined, findings: [], verdicts: [] };

/** Asks the engine for everything found in a project, and after each edit sends only what has changed. */
export class FindingsSource {
  readonly #desk: Desk<'findings'>;
  readonly #listeners = new Set<() => void>();
  #known = NOTHING;
  #projectId: string | undefined;
  #document: ProjectDocument | undefined;
  #seen: SeenAttempts = new Map();
  #slotId = '';

  /** @param start starts the thread of the engine */
  constructor(start?: () => Worker) {
    this.#desk = new Desk(
      'findings',
      ({ findings, verdicts }) => this.#learn({ projectId: this.#projectId, findings, verdicts }),
      { start, renew: () => this.#whole() },
    );
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly known = (): FindingsKnown => this.#known;

  /** Requests everything found in a document, unless that is under way. @param slotId of the slot that is looked at */
  ask(projectId: string, document: ProjectDocument, seen: SeenAttempts, slotId = ''): void {
    const anew = projectId !== this.#projectId;
    const before = anew ? undefined : this.#document;
    const forecasts = this.#newForecasts(anew ? new Map() : this.#seen, seen);
    if (document === before && forecasts.length === 0) return;
    const patch = patchBetween(before ?? {}, document);
    this.#projectId = projectId;
    this.#document = document;
    this.#seen = seen;
    this.#slotId = slotId;
    this.#desk.ask({ anew, patch, forecasts, slotId });
  }

  /** Everything at once, for a thread that knows nothing. */
  #whole(): FindingsQuestion {
    const forecasts = this.#newForecasts(new Map(), this.#seen);
    return { anew: true, patch: patchBetween({}, this.#document ?? {}), forecasts, slotId: this.#slotId };
  }

  /** Unchanged findings stay the same objects: nothing that shows them is drawn again. */
  #learn(known: FindingsKnown): void {
    if (JSON.stringify(known) === JSON.stringify(this.#known)) return;
    this.#known = known;
    for (const listener of this.#listeners) listener();
  }

  #newForecasts(before: SeenAttempts, seen: SeenAttempts): FindingsQuestion['forecasts'] {
    const news: FindingsQuestion['forecasts'] = [];
    for (const [pacer, slots] of before)
      for (const slotId of slots.keys()) if (!seen.get(pacer)?.has(slotId)) news.push([pacer, slotId, null]);
    for (const [pacer, slots] of seen)
      for (const [slotId, forecast] of slots)
        if (before.get(pacer)?.get(slotId) !== forecast) news.push([pacer, slotId, forecast]);
    return news;
  }
}
