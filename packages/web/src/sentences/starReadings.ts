import type { StarReading } from '@stadion/core/document/model';

/** Readings of a ladder of stars, in words, with the direction that is better. */
export const STAR_READINGS: Readonly<
  Record<StarReading, { label: string; unit: string; better: 'atLeast' | 'atMost'; step: number }>
> = {
  timeLeft: { label: 'time left', unit: 's', better: 'atLeast', step: 1 },
  timeElapsed: { label: 'time taken', unit: 's', better: 'atMost', step: 1 },
  score: { label: 'score', unit: '', better: 'atLeast', step: 5 },
  worth: { label: 'worth gathered', unit: '', better: 'atLeast', step: 1 },
  collected: { label: 'pieces gathered', unit: '', better: 'atLeast', step: 1 },
  lives: { label: 'lives left', unit: '', better: 'atLeast', step: 1 },
  health: { label: 'health left', unit: '', better: 'atLeast', step: 1 },
  tries: { label: 'tries', unit: '', better: 'atMost', step: 1 },
  rounds: { label: 'rounds', unit: '', better: 'atMost', step: 1 },
  fallen: { label: 'fallen of the party', unit: '', better: 'atMost', step: 1 },
};
