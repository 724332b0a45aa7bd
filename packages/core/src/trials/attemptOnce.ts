import { startAttempt, starReading, step, type AttemptState, type World } from '../attempt/index.ts';
import { drawPlayer, makePlayer, playerInput, type Abilities, type Pacer } from '../pacers/index.ts';
import { READINGS, secondsToTicks, ticksToSeconds } from '../rules/index.ts';

/** A simulated player gives up after so long, so that a level without an end still has a forecast. */
export const LONGEST_ATTEMPT_SECONDS = 240;

/** What one attempt came to. */
export interface AttemptResult {
  won: boolean;
  stars: number;
  /** From load to end. */
  seconds: number;
  /** What the ladder of stars stands on, at the end; endless without one. */
  starReading: number;
  /** Index of the rule that ended it, -1 for the clock, -2 for giving up. */
  endingRule: number;
  /** Index of the rule that took the last life, -2 if none was lost. */
  lifeRule: number;
  livesLeft: number;
  worth: number;
  score: number;
  /** Where it ended, units; out of lives, where the last one was lost. */
  x: number;
  y: number;
}

function placeOfEnd(state: AttemptState): { x: number; y: number } {
  const { happenings, observed, body } = state;
  if (state.phase === 'lost' && observed.lives === 0) {
    for (let i = happenings.length - 1; i >= 0; i--) {
      const happening = happenings[i];
      if (happening?.what === 'life lost') return happening;
    }
  }
  return body;
}

/** One attempt by one player, from start to end. @param who a population to draw the player from, or a player's abilities */
export function attemptOnce(world: World, who: Pacer | Abilities, seed: number): AttemptResult {
  const abilities = 'abilities' in who ? drawPlayer(who, seed) : who;
  const state = startAttempt(world, seed);
  const player = makePlayer(state, abilities, seed);
  const most = secondsToTicks(LONGEST_ATTEMPT_SECONDS);
  while (state.phase === 'playing' && state.tick < most) step(state, playerInput(player, state));
  const won = state.phase === 'won';
  const end = placeOfEnd(state);
  return {
    won,
    stars: state.verdicts.stars,
    seconds: ticksToSeconds(state.tick),
    starReading: starReading(state),
    endingRule: state.phase === 'playing' ? -2 : state.verdicts.ending.rule,
    lifeRule: state.lastLifeRule,
    livesLeft: state.observed.lives,
    worth: state.observed.worth[world.level.motion.kindsOfCollectable] as number,
    score: READINGS.score.read(state.observed, 0),
    x: end.x,
    y: end.y,
  };
}
