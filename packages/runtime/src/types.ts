/** Readings that the game shows to the judge: by name (`worth.any`, `inside.hive`, `lives`), numbers or on and off. What is not named stays as it was. */
export type Readings = Readonly<Record<string, number | boolean>>;

/** Something that a rule brings, as the hand-off has it. */
export type Effect = { readonly effect: string } & Readonly<Record<string, unknown>>;

/** A rule that fired, with what it brings besides an ending. */
export interface Fired {
  rule: string;
  effects: readonly Effect[];
}

/** How an attempt ended. */
export interface Ended {
  result: 'won' | 'lost';
  /** The rule that ended it; null for the clock. */
  rule: string | null;
  /** Earned; 0 when lost. */
  stars: number;
  score: number;
  /** Message for the player, with its id in the file of strings; the cause of a loss stands in `cause`. */
  text: string;
  textId: string;
  cause?: string;
  freezeSeconds: number;
  holdSeconds: number;
  next: { to: string; slot?: string };
}

/** The level's clock. Seconds. */
export interface Clock {
  runs: boolean;
  elapsed: number;
  /** Endless without a limit. */
  left: number;
}

/** Result of one frame. */
export interface Frame {
  fired: readonly Fired[];
  /** Did the clock begin to warn in this frame? */
  warned: boolean;
  ended: Ended | null;
  /** Stars of a win; 0 before. */
  stars: number;
  clock: Clock;
}

/** Start of an attempt, where it differs from the hand-off. */
export interface Beginning {
  /** From 1: which try at the level this is. */
  tries?: number;
  lives?: number;
  tallies?: Readonly<Record<string, number>>;
}

/** Judges one attempt: conditions, rules, tie, clock and stars. */
export interface Judge {
  /**
   * Judges a frame. The judge runs at 60 ticks a second whatever the frame rate is: a frame may hold several ticks or none.
   *
   * @param readings what the game shows now
   * @param seconds length of the frame
   */
  tick(readings: Readings, seconds: number): Frame;
  /** Tells that the player has acted for the first time, for clocks that start with it. */
  firstMove(): void;
  /** A reading as the judge has it now. On and off are 1 and 0. */
  reading(name: string): number;
  /** A parameter's value now: ramps along readings and milestones included. */
  value(parameter: string): number;
  /** A number of the level now, by its JSON pointer. @example judge.number('/kinds/enemies/hornet/speed') */
  number(pointer: string): number;
  /**
   * Takes the numbers of a level that was changed meanwhile, for `value` and `number`. Rules, clock and stars stay as
   * they were when the attempt began; what milestones have turned stays turned.
   */
  retune(level: Level): void;
  /** Readings that the rules look at and the game has not shown yet. */
  readonly missing: readonly string[];
}

/** One place in the sequence. */
export interface Level {
  readonly position: number;
  readonly id: string;
  readonly name: string;
  readonly brief: string;
  /** Every parameter's value here, before an attempt begins. */
  readonly values: Readonly<Record<string, number>>;
  /** Readings that the rules use: the game has to show them. */
  readonly readings: readonly string[];
  /** The slot as it stands in the hand-off: ground, pieces, kinds, clock, rules, endings. */
  // oxlint-disable-next-line typescript/no-explicit-any
  readonly data: any;
  /** Is it decided by a fight? Then `stadion-fights.js` plays it. */
  readonly isFight: boolean;
  /** Begins an attempt. */
  judge(beginning?: Beginning): Judge;
  /** A parameter's value at readings of an attempt. @example level.value('hornetSpeed', { score: 240 }) */
  value(parameter: string, readings?: Readings): number;
}

/** An attempt that is over, for the run. */
export interface Attempt {
  won: boolean;
  stars?: number;
  score?: number;
  collected?: number;
  livesLost?: number;
  tallies?: Readonly<Record<string, number>>;
}

/** Saved state of a run: plain JSON. */
export interface SavedRun {
  seed: number;
  turn: number;
  position: number;
  tallies: Record<string, number>;
  stars: Record<string, number>;
  over: boolean;
}

/** Where an attempt has led. */
export interface Step {
  /** Present state of the run, to be saved. */
  saved: SavedRun;
  position: number;
  over: boolean;
  event: 'retry' | 'next' | 'gameOver' | 'end';
}

/** A play through the sequence: what is kept, what opens, what comes next. */
export interface Run {
  readonly saved: SavedRun;
  readonly position: number;
  readonly tallies: Readonly<Record<string, number>>;
  /** May this position be played? */
  opens(position: number): boolean;
  /** Enters an attempt at the present position, and goes on from what it leads to. */
  after(attempt: Attempt): Step;
}

/** A hand-off, ready to be played by. */
export interface Game {
  readonly name: string;
  /** How many positions the sequence has. */
  readonly length: number;
  /** @param position from 1; past the last one where the ramps go on @throws RangeError where the sequence has no such position */
  level(position: number): Level;
  /** Begins a run, or goes on with one that was saved. */
  run(saved?: SavedRun): Run;
}
