import type { Level, Project } from '../model/index.ts';
import type { Values } from '../ramps/index.ts';
import type { Names, Placed } from '../rules/index.ts';

/** The classes of findings, one per check. */
export type FindingCode = 'already-true' | 'target-beyond-placed' | 'star-unreachable';

export type Severity = 'stops play' | 'surely wrong' | 'doubtful';

/** One operation of RFC 6902, as far as mends need them. */
export interface MendOperation {
  op: 'replace';
  path: string;
  value: unknown;
}

/** A change that makes the finding go away. */
export interface Mend {
  /** What the button says. @example 'Ask for 132' */
  label: string;
  patch: MendOperation[];
}

/** Something wrong or doubtful, with its place. */
export interface Finding {
  code: FindingCode;
  severity: Severity;
  slotId: string;
  /** JSON pointer to what it concerns. */
  path: string;
  /** One plain sentence. */
  sentence: string;
  /** Why, with numbers. */
  reason: string;
  mend?: Mend;
}

/** What a check sees: one level at one slot. */
export interface Place {
  project: Project;
  level: Level;
  position: number;
  slotId: string;
  values: Values;
  placed: Placed;
  names: Names;
}

/** One class of findings. */
export interface Check {
  code: FindingCode;
  check(place: Place): Finding[];
}

/** A number as people write it. */
export const say = (value: number): string => String(Math.round(value * 100) / 100);
