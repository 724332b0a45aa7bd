import type { Abilities } from '../../basics/abilities/index.ts';
import type { AttemptState, PreparedLevel, World } from '../../play/attempt/index.ts';
import {
  makeBoutWorld,
  meetNow,
  playMet,
  startOnWay,
  type BoutState,
  type BoutWorld,
  type OnWay,
  type PreparedMeetings,
  type Turn,
} from '../../play/bouts/index.ts';
import type { Player } from '../pacers/index.ts';
import { groundGame } from './groundGame.ts';
import { LOST_FIGHT, type Game } from './game.ts';

/** Turns in all fights of one attempt, about a tenth of a second: with more it is given up, so that no level keeps the others waiting for long. */
const MOST_TURNS = 4000;

/** A level that is played on its ground, with fights on the way. */
export type PreparedWay = PreparedLevel & { meetings: PreparedMeetings };

/** The same, made ready for any number of attempts. */
export interface WayWorld {
  ground: World;
  meetings: PreparedMeetings;
  fights: readonly BoutWorld[];
}

/** An attempt on a ground with the meetings it has come to. */
export interface WayState {
  world: WayWorld;
  ground: AttemptState;
  way: OnWay;
  /** Has a fight been lost that loses the level? */
  isLost: boolean;
  /** Number of turns of all fights until now. */
  turns: number;
}

/** The player of the ground and of the fights. */
interface WayPlayer {
  player: Player;
  who: Abilities;
  /** Called for every fight that has ended. */
  note?: (fight: BoutState, group: number) => void;
  noteTurn?: (turn: Turn) => void;
}

/** Plays a fight between two ticks, where somebody is met. The ground and its clock stand still during the fight. */
function meet(state: WayState, { who, note, noteTurn }: WayPlayer): void {
  const { world, ground, way } = state;
  const met = meetNow(world.meetings.on, way, ground.observed);
  const against = met && world.fights[met.group];
  if (!met || !against) return;
  const fight = playMet(against, who, met.seed, (turn) => {
    state.turns++;
    noteTurn?.(turn);
  });
  note?.(fight, met.group);
  if (fight.phase === 'lost' && world.meetings.loses) state.isLost = true;
}

/** Attempts on grounds with fights on the way, one of which can lose the level. */
export const meetingGame: Game<PreparedWay, WayWorld, WayState, WayPlayer> = {
  make: (level) => ({
    ground: groundGame.make(level),
    meetings: level.meetings,
    fights: level.meetings.fights.map(makeBoutWorld),
  }),
  start: (world, seed, carry) => ({
    ...{ world, ground: groundGame.start(world.ground, seed, carry) },
    ...{ way: startOnWay(seed), isLost: false, turns: 0 },
  }),
  mind: ({ ground }, who, seed) => ({ player: groundGame.mind(ground, who, seed), who }),
  turn(state, mind) {
    groundGame.turn(state.ground, mind.player);
    if (state.ground.phase === 'playing') meet(state, mind);
  },
  isOver: ({ ground, isLost, turns }) => isLost || turns > MOST_TURNS || groundGame.isOver(ground),
  result({ ground, isLost }) {
    const result = groundGame.result(ground);
    return isLost ? { ...result, won: false, stars: 0, endingRule: LOST_FIGHT } : result;
  },
};
