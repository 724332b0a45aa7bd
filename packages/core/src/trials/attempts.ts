import {
  enemiesOf,
  startAttemptFrom,
  starReading,
  step,
  type AttemptState,
  type PreparedLevel,
  type World,
} from '../attempt/index.ts';
import { makeWorld } from '../grounds/index.ts';
import { makePlayer, playerInput, type Player } from '../pacers/index.ts';
import { READINGS, secondsToTicks } from '../rules/index.ts';
import type { Game } from './game.ts';

/** A simulated player gives up after so long, so that a level without an end still has a forecast. */
export const LONGEST_ATTEMPT_SECONDS = 240;
const LONGEST_TICKS = secondsToTicks(LONGEST_ATTEMPT_SECONDS);

/** Work of one attempt, in things looked at: on a usual machine about a fifth of a second. */
const MOST_WORK = 8_000_000;

/** Things looked at in a tick of a level: what can move, squared where it may crowd, and conditions. */
function workPerTick(state: AttemptState): number {
  const movers = enemiesOf(state).all.length;
  return 20 + movers + (movers * movers) / 40 + state.world.judge.nodes.length;
}

/** How often it is looked whether an attempt has cost too much, ticks. */
const LOOKED_EVERY = 60;

/** A level that costs much is given up sooner, so that no level keeps the others waiting for long. */
export const longestTicksOf = (state: AttemptState): number =>
  Math.min(LONGEST_TICKS, Math.ceil(MOST_WORK / workPerTick(state)));

function placeOfEnd({ happenings, observed, body, phase }: AttemptState): { x: number; y: number } {
  if (phase === 'lost' && observed.lives === 0) {
    for (let i = happenings.length - 1; i >= 0; i--) {
      const happening = happenings[i];
      if (happening?.what === 'life lost') return happening;
    }
  }
  return body;
}

/** Attempts on grounds. */
export const attempts: Game<PreparedLevel, World, AttemptState, Player> = {
  make: makeWorld,
  start: (world, seed, { score, ...carry }) =>
    startAttemptFrom(world, seed, score === undefined ? carry : { ...carry, bonus: score }),
  mind: makePlayer,
  turn: (state, player) => step(state, playerInput(player, state)),
  isOver: (state) =>
    state.phase !== 'playing' ||
    state.tick >= LONGEST_TICKS ||
    (state.tick % LOOKED_EVERY === 0 && state.tick >= longestTicksOf(state)),
  result(state) {
    const { observed, verdicts, world, phase, tick, lastLifeRule } = state;
    const any = world.level.motion.kindsOfCollectable;
    const { x, y } = placeOfEnd(state);
    return {
      won: phase === 'won',
      stars: verdicts.stars,
      length: tick,
      unit: 'ticks',
      starReading: starReading(state),
      endingRule: phase === 'playing' ? -2 : verdicts.ending.rule,
      lifeRule: lastLifeRule,
      livesLeft: observed.lives,
      livesLost: Math.max(0, world.level.judging.lives - observed.lives),
      worth: observed.worth[any] as number,
      collected: observed.collected[any] as number,
      score: READINGS.score.read(observed, 0),
      tallies: [...observed.tallies],
      place: { x, y },
    };
  },
};
