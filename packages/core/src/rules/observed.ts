/**
 * What the world shows the judge at the end of a tick. Lists by kind run in the order of the project's kinds; those
 * of collectables have one entry more, last, for “any”.
 */
export interface Observed {
  /** Ticks on the level's clock; stands still until the clock starts. */
  clockTicks: number;
  /** Ticks at which the clock expires, -1 for no limit. */
  limitTicks: number;
  lives: number;
  /** Points gathered. */
  worth: number[];
  /** Pieces gathered. */
  collected: number[];
  /** Pieces still on the ground. */
  left: number[];
  /** 1 while the player is inside the goal zone, by goal. */
  inside: number[];
  /** 1 while the player touches one, by kind of enemy. */
  touching: number[];
}

/** Nothing seen yet. @param collectables @param enemies numbers of kinds @param goals number of zones */
export function emptyObserved(collectables: number, enemies: number, goals: number): Observed {
  return {
    clockTicks: 0,
    limitTicks: -1,
    lives: 0,
    worth: new Array<number>(collectables + 1).fill(0),
    collected: new Array<number>(collectables + 1).fill(0),
    left: new Array<number>(collectables + 1).fill(0),
    inside: new Array<number>(goals).fill(0),
    touching: new Array<number>(enemies).fill(0),
  };
}
