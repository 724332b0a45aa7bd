import type { Stream } from '../../../basics/random/index.ts';

/** Share of the steering error that stays from one decision to the next: it drifts over about a second. */
const KEPT = 0.9;
/** Keeps the drift's deviation at 1: sqrt(1 − 0.9²). */
const NEW = Math.sqrt(1 - KEPT * KEPT);

/** The steering error at the next decision, in deviations. One draw. @param before at the last decision */
export const nextDrift = (before: number, stream: Stream): number => before * KEPT + stream.nextBell() * NEW;
