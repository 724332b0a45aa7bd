import type { Project } from '../../document/model/index.ts';
import type { Population } from '../pacers/index.ts';
import { mix } from '../../basics/random/index.ts';
import { resolveLevel, type ResolvedLevel } from './resolveLevel.ts';
import type { LevelRunner } from './levelRunner.ts';
import type { Precision } from './precision.ts';
import { addResult, type Tally } from './tally.ts';

/** Everything a forecast depends on. Its text is the forecast's key: the same question is never computed twice. */
export interface TrialQuestion {
  /** Rises whenever the rules of play or the pacers change, so that old answers are not taken for new ones. */
  engine: number;
  level: ResolvedLevel;
  population: Population;
  precision: Precision;
}

/** Version of the rules of play and of the pacers; stored answers of other versions are not used. */
export const ENGINE = 12;

/** @param position from 1 */
export function trialQuestion(
  project: Project,
  position: number,
  { abilities, spread }: Population,
  precision: Precision,
): TrialQuestion {
  const level = resolveLevel(project, position);
  const population = { abilities, spread };
  // Simulated players ignore the warning of the clock, so it is left out of the question.
  return { engine: ENGINE, level: { ...level, judging: { ...level.judging, warnAtTicks: 0 } }, population, precision };
}

/** The seed of an attempt by its number: the same before and after an edit, so that both face the same luck. */
export const seedOf = (attempt: number): number => mix(0x60d, attempt);

/** Play a batch of attempts and add them to a tally. @param first number of its first attempt */
export function playBatch(game: LevelRunner, population: Population, first: number, count: number, tally: Tally): void {
  for (let i = 0; i < count; i++) addResult(tally, game.play(population, seedOf(first + i)));
}
