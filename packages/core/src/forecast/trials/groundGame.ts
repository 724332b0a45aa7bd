import {
  collectablesOf,
  enemiesOf,
  startAttemptFrom,
  starReading,
  step,
  type AttemptState,
  type PreparedLevel,
  type World,
} from '../../play/attempt/index.ts';
import { makeWorld } from '../../play/movement/index.ts';
import { makePlayer, playerInput, type Player } from '../pacers/index.ts';
import { READINGS, secondsToTicks } from '../../play/rules/index.ts';
import { GAVE_UP, TOO_COSTLY, type Game } from './game.ts';

/** A simulated player gives up after so long, so that a level without an end still has a forecast. */
export const LONGEST_ATTEMPT_SECONDS = 240;
const LONGEST_TICKS = secondsToTicks(LONGEST_ATTEMPT_SECONDS);

/** Work of one attempt, in millionths of a second of a usual machine. Counted, not timed: the same attempt ends at the same tick anywhere. */
const MOST_WORK = 400_000;

/** Measured on levels that cost as much as a document may, in the same unit. */
const WORK = {
  player: 3,
  mover: 1.2,
  /** Each pair of movers: they may crowd one spot. */
  pair: 0.0015,
  condition: 0.2,
  /** Ways to the player, by cells of the ground. */
  cell: 1 / 250,
  /** Distance maps that are computed again when a gate opens or closes, per cell. */
  cellOfGate: 1 / 30,
} as const;

/** Returns the cost of an attempt until now, as if every tick had cost what the last one does. */
function workOf(state: AttemptState): number {
  const { world, happenings, tick } = state;
  const { sweep } = enemiesOf(state);
  const movers = sweep.length;
  const cells = world.grid.width * world.grid.height;
  const perTick =
    WORK.player +
    WORK.mover * movers +
    WORK.pair * movers * movers +
    WORK.condition * world.judge.nodes.length +
    (sweep.some(({ movement }) => movement === 'chase') ? WORK.cell * cells : 0);
  const gates = happenings.filter((happening) => happening.what === 'piece' && happening.piece === 'gate').length;
  return tick * perTick + gates * WORK.cellOfGate * cells;
}

/** How often it is looked whether an attempt has cost too much, ticks. */
const LOOKED_EVERY = 30;

/** Has it cost so much that it is given up, so that no level keeps the others waiting for long? */
const isTooCostly = (state: AttemptState): boolean => state.tick % LOOKED_EVERY === 0 && workOf(state) > MOST_WORK;

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
export const groundGame: Game<PreparedLevel, World, AttemptState, Player> = {
  make: makeWorld,
  start: (world, seed, { score, ...carry }) =>
    startAttemptFrom(world, seed, score === undefined ? carry : { ...carry, bonus: score }),
  mind: makePlayer,
  turn: (state, player) => step(state, playerInput(player, state)),
  isOver: (state) => state.phase !== 'playing' || state.tick >= LONGEST_TICKS || isTooCostly(state),
  result(state) {
    const { observed, verdicts, world, phase, tick, lastLifeRule } = state;
    const any = world.level.motion.kindsOfCollectable;
    const { kind } = world;
    const end = placeOfEnd(state);
    const { x, y, part } = kind.partAt?.(state, end) ?? { x: end.x, y: end.y, part: -1 };
    const entered = kind.partsEntered?.(state);
    return {
      won: phase === 'won',
      stars: verdicts.stars,
      length: tick,
      starReading: starReading(state),
      endingRule: phase !== 'playing' ? verdicts.ending.rule : tick >= LONGEST_TICKS ? GAVE_UP : TOO_COSTLY,
      lifeRule: lastLifeRule,
      fired: verdicts.fired,
      ...(entered ? {} : { gathered: collectablesOf(state).all.map(({ gathered }) => gathered) }),
      livesLeft: observed.lives,
      livesLost: Math.max(0, world.level.judging.lives - observed.lives),
      worth: observed.worth[any] as number,
      collected: observed.collected[any] as number,
      score: READINGS.score.read(observed, 0),
      tallies: [...observed.tallies],
      place: { x, y },
      ...(entered ? { parts: { entered, endedIn: part } } : {}),
    };
  },
};
