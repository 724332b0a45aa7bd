import type { PatchOperation } from '../../basics/patch/index.ts';
import type { FindingClass } from './findingClass.ts';
import type { FactsByScope, Scope } from './scopes.ts';

/** A change that makes the finding go away. */
export interface Mend {
  /** Words of the button. @example 'Ask for 132' */
  label: string;
  patch: PatchOperation[];
}

/** Something wrong or doubtful, with its place. */
export interface Finding extends FindingClass {
  slotId: string;
  /** JSON pointer to what it concerns. */
  path: string;
  /** One plain sentence. */
  sentence: string;
  /** Why, with numbers. */
  reason: string;
  mend?: Mend;
  /** Another way to mend it. */
  orMend?: Mend;
  /** The attempts that it rests on, for a finding from attempts. */
  evidence?: Evidence;
}

/** Returns the mends of a finding, the first choice first. */
export const mendsOf = ({ mend, orMend }: Pick<Finding, 'mend' | 'orMend'>): Mend[] =>
  [mend, orMend].filter((each) => each !== undefined);

/** Attempts that a finding rests on. */
export interface Evidence {
  /** How many there are. */
  attempts: number;
  /** Id of the pacer that made them. */
  pacer: string;
  /** The number of one that shows it, from 0; absent where none does. */
  shows?: number;
}

/** A finding as a check returns it, without its class. */
export type Found = Omit<Finding, keyof FindingClass>;

/** Finds one class of findings. */
export interface Check<S extends Scope = Scope> extends FindingClass {
  scope: S;
  find(facts: FactsByScope[S]): Found[];
}

/** A number as people write it. */
export const say = (value: number): string => String(Math.round(value * 100) / 100);
