import type { Project } from '../model/index.ts';
import { CHECKS } from './checks/index.ts';
import { findingClass } from './classes.ts';
import type { Check, Finding } from './finding.ts';
import { checkedOf, SUBJECTS, type Checked, type FactsByScope, type Scope, type Subject } from './scopes.ts';

/** What was found at one subject, for as long as nothing that its checks read has changed. */
interface Known {
  reads: readonly unknown[];
  findings: Finding[];
}

const isSame = (one: readonly unknown[], other: readonly unknown[]): boolean =>
  one.length === other.length && one.every((value, index) => Object.is(value, other[index]));

function findAt<S extends Scope>(checks: readonly Check<S>[], facts: FactsByScope[S]): Finding[] {
  return checks.flatMap(({ code, find }) =>
    find(facts).map((found) => ({ code, severity: findingClass(code).severity, ...found })),
  );
}

/** Everything found in one document after another: an edit runs again only the checks of what it concerns. */
export class FindingBook {
  readonly #checks: readonly Check[];
  #known = new Map<string, Known>();
  #before: Checked | undefined;

  constructor(checks: readonly Check[] = CHECKS) {
    this.#checks = checks;
  }

  /** The document looked at last, with its ramps worked out. */
  get checked(): Checked | undefined {
    return this.#before;
  }

  /** Everything found, in the order of the sequence; at one slot in the order of the checks. */
  of(project: Project): Finding[] {
    const checked = checkedOf(project, this.#before);
    const known = new Map<string, Known>();
    const found = (Object.keys(SUBJECTS) as Scope[]).flatMap((scope) => this.#ofScope(scope, checked, known));
    this.#known = known;
    this.#before = checked;
    const positions = new Map(project.slots.map(({ id }, index) => [id, index]));
    const order = (finding: Finding): number => positions.get(finding.slotId) ?? -1;
    return found.toSorted((a, b) => order(a) - order(b));
  }

  #ofScope<S extends Scope>(scope: S, checked: Checked, known: Map<string, Known>): Finding[] {
    const checks = this.#checks.filter((check): check is Check<S> => check.scope === scope);
    if (checks.length === 0) return [];
    const found: Finding[] = [];
    const subjects: Iterable<Subject<S>> = SUBJECTS[scope](checked);
    for (const { key, reads, facts } of subjects) {
      const name = `${scope} ${key}`;
      const before = this.#known.get(name);
      const entry = before && isSame(before.reads, reads) ? before : { reads, findings: findAt(checks, facts) };
      known.set(name, entry);
      found.push(...entry.findings);
    }
    return found;
  }
}

/** Everything found in a document by itself. */
export const findingsOf = (project: Project): Finding[] => new FindingBook().of(project);

/** Everything found at one position. @param position from 1; a position without a level has no findings */
export function findingsAt(project: Project, position: number): Finding[] {
  const slotId = project.slots[position - 1]?.id;
  return findingsOf(project).filter((finding) => finding.slotId === slotId);
}
