import type { DistanceMaps, Body, Grid, Spot } from '../grid/index.ts';
import type {
  Amount,
  GoesOn,
  Ground,
  Level,
  Piece,
  PieceName,
  Project,
  ReadingName,
} from '../../document/model/index.ts';
import type { ClockState, FollowedRamp, Judge, Observed, Resolving, ScoreTerm, Verdicts } from '../rules/index.ts';
import type { KindMotion, PreparedLevel } from './level.ts';
import type { Looks } from './looks.ts';
import type { Figure, Mark, Places } from './mark.ts';

/**
 * The types of an attempt. They need one another, so they stand together: the state knows its world, a world its
 * kind of ground, and kinds of ground and sorts of pieces act on states.
 */

/** The ground as it is in one state of what can bar the way. */
export interface View {
  /** Walls, and what is barred. */
  grid: Grid;
  /** Ways over it that go round what hurts. */
  maps: DistanceMaps;
  /** The grid with harmful cells as walls, for keeping clear of them. */
  wary: Grid;
}

/** The parts that all attempts at one prepared level share; made once. */
export interface World {
  level: PreparedLevel;
  kind: GroundKind;
  /** With nothing barred. */
  grid: Grid;
  judge: Judge;
  scoreTerms: ScoreTerm[];
  /** 1 for each cell without ground. */
  holes: Uint8Array;
  /** 1 for each cell that hurts or has no ground. */
  avoid: Uint8Array;
  hasAvoid: boolean;
  /** Cells of each gate that are wall while its entry in `Observed.gates` is 0. */
  barriers: number[][];
  /** Views by the state of the gates, a bit for each open one; made when first needed, and kept. */
  views: Map<number, View>;
  /** Data that each sort of piece prepares once for all attempts; only the file of the sort reads it. */
  ready: Record<PieceName, unknown>;
  /** Distance at which the player gathers or touches a piece, units. */
  gatherReach: number;
  /** How far the middle line of the player's body goes up and down where it is at full height, units. */
  half: number;
}

/** The player's body. */
export interface PlayerBody extends Body {
  /** The heading last steered (0–31), in which the player shoots. */
  facing: number;
  /** How far its middle line goes up and down from its place, units; 0 for a round body. */
  half: number;
}

/** Something shot, by the player (kind -1) or by an emitter (its kind of hazard). */
export interface Shot {
  active: boolean;
  kind: number;
  x: number;
  y: number;
  /** Units per second. */
  vx: number;
  vy: number;
  /** Units it still goes. */
  reach: number;
}

/** Something worth telling, at its tick. `rule` is an index into the level's rules, -1 for the clock. */
export type Happening =
  | { tick: number; what: 'clock started' | 'warned' | 'fell' }
  /** A change of a piece; `index` counts the pieces of its sort. @example { piece: 'gate', index: 0, did: 'opens' } */
  | { tick: number; what: 'piece'; piece: PieceName; index: number; did: string }
  | { tick: number; what: 'milestone'; rule: number; effect: number }
  | { tick: number; what: 'life lost'; rule: number; x: number; y: number }
  | { tick: number; what: 'won' | 'lost'; rule: number; x: number; y: number };

/** A message of a milestone, and its end. */
interface Message {
  /** Index of the rule, -1 for none. */
  rule: number;
  effect: number;
  untilTick: number;
}

/** One attempt under way: plain mutable objects, all made at the start, none in a step. */
export interface AttemptState {
  world: World;
  seed: number;
  tick: number;
  phase: 'playing' | 'won' | 'lost';
  body: PlayerBody;
  /** State of the kind of ground in this attempt; only its module reads it. */
  own: unknown;
  /** State of each sort of piece in this attempt; only its file reads it. */
  pieces: Record<PieceName, unknown>;
  /** Is the player on something that carries it along? Then there is ground under it. */
  carried: boolean;
  /** Ticks for which nothing touches the player. */
  graceTicks: number;
  clock: ClockState;
  /** The ground as it is now. */
  view: View;
  shots: Shot[];
  /** Ticks until the player can shoot again. */
  reloadTicks: number;
  /** Shots left, -1 for without end. */
  ammunition: number;
  /** Values of the parameters that change during the attempt. */
  dials: number[];
  /** State of each live ramp. */
  followed: FollowedRamp[];
  message: Message;
  observed: Observed;
  verdicts: Verdicts;
  /** The rule that took the last life, -2 if none was lost. */
  lastLifeRule: number;
  /** Ticks since the end. */
  afterTicks: number;
  happenings: Happening[];
}

/** A moment between two ticks of an attempt. */
export interface Moment {
  state: AttemptState;
  before: Places;
  /** How far it is from the last tick to the present one, 0–1. */
  share: number;
}

