import type { Readings } from './types.ts';

/** Fighters of a fight, as the hand-off has them. */
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
  /** Turns before the first choice of the party. */
  readonly opening: readonly FightTurn[];
  readonly phase: string;
  readonly fighters: readonly {
    id: string;
    name: string;
    ours: boolean;
    /** Remaining amount of the statistic that is lost; and its share of the full amount. */
    left: number;
    share: number;
    stands: boolean;
  }[];
  /** The party member that chooses now, with its choices; null once the fight has ended. */
  readonly asks: { fighter: number; options: readonly { action: string; name: string; target: number }[] } | null;
  /** Takes an option by its place. @returns what happened until somebody of ours is asked again @throws RangeError where there is no such option */
  choose(option: number): readonly FightTurn[];
  /** Effect of an action that hits, with both fighters as they are now: amounts, and hits until the target falls. @throws RangeError where there is no such action */
  harm(actor: number, action: string, target: number): { least: number; mean: number; most: number; hits: number };
  /** Begins again, as after a lost life. */
  again(): readonly FightTurn[];
  /** So long turns take on the level's clock. */
  secondsOf(turns: readonly FightTurn[]): number;
  /** Readings to show to the judge: `judge.tick(fight.readings, fight.secondsOf(turns))`. */
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
