import {
  boutMind,
  choosing,
  goOnAttempt,
  makeBoutLevelWorld,
  startBoutAttempt,
  type BoutAttempt,
  type BoutLevelWorld,
  type Choosing,
  type PreparedBoutLevel,
} from '../bouts/index.ts';
import { READINGS } from '../rules/index.ts';
import { GAVE_UP, type Game } from './game.ts';

/** Attempts at levels that are decided by a bout. */
export const boutGame: Game<PreparedBoutLevel, BoutLevelWorld, BoutAttempt, Choosing> = {
  make: makeBoutLevelWorld,
  // Health of a run is that of a body on a ground: a party comes with all of its own.
  start: (world, seed, { health: _health, ...carry }) => startBoutAttempt(world, seed, carry),
  mind: (_state, who, seed) => choosing(boutMind(who, seed)),
  turn: (state, choose) => goOnAttempt(state, choose),
  isOver: ({ phase }) => phase !== 'playing',
  result(state) {
    const { observed, verdicts, world, phase, ticks, lastLifeRule } = state;
    const { judging } = world.level;
    const { stars } = world.judge;
    return {
      won: phase === 'won',
      stars: verdicts.stars,
      length: ticks,
      rounds: observed.rounds,
      starReading: stars.is === 'ladder' ? stars.reading.read(observed, stars.subject) : Number.POSITIVE_INFINITY,
      endingRule: phase === 'undecided' ? GAVE_UP : verdicts.ending.rule,
      lifeRule: lastLifeRule,
      fired: verdicts.fired,
      livesLeft: observed.lives,
      livesLost: Math.max(0, judging.lives - observed.lives),
      ...{ worth: 0, collected: 0 },
      score: READINGS.score.read(observed, 0),
      tallies: [...observed.tallies],
      place: null,
    };
  },
};
