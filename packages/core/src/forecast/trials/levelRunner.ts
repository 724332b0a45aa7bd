import type { Abilities } from '../../basics/abilities/index.ts';
import { drawPlayer, type Population } from '../pacers/index.ts';
import { groundGame } from './groundGame.ts';
import { boutGame } from './boutGame.ts';
import type { Carry, Game, GameResult } from './game.ts';
import { meetingGame } from './meetingGame.ts';
import { hasMeetings, isBout, type ResolvedLevel } from './resolveLevel.ts';

/** A level made ready to be played any number of times. */
export interface LevelRunner {
  /** One play from start to end. @param who a population to draw the player from, or a player's abilities */
  play(who: Population | Abilities, seed: number, carry?: Carry): GameResult;
}

function ready<Level, World, State, Mind>(game: Game<Level, World, State, Mind>, level: Level): LevelRunner {
  const world = game.make(level);
  return {
    play(who, seed, carry = {}) {
      const state = game.start(world, seed, carry);
      const mind = game.mind(state, 'abilities' in who ? drawPlayer(who, seed) : who, seed);
      while (!game.isOver(state)) game.turn(state, mind);
      return game.result(state);
    },
  };
}

/** Makes a level ready, by the kind of play that it is. */
export function levelRunner(level: ResolvedLevel): LevelRunner {
  if (isBout(level)) return ready(boutGame, level);
  return hasMeetings(level) ? ready(meetingGame, level) : ready(groundGame, level);
}
