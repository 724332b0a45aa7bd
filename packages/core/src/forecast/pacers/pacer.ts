import type { Abilities } from '../../basics/abilities/index.ts';
import type { Pacer } from '../../document/model/index.ts';

/** The fields of a pacer that decide how its players play. */
export type Population = Pick<Pacer, 'abilities' | 'spread'>;

/** A player without faults: what it cannot clear cannot be cleared. */
export const PERFECT: Abilities = {
  reactionMs: 0,
  aimErrorDegrees: 0,
  cautionUnits: 1.5,
  foresightSeconds: 1,
  lapsesPerMinute: 0,
  planning: 1,
};

/** Players without faults, beside the pacers of every project. No entry of a document can have its id. */
export const PERFECT_PACER: Pacer = { id: '~perfect', name: 'Without mistakes', abilities: PERFECT, spread: 0 };

/** Everybody who can be asked to play a project: its own pacers, then players without mistakes. */
export const everyPacer = ({ pacers }: { pacers: readonly Pacer[] }): Pacer[] => [...pacers, PERFECT_PACER];
