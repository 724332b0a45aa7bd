import {
  boutTrials,
  LEVEL_SHARES,
  levelWinning,
  MOST_LEVEL,
  prepareBout,
  type BoutForecast,
  type Meeting,
} from '@stadion/core/play/bouts';
import type { Bouts, Pacer } from '@stadion/core/document/model';
import { drawPlayer } from '@stadion/core/forecast/pacers';
import type { Job, Work } from '../answering.ts';

/** A meeting, and the pacers who play it. */
export interface BoutQuestion {
  bouts: Bouts;
  meeting: Meeting;
  pacers: readonly Pacer[];
}

/** The results of a meeting for one pacer. */
export interface BoutOfPacer {
  pacer: string;
  forecast: BoutForecast;
  /** Share of bouts won by the first members of the party, by their number from 1; null until it is known. */
  bySize: (number | null)[];
  /** The level of the whole party from which each of `LEVEL_SHARES` is won: null where none does, undefined until it is known. */
  levels: (number | null | undefined)[];
}

export interface BoutAnswer {
  pacers: BoutOfPacer[];
}

const BOUTS = 2000;
const AT_ONCE = 200;
const BY_SIZE = 600;

function begin({ bouts, meeting, pacers }: BoutQuestion): Work<BoutAnswer> {
  const { party } = meeting;
  const whole = prepareBout(bouts, meeting);
  const atLevel = (level: number) =>
    prepareBout(bouts, { ...meeting, party: party.map(({ fighter }) => ({ fighter, level })) });
  const of = pacers.map((pacer) => {
    const who = (seed: number) => drawPlayer(pacer, seed);
    const known: Pick<BoutOfPacer, 'bySize' | 'levels'> = {
      bySize: party.map(() => null),
      levels: LEVEL_SHARES.map(() => undefined),
    };
    return { pacer: pacer.id, who, trials: boutTrials(whole, who), known };
  });
  const work: (() => void)[] = [];
  for (let played = 0; played < BOUTS; played += AT_ONCE)
    for (const { trials } of of) work.push(() => trials.play(AT_ONCE));
  for (const { who, known } of of)
    party.forEach((_, size) =>
      work.push(() => {
        const trials = boutTrials(prepareBout(bouts, { ...meeting, party: party.slice(0, size + 1) }), who);
        trials.play(BY_SIZE);
        known.bySize[size] = trials.read().won.share;
      }),
    );
  for (const { who, known } of of)
    LEVEL_SHARES.forEach((share, index) =>
      work.push(() => (known.levels[index] = levelWinning(atLevel, who, share, MOST_LEVEL))),
    );
  let next = 0;
  return {
    step() {
      work[next++]?.();
      return next < work.length;
    },
    read: () => ({
      pacers: of.map(({ pacer, trials, known }) => ({
        ...{ pacer, forecast: trials.read() },
        bySize: [...known.bySize],
        levels: [...known.levels],
      })),
    }),
  };
}

/** Results of a meeting, by pacer. */
export const bout: Job<BoutQuestion, BoutAnswer> = { everyMs: 150, begin };
