/** One operation of RFC 6902, as far as restoring needs them. */
export type ChangeOperation = { op: 'replace' | 'add'; path: string; value: unknown } | { op: 'remove'; path: string };

/** Something that differs between two states of a project. */
export interface Change {
  /** Unique in a list of changes. */
  id: string;
  about: 'parameter' | 'level' | 'sequence' | 'project';
  /** What it concerns. @example 'Hornet speed' */
  title: string;
  /** How it differs, in words: from the earlier state to the later one. */
  words: string[];
  /** Positions, in the later state, at which values differ. */
  positions: number[];
  /** What takes the later state back to the earlier one in this; absent where it cannot be taken back by itself. */
  restore?: ChangeOperation[];
}
