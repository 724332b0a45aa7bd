import type { Abilities } from '../../basics/abilities/index.ts';

/** State that a player carries into a game from the playthrough. All parts are optional. */
export interface Carry {
  lives?: number;
  health?: number;
  /** Points. */
  score?: number;
  /** Which try at the level this is, from 1. */
  tries?: number;
  /** Own tallies, by index. */
  tallies?: Readonly<Record<number, number>>;
}

/** In place of a rule that ended it: nothing did for so long that the player gave up. */
export const GAVE_UP = -2;
/** In place of a rule that ended it: what moves and is judged there costs too much to try. */
export const TOO_COSTLY = -3;

/** In place of a rule that ended it: a fight on the way was lost, which loses the level. */
export const LOST_FIGHT = -4;

/** The result of one game: enough for a forecast and for the ledger of a playthrough. */
export interface GameResult {
  won: boolean;
  stars: number;
  /** How long it took, in ticks of the clock. */
  length: number;
  /** Number of rounds, for a bout. */
  rounds?: number;
  /** The reading of the star ladder at the end; infinite without a ladder. */
  starReading: number;
  /** Index of the rule that ended it, -1 for the clock, GAVE_UP, TOO_COSTLY or LOST_FIGHT. */
  endingRule: number;
  /** Index of the rule that took the last life, -2 if none was lost. */
  lifeRule: number;
  livesLeft: number;
  livesLost: number;
  /** Points gathered. */
  worth: number;
  /** Pieces gathered. */
  collected: number;
  score: number;
  /** Own tallies, by index. */
  tallies: number[];
  /** How often each rule in force has fired; absent for a game without rules. */
  fired?: readonly number[];
  /** Was each piece to gather gathered, in the order of the ground; absent where they come again and again. */
  gathered?: readonly boolean[];
  /** Where it ended, units; out of lives, where the last one was lost. Null for a game without a ground. */
  place: { x: number; y: number } | null;
  /** On a ground of parts that come again and again: how often each was come to, and in which it ended, -1 for none. `place` is on that part. */
  parts?: { entered: number[]; endedIn: number };
}

/** A kind of play that trials can try: all that they know of it. */
export interface Game<Level, World, State, Mind> {
  /** Makes a level ready for any number of plays. */
  make(level: Level): World;
  start(world: World, seed: number, carry: Carry): State;
  /** Somebody who plays. */
  mind(state: State, who: Abilities, seed: number): Mind;
  /** One tick, or one turn. */
  turn(state: State, mind: Mind): void;
  /** Has it ended, or been given up? */
  isOver(state: State): boolean;
  result(state: State): GameResult;
}
