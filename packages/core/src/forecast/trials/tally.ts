import { recordOf, MOST_RECORDS, toRow, type AttemptRow } from './attemptRecord.ts';
import { ticksToSeconds } from '../../play/rules/index.ts';
import type { GameResult } from './game.ts';

/** Limit of the places of losses that are kept for the picture of the ground. */
const MOST_PLACES = 400;

/** The sums of many attempts: plain data, so that batches from anywhere can be added. */
export interface Tally {
  attempts: number;
  cleared: number;
  /** Was it won, by attempt in their order. */
  wins: boolean[];
  /** Times of cleared attempts, in seconds. */
  times: number[];
  /** Numbers of rounds of cleared attempts, for bouts. */
  rounds?: number[];
  /** Readings of the star ladder in cleared attempts. */
  starReadings: number[];
  /** Number of cleared attempts by stars, 0 to 5. */
  stars: number[];
  /** Number of lost attempts by ending: `rule/lifeRule`, indices as in GameResult. */
  endings: Record<string, number>;
  /** x, y, x, y … of losses, units. */
  lostAt: number[];
  /** Number of attempts in which each rule in force has fired. */
  fired?: number[];
  /** Number of attempts in which each piece was gathered, in the order of the ground. */
  gathered?: number[];
  /** Records of the first attempts, in their order, for playthroughs. */
  booked?: AttemptRow[];
  /** Results by section, on a ground of sections that repeat. */
  parts?: PartCount[];
}

/** Results of one section of a ground. */
export interface PartCount {
  /** How often players came to it. */
  entered: number;
  /** How often an attempt was lost on it. */
  lost: number;
  /** x, y, x, y … of losses on it, units from its left upper corner. */
  lostAt: number[];
}

/** Adds the results of sections, in place. */
function addParts(tally: Tally, parts: readonly PartCount[]): void {
  tally.parts ??= [];
  const all = tally.parts;
  parts.forEach(({ entered, lost, lostAt }, index) => {
    const part = (all[index] ??= { entered: 0, lost: 0, lostAt: [] });
    part.entered += entered;
    part.lost += lost;
    part.lostAt.push(...lostAt.slice(0, Math.max(0, MOST_PLACES - part.lostAt.length)));
  });
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

/** Adds up in how many attempts each rule has fired, or each piece was gathered, in place. @param counts attempts by rule, or by piece */
function addCounts(tally: Tally, of: 'fired' | 'gathered', counts: readonly number[] | undefined): void {
  if (!counts) return;
  const all = (tally[of] ??= []);
  counts.forEach((count, index) => (all[index] = (all[index] ?? 0) + count));
}

/** Two digits after the point are what is shown and stored. */
const hundredths = (value: number): number => Math.round(value * 100) / 100;

/** Add one attempt to a tally, in place. */
export function addResult(tally: Tally, result: GameResult): void {
  tally.attempts++;
  const { place, parts } = result;
  const endedIn = parts?.endedIn ?? -1;
  if (parts) {
    const isLost = (index: number): boolean => !result.won && index === endedIn;
    addParts(
      tally,
      parts.entered.map((entered, index) => ({
        entered,
        lost: isLost(index) ? 1 : 0,
        lostAt: place && isLost(index) ? [hundredths(place.x), hundredths(place.y)] : [],
      })),
    );
  }
  addCounts(
    tally,
    'fired',
    result.fired?.map((count) => (count > 0 ? 1 : 0)),
  );
  addCounts(
    tally,
    'gathered',
    result.gathered?.map((was) => (was ? 1 : 0)),
  );
  tally.booked ??= [];
  if (tally.booked.length < MOST_RECORDS) tally.booked.push(toRow(recordOf(result)));
  tally.wins.push(result.won);
  if (result.won) {
    tally.cleared++;
    tally.times.push(hundredths(ticksToSeconds(result.length)));
    if (result.rounds !== undefined) (tally.rounds ??= []).push(result.rounds);
    if (Number.isFinite(result.starReading)) tally.starReadings.push(hundredths(result.starReading));
    tally.stars[result.stars] = (tally.stars[result.stars] ?? 0) + 1;
    return;
  }
  const key = `${result.endingRule}/${result.lifeRule}`;
  tally.endings[key] = (tally.endings[key] ?? 0) + 1;
  if (place && endedIn < 0 && tally.lostAt.length < MOST_PLACES * 2)
    tally.lostAt.push(hundredths(place.x), hundredths(place.y));
}

/** Add a batch played elsewhere to a tally, in place: the attempts that come next after those there are. */
export function addTally(tally: Tally, batch: Tally): void {
  tally.attempts += batch.attempts;
  if (batch.parts) addParts(tally, batch.parts);
  addCounts(tally, 'fired', batch.fired);
  addCounts(tally, 'gathered', batch.gathered);
  if (batch.booked) {
    // Tallies from before records were kept are not filled up with later records.
    const isWhole = (tally.booked?.length ?? 0) === Math.min(MOST_RECORDS, tally.attempts - batch.attempts);
    if (isWhole) tally.booked = [...(tally.booked ?? []), ...batch.booked].slice(0, MOST_RECORDS);
  }
  tally.cleared += batch.cleared;
  tally.wins.push(...batch.wins);
  tally.times.push(...batch.times);
  if (batch.rounds) (tally.rounds ??= []).push(...batch.rounds);
  tally.starReadings.push(...batch.starReadings);
  batch.stars.forEach((count, stars) => (tally.stars[stars] = (tally.stars[stars] ?? 0) + count));
  for (const [key, count] of Object.entries(batch.endings)) tally.endings[key] = (tally.endings[key] ?? 0) + count;
  tally.lostAt.push(...batch.lostAt.slice(0, Math.max(0, MOST_PLACES * 2 - tally.lostAt.length)));
}
