import { unpackWins, type Crowd, type Forecast } from '../../../forecast/trials/index.ts';
import type { Pacer } from '../../../document/model/index.ts';
import type { FindingClass } from '../findingClass.ts';
import type { Evidence, Found } from '../finding.ts';
import type { SlotFacts } from '../scopes.ts';

/** Nothing is said of a level by fewer attempts than these. */
export const LEAST_ATTEMPTS = 200;

/** Forecast fields that findings use. */
export type AttemptsSeen = Pick<
  Forecast,
  'attempts' | 'clearRate' | 'interval' | 'wins' | 'medianSeconds' | 'stars'
> & {
  endings?: Forecast['endings'] | undefined;
  fired?: readonly number[] | undefined;
  neverGathered?: readonly number[] | undefined;
  crowd?: Crowd | null | undefined;
};

/** The results of attempts at one slot by one pacer. */
export interface AttemptFacts {
  here: SlotFacts;
  pacer: Pacer;
  forecast: AttemptsSeen;
  /** The same pacer at the slot before, where that is known. */
  before: AttemptsSeen | undefined;
  /** All that is known of the same pacer, by slot. */
  known: ReadonlyMap<string, AttemptsSeen> | undefined;
  /** Is it the pacer that is looked at, the slowest one, the quickest one; players without mistakes? */
  isMiddle: boolean;
  isWeakest: boolean;
  isStrongest: boolean;
  isPerfect: boolean;
}

/** Finds one class of findings that rest on attempts. */
export interface EvidenceCheck extends FindingClass {
  find(facts: AttemptFacts): Found[];
}

/** @param won should the attempt that shows it be a won one? */
export function evidenceOf(facts: AttemptFacts, won: boolean): Evidence {
  const { wins, attempts } = facts.forecast;
  const shows = wins === undefined ? -1 : unpackWins(wins, attempts).indexOf(won);
  return { ...restsOn(facts), ...(shows < 0 ? {} : { shows }) };
}

/** Evidence of what no single attempt shows. */
export const restsOn = ({ forecast, pacer }: AttemptFacts): Evidence => ({
  attempts: forecast.attempts,
  pacer: pacer.id,
});

export const percent = (share: number): string => `${Math.round(share * 100)} %`;
export const lossesOf = ({ endings = [] }: AttemptsSeen): number => endings.reduce((sum, { count }) => sum + count, 0);
