import type { Ground, PieceName } from '../../document/model/index.ts';
import type { Judging, LiveAmount, LiveRamp } from '../rules/index.ts';

/** A rectangle from its upper left corner. Units. */
export interface Area {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** How the player or an emitter shoots. */
export interface Shooting {
  /** Ticks between two shots. */
  everyTicks: number;
  /** Units per second. */
  speed: number;
  /** Units until a shot is spent. */
  reach: number;
  liveEverySeconds?: LiveAmount;
  liveSpeed?: LiveAmount;
  liveReach?: LiveAmount;
}

/** The least that a kind of ground prepares of its player's body. */
export interface KindMotion {
  /** Numbers that follow a parameter that changes during the attempt, by the name of their dial. */
  live: Readonly<Record<string, LiveAmount>>;
}

/**
 * A level at one slot with every number resolved: all that an attempt depends on, and nothing else. Plain data, so that
 * it can be sent to a worker and its text can be the key of what is computed from it. Names are left out on purpose:
 * renaming never makes a forecast stale.
 */
export interface PreparedLevel {
  /** The kind of ground. */
  kind: Ground['kind'];
  /** Everything that changes how things move. */
  motion: {
    rows: string[];
    player: {
      /** Units. */
      radius: number;
      /** Ticks for which nothing touches the player after a life is lost. */
      graceTicks: number;
      health: number;
      liveHealth?: LiveAmount;
      /** Ammunition -1 for without end. */
      shooting:
        | (Shooting & { aimsAtNearest: boolean; damage: number; liveDamage?: LiveAmount; ammunition: number })
        | null;
    };
    /** How the body moves: only the kind of ground looks into it. */
    body: KindMotion;
    /** Prepared pieces of each sort, in the order of the ground; only the file of the sort reads them. */
    pieces: Readonly<Record<PieceName, readonly unknown[]>>;
    kindsOfHazard: { damage: number; liveDamage?: LiveAmount; perSecond: boolean }[];
    kindsOfCollectable: number;
    kindsOfEnemy: number;
    /** Values of the parameters that change during the attempt. */
    dials: number[];
    /** Those of them that follow a reading; absent where none does. */
    liveRamps?: LiveRamp[];
  };
  /** Everything that only changes how the motion is judged. */
  judging: Judging;
}
