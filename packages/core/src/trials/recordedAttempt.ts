import { emptyRecording, record, startAttempt, step, type PreparedLevel, type Recording } from '../attempt/index.ts';
import { makeWorld } from '../grounds/index.ts';
import { drawPlayer, makePlayer, playerInput, type Population } from '../pacers/index.ts';
import { attempts } from './attempts.ts';

/** An attempt of a forecast, to be watched: the same as the one that was played with this seed. */
export function recordedAttempt(level: PreparedLevel, who: Population, seed: number): Recording {
  const state = startAttempt(makeWorld(level), seed);
  const player = makePlayer(state, drawPlayer(who, seed), seed);
  const recording = emptyRecording(seed);
  while (!attempts.isOver(state)) {
    const input = playerInput(player, state);
    record(recording, input);
    step(state, input);
  }
  return recording;
}
