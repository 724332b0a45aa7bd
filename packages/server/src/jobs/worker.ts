import { type World } from '@stadion/core/attempt';
import { makeWorld } from '@stadion/core/grounds';
import { emptyTally, playBatch, type Tally } from '@stadion/core/trials';
import type { BatchTask } from './queue.ts';

/** Worlds made ready, the latest last: batches go round over the slots, so each is asked for again soon. */
const worlds = new Map<string, World>();
const MOST_WORLDS = 64;

/** Plays one batch; the body of a worker thread. */
export default function play({ levelKey, level, pacer, first, count }: BatchTask): Tally {
  let world = worlds.get(levelKey);
  if (!world) {
    world = makeWorld(level);
    worlds.set(levelKey, world);
    const oldest = worlds.keys().next().value;
    if (worlds.size > MOST_WORLDS && oldest !== undefined) worlds.delete(oldest);
  }
  const tally = emptyTally();
  playBatch(world, pacer, first, count, tally);
  return tally;
}
