import type { Project } from '../../document/model/index.ts';
import { CHECKS } from './checks/index.ts';
import { classOf } from './findingClass.ts';
import type { Check, Finding } from './finding.ts';
import { checkedOf, SUBJECTS, type Checked, type FactsByScope, type Scope, type Subjects } from './scopes.ts';

/** The findings of one subject, valid until something changes that its checks read. */
interface Known {
  shared: readonly unknown[];
  of: readonly unknown[];
  reads: readonly unknown[];
  findings: Finding[];
}

const isSame = (one: readonly unknown[], other: readonly unknown[]): boolean =>
  one.length === other.length && one.every((value, index) => Object.is(value, other[index]));

const nameOf = (scope: Scope, key: string | undefined): string => `${scope} ${key}`;

function findAt<S extends Scope>(checks: readonly Check<S>[], facts: FactsByScope[S]): Finding[] {
  return checks.flatMap((check) => check.find(facts).map((found) => ({ ...classOf(check), ...found })));
}

/** Scopes whose checks play: each subject takes as long as all others of it together. */
const PLAYED = ['tried'] as const satisfies Scope[];
const READ_OFF = (Object.keys(SUBJECTS) as Scope[]).filter((scope) => !(PLAYED as readonly Scope[]).includes(scope));

/** A subject to be looked at again. */
interface Due {
  name: string;
  look: () => Known;
}

/** Everything found in one document after another: an edit runs again only the checks of what it concerns. */
export class FindingBook {
  readonly #checks: readonly Check[];
  /** Place of each class among the checks. */
  readonly #places: ReadonlyMap<string, number>;
  #known = new Map<string, Known>();
  /** Facts that all subjects of a scope share. */
  #shared = new Map<Scope, readonly unknown[]>();
  #due: Due[] = [];
  #before: Checked | undefined;

  constructor(checks: readonly Check[] = CHECKS) {
    this.#checks = checks;
    this.#places = new Map(checks.map(({ code }, index) => [code, index]));
  }

  /** The document looked at last, with its ramps worked out. */
  get checked(): Checked | undefined {
    return this.#before;
  }

  /** Everything found, in the order of the sequence; at one slot in the order of the checks. */
  of(project: Project): Finding[] {
    this.begin(project);
    while (this.goOn());
    return this.findings();
  }

  /** Looks at all that is read off a document. What has to be played is left for `goOn`. @param first id of the slot that comes first there */
  begin(project: Project, first?: string): void {
    const checked = checkedOf(project, this.#before);
    const known = new Map<string, Known>();
    for (const scope of READ_OFF)
      for (const { name, look } of this.#changed(scope, checked, known)) known.set(name, look());
    this.#due = PLAYED.flatMap((scope) => [...this.#changed(scope, checked, known)]);
    const isFirst = ({ name }: Due): number => (PLAYED.some((scope) => name === nameOf(scope, first)) ? 0 : 1);
    this.#due.sort((one, other) => isFirst(one) - isFirst(other));
    this.#known = known;
    this.#before = checked;
  }

  /** Plays at one slot what has to be played there. Until then what was found there before stands. @returns false once there is nothing left to play */
  goOn(): boolean {
    const next = this.#due.shift();
    if (next) this.#known.set(next.name, next.look());
    return this.#due.length > 0;
  }

  /** Returns the findings until now, in sequence order. */
  findings(): Finding[] {
    const found = [...this.#known.values()].flatMap(({ findings }) => findings);
    if (!this.#before) return found;
    const positions = new Map(this.#before.project.slots.map(({ id }, index) => [id, index]));
    const order = (finding: Finding): number => positions.get(finding.slotId) ?? -1;
    const place = ({ code }: Finding): number => this.#places.get(code) ?? 0;
    return found.toSorted((a, b) => order(a) - order(b) || place(a) - place(b));
  }

  /** Keeps valid findings and returns the subjects of a scope that must be checked again; their earlier findings stay until then. */
  *#changed<S extends Scope>(scope: S, checked: Checked, known: Map<string, Known>): Iterable<Due> {
    const checks = this.#checks.filter((check): check is Check<S> => check.scope === scope);
    if (checks.length === 0) return;
    const { shared: now, all }: Subjects<S> = SUBJECTS[scope](checked);
    const earlier = this.#shared.get(scope);
    const shared = earlier && isSame(earlier, now) ? earlier : now;
    this.#shared.set(scope, shared);
    for (const subject of all) {
      const { of } = subject;
      const name = nameOf(scope, subject.key);
      const before = this.#known.get(name);
      if (before) known.set(name, before);
      const isBefore = before?.shared === shared;
      if (isBefore && isSame(before.of, of)) continue;
      const reads = subject.reads();
      if (isBefore && isSame(before.reads, reads)) known.set(name, { ...before, of });
      else yield { name, look: () => ({ shared, of, reads, findings: findAt(checks, subject.facts()) }) };
    }
  }
}

/** Everything found in a document by itself. */
export const findingsOf = (project: Project): Finding[] => new FindingBook().of(project);

/** Everything found at one position. @param position from 1; a position without a level has no findings */
export function findingsAt(project: Project, position: number): Finding[] {
  const slotId = project.slots[position - 1]?.id;
  return findingsOf(project).filter((finding) => finding.slotId === slotId);
}
