import { ticksToSeconds } from '../../play/rules/index.ts';
import type { GameResult } from './game.ts';

/** Number of attempts, the first ones, whose records are kept for playthroughs. */
export const MOST_RECORDS = 400;

/** The record of one attempt: all that the ledger of a playthrough needs. */
export interface AttemptRecord {
  won: boolean;
  stars: number;

  seconds: number;
  score: number;
  collected: number;
  livesLost: number;
  /** As in GameResult. */
  endingRule: number;
  lifeRule: number;
  /** The reading of the star ladder at the win; null without a ladder or a win. */
  starReading: number | null;
  /** Own tallies, by index. */
  tallies: readonly number[];
}

/** The same as numbers, in the order above: many of them are stored and sent. */
export type AttemptRow = readonly number[];

const tenths = (value: number): number => Math.round(value * 10) / 10;

export const recordOf = (result: GameResult): AttemptRecord => ({
  won: result.won,
  stars: result.stars,
  seconds: tenths(ticksToSeconds(result.length)),
  score: result.score,
  collected: result.collected,
  livesLost: result.livesLost,
  endingRule: result.endingRule,
  lifeRule: result.lifeRule,
  starReading: result.won && Number.isFinite(result.starReading) ? result.starReading : null,
  tallies: result.tallies,
});

export const toRow = (booked: AttemptRecord): AttemptRow => {
  const { won, stars, seconds, score, collected, livesLost, endingRule, lifeRule, starReading, tallies } = booked;
  return [
    ...[won ? 1 : 0, stars, seconds, tenths(score), collected, livesLost, endingRule, lifeRule],
    // Readings that stars stand on are never below 0.
    starReading === null ? -1 : tenths(starReading),
    ...tallies,
  ];
};

export function fromRow(row: AttemptRow): AttemptRecord {
  const [won, stars, seconds, score, collected, livesLost, endingRule, lifeRule, reading, ...tallies] =
    row as number[] & [number, number, number, number, number, number, number, number, number];
  const starReading = reading < 0 ? null : reading;
  return { won: won === 1, stars, seconds, score, collected, livesLost, endingRule, lifeRule, starReading, tallies };
}
