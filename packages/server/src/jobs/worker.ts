import { emptyTally, playBatch, readyGame, type ReadyGame, type Tally } from '@stadion/core/trials';
import type { BatchTask } from './queue.ts';

/** Levels made ready, the latest last: batches go round over the slots, so each is asked for again soon. */
const games = new Map<string, ReadyGame>();
const MOST_GAMES = 64;

/** Plays one batch; the body of a worker thread. */
export default function play({ levelKey, level, pacer, first, count }: BatchTask): Tally {
  let game = games.get(levelKey);
  if (!game) {
    game = readyGame(level);
    games.set(levelKey, game);
    const oldest = games.keys().next().value;
    if (games.size > MOST_GAMES && oldest !== undefined) games.delete(oldest);
  }
  const tally = emptyTally();
  playBatch(game, pacer, first, count, tally);
  return tally;
}
