/** One weighted reading of a composed score, ready to be read. */
export interface ScoreTerm {
  reading: { read(observed: Observed, subject: number): number };
  subject: number;
  times: number;
}

/**
 * Readings for the judge at the end of a tick. Lists by kind are in the order of the project's kinds; those of
 * collectables and of enemies have one more entry, the last, for “any”. Lists of pieces are in the order of the
 * ground.
 */
export interface Observed {
  /** Ticks on the level's clock; stands still until the clock starts. */
  clockTicks: number;
  /** Ticks at which the clock expires, -1 for no limit. */
  limitTicks: number;
  lives: number;
  health: number;
  /** From 1: which try at the level this is. */
  tries: number;
  /** Units above the lower edge of the ground. */
  height: number;
  /** Units of way gone. */
  distance: number;
  /** 1 while there is no ground under the player. */
  offGround: number;
  /** How often a goal was entered from outside. */
  crossings: number;
  /** From 1 at the lower edge: the row in which the player is. */
  row: number;
  /** 1 while the player stands on something. */
  onFloor: number;
  /** Units per second downwards, 0 while it rises. */
  fallSpeed: number;
  /** Units per second upwards. */
  climbRate: number;
  /** 1 while a wall or an edge is touched. */
  touchingWall: number;
  /** Sections of a run that lie behind the player. */
  sectionsPassed: number;
  /** 1 while a wall stops who is carried forward. */
  blocked: number;
  /** Rounds of a bout that have begun. */
  rounds: number;
  /** Number of fallen fighters of the party in a bout. */
  fallen: number;
  /** Points given by milestones. */
  bonus: number;
  /** Further terms of the score. */
  scoreTerms: readonly ScoreTerm[];
  /** Points gathered. */
  worth: number[];
  /** Pieces gathered. */
  collected: number[];
  /** Pieces still on the ground. */
  left: number[];
  /** Enemies that can be beaten and are not yet, those on their way included. */
  enemiesLeft: number[];
  enemiesBeaten: number[];
  /** 1 while the player is inside, by goal and zone. */
  inside: number[];
  /** 1 while the player touches one, by kind of enemy, then by kind of hazard. */
  touching: number[];
  /** 1 once touched, by latch. */
  latches: number[];
  /** 1 while open, by gate. */
  gates: number[];
  /** From 1, by enemy placed on the ground. */
  phases: number[];
  /** Value of each own tally of the project. */
  tallies: number[];
  /** 1 once nobody of it stands any more: our side of a bout, then theirs. */
  sidesBeaten: number[];
  /** Share of health left in a bout, 0–1, by fighter of the project; of several alike, of all together. */
  healthShares: number[];
}

/** How many there are of everything that a list of `Observed` runs over. */
export interface ObservedSizes {
  collectables: number;
  enemies: number;
  hazards: number;
  zones: number;
  latches: number;
  gates: number;
  phases: number;
  tallies: number;
  fighters: number;
}

const zeros = (length: number): number[] => new Array<number>(length).fill(0);

/** Nothing seen yet. */
export function emptyObserved(sizes: Partial<ObservedSizes> = {}): Observed {
  const {
    collectables = 0,
    enemies = 0,
    hazards = 0,
    zones = 0,
    latches = 0,
    gates = 0,
    phases = 0,
    tallies = 0,
    fighters = 0,
  } = sizes;
  return {
    clockTicks: 0,
    limitTicks: -1,
    lives: 0,
    health: 0,
    tries: 1,
    height: 0,
    distance: 0,
    offGround: 0,
    crossings: 0,
    row: 0,
    onFloor: 0,
    fallSpeed: 0,
    climbRate: 0,
    touchingWall: 0,
    sectionsPassed: 0,
    blocked: 0,
    rounds: 0,
    fallen: 0,
    bonus: 0,
    scoreTerms: [],
    worth: zeros(collectables + 1),
    collected: zeros(collectables + 1),
    left: zeros(collectables + 1),
    enemiesLeft: zeros(enemies + 1),
    enemiesBeaten: zeros(enemies + 1),
    inside: zeros(zones),
    touching: zeros(enemies + hazards),
    latches: zeros(latches),
    gates: zeros(gates),
    phases: new Array<number>(phases).fill(1),
    tallies: zeros(tallies),
    sidesBeaten: zeros(2),
    healthShares: zeros(fighters),
  };
}

/** A copy that shares nothing that changes. */
export const copyObserved = (seen: Observed): Observed => ({
  ...seen,
  worth: [...seen.worth],
  collected: [...seen.collected],
  left: [...seen.left],
  enemiesLeft: [...seen.enemiesLeft],
  enemiesBeaten: [...seen.enemiesBeaten],
  inside: [...seen.inside],
  touching: [...seen.touching],
  latches: [...seen.latches],
  gates: [...seen.gates],
  phases: [...seen.phases],
  tallies: [...seen.tallies],
  sidesBeaten: [...seen.sidesBeaten],
  healthShares: [...seen.healthShares],
});
