import type { Pacer, Project } from '@stadion/core/document/model';
import { mixText } from '@stadion/core/basics/random';
import { ENGINE } from '@stadion/core/forecast/trials';
import type { TuningAsked, TuningFound, TuningName } from '@stadion/core/forecast/tuning';
import { Desk } from './desk.ts';
import type { SearchAnswer, Round } from './engine/jobs/search.ts';
import { keepText, keptText } from '../store/browserKeeps.ts';

/** A question and its pacer. */
export interface Question<Name extends TuningName> {
  projectId: string;
  /** As it stood when it was asked. Levels that are not asked about may be left out. */
  project: Project;
  pacer: Pacer;
  asked: TuningAsked[Name];
  /** All that the answer depends on: with the same parts it is the same question. */
  parts: unknown;
}

/** How far a question has come. */
export interface SearchState<Name extends TuningName> {
  question: Question<Name> | null;
  found: TuningFound[Name] | null;
  isRunning: boolean;
  /** Is all found that was asked? */
  isAll: boolean;
  /** Attempts a second since it goes on; null at first. */
  pace: number | null;
}

/** Kept state of a question, so that it continues when the page is loaded again. */
interface Kept<Name extends TuningName> {
  projectId: string;
  /** Key of the question; see keyOf. */
  key: number;
  pacerId: string;
  asked: TuningAsked[Name];
  rounds: Round[];
  /** Stopped by hand: it is shown, and goes on when that is asked for. */
  isStopped: boolean;
}

/** More is not kept: the browser has room for little. */
const MOST_KEPT = 400_000;

const NOTHING = { question: null, found: null, isRunning: false, isAll: false, pace: null } as const;

/** The order of names in an object says nothing: what was edited and what was loaded are the same. */
const inOrder = (_name: string, value: unknown): unknown =>
  typeof value !== 'object' || value === null || Array.isArray(value)
    ? value
    : Object.fromEntries(Object.entries(value).toSorted(([one], [other]) => (one < other ? -1 : 1)));

/** Tells one question from another. */
export const keyOf = ({ projectId, parts }: Pick<Question<TuningName>, 'projectId' | 'parts'>): number =>
  mixText(ENGINE, JSON.stringify([projectId, parts], inOrder));

const trialsOf = (rounds: readonly Round[]): number =>
  rounds.reduce((sum, round) => sum + round.reduce((all, count, index) => all + (index % 2 === 1 ? count : 0), 0), 0);

/**
 * Asks one question of tuning at a time, by hand. The results of its attempts are kept: after it was stopped, or left, or the
 * page was loaded again, it continues from there.
 */
export class SearchStore<Name extends TuningName> {
  readonly #name: Name;
  readonly #desk: Desk<'search'>;
  readonly #listeners = new Set<() => void>();
  #key = 0;
  #rounds: Round[] = [];
  #isStopped = false;
  /** Start of the present stretch, and the number of attempts since. */
  #begunAt = 0;
  #played = 0;
  #state: SearchState<Name> = NOTHING;

  /** @param start starts the thread of the engine */
  constructor(name: Name, start?: () => Worker) {
    this.#name = name;
    this.#desk = new Desk('search', (answer, done) => this.#take(answer as SearchAnswer<Name>, done), { start });
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly read = (): SearchState<Name> => this.#state;

  /**
   * Somebody looks at a project: what was asked there last goes on.
   *
   * @param again the question that was asked, as it would be asked now; undefined where it cannot be
   */
  enter(projectId: string, again: (asked: TuningAsked[Name], pacerId: string) => Question<Name> | undefined): void {
    if (this.#state.question?.projectId !== projectId) this.#takeUp(projectId, again);
    if (this.#state.question && !this.#state.isAll) this.#send();
  }

  /** Nobody looks any more: what takes minutes is not found out for nobody. */
  leave(): void {
    this.#interrupt();
  }

  ask(question: Question<Name>): void {
    const kept = this.#kept();
    this.#key = keyOf(question);
    this.#rounds = kept?.key === this.#key ? kept.rounds : [];
    this.#isStopped = false;
    this.#tell({ ...NOTHING, question });
    this.#keep();
    this.#send();
  }

  /** Known results are reported again. */
  stop(): void {
    this.#hold(true);
  }

  goOn(): void {
    this.#hold(false);
  }

  #hold(isStopped: boolean): void {
    this.#isStopped = isStopped;
    this.#send();
    this.#keep();
  }

  #tell(change: Partial<SearchState<Name>>): void {
    this.#state = { ...this.#state, ...change };
    for (const listener of this.#listeners) listener();
  }

  #send(): void {
    const { question } = this.#state;
    if (!question) return;
    const { project, pacer, asked } = question;
    this.#begunAt = performance.now();
    this.#played = 0;
    this.#tell({ isRunning: !this.#isStopped, pace: null });
    this.#desk.ask({ project, pacer, name: this.#name, asked, known: this.#rounds, goesOn: !this.#isStopped });
  }

  #interrupt(): void {
    if (!this.#state.isRunning) return;
    this.#desk.stop();
    this.#tell({ isRunning: false, pace: null });
  }

  #take({ found, rounds, isAll }: SearchAnswer<Name>, done: boolean): void {
    this.#rounds = [...this.#rounds, ...rounds];
    this.#played += trialsOf(rounds);
    const pace = this.#played / ((performance.now() - this.#begunAt) / 1000);
    this.#tell({ found, isAll, isRunning: !done, pace: pace > 0 ? pace : null });
    if (rounds.length > 0) this.#keep();
  }

  #keep(): void {
    const { question } = this.#state;
    if (!question) return;
    const { projectId, pacer, asked } = question;
    const kept: Kept<Name> = {
      ...{ projectId, key: this.#key, pacerId: pacer.id, asked },
      ...{ rounds: this.#rounds, isStopped: this.#isStopped },
    };
    const text = JSON.stringify(kept);
    if (text.length <= MOST_KEPT) keepText(this.#place(), text);
  }

  /** One question of each kind, whatever the project: the browser has room for little. */
  #place(): string {
    return `stadion-asked-${this.#name}`;
  }

  #kept(): Kept<Name> | null {
    try {
      return JSON.parse(keptText(this.#place())) as Kept<Name> | null;
    } catch {
      return null;
    }
  }

  #takeUp(projectId: string, again: (asked: TuningAsked[Name], pacerId: string) => Question<Name> | undefined): void {
    this.#rounds = [];
    this.#isStopped = false;
    this.#tell(NOTHING);
    const kept = this.#kept();
    if (kept?.projectId !== projectId) return;
    const question = again(kept.asked, kept.pacerId);
    // The project has changed since: what was found is of another one.
    if (!question || keyOf(question) !== kept.key) return;
    this.#key = kept.key;
    this.#rounds = kept.rounds;
    this.#isStopped = kept.isStopped;
    this.#tell({ question });
  }
}