/** Controls a person can hold down; each kind of ground makes its inputs of them. */
export type Control = 'left' | 'right' | 'up' | 'down' | 'act';

/** One thing a player can do in a tick, besides shooting. */
export interface Action {
  /** In words. @example 'steer 90°' */
  name: string;
}

/** The facts of one level at one slot that preparing needs. */
export interface Preparing {
  project: Project;
  level: Level;
  resolving: Resolving;
  /** An amount's number here. */
  number(amount: Amount): number;
  /** Pieces made ready, by their sorts. */
  pieces(list: readonly Piece[]): Record<PieceName, unknown[]>;
}

/** A gap between two floors, and for how long a press clears it. */
export interface Gap {
  /** Its left end, and the floor, units. */
  x: number;
  y: number;
  width: number;
  /** 0 where no press clears it. */
  seconds: number;
  /** Is there nothing below to land on? */
  overPit: boolean;
}

/** A place on a part of a ground that may come more than once. Units. */
export interface GroundPart extends Spot {
  /** Number of the part, -1 for what comes once. */
  part: number;
}

/** How a player moves on one kind of ground, and what only that kind has. */
export interface GroundKind<Motion extends KindMotion = KindMotion, Own = unknown> {
  /** The numbers by which the player of a project moves, as they are written down. */
  moves(project: Pick<Project, 'player'>): Readonly<Record<string, Amount>>;
  /** Prepares the motion as plain data: part of the question's key. */
  prepare(preparing: Preparing): Motion;
  /** Lays on ground that only this attempt has, before the player comes there; absent where all of it is known from the start. */
  layAhead?(state: AttemptState, own: Own): void;
  /** Limits the drawn sections to one. */
  onlyPart?(own: Own, part: number): void;
  /** Where a loss is drawn: on a part of the ground that comes again and again, by its number; absent where places say all. Units. */
  partAt?(state: AttemptState, at: Spot): GroundPart;
  /** How often each of these parts was come to. */
  partsEntered?(state: AttemptState): number[];
  /** How far the middle line of its player's body goes up and down at most, units; absent for a round one. */
  halfOf?(level: PreparedLevel): number;
  /** The stretch of a wide ground that is looked at while the player is at a place; all of it when absent. Units. */
  seen?(x: number): { x: number; width: number };
  /** Parts that come again and again, each as a ground of its own; absent where a ground is all one. */
  parts?(level: PreparedLevel): PreparedLevel[];
  start(world: World, body: PlayerBody): Own;
  /** Moves the body by one tick. Writes `body` and `own` only, so that anybody can look ahead on copies. @param input index into `actions` */
  moveBody(world: World, view: View, body: PlayerBody, own: Own, input: number): void;
  /** Sets the readings that only this kind has, the distance gone and whether there is ground under the player. */
  observe(state: AttemptState, own: Own): void;
  /** Puts the player somewhere, at rest. */
  putBack(state: AttemptState, own: Own, at: Spot): void;
  /** Does what somebody walks on end here? Units. */
  endsAt(state: AttemptState, x: number, y: number): boolean;
  /** Throws the player up that has fallen onto something; absent where nobody falls. */
  bounce?(state: AttemptState, own: Own): void;
  /** Moves the player along with what carries it, as far as walls let it. Units. */
  carry(state: AttemptState, own: Own, dx: number, dy: number): void;
  /** Makes `to` the same as `from`. */
  copy(from: Own, to: Own): void;
  hash(own: Own, hash: number): number;
  /** The dials that live ramps and milestones may turn, by the names that `Motion.live` uses. */
  dials: Readonly<Record<string, (state: AttemptState, own: Own, value: number) => void>>;
  /** An input is an index into these; keys, pacers and recordings share it. The first one lets go. */
  actions: readonly Action[];
  /** Returns the empty fields that a ground of this kind has beside cells and pieces; none when absent. */
  besides?(): object;
  /** Characters that its rows may hold. */
  cells: string;
  /** Returns the part of the motion on which gaps depend; all of it when absent. */
  gapsGoBy?(motion: Motion): unknown;
  /** Gaps that are jumped, with what they forgive. */
  gaps?(world: World): Gap[];
  /** Ways that a body makes from a cell, to be drawn: each as x, y, x, y … in units. None from where nobody can stand. */
  waysFrom?(world: World, column: number, row: number): number[][];
  /** Draws the background. @param rows of the ground */
  scenery?(rows: readonly string[]): Figure[];
  /** Held controls and what they do, for a person who plays. */
  controls: readonly { held: readonly Control[]; does: string }[];
  /** Words for the player's motion. @example 'roams freely' */
  label: string;
  /** Readings that mean something on this kind of ground alone. */
  readings: readonly ReadingName[];
  /** The input that held controls make. */
  inputOf(held: ReadonlySet<Control>): number;
}

