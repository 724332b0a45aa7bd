import {
  framesFor,
  framesOf,
  judgeFrames,
  longestHold,
  type CaseVerdict,
  type StartingJudge,
  type Frame,
} from './edgeCases.ts';
import { READINGS } from './readings.ts';
import { ticksToSeconds } from './ticks.ts';

/** A case at the edge of the clock, or at a star's threshold. */
export interface EndCase {
  /** In the unit of the reading; seconds on the clock. */
  value: number;
  place: 'below' | 'at' | 'above';
  /** Index of the star; -1 for the clock. */
  star: number;
  /** Is everything gathered that lies on the ground? */
  withEverything: boolean;
  frames: Frame[];
  outcome: CaseVerdict;
}

const STEPS = [
  ['below', -1],
  ['at', 0],
  ['above', 1],
] as const;

/** Sets what can be gathered to all that there is, kind by kind. */
function everything({ start }: StartingJudge, worthPlaced: readonly number[]): Frame['set'] {
  return start.left.flatMap((left, subject) => [
    { reading: READINGS.worth, subject, value: worthPlaced[subject] ?? 0 },
    { reading: READINGS.collected, subject, value: left },
    { reading: READINGS.left, subject, value: 0 },
  ]);
}

/** The verdict one tick before, at and one tick after the limit, with nothing done, and at it with everything gathered. */
export function clockCasesOf(starting: StartingJudge, worthPlaced: readonly number[]): EndCase[] {
  const { start } = starting;
  if (start.limitTicks < 0) return [];
  const at = (ticks: number) => ({ reading: READINGS.timeElapsed, subject: 0, value: ticksToSeconds(ticks) });
  const one = (place: EndCase['place'], ticks: number, all: boolean): EndCase => {
    const frames = framesOf([[...(all ? everything(starting, worthPlaced) : []), at(ticks)]], 1);
    return {
      value: ticksToSeconds(ticks),
      place,
      star: -1,
      withEverything: all,
      frames,
      outcome: judgeFrames(starting, frames),
    };
  };
  return [
    ...STEPS.map(([place, step]) => one(place, start.limitTicks + step, false)),
    one('at', start.limitTicks, true),
  ];
}

/** The stars earned just below, at and just above every threshold of a ladder, at the first way to win there is. */
export function starCasesOf(starting: StartingJudge): EndCase[] {
  const { judge, start, atExpiry } = starting;
  const { stars } = judge;
  const win = judge.rules.find((rule) => rule.ending === 'won');
  const byClock = !win && start.limitTicks >= 0 && atExpiry !== 'lost';
  if (stars.is !== 'ladder' || (!win && !byClock)) return [];
  const won = win ? framesFor(win.when, true) : [[{ reading: READINGS.timeLeft, subject: 0, value: 0 }]];
  const ticks = win ? longestHold(win.when) : 1;
  return stars.thresholds.flatMap((threshold, star) => {
    if (threshold === null) return [];
    return STEPS.map(([place, step]): EndCase => {
      const value = threshold + step * stars.reading.step;
      const set = { reading: stars.reading, subject: stars.subject, value };
      const frames = framesOf(
        won.map((frame) => [...frame, set]),
        ticks,
      );
      return { value, place, star, withEverything: false, frames, outcome: judgeFrames(starting, frames) };
    });
  });
}
