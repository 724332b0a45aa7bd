import { resolvingAt } from '../../play/attempt/index.ts';
import { positionOf, type Expectation, type Project } from '../../document/model/index.ts';
import { judgeFrames, readingDefinition, secondsToTicks, subjectOf } from '../../play/rules/index.ts';
import type { Interval } from '../../basics/stats/index.ts';
import { startingJudgeAt } from '../../forecast/trials/index.ts';

/** How an expectation stands. */
export interface ExpectationCheck {
  expectation: Expectation;
  /** Null while the forecast is not known. */
  met: boolean | null;
  /** The actual result, in words. */
  said: string;
}

const VERDICTS = { won: 'won', lost: 'lost', goesOn: 'it goes on' } as const;

const percent = (share: number): string => `${Math.round(share * 1000) / 10} %`;

/** A forecast as far as expectations look at it. */
export interface KnownForecast {
  clearRate: number;
  interval: Interval;
}

/** Hold the judge, or a forecast, to an expectation. @param forecast of the slot and pacer, where one is known */
export function checkExpectation(
  project: Project,
  expectation: Expectation,
  forecast: KnownForecast | undefined,
): ExpectationCheck {
  if (expectation.is === 'clearRate') {
    if (!forecast) return { expectation, met: null, said: 'waits for its forecast' };
    const { clearRate, interval } = forecast;
    // Judged on the estimate; the interval says how sure that is.
    const met = clearRate >= expectation.low && clearRate <= expectation.high;
    return { expectation, met, said: `${percent(clearRate)}, ${percent(interval.low)} to ${percent(interval.high)}` };
  }
  const position = positionOf(project, expectation.slotId);
  const level = project.levels[project.slots[position - 1]?.levelId ?? ''];
  if (!level) return { expectation, met: null, said: 'its slot is gone' };
  const { subjects } = resolvingAt(project, level, position);
  const frames = expectation.frames.map((frame) => ({
    set: frame.set.map(({ reading, value }) => ({
      reading: readingDefinition(reading),
      subject: subjectOf(reading, subjects),
      value,
    })),
    ticks: secondsToTicks(frame.seconds),
  }));
  if (frames.some(({ set }) => set.some(({ subject }) => subject < 0)))
    return { expectation, met: false, said: 'it names something that this level has no more' };
  const { verdict } = judgeFrames(startingJudgeAt(project, position), frames);
  return { expectation, met: verdict === expectation.verdict, said: VERDICTS[verdict] };
}
