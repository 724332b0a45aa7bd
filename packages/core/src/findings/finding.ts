import type { PatchOperation } from '../patch/index.ts';
import type { FactsByScope, Scope } from './scopes.ts';

export type Severity = 'stops play' | 'surely wrong' | 'doubtful';

/** Every class of findings with its usual severity. Some have no check yet; files and addresses can name them all. */
export const FINDING_CLASSES = {
  'already-true': 'stops play',
  'target-beyond-placed': 'stops play',
  'exact-jumped-over': 'surely wrong',
  'never-reachable': 'surely wrong',
  'no-way-to-win': 'stops play',
  'no-way-to-lose': 'doubtful',
  'no-ending': 'stops play',
  'endings-can-tie': 'doubtful',
  'clock-never-starts': 'surely wrong',
  'star-out-of-order': 'surely wrong',
  'star-unreachable': 'surely wrong',
  'star-given-to-all': 'doubtful',
  'bound-at-edge': 'doubtful',
  'ramp-leaves-sane-range': 'surely wrong',
  'ramp-crosses-zero': 'doubtful',
  'ramp-jumps': 'doubtful',
  'ramp-never-reaches-cap': 'doubtful',
  'ramp-flat': 'doubtful',
  'identical-neighbours': 'doubtful',
  'formula-error': 'surely wrong',
  'formula-cycle': 'surely wrong',
  'dangling-reference': 'stops play',
  unused: 'doubtful',
  'latch-or-gate-alone': 'surely wrong',
  'gate-locks-only-way': 'stops play',
  'spawn-near-start': 'doubtful',
  'tight-gap': 'doubtful',
  'start-in-danger': 'stops play',
  'goal-unreachable': 'stops play',
  'hazards-after-ending': 'doubtful',
  'next-leads-to-itself': 'doubtful',
  'end-never-reached': 'doubtful',
  'tally-never-reset': 'doubtful',
  'duplicated-literal': 'doubtful',
  'star-gate-beyond-earnable': 'stops play',
  'forecast-older-than-edit': 'doubtful',
  'override-left-on': 'doubtful',
  'expectation-not-met': 'surely wrong',
} as const satisfies Record<string, Severity>;

/** The classes of findings, one per check. */
export type FindingCode = keyof typeof FINDING_CLASSES;

/** A change that makes the finding go away. */
export interface Mend {
  /** What the button says. @example 'Ask for 132' */
  label: string;
  patch: PatchOperation[];
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

/** A finding as a check tells it: how severe it is stands in the table of classes. */
export type Found = Omit<Finding, 'code' | 'severity'>;

/** One class of findings. */
export interface Check<S extends Scope = Scope> {
  code: FindingCode;
  scope: S;
  find(facts: FactsByScope[S]): Found[];
}

/** A number as people write it. */
export const say = (value: number): string => String(Math.round(value * 100) / 100);
