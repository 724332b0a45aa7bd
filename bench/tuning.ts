import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import {
  DEFAULT_PRECISION,
  emptyTally,
  forecastOf,
  MOST_RECORDS,
  playBatch,
  levelRunner,
  playthroughsOf,
  trialQuestion,
} from '@stadion/core/forecast/trials';
import { answered, batchPlayer, bringThere, fitRamps, parameterLine } from '@stadion/core/forecast/tuning';

/** Time of questions about the whole sequence, and of searches, on one core. */
export function speedOfTuning(say: (what: string, value: string, bar?: string) => void): void {
  const project = homeBeforeDusk();
  const steady = project.pacers[1]!;
  // The first tier: nobody comes past level 17.
  project.slots = project.slots.slice(0, 7);
  const books = new Map(
    project.slots.map(({ id }, index) => {
      const { level, population } = trialQuestion(project, index + 1, steady, DEFAULT_PRECISION);
      const tally = emptyTally();
      playBatch(levelRunner(level), population, 0, MOST_RECORDS, tally);
      return [id, forecastOf(tally).booked!];
    }),
  );
  const drawn = 500;
  for (const through of [false, true]) {
    const count = through ? 40 : drawn;
    const runs = playthroughsOf(project, steady, books, { through });
    const start = performance.now();
    runs.play(count);
    const rate = (count / (performance.now() - start)) * 1000;
    say(through ? '  played through, per s' : 'runs through seven levels drawn, per s', rate.toFixed(through ? 1 : 0));
  }
  const demo = homeBeforeDusk();
  const fitting = fitRamps(demo, {
    keys: demo.parameters.map(({ key }) => key),
    ...{ from: 1, to: demo.slots.length, by: 'points' },
    wanted: demo.slots.map(({ wanted }) => wanted ?? undefined),
  });
  const fitStart = performance.now();
  const { slots, attempts } = answered(fitting, batchPlayer(demo, steady));
  const met = slots.filter(({ after, wanted }) => Math.abs(after!.share - wanted) <= 0.05).length;
  say(
    'ramps turned to 24 wanted rates, s on one core',
    `${((performance.now() - fitStart) / 1000).toFixed(0)} (${met} met, ${attempts} attempts)`,
    'at most 90 on two, 20 met',
  );
  for (const [position, key, share] of [
    [13, 'hornetSpeed', 0.6],
    [9, 'hornetSpeed', 0.8],
  ] as const) {
    const parameter = demo.parameters.find((entry) => entry.key === key)!;
    const search = bringThere(position, parameterLine(demo, position, parameter), { is: 'clearRate', share });
    const start = performance.now();
    const { attempts, answer } = answered(search, batchPlayer(demo, steady));
    const seconds = (performance.now() - start) / 1000;
    say(
      `bring level ${position} to ${share * 100} %, s`,
      `${seconds.toFixed(0)} (${attempts} attempts, ${answer?.at ?? 'none'})`,
    );
  }
}
