import type { Body } from '../../grid/index.ts';
import type { EnemyKind, Place } from '../../../document/model/index.ts';
import type { LiveAmount } from '../../rules/index.ts';
import type { PreparedLevel } from '../level.ts';
import type { AttemptState } from '../types.ts';

/** Movements that set out in a direction, which the piece says. */
export const HEADED_MOVEMENTS: ReadonlySet<EnemyKind['movement']> = new Set(['walk', 'cross', 'circle']);

/** An enemy made ready. */
export interface PreparedEnemy {
  kind: number;
  movement: EnemyKind['movement'];
  /** Units per second. */
  speed: number;
  liveSpeed?: LiveAmount;
  liveSight?: LiveAmount;
  liveDamage?: LiveAmount;
  liveHealth?: LiveAmount;
  /** Units. */
  radius: number;
  /** Units. */
  sight: number;
  /** Health lost at each touch. */
  damage: number;
  /** 0 for one that cannot be beaten. */
  health: number;
  /** Shares of its health at which it enters the next phase. */
  phases: number[];
  x: number;
  y: number;
  path: Place[];
  /** One who falls onto it beats it. */
  fromAbove?: true;
  /** 0–31: where one that walks, crosses or circles sets out. */
  heading?: number;
  /** Units from its place at which one that circles goes round. */
  distance?: number;
}

/** One class for all movements with a switch: fast, and readable (measured against one class each). */
export interface Enemy extends Body {
  index: number;
  kind: number;
  movement: EnemyKind['movement'];
  /** Units per second. */
  speed: number;
  /** Units. */
  sight: number;
  /** Not yet sent, or beaten, while false. */
  active: boolean;
  /** Remaining health; 0 for an enemy that cannot be beaten. */
  health: number;
  /** Health of an unhurt enemy. */
  fullHealth: number;
  /** Health lost at each touch. */
  damage: number;
  homeX: number;
  homeY: number;
  /** Where it heads for right now. */
  aimX: number;
  aimY: number;
  /** The velocity it wants. */
  wantX: number;
  wantY: number;
  /** Where one that walks or crosses is turned, and where one that circles is as seen from its place: of length 1. */
  turnedX: number;
  turnedY: number;
  /** Ticks for which a chaser still follows after losing sight. */
  memoryTicks: number;
  /** Cell where a chaser last saw the player. */
  targetCell: number;
  path: readonly Place[];
  pathStep: number;
  pathDirection: number;
  source: PreparedEnemy;
}

/** The enemies of one attempt: those placed, then those that spawners will send. */
export interface Enemies {
  all: Enemy[];
  /** From left to right, for finding pairs that are close. */
  sweep: Enemy[];
  /** Whether each enemy touched the player at the last tick. */
  wasTouching: boolean[];
  /** The largest radius of them all, units. */
  largestRadius: number;
}

export const enemiesOf = (state: AttemptState): Enemies => state.pieces.enemy as Enemies;

/** The enemies placed on a level, in the order of the ground. */
export const preparedEnemies = ({ motion }: PreparedLevel): readonly PreparedEnemy[] =>
  motion.pieces.enemy as readonly PreparedEnemy[];
