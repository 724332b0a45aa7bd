import { ticksToSeconds } from '../rules/index.ts';
import type { GameResult } from './game.ts';

/** Where at most so many losses are kept for the picture of the ground. */
const MOST_PLACES = 400;

/** What is kept of many attempts: plain data, so that batches can be added up from anywhere. */
export interface Tally {
  attempts: number;
  cleared: number;
  /** Was it won, by attempt in their order. */
  wins: boolean[];
  /** Of the cleared ones, in seconds, or in turns. */
  times: number[];
  /** What the ladder of stars stands on. */
  starReadings: number[];
  /** By number of stars, 0 to 5. */
  stars: number[];
  /** By ending: `rule/lifeRule`, indices as in GameResult. */
  endings: Record<string, number>;
  /** x, y, x, y … of losses, units. */
  lostAt: number[];
}

export const emptyTally = (): Tally => ({
  attempts: 0,
  cleared: 0,
  wins: [],
  times: [],
  starReadings: [],
  stars: [0, 0, 0, 0, 0, 0],
  endings: {},
  lostAt: [],
});

/** Two digits after the point are what is shown and stored. */
const hundredths = (value: number): number => Math.round(value * 100) / 100;

/** Add one attempt to a tally, in place. */
export function addResult(tally: Tally, result: GameResult): void {
  tally.attempts++;
  tally.wins.push(result.won);
  if (result.won) {
    tally.cleared++;
    tally.times.push(hundredths(result.unit === 'ticks' ? ticksToSeconds(result.length) : result.length));
    if (Number.isFinite(result.starReading)) tally.starReadings.push(hundredths(result.starReading));
    tally.stars[result.stars] = (tally.stars[result.stars] ?? 0) + 1;
    return;
  }
  const key = `${result.endingRule}/${result.lifeRule}`;
  tally.endings[key] = (tally.endings[key] ?? 0) + 1;
  const { place } = result;
  if (place && tally.lostAt.length < MOST_PLACES * 2) tally.lostAt.push(hundredths(place.x), hundredths(place.y));
}

/** Add a batch played elsewhere to a tally, in place: the attempts that come next after those there are. */
export function addTally(tally: Tally, batch: Tally): void {
  tally.attempts += batch.attempts;
  tally.cleared += batch.cleared;
  tally.wins.push(...batch.wins);
  tally.times.push(...batch.times);
  tally.starReadings.push(...batch.starReadings);
  batch.stars.forEach((count, stars) => (tally.stars[stars] = (tally.stars[stars] ?? 0) + count));
  for (const [key, count] of Object.entries(batch.endings)) tally.endings[key] = (tally.endings[key] ?? 0) + count;
  tally.lostAt.push(...batch.lostAt.slice(0, Math.max(0, MOST_PLACES * 2 - tally.lostAt.length)));
}
