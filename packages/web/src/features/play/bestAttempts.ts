import type { AttemptState, Recording } from '@stadion/core/play/attempt';
import { mix } from '@stadion/core/basics/random';
import { READINGS } from '@stadion/core/play/rules';
import { keepText, keptText } from '../../store/browserKeeps.ts';

/** An attempt that a person has played to its end, with what ranks it. */
export interface BestAttempt {
  recording: Recording;
  won: boolean;
  stars: number;
  score: number;
  sectionsPassed: number;
  ticks: number;
  /** When it was played, ISO 8601. */
  at: string;
  /** The level as it was then: on another one the inputs would give another attempt. */
  level: number;
}

/** Number of attempts kept for each level. */
const MOST = 10;

const keyOf = (projectId: string, levelId: string): string => `stadion-best-${projectId}-${levelId}`;

/** A number by which a level is known again. @param prepared the level made ready, as text */
export function levelMark(prepared: string): number {
  let hash = 0x57ad;
  for (let i = 0; i < prepared.length; i++) hash = mix(hash, prepared.charCodeAt(i));
  return hash;
}

/** The better first: won, stars, score, sections passed; then the sooner won, or the longer lasted. */
export function better(one: BestAttempt, other: BestAttempt): number {
  return (
    Number(other.won) - Number(one.won) ||
    other.stars - one.stars ||
    other.score - one.score ||
    other.sectionsPassed - one.sectionsPassed ||
    (one.won ? one.ticks - other.ticks : other.ticks - one.ticks)
  );
}

/** Attempts at a level that this browser keeps, the best first. */
export function bestAttempts(projectId: string, levelId: string): BestAttempt[] {
  try {
    const kept: unknown = JSON.parse(keptText(keyOf(projectId, levelId)) || '[]');
    return Array.isArray(kept) ? (kept as BestAttempt[]) : [];
  } catch {
    return [];
  }
}

/** An ended attempt with what ranks it. */
export function attemptOf(state: AttemptState, recording: Recording, level: number): BestAttempt {
  const { observed, verdicts, phase, tick } = state;
  return {
    recording: { ...recording, runs: [...recording.runs] },
    won: phase === 'won',
    stars: verdicts.stars,
    score: READINGS.score.read(observed, 0),
    sectionsPassed: observed.sectionsPassed,
    ticks: tick,
    at: new Date().toISOString(),
    level,
  };
}

/** Keeps an attempt among the best. Returns them; null where the browser keeps nothing. */
export function keepAttempt(projectId: string, levelId: string, attempt: BestAttempt): BestAttempt[] | null {
  const best = [...bestAttempts(projectId, levelId), attempt].toSorted(better).slice(0, MOST);
  return keepText(keyOf(projectId, levelId), JSON.stringify(best)) ? best : null;
}
