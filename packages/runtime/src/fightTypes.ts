import type { Readings } from './types.ts';

/** Who fights whom: fighters as the hand-off has them. */
export interface WhoFights {
  ours: readonly unknown[];
  theirs: readonly unknown[];
}

/** One turn of one fighter. Without an action, nothing could be done. */
export interface FightTurn {
  round: number;
  /** Its number: ours first, then theirs. */
  actor: number;
  /** Id of the action. */
  action: string | null;
  struck: readonly { target: number; hits: boolean; amount: number; left: number; falls: boolean }[];
}

/** A fight by turns. The same seed and choices give the same fight as in Stadion. */
export interface Fight {
  /** What happened before anybody of ours was asked. */
  readonly opening: readonly FightTurn[];
  readonly phase: string;
  readonly fighters: readonly {
    id: string;
    name: string;
    ours: boolean;
    /** Of what is lost; and as a share of all it had. */
    left: number;
    share: number;
    stands: boolean;
  }[];
  /** Who of ours chooses now, and among what; null once it has ended. */
  readonly asks: { fighter: number; options: readonly { action: string; name: string; target: number }[] } | null;
  /** Takes an option by its place. @returns what happened until somebody of ours is asked again @throws RangeError where there is no such option */
  choose(option: number): readonly FightTurn[];
  /** What an action does when it hits, as both are now: amounts, and hits until the target falls. @throws RangeError where there is no such action */
  harm(actor: number, action: string, target: number): { least: number; mean: number; most: number; hits: number };
  /** Begins anew, as after a lost life. */
  again(): readonly FightTurn[];
  /** So long turns take on the level's clock. */
  secondsOf(turns: readonly FightTurn[]): number;
  /** What the judge is to be shown: `judge.tick(fight.readings, fight.secondsOf(turns))`. */
  readonly readings: Readings;
}

/** Meetings on the way through a level, as far as it has been gone. */
export interface MeetingsOnWay {
  /**
   * Is somebody met now? To be asked every frame: the same seed and way give the same meetings as in Stadion.
   *
   * @param readings `distance`, units of way gone, and `inside.…` of the zones that have a meeting
   * @returns who is met, for `fight`; null for nobody
   */
  meet(readings: Readings): { group: string; name: string; theirs: readonly unknown[]; seed: number } | null;
}

/** The fights of a hand-off. */
export interface Fights {
  /**
   * Begins the fight that decides a level, or another one, as those on the way through.
   *
   * @param position from 1
   * @param seed whole number, 32 bits
   * @throws RangeError where nobody fights there and nobody is given
   */
  fight(position: number, seed: number, who?: WhoFights): Fight;
  /** Somebody of the party at a level of its own, for fights on the way. @throws RangeError where nobody is called so */
  member(id: string, level: number): unknown;
  /** The meetings on the way through a position; none where the level has none. @throws RangeError where there is no such position */
  meetings(position: number, seed: number): MeetingsOnWay;
}
