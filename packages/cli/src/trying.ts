import type { Pacer, Project } from '@stadion/core/document/model';
import { everyPacer } from '@stadion/core/forecast/pacers';
import {
  emptyTally,
  forecastOf,
  isPreciseEnough,
  LOOKED_AT_EVERY,
  playBatch,
  precisionFor,
  levelRunner,
  trialQuestion,
  type Forecast,
} from '@stadion/core/forecast/trials';
import { Failure } from './reading.ts';

/** The pacer of a project by its id or name. @throws Failure with the names that there are */
export function pacerOf(project: Project, wanted: string): Pacer {
  const pacers = everyPacer(project);
  const found = pacers.find(({ id, name }) => id === wanted || name.toLowerCase() === wanted.toLowerCase());
  if (found) return found;
  throw new Failure(`There is no pacer “${wanted}”. There are ${pacers.map(({ name }) => name).join(', ')}.`);
}

/** Plays a level until its clear rate is known as well as the application wants it. @param told after each batch, with how many attempts there are */
export function tryLevel(
  project: Project,
  position: number,
  pacer: Pacer,
  told: (attempts: number) => void = () => undefined,
): Forecast {
  const { level, population, precision } = trialQuestion(project, position, pacer, precisionFor(pacer));
  const game = levelRunner(level);
  const tally = emptyTally();
  do {
    playBatch(game, population, tally.attempts, LOOKED_AT_EVERY, tally);
    told(tally.attempts);
  } while (!isPreciseEnough(tally, precision));
  return forecastOf(tally);
}
