import type { Observed } from './observed.ts';
import type { ResolvedEffect } from './resolved.ts';

/** Effects on what is counted, not on what lies on a ground. */
export type Counting = Extract<ResolvedEffect, { effect: 'score' | 'tally' | 'heal' | 'hurt' }>;

/** Carries out an effect on what is counted. @param mostHealth health at most @returns false where there is no such tally */
export function count(observed: Observed, effect: Counting, mostHealth: number): boolean {
  switch (effect.effect) {
    case 'score':
      observed.bonus += effect.add;
      return true;
    case 'tally': {
      const now = observed.tallies[effect.tally];
      if (now === undefined) return false;
      observed.tallies[effect.tally] = now + effect.add;
      return true;
    }
    case 'heal':
      observed.health = Math.max(0, Math.min(mostHealth, observed.health + effect.by));
      return true;
    case 'hurt':
      observed.health = Math.max(0, observed.health - effect.by);
      return true;
  }
}

/** Takes lives. @returns false where none is left to be taken */
export function takeLives(observed: Observed, lives: number): boolean {
  if (observed.lives === 0) return false;
  observed.lives = Math.max(0, observed.lives - lives);
  return true;
}
