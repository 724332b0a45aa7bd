/** The largest document Stadion takes on; each limit is checked where the thing is parsed, with the remedy in the message. */
export const Limits = {
  slots: 1000,
  levels: 1000,
  parameters: 120,
  kinds: 60,
  tiers: 40,
  rules: 60,
  tallies: 30,
  expectations: 2000,
  leftSo: 2000,
  gates: 16,
  pacers: 20,
  conditionsInAGroup: 20,
  /** Number of conditions of a level's own rules, clock and stars and of the standing rules together. */
  conditionsInALevel: 400,
  effectsInALevel: 300,
  spawners: 24,
  /** Parameters whose ramps go along a reading: they are worked out at every tick. */
  liveRamps: 16,
  /** Number of frames of an expectation. */
  expectationSeconds: 600,
  pieces: 400,
  /** Limits of a run: number of sections, width of each, and pieces on one. */
  sections: 60,
  sectionLeast: 8,
  sectionWidth: 40,
  sectionPieces: 60,
  /** Cells, across and down. */
  groundLeast: 4,
  groundWidth: 64,
  groundHeight: 40,
  nameLength: 80,
  textLength: 400,
} as const;

/** Groups inside groups beyond this depth could not be read as a sentence. */
export const MAX_CONDITION_DEPTH = 6;
