import { quantile, wilson, type Interval } from '../../basics/stats/index.ts';
import type { AttemptRow } from './attemptRecord.ts';
import type { PartCount, Tally } from './tally.ts';
import { packWins } from './packedWins.ts';

/** How many attempts ended one way. Indices as in GameResult. */
export interface EndingCount {
  rule: number;
  lifeRule: number;
  count: number;
}

/** The prediction of trials for a level at a slot, with its uncertainty. */
export interface Forecast {
  attempts: number;
  clearRate: number;
  interval: Interval;
  /** Which attempts were won, as `packWins` has it; forecasts stored long ago lack it. */
  wins?: string;
  /** Tries to clear for a player who keeps trying without learning: 1 / clear rate; null when none cleared. */
  triesToClear: number | null;
  medianSeconds: number | null;
  /** Median number of rounds of cleared attempts, for bouts. */
  medianRounds?: number;
  /** Readings of the star ladder in cleared attempts, ascending; empty without a ladder, or for time left without a limit. */
  starReadings: number[];
  /** Attempts by number of stars earned, 0 to 5; losses are not among them. */
  stars: number[];
  /** Endings of lost attempts, most frequent first. */
  endings: EndingCount[];
  /** x, y, x, y … */
  lostAt: number[];
  /** Number of attempts in which each rule in force has fired; old stored forecasts lack it. */
  fired?: number[];
  /** Pieces to gather that no attempt gathered, by their places among those of the ground; stored long ago they lack. */
  neverGathered?: number[];
  /** Records of the first attempts, in their order, for playthroughs; old stored forecasts lack them. */
  booked?: AttemptRow[];
  /** Results of each section, on a ground of sections that repeat. */
  parts?: PartCount[];
}

const ascending = (values: readonly number[]): number[] => values.toSorted((a, b) => a - b);

/** Read a tally as a forecast. */
export function forecastOf(tally: Tally): Forecast {
  const clearRate = tally.attempts === 0 ? 0 : tally.cleared / tally.attempts;
  const median = quantile(ascending(tally.times), 0.5);
  return {
    attempts: tally.attempts,
    clearRate,
    interval: wilson(tally.cleared, tally.attempts),
    wins: packWins(tally.wins),
    triesToClear: tally.cleared === 0 ? null : tally.attempts / tally.cleared,
    medianSeconds: Number.isNaN(median) ? null : median,
    ...(tally.rounds ? { medianRounds: quantile(ascending(tally.rounds), 0.5) } : {}),
    starReadings: ascending(tally.starReadings),
    stars: tally.stars,
    endings: Object.entries(tally.endings)
      .map(([key, count]) => {
        const [rule, lifeRule] = key.split('/').map(Number) as [number, number];
        return { rule, lifeRule, count };
      })
      .toSorted((a, b) => b.count - a.count),
    lostAt: tally.lostAt,
    ...(tally.fired ? { fired: tally.fired } : {}),
    ...(tally.gathered
      ? { neverGathered: tally.gathered.flatMap((count, index) => (count === 0 ? [index] : [])) }
      : {}),
    ...(tally.booked ? { booked: tally.booked } : {}),
    ...(tally.parts ? { parts: tally.parts } : {}),
  };
}

/** A spot is so wide. Units. */
const SPOT = 2;

/** Where most losses lie, on one spot of two by two units. */
export interface Crowd {
  /** Its middle, units. */
  x: number;
  y: number;
  /** Losses on it, and in all. */
  count: number;
  of: number;
}

/** The spot on which most losses lie; null where nothing was lost. */
export function crowdOf({ lostAt }: Pick<Forecast, 'lostAt'>): Crowd | null {
  const of = lostAt.length / 2;
  const spots = new Map<string, Crowd>();
  for (let i = 0; i < lostAt.length; i += 2) {
    const x = (Math.floor((lostAt[i] as number) / SPOT) + 0.5) * SPOT;
    const y = (Math.floor((lostAt[i + 1] as number) / SPOT) + 0.5) * SPOT;
    const spot = spots.get(`${x} ${y}`) ?? { x, y, count: 0, of };
    spot.count++;
    spots.set(`${x} ${y}`, spot);
  }
  return [...spots.values()].toSorted((one, other) => other.count - one.count)[0] ?? null;
}
