import {
  boutMind,
  choosing,
  goOnAttempt,
  isOurs,
  makeBoutLevelWorld,
  startBoutAttempt,
  type BoutAttempt,
  type BoutLevelWorld,
  type Choice,
  type Choosing,
  type PreparedBoutLevel,
} from '../../play/bouts/index.ts';
import { drawPlayer, type Population } from '../pacers/index.ts';
import { READINGS } from '../../play/rules/index.ts';
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

/**
 * An attempt of a forecast as choices, to be watched: the same as the one that was played with this seed, told in the order
 * in which a player by hand is asked.
 */
export function recordedChoices(level: PreparedBoutLevel, who: Population, seed: number): Choice[] {
  const state = boutGame.start(boutGame.make(level), seed, {});
  const choose = boutGame.mind(state, drawPlayer(who, seed), seed);
  const given: Choice[] = [];
  while (!boutGame.isOver(state)) {
    const round: { fighter: number; choice: Choice }[] = [];
    boutGame.turn(state, (bout, fighter) => {
      const choice = choose(bout, fighter);
      if (choice && isOurs(bout.world, fighter)) round.push({ fighter, choice });
      return choice;
    });
    given.push(...round.toSorted((one, other) => one.fighter - other.fighter).map(({ choice }) => choice));
  }
  return given;
}
