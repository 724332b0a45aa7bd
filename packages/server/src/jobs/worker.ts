import { evictOldest } from '@stadion/core/basics/memo';
import {
  emptyTally,
  playBatch,
  levelRunner,
  type LevelRunner,
  type Tally,
  type TrialQuestion,
} from '@stadion/core/forecast/trials';

/** A batch as a thread is given it. */
export interface ThreadTask {
  /** Names the question, so that the thread can keep what it has made ready. */
  name: string;
  question: TrialQuestion;
  first: number;
  count: number;
}

/** Levels made ready, the latest last: batches go round over the slots, so each is asked for again soon. */
const games = new Map<string, LevelRunner>();
const MOST_GAMES = 64;
/** A batch ends early once it has taken so long, so that others have their turn. */
const LONGEST_BATCH_MS = 150;

/** Plays one batch, or the first attempts of it where they take long; the body of a worker thread. */
export default function play({ name, question, first, count }: ThreadTask): Tally {
  let game = games.get(name);
  if (!game) {
    game = levelRunner(question.level);
    games.set(name, game);
    evictOldest(games, MOST_GAMES);
  }
  const tally = emptyTally();
  const end = performance.now() + LONGEST_BATCH_MS;
  do playBatch(game, question.population, first + tally.attempts, 1, tally);
  while (tally.attempts < count && performance.now() < end);
  return tally;
}
