/** The track's chart, px from its top. */
export const TOP = 22;
export const BASE = 94;
export const HEIGHT = BASE - TOP;
/** Lines of the tiers' rule and names. */
export const TIER_RULE = BASE + 24;
export const TIER_LINE = BASE + 38;

export const yOf = (share: number): number => BASE - HEIGHT * share;
