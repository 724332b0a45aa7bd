import type { PatchOperation } from '../../basics/patch/index.ts';

/** Something that differs between two states of a project. */
export interface Change {
  /** Unique in a list of changes. */
  id: string;
  about: 'parameter' | 'level' | 'sequence' | 'project';
  /** The changed thing. @example 'Hornet speed' */
  title: string;
  /** How it differs, in words: from the earlier state to the later one. */
  words: string[];
  /** Positions, in the later state, at which values differ. */
  positions: number[];
  /** Operations that take the later state back to the earlier one here; absent where it cannot be taken back by itself. */
  restore?: PatchOperation[];
}
