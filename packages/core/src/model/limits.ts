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
  gates: 16,
  pacers: 20,
  conditionsInAGroup: 20,
  pieces: 400,
  groundWidth: 64,
  groundHeight: 40,
  nameLength: 80,
  textLength: 400,
} as const;