/** One sort of piece: what it is made ready as, what it does in an attempt, and what it is called. */
export interface PieceSort<P extends Piece = Piece, Prepared = unknown, Own = unknown> {
  /** The name under which its pieces are kept in lists by sort. */
  name: PieceName;
  /** The subject of readings and effects that these pieces are. */
  subject?: 'zone' | 'latch' | 'gate' | 'phase' | 'spawner' | 'piece';
  /** Added to a kind's name where the piece has none of its own. @example 'spawner', for “Hornet spawner 1” */
  noun?: string;
  /** Words of an ending for motion that continues. */
  goesOn?: GoesOn;
  /** Kinds of ground on which it is offered; on all when absent. */
  onlyOn?: readonly Ground['kind'][];
  /** Needs room for shots. */
  shoots?: true;
  prepare(piece: P, preparing: Preparing): Prepared;
  /** The kind of collectable that it gives a player who gathers it. */
  gives?(piece: P): { kind: string; hidden: boolean };
  /** Sets what the judge sees of these pieces before anybody has moved. */
  observe?(prepared: readonly Prepared[], seen: Observed, level: PreparedLevel): void;
  /** Cells that are better gone round. */
  avoids?(prepared: Prepared, grid: Grid): number[];
  /** Cells that are wall while its entry in `Observed.gates` is 0. */
  bars?(prepared: Prepared, grid: Grid): number[];
  /** Made once for all attempts. */
  ready?(prepared: readonly Prepared[], world: World): unknown;
  /** Returns the state of these pieces in one attempt. Called in the order of the list of sorts. */
  start?(prepared: readonly Prepared[], state: AttemptState): Own;
  /** More of them come in on ground that is laid on. @param all with them, made ready @param first number of the first new one */
  more?(all: readonly Prepared[], first: number, state: AttemptState): void;
  /** Removes the pieces left of a place, units: they are neither met nor drawn any more. */
  letGo?(state: AttemptState, x: number): void;
  /** Differences from the usual start. */
  begin?(state: AttemptState, from: StartFrom): void;
  /** Acts before things move: shoots, sends. */
  tick?(state: AttemptState): void;
  /** Moves. Called after an end, too, where the ending lets things go on. */
  move?(state: AttemptState): void;
  /** Acts once everything has moved. */
  settle?(state: AttemptState): void;
  /** Meets the player, whatever happens to it. */
  contact?(state: AttemptState): void;
  /** Touches a player that is not in grace. */
  touch?(state: AttemptState): void;
  /** While the player is in grace: what touched it before counts as new afterwards. */
  forget?(state: AttemptState): void;
  /** A changed parameter has been turned: what follows it takes its new value. */
  turn?(state: AttemptState): void;
  /** Parts of the attempt that a lost life can set back, by the names of the model. */
  resets?: Readonly<Record<string, (state: AttemptState) => void>>;
  /** Everything that it remembers and that acts on what comes. */
  hash?(state: AttemptState, hash: number): number;
  /** Pieces that move, for pictures between two ticks. */
  moving?(state: AttemptState): readonly Spot[];
  /** Do these pieces, as they are, take health from the player? */
  hurts?(prepared: readonly Prepared[]): boolean;
  /** How far up its pieces are drawn: 0 under the walls, 1 when absent, then collectables, then what moves. */
  layer?: 0 | 1 | 2 | 3;
  /** Its pieces as they are drawn: before an attempt, or at a moment of one; kinds as usual where no looks are given. */
  scene?(prepared: readonly Prepared[], level: PreparedLevel, now?: Moment, looks?: Looks): Mark[];
  /** The kind of its n-th piece, where that says more than the piece's name. */
  kindOf?(state: AttemptState, index: number): { of: 'collectables' | 'enemies'; kind: number } | undefined;
}

/** Differences from the level's start for an attempt that begins in its middle. All parts are optional. */
export interface StartFrom {
  /** Units. */
  at?: { x: number; y: number };
  /** Seconds on the clock; above 0 it runs. */
  clockSeconds?: number;
  lives?: number;
  health?: number;
  tries?: number;
  /** Points given by milestones. */
  bonus?: number;
  /** Collectables already gathered, by index. */
  gathered?: readonly number[];
  /** Latches already on, by index; their gates are open. */
  latches?: readonly number[];
  /** Readings that only the kind of ground has and that only grow, by name. */
  readings?: Readonly<Partial<Record<ReadingName, number>>>;
  /** Number of the only drawn section that comes. */
  onlyPart?: number;
  /** Own tallies, by index. */
  tallies?: Readonly<Record<number, number>>;
}
